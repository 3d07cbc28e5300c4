<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix\Doses;

use LogicException;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Mix\LanceRange;
use Vicissa\Core\Says\Said;

/**
 * What to mix for a turn, from its match: how much of everything, in which vessels, to which marks, in the order of
 * filling. Amounts are the rules' litres of mix for a use, by painted area.
 */
final readonly class DosePlan
{
    /** What nobody puts on as it comes, whatever is silent about it. */
    private const NEVER_NEAT = [Role::Soap, Role::Foam, Role::Prewash, Role::Rinseless];

    /**
     * @param list<Fill> $fills
     * @param array<string, float> $productMl by product id, for the whole turn; the middle of the span where only a
     *     span is known
     */
    private function __construct(public array $fills, public array $productMl) {}

    /**
     * @param list<Vessel> $vessels
     * @param Lance|null $lance  null when it has never been calibrated
     */
    public static function of(
        TurnMatch $match,
        float $paintM2,
        array $vessels,
        ?Lance $lance,
        MatchRules $rules = new MatchRules(),
    ): self {
        $fills = self::plain($match, $vessels);
        $taken = array_map(static fn(Fill $fill): ?string => $fill->vessel, $fills);
        $done = [];
        foreach ($match->choices as $choice) {
            // One soap in one bucket, whatever it washes.
            if (
                $choice->chosen !== null &&
                !isset($done[$choice->chosen->bottle->id]) &&
                !self::waits($choice, $match)
            ) {
                $done[$choice->chosen->bottle->id] = true;
                // What holds one mix doesn't hold another.
                $free = array_values(
                    array_filter($vessels, static fn(Vessel $vessel): bool => !in_array($vessel->name, $taken, true)),
                );
                $fills[] = $fill = self::fill($choice, $paintM2 * $match->uses($choice), $free, $lance, $rules);
                $taken[] = $fill->vessel;
            }
        }
        usort(
            $fills,
            static fn(Fill $a, Fill $b): int => [
                $a->isNeat(),
                $a->kind->order(),
                $a->productId !== null,
                $a->product,
            ] <=> [$b->isNeat(), $b->kind->order(), $b->productId !== null, $b->product],
        );
        $total = [];
        foreach ($fills as $fill) {
            if ($fill->productId !== null) {
                $total[$fill->productId] =
                    ($total[$fill->productId] ?? 0.0) +
                    $fill->times *
                        ($fill->productMl ??
                            sqrt(($fill->productSpan['low'] ?? 0.0) * ($fill->productSpan['high'] ?? 0.0)));
            }
        }

        return new self($fills, $total);
    }

    /** A topper that waits for a reading is laid ready, not mixed. */
    private static function waits(Choice $choice, TurnMatch $match): bool
    {
        return $choice->need->role === Role::Topper &&
            $choice->need->optional &&
            $choice->need->zone === Zone::Paint &&
            $match->topper->decision->value !== 'apply';
    }

    /**
     * @param list<Vessel> $vessels
     * @return list<Fill> plain rinse water for mitts
     */
    private static function plain(TurnMatch $match, array $vessels): array
    {
        if (!in_array($match->method->method(), [Method::TwoMitts, Method::OneMitt], true)) {
            return [];
        }
        $bucket = self::vessel($vessels, VesselKind::Bucket, 15000.0);

        return [
            new Fill(
                VesselKind::Bucket,
                $bucket?->name,
                $bucket?->ml,
                null,
                Said::of('dose-plan.plain-water'),
                Said::of('dose-plan.rinse-bucket-with-its-grit'),
                min($bucket->ml ?? 15000.0, 15000.0),
                0.0,
                null,
                1,
            ),
        ];
    }

    /** @param list<Vessel> $vessels */
    private static function fill(Choice $choice, float $paintM2, array $vessels, ?Lance $lance, MatchRules $rules): Fill
    {
        $bottle = $choice->chosen->bottle ?? throw new LogicException('Only what was chosen is mixed.');
        if ($bottle->paste) {
            // Out of its tin, by weight; a gram counts as a millilitre of it.
            $grams = ($rules->use($choice->need->role, $bottle->applied, true)[0] * $paintM2) / $rules->useForM2;

            return new Fill(
                VesselKind::Tin,
                null,
                null,
                $bottle->id,
                $bottle->name,
                $choice->need->step->says(),
                $grams,
                $grams,
                null,
                1,
            );
        }
        [$litres, $ways] = $rules->use($choice->need->role, $bottle->applied);
        $scale = $choice->need->zone === Zone::Paint ? $paintM2 / $rules->useForM2 : 1.0;
        // A bucket is a bucket; what is sprayed goes by the area.
        $needMl =
            $choice->need->role === Role::Soap || $choice->need->role === Role::Rinseless
                ? 1000.0 * $litres * max(1.0, round($scale))
                : 1000.0 * $litres * $scale * $rules->margin;
        $way =
            array_values(array_filter($ways, static fn(string $way): bool => isset($bottle->shares[$way])))[0] ?? null;
        if ($way === null && in_array($choice->need->role, self::NEVER_NEAT, true)) {
            $kind = VesselKind::forWay($ways[0] ?? 'bucket');

            return new Fill(
                $kind,
                self::vessel($vessels, $kind, $needMl)?->name,
                self::vessel($vessels, $kind, $needMl)?->ml,
                $bottle->id,
                $bottle->name,
                $choice->need->step->says(),
                $needMl,
                null,
                null,
                1,
                Said::of('dose-plan.what-is-known-of-its-label'),
            );
        }
        $share = $way === null ? 1.0 : $bottle->shares[$way];
        $kind = VesselKind::forWay($way ?? 'bottle');
        if ($share >= 1.0) {
            // As it comes, out of its own bottle.
            return new Fill(
                $kind,
                null,
                null,
                $bottle->id,
                $bottle->name,
                $choice->need->step->says(),
                $needMl,
                $needMl,
                null,
                1,
            );
        }

        return $kind === VesselKind::Lance
            ? self::throughLance($choice, $needMl, $share, $vessels, $lance)
            : self::straight($choice, $kind, $needMl, $share, $vessels);
    }

    /** @param list<Vessel> $vessels */
    private static function straight(
        Choice $choice,
        VesselKind $kind,
        float $needMl,
        float $share,
        array $vessels,
    ): Fill {
        $vessel = self::vessel($vessels, $kind, $needMl);
        $times = $vessel === null ? 1 : max(1, (int) ceil($needMl / $vessel->ml - 1e-9));
        $mix = $needMl / $times;

        return new Fill(
            $kind,
            $vessel?->name,
            $vessel?->ml,
            $choice->chosen?->bottle->id,
            $choice->chosen->bottle->name ?? '',
            $choice->need->step->says(),
            $mix,
            $mix * $share,
            null,
            $times,
        );
    }

    /**
     * Through the lance the label's strength is meant at the panel.
     *
     * @param list<Vessel> $vessels
     */
    private static function throughLance(
        Choice $choice,
        float $panelMl,
        float $target,
        array $vessels,
        ?Lance $lance,
    ): Fill {
        $vessel = self::vessel($vessels, VesselKind::Lance, 1000.0);
        $bottle = $choice->chosen?->bottle;
        $make = static fn(float $mix, ?float $product, ?array $span, int $times, ?Said $says): Fill => new Fill(
            VesselKind::Lance,
            $vessel?->name,
            $vessel?->ml,
            $bottle?->id,
            $bottle->name ?? '',
            $choice->need->step->says(),
            $mix,
            $product,
            $span,
            $times,
            $says,
        );
        if ($lance === null) {
            $mix = $vessel->ml ?? 1000.0;
            $span = (new LanceRange())->bottleFor($target);

            return $make(
                $mix,
                null,
                ['low' => $mix * min(1.0, $span['low']), 'high' => $mix * min(1.0, $span['high'])],
                1,
                Said::of('dose-plan.this-lance-has-never-been'),
            );
        }
        $throughMl = $panelMl * $lance->carry;
        $mix = $lance->forPanel($target);
        if (!$mix->reachable()) {
            return $make(
                min($vessel->ml ?? $lance->bottleMl, $throughMl),
                min($vessel->ml ?? $lance->bottleMl, $throughMl),
                null,
                1,
                Said::of('dose-plan.even-neat-it-stays-weaker'),
            );
        }
        $times = max(1, (int) ceil($throughMl / ($vessel->ml ?? $lance->bottleMl) - 1e-9));
        $each = $throughMl / $times;

        return $make($each, $each * $mix->bottleShare, null, $times, null);
    }

    /**
     * The smallest that holds it; else the largest there is, filled again.
     *
     * @param list<Vessel> $vessels
     */
    private static function vessel(array $vessels, VesselKind $kind, float $ml): ?Vessel
    {
        $of = array_values(array_filter($vessels, static fn(Vessel $vessel): bool => $vessel->kind === $kind));
        usort($of, static fn(Vessel $a, Vessel $b): int => [$a->ml, $a->name] <=> [$b->ml, $b->name]);
        foreach ($of as $vessel) {
            if ($vessel->ml >= $ml - 1e-6) {
                return $vessel;
            }
        }

        return $of === [] ? null : $of[count($of) - 1];
    }
}
