<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Units\Measures;
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
     * @param array<string, string> $refused  by DryingWay value
     * @param list<string> $how
     */
    private function __construct(
        public DryingWay $way,
        public float $litres,
        public array $towels,
        public bool $mayAirDry,
        public bool $seals,
        public array $refused,
        public array $how,
        public string $why,
    ) {}

    public static function of(Situation $situation, Schools $schools, MethodChoice $method, FinalRinse $rinse): self
    {
        if ($method->chosen === null) {
            return new self(DryingWay::None, 0.0, [], false, false, [], [], 'Nothing is washed.');
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
    public function says(Measures $measures): string
    {
        return sprintf(
            '%s, %s to take up, %s',
            $this->way->says(),
            $measures->litres($this->litres),
            implode(
                ', ',
                array_map(
                    static fn(string $size, int $n): string => "{$n} {$size}",
                    array_keys($this->towels),
                    $this->towels,
                ),
            ),
        );
    }

    /** @return array<string, string> why each way can't be had, by DryingWay value */
    private static function refused(Situation $situation, MethodChoice $method): array
    {
        $place = $situation->place;
        $matte = $situation->vehicle->is(Finish::Matte) ? 'Matte is blotted: nothing is pulled over it.' : null;
        $film = $method->leavesFilm() ? 'A towel would rub the film that touchless left into the paint.' : null;
        $wiped = $method->method()?->needsHose() === true ? null : 'Wiped panels are dried at once.';

        return array_filter([
            DryingWay::AirThenTowel->value =>
                $wiped ?? ($place->blows() ? $matte ?? $film : 'There is no power for an air dryer, and no packs.'),
            DryingWay::WarmAir->value =>
                $wiped ??
                match (true) {
                    !$place->power => 'Warm air wants a socket; packs don’t carry it.',
                    $situation->seen->looseEdges => 'Edges lift, and warm air goes under them.',
                    $situation->later->panelC > $situation->rules->hotC - 5.0 => 'The panels are warm enough.',
                    default => null,
                },
            DryingWay::SheetThenTowel->value => $wiped ?? ($matte ?? $film),
            DryingWay::Towel->value => $wiped ?? ($matte ?? $film),
        ]);
    }

    /**
     * @param array<string, string> $refused
     * @return array{DryingWay, string}
     */
    private static function choose(Situation $situation, Schools $schools, MethodChoice $method, array $refused): array
    {
        [$vehicle, $place] = [$situation->vehicle, $situation->place];
        if ($method->method()?->needsHose() !== true) {
            return [DryingWay::AtOnce, 'Each wiped panel is dried at once with the next clean side.'];
        }
        $wish = DryingWay::tryFrom($schools->side(School::Drying));
        if ($wish !== null && !isset($refused[$wish->value])) {
            return [$wish, sprintf('%s is your choice.', $wish->says())];
        }
        $but = $wish === null ? '' : sprintf('%s is refused: %s ', $wish->says(), lcfirst($refused[$wish->value]));
        $sheets = $vehicle->stack(Zone::Paint)->designed() === Designed::Sheets || !$situation->repels();

        return match (true) {
            $method->leavesFilm() => $place->blows()
                ? [
                    DryingWay::AirOnly,
                    $but . 'Air only: a towel would rub the film that touchless left into the paint.',
                ]
                : [
                    DryingWay::Blot,
                    $but .
                    'Blotted without pulling: a towel drawn over it would rub the film that touchless left into the paint, and there is nothing to blow with.',
                ],
            $vehicle->is(Finish::Matte) => $place->blows()
                ? [DryingWay::AirAndBlot, $but . 'Matte: air and blot, no pulling, nothing glossy.']
                : [DryingWay::Blot, $but . 'Matte, and no power: blot, no pulling, nothing glossy.'],
            !isset($refused[DryingWay::AirThenTowel->value]) && !$sheets => [
                DryingWay::AirThenTowel,
                $but . 'The water beads: forced air takes nearly all of it, one towel pass the rest.',
            ],
            default => [
                DryingWay::SheetThenTowel,
                $but .
                ($sheets
                    ? 'The water does not bead: let a gentle open hose sheet most of it off first.'
                    : 'No power for an air dryer: let a gentle open hose sheet most of it off first.'),
            ],
        };
    }

    /** @return list<string> */
    private static function how(Schools $schools, DryingWay $way, bool $seals, bool $air): array
    {
        $towels = !in_array($way, [DryingWay::AirOnly, DryingWay::WarmAir], true);

        return array_values(
            array_filter([
                $towels
                    ? ($schools->is(School::Towel, 'pre-damped')
                        ? 'Damp the towels first, wring them well.'
                        : 'Towels dry; spread them, let them drink, pull by the edges.')
                    : null,
                $way === DryingWay::AtOnce || $way === DryingWay::AirOnly
                    ? null
                    : 'Horizontals first: they spot first. Then glass, verticals, mirrors, handles and gaps.',
                in_array($way, [DryingWay::AirThenTowel, DryingWay::SheetThenTowel, DryingWay::Towel], true)
                    ? 'High pile first, low pile to level streaks; no circles, no chamois, nothing that has touched the ground.'
                    : null,
                $way === DryingWay::Towel
                    ? 'Big towels laid flat on horizontals and drawn by their edges, medium ones draped down the sides, a small one for drips.'
                    : null,
                $way->blows()
                    ? 'Filtered air, not a yard blower: from above downward, out of mirrors, handles and gaps.'
                    : null,
                $way === DryingWay::WarmAir
                    ? 'Warm, not hot: a hand’s breadth away and always moving, least of all on film and decals.'
                    : null,
                $seals ? 'Near frost: dry the door seals, locks and jambs, so that nothing freezes shut.' : null,
                $air ? 'What is left may dry by itself: the last water leaves nothing that shows.' : null,
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

    /** @return list<array{way: DryingWay, refused: string|null}> what one may wish for, each with why not */
    public function options(): array
    {
        return array_map(
            fn(DryingWay $way): array => ['way' => $way, 'refused' => $this->refused[$way->value] ?? null],
            self::CHOICES,
        );
    }
}
