<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\Family;

/** One product on one zone, now: allowed or not, and everything there is to say about it (domain, model "verdict"). */
final readonly class Verdict
{
    /**
     * @param list<Remark> $remarks  sorted by code
     */
    private function __construct(public array $remarks) {}

    public static function of(
        ProductTraits $product,
        Surface $surface,
        Circumstances $now,
        VerdictRules $rules = new VerdictRules(),
    ): self {
        $found = [
            [Code::WrongSurface, in_array($surface->zone, $product->surfaces, true) ? null : Severity::Block],
            [
                Code::MasksLayer,
                self::masks($product, $surface, $rules) ? ($now->bareFace ? Severity::Block : Severity::Warn) : null,
            ],
            [
                Code::StripsLayer,
                $now->purpose === Purpose::Maintain
                    ? $rules->strips[$product->strips->value][$surface->layer->value] ?? null
                    : null,
            ],
            [
                Code::NoBond,
                $surface->layer === Family::Wax
                    ? $rules->onWax[$product->leaves->value][$product->role->value] ?? null
                    : null,
            ],
            [Code::NotForMatte, $surface->is(Finish::Matte) && $product->leaves->shines() ? Severity::Block : null],
            [
                Code::AcidOnSensitive,
                $product->ph < $rules->acidBelowPh && self::acidSensitive($surface) ? Severity::Block : null,
            ],
            [Code::SolventOnFilm, $product->solvent ? self::solvent($surface) : null],
            [
                Code::AlkalineOnSingleStage,
                $product->ph > $rules->alkalineAbovePh && $surface->is(Finish::SingleStage) ? Severity::Warn : null,
            ],
            [
                Code::TooHot,
                $now->panelC !== null && $product->maxC !== null && $now->panelC > $product->maxC
                    ? Severity::Block
                    : null,
            ],
            [
                Code::TooCold,
                $now->panelC !== null && $product->minC !== null && $now->panelC < $product->minC
                    ? Severity::Block
                    : null,
            ],
            [
                Code::DriesFirst,
                $now->workingS !== null && !$product->mayDry && $product->dwellMinS > $now->workingS
                    ? Severity::Block
                    : null,
            ],
            [Code::NeedsWater, $product->needsRinse && $now->water === Water::None ? Severity::Block : null],
            [Code::OutOfStock, $now->inStock ? null : Severity::Warn],
        ];
        $remarks = [];
        foreach ($found as [$code, $severity]) {
            if ($severity !== null) {
                $remarks[] = new Remark($code, $severity);
            }
        }
        usort($remarks, static fn(Remark $a, Remark $b): int => $a->code->value <=> $b->code->value);

        return new self($remarks);
    }

    /**
     * The same where several layers have to be suited: what is under the outermost one, or what an unknown one may be.
     * Of one code the severest stands.
     *
     * @param non-empty-list<Surface> $surfaces
     */
    public static function onAll(
        ProductTraits $product,
        array $surfaces,
        Circumstances $now,
        VerdictRules $rules = new VerdictRules(),
    ): self {
        $worst = [];
        foreach ($surfaces as $surface) {
            foreach (self::of($product, $surface, $now, $rules)->remarks as $remark) {
                $worst[$remark->code->value] =
                    ($worst[$remark->code->value] ?? null)?->severity === Severity::Block
                        ? $worst[$remark->code->value]
                        : $remark;
            }
        }
        ksort($worst);

        return new self(array_values($worst));
    }

    public function has(Code $code): bool
    {
        return array_filter($this->remarks, static fn(Remark $remark): bool => $remark->code === $code) !== [];
    }

    public function allowed(): bool
    {
        return $this->count(Severity::Block) === 0;
    }

    public function warnings(): int
    {
        return $this->count(Severity::Warn);
    }

    private function count(Severity $severity): int
    {
        return count(array_filter($this->remarks, static fn(Remark $remark): bool => $remark->severity === $severity));
    }

    private static function masks(ProductTraits $product, Surface $surface, VerdictRules $rules): bool
    {
        return $product->leaves->shines() &&
            $product->role->staysOnLayer() &&
            in_array($surface->layer->value, $rules->maskable, true);
    }

    private static function acidSensitive(Surface $surface): bool
    {
        return $surface->layer === Family::Film ||
            $surface->layer === Family::Wrap ||
            ($surface->zone === Zone::Wheels &&
                $surface->wheelFinish !== null &&
                $surface->wheelFinish->acidSensitive());
    }

    private static function solvent(Surface $surface): ?Severity
    {
        return match (true) {
            $surface->layer === Family::Film, $surface->layer === Family::Wrap => Severity::Block,
            $surface->is(Finish::Decals) => Severity::Warn,
            default => null,
        };
    }
}
