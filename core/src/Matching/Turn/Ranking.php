<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Code;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Fit;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strength;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Said;

/**
 * The shelf for one role on one zone, best first (domain, model "match"): allowed before ruled out, then points, then
 * cost per use, then name.
 */
final readonly class Ranking
{
    /** @param list<Judged> $all */
    private function __construct(private Role $role, public array $all) {}

    /** The shelf for one role on one zone, whatever else the visit holds. */
    public static function of(Situation $situation, Schools $schools, Role $role, Zone $zone): self
    {
        return self::for(
            $situation,
            $schools,
            new Need(
                $role,
                $zone,
                Step::Wash,
                null,
                soil: $zone === Zone::Wheels ? $situation->seen->wheels() : $situation->seen->soil,
            ),
        );
    }

    public static function for(Situation $situation, Schools $schools, Need $need): self
    {
        $all = [];
        $taken = array_flip($situation->asked->taken);
        foreach ($situation->shelf as $bottle) {
            if ($bottle->traits->role === $need->role || ($need->role === Role::Base && self::maySealAsBase($bottle))) {
                $one = self::judge($situation, $schools, $bottle, $need);
                $all[] = [
                    [
                        !$one->allowed(),
                        !isset($taken[$bottle->id]),
                        -$one->fit->points,
                        $one->cost ?? INF,
                        $bottle->name,
                        $bottle->id,
                    ],
                    $one,
                ];
            }
        }
        usort($all, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return new self($need->role, array_column($all, 1));
    }

    public static function judge(Situation $situation, Schools $schools, Bottle $bottle, Need $need): Judged
    {
        $rules = $situation->rules;
        $zone = $need->zone;
        $film = $rules->film($bottle->traits->role, $bottle->applied);
        $now = $situation->meets($bottle->traits->role, $bottle->applied);
        $verdict = Verdict::onAll(
            $bottle->traits,
            $situation->vehicle->surfaces($zone),
            new Circumstances(
                panelC: $now->panelC,
                workingS: $film === null ? null : $now->workingS($film),
                water: $situation->place->water,
                purpose: $situation->seen->purpose,
                bareFace: $schools->is(School::BareFace, 'refused'),
                inStock: $bottle->inStock,
            ),
            $rules->verdict,
        );
        $fed = $need->renews ?? $situation->vehicle->stack($zone)->fed();
        $wants =
            $need->soil === null || !$bottle->traits->role->cleans()
                ? null
                : Strength::from($rules->strength[$need->soil]);

        return new Judged(
            $bottle,
            $zone,
            $verdict,
            Fit::of(
                $verdict,
                $bottle->traits->leaves,
                $bottle->line,
                $fed->family ?? Family::Bare,
                $fed?->line,
                $wants === null ? null : Strength::of($bottle->traits),
                $wants,
            ),
            $bottle->costPerUse($situation->vehicle->paintM2, $rules),
            self::unfit($situation, $bottle, $need),
        );
    }

    public function best(): ?Judged
    {
        return $this->all !== [] && $this->all[0]->allowed() ? $this->all[0] : null;
    }

    /** Why none of them can be used, in a few words. */
    public function whyNone(): Said
    {
        return $this->none()->says($this->role);
    }

    /** Why none of them can be used, when none can. */
    public function none(): NoneFits
    {
        if ($this->all === []) {
            return NoneFits::NotOnTheShelf;
        }
        if (
            $this->offered() !== [] &&
            array_filter(
                $this->all,
                static fn(Judged $one): bool => $one->verdict->allowed() && $one->reason !== Reason::AcidOffered,
            ) === []
        ) {
            return NoneFits::OnlyAnAcid;
        }
        $codes = array_map(
            static fn(Judged $one): array => array_map(static fn($remark) => $remark->code, $one->verdict->remarks),
            $this->all,
        );
        $shared = array_values(
            array_filter(
                [Code::TooHot, Code::TooCold, Code::DriesFirst, Code::NeedsWater],
                static fn(Code $code): bool => array_filter(
                    $codes,
                    static fn(array $found): bool => in_array($code, $found, true),
                ) === $codes,
            ),
        );

        return match ($shared[0] ?? null) {
            Code::TooHot => NoneFits::TooHot,
            Code::TooCold => NoneFits::TooCold,
            Code::DriesFirst => NoneFits::DriesFirst,
            Code::NeedsWater => NoneFits::NeedsWater,
            default => NoneFits::RuledOut,
        };
    }

    /** @return list<Judged> acids that suit, for a person to take when the gentler one has failed */
    public function offered(): array
    {
        return array_values(
            array_filter(
                $this->all,
                static fn(Judged $one): bool => $one->reason === Reason::AcidOffered && $one->verdict->allowed(),
            ),
        );
    }

    private static function unfit(Situation $situation, Bottle $bottle, Need $need): ?Reason
    {
        $role = $bottle->traits->role;
        $zone = $need->zone;
        $leaves = $bottle->traits->leaves;

        return match (true) {
            $role === Role::Topper && $need->role === Role::Topper && !$bottle->protects($situation->rules)
                => Reason::ShowShine,
            $need->renews !== null && !self::makes($bottle, $need->renews) => Reason::NotThisBase,
            $role === Role::ClayLube &&
                $zone === Zone::Paint &&
                ($situation->vehicle->is(Finish::Matte) ||
                    $situation->vehicle->has(Zone::Paint, Family::Film, Family::Wrap))
                => Reason::NoClayHere,
            $zone === Zone::Paint &&
                $situation->seen->isReset() &&
                $role->staysOnLayer() &&
                ($leaves->protects() || $leaves->shines())
                => Reason::ResetWantsBare,
            $need->toStrip && $bottle->traits->strips !== Strips::Strong => Reason::DoesNotStrip,
            !$need->hose && ($role === Role::Topper || $role === Role::Base) && $bottle->isRinsedOff()
                => Reason::NeedsHose,
            $role === Role::Topper && $bottle->applied === 'foam-rinse' && !$situation->place->pressure
                => Reason::NeedsLance,
            $need->beside !== null && ($leaves->protects() || $leaves->shines()) && $leaves !== $need->beside
                => Reason::OtherFamily,
            $role->cleans() && $bottle->traits->ph < 4.0 && !in_array($bottle->id, $situation->asked->taken, true)
                => Reason::AcidOffered,
            default => null,
        };
    }

    /** A wax or sealant that goes on as a topper may also be what lies undermost. */
    private static function maySealAsBase(Bottle $bottle): bool
    {
        return $bottle->traits->role === Role::Topper && $bottle->traits->leaves->protects();
    }

    /**
     * Whether it lays down the layer that is to be renewed: the same kind, and where its name or line is known, no
     * other.
     */
    private static function makes(Bottle $bottle, Coat $layer): bool
    {
        $kind = match ($layer->family) {
            Family::Wax => Leaves::Wax,
            Family::Polymer => Leaves::Polymer,
            Family::SilicaSpray, Family::Ceramic => Leaves::Silica,
            default => null,
        };

        return $bottle->name === $layer->name || $bottle->traits->leaves === $kind;
    }
}
