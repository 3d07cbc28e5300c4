<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Water\Spots;

/**
 * How the water comes off, and with how many towels (domain §6). The way is chosen like a method: what can't be done
 * here is refused, with its reason.
 */
final readonly class DryingPlan
{
    /** Ways a person may wish for. */
    private const CHOICES = [DryingWay::AirThenTowel, DryingWay::WarmAir, DryingWay::SheetThenTowel, DryingWay::Towel];

    /**
     * @param float $litres               left to take up
     * @param array<string, int> $towels  by size: large, medium, catch, sills, wheels
     * @param bool $seals                 near frost: seals, locks and jambs are dried too
     * @param array<string, Said> $refused  by DryingWay value
     * @param list<Said> $how
     */
    private function __construct(
        public DryingWay $way,
        public float $litres,
        public array $towels,
        public bool $mayAirDry,
        public bool $seals,
        public array $refused,
        public array $how,
        public Said $why,
    ) {}

    public static function of(Situation $situation, Schools $schools, MethodChoice $method, FinalRinse $rinse): self
    {
        if ($method->chosen === null) {
            return new self(DryingWay::None, 0.0, [], false, false, [], [], Said::of('drying-plan.nothing-is-washed'));
        }
        [$vehicle, $rules] = [$situation->vehicle, $situation->rules];
        $refused = self::refused($situation, $method);
        [$way, $why] = self::choose($situation, $schools, $method, $refused);
        $left = $way->leaves();
        $litres = $left === null ? 0.0 : $rules->waterLeft[$left] * $vehicle->paintM2;
        $seals = $situation->isNearFrost();
        $air =
            $rinse->water === Water::Treated &&
            $rinse->residue?->spots === Spots::None &&
            !$vehicle->is(Finish::Matte) &&
            !$seals;

        return new self(
            $way,
            $litres,
            self::towels($way, $litres, $vehicle->paintM2, $rules),
            $air,
            $seals,
            $refused,
            self::how($schools, $way, $seals, $air),
            $why,
        );
    }

    /** In words, for comparison. */
    public function says(): Said
    {
        return Said::of(
            'drying-plan.to-take-up',
            way: $this->way->says(),
            litres: Amount::litres($this->litres),
            towels: Said::list(
                array_map(
                    static fn(string $size, int $n): Said => Said::of('drying-plan.towels', n: $n, size: $size),
                    array_keys($this->towels),
                    $this->towels,
                ),
            ),
        );
    }

    /** @return array<string, Said> why each way can't be had, by DryingWay value */
    private static function refused(Situation $situation, MethodChoice $method): array
    {
        $place = $situation->place;
        $matte = $situation->vehicle->is(Finish::Matte) ? Said::of('drying-plan.matte-is-blotted-nothing-is') : null;
        $film = $method->leavesFilm() ? Said::of('drying-plan.a-towel-would-rub-the-film') : null;
        $wiped = $method->method()?->needsHose() === true ? null : Said::of('drying-plan.wiped-panels-are-dried-at');

        return array_filter([
            DryingWay::AirThenTowel->value =>
                $wiped ?? ($place->blows() ? $matte ?? $film : Said::of('drying-plan.there-is-no-power-for-an')),
            DryingWay::WarmAir->value =>
                $wiped ??
                match (true) {
                    !$place->power => Said::of('drying-plan.warm-air-wants-a-socket'),
                    $situation->seen->looseEdges => Said::of('drying-plan.edges-lift-and-warm-air'),
                    $situation->later->panelC > $situation->rules->hotC - 5.0 => Said::of(
                        'drying-plan.the-panels-are-warm-enough',
                    ),
                    default => null,
                },
            DryingWay::SheetThenTowel->value => $wiped ?? ($matte ?? $film),
            DryingWay::Towel->value => $wiped ?? ($matte ?? $film),
        ]);
    }

    /**
     * @param array<string, Said> $refused
     * @return array{DryingWay, Said}
     */
    private static function choose(Situation $situation, Schools $schools, MethodChoice $method, array $refused): array
    {
        [$vehicle, $place] = [$situation->vehicle, $situation->place];
        if ($method->method()?->needsHose() !== true) {
            return [DryingWay::AtOnce, Said::of('drying-plan.each-wiped-panel-is-dried')];
        }
        $wish = DryingWay::tryFrom($schools->side(School::Drying));
        if ($wish !== null && !isset($refused[$wish->value])) {
            return [$wish, Said::of('drying-plan.is-your-choice', wish: $wish->says())];
        }
        $but =
            $wish === null
                ? null
                : Said::of('drying-plan.is-refused', wish: $wish->says(), why: Said::lower($refused[$wish->value]));
        $sheets = $vehicle->stack(Zone::Paint)->designed() === Designed::Sheets || !$situation->repels();

        return match (true) {
            $method->leavesFilm() => $place->blows()
                ? [DryingWay::AirOnly, Said::of('drying-plan.air-only-a-towel-would-rub', but: $but)]
                : [DryingWay::Blot, Said::of('drying-plan.blotted-without-pulling-a', but: $but)],
            $vehicle->is(Finish::Matte) => $place->blows()
                ? [DryingWay::AirAndBlot, Said::of('drying-plan.matte-air-and-blot-no', but: $but)]
                : [DryingWay::Blot, Said::of('drying-plan.matte-and-no-power-blot-no', but: $but)],
            !isset($refused[DryingWay::AirThenTowel->value]) && !$sheets => [
                DryingWay::AirThenTowel,
                Said::of('drying-plan.the-water-beads-forced-air', but: $but),
            ],
            default => [
                DryingWay::SheetThenTowel,
                Said::of(
                    'drying-plan.sheet-then-towel',
                    but: $but,
                    because: $sheets
                        ? Said::of('drying-plan.the-water-does-not-bead-let')
                        : Said::of('drying-plan.no-power-for-an-air-dryer'),
                ),
            ],
        };
    }

    /** @return list<Said> */
    private static function how(Schools $schools, DryingWay $way, bool $seals, bool $air): array
    {
        $towels = !in_array($way, [DryingWay::AirOnly, DryingWay::WarmAir], true);

        return array_values(
            array_filter([
                $towels
                    ? ($schools->is(School::Towel, 'pre-damped')
                        ? Said::of('drying-plan.damp-the-towels-first-wring')
                        : Said::of('drying-plan.towels-dry-spread-them-let'))
                    : null,
                $way === DryingWay::AtOnce || $way === DryingWay::AirOnly
                    ? null
                    : Said::of('drying-plan.horizontals-first-they-spot'),
                in_array($way, [DryingWay::AirThenTowel, DryingWay::SheetThenTowel, DryingWay::Towel], true)
                    ? Said::of('drying-plan.high-pile-first-low-pile-to')
                    : null,
                $way === DryingWay::Towel ? Said::of('drying-plan.big-towels-laid-flat-on') : null,
                $way->blows() ? Said::of('drying-plan.filtered-air-not-a-yard') : null,
                $way === DryingWay::WarmAir ? Said::of('drying-plan.warm-not-hot-a-hands') : null,
                $seals ? Said::of('drying-plan.near-frost-dry-the-door') : null,
                $air ? Said::of('drying-plan.what-is-left-may-dry-by') : null,
            ]),
        );
    }

    /** @return array<string, int> */
    private static function towels(DryingWay $way, float $litres, float $m2, MatchRules $rules): array
    {
        $need = static fn(string $size, float $share): int => max(
            1,
            (int) ceil(($litres * $share) / $rules->wipe->uptakeL($size) - 1e-9),
        );

        return match ($way) {
            // Washing towels are counted apart; these are for what they leave damp.
            DryingWay::AtOnce => [
                'medium' => 1 + $rules->towelsFor('dried-at-once', $m2),
                'sills' => $rules->towelsFor('sills', $m2),
            ],
            DryingWay::AirOnly, DryingWay::WarmAir => ['catch' => $rules->towelsFor('catch', $m2)],
            default => [
                'large' => $need('large', $rules->horizontals),
                'medium' => $need('medium', 1.0 - $rules->horizontals),
                'catch' => $rules->towelsFor('catch', $m2),
                'sills' => $rules->towelsFor('sills', $m2),
            ],
        };
    }

    /** @return list<array{way: DryingWay, refused: Said|null}> what one may wish for, each with why not */
    public function options(): array
    {
        return array_map(
            fn(DryingWay $way): array => ['way' => $way, 'refused' => $this->refused[$way->value] ?? null],
            self::CHOICES,
        );
    }
}
