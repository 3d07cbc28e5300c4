<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Units\Measures;
use Vicissa\Core\Water\Residue;
use Vicissa\Core\Water\Spots;

/** Which water comes last, and what it would leave (domain, model "spots"). */
final readonly class FinalRinse
{
    private function __construct(
        /** none: nothing is rinsed. */
        public Water $water,
        /** What dries on the paint if it is left; null when nothing is rinsed. */
        public ?Residue $residue,
        /** Seconds until it has dried where it stands; null when it stays wet. */
        public ?float $workingS,
        public bool $tdsAssumed,
        public string $why,
    ) {}

    public static function of(Situation $situation, MethodChoice $method): self
    {
        $place = $situation->place;
        if ($method->chosen === null || !$method->chosen->method->needsHose()) {
            return new self(
                Water::None,
                null,
                null,
                false,
                $method->chosen === null
                    ? 'Nothing is washed.'
                    : 'No rinse: the last towel side carries the rest away.',
            );
        }
        $film =
            $situation->vehicle->stack(Zone::Paint)->designed() === Designed::Sheets
                ? Film::SheetedRinse
                : Film::BeadedRinse;
        $light = $situation->vehicle->tone->isLight();
        $tapTds = $place->tapTds ?? $situation->rules->assumedTapTds;
        $tap = Residue::of($tapTds, $film->kgM2(), $light, $situation->rules->spots);
        $working = $situation->now->workingS($film);
        $soon = $working !== null && $working < $situation->rules->driesSoonS;
        if ($place->water === Water::Treated) {
            $tds = $place->treatedTds ?? $situation->rules->assumedTreatedTds;
            $treated = Residue::of($tds, $film->kgM2(), $light, $situation->rules->spots);
            if ($place->tapTds !== null && $tap->spots === Spots::None) {
                return new self(
                    Water::Tap,
                    $tap,
                    $working,
                    false,
                    sprintf(
                        'The tap alone leaves nothing that shows (%s): keep the tank for where it counts.',
                        self::amount($tapTds, $tap),
                    ),
                );
            }
            // Of two that were measured the cleaner comes last, whatever it is called.
            if ($place->tapTds !== null && $place->treatedTds !== null && $tapTds <= $tds) {
                return new self(
                    Water::Tap,
                    $tap,
                    $working,
                    false,
                    sprintf(
                        'The tap (%s mg/l) is no harder than the treated water (%s mg/l): rinse from the tap, and look at the resin.',
                        Measures::plain($tapTds, 0),
                        Measures::plain($tds, 0),
                    ),
                );
            }

            return new self(
                Water::Treated,
                $treated,
                $working,
                $place->treatedTds === null,
                sprintf(
                    'Treated water leaves %s (%s)%s.',
                    self::shown($treated->spots),
                    self::amount($tds, $treated),
                    $place->tapTds === null ? '' : sprintf('; the tap would leave %s', self::shown($tap->spots)),
                ),
            );
        }

        return new self(
            Water::Tap,
            $tap,
            $working,
            $place->tapTds === null,
            sprintf(
                '%s leaves %s where it dries (%s)%s.',
                $place->tapTds === null ? 'Tap water nobody has measured, taken as hard,' : 'The tap',
                self::shown($tap->spots),
                self::amount($tapTds, $tap),
                $tap->spots->worseThan(Spots::Faint)
                    ? sprintf(
                        '; %s, so rinse and dry panel by panel, horizontals first',
                        $working === null
                            ? 'it stays wet here'
                            : sprintf('it is workable for %s here', Measures::time($working)),
                    )
                    : ($soon
                        ? '; dry horizontals first'
                        : ''),
            ),
        );
    }

    private static function amount(float $tds, Residue $residue): string
    {
        return sprintf('%s mg/l, %s mg/m² dried', Measures::plain($tds, 0), Measures::plain($residue->mgM2, 1));
    }

    private static function shown(Spots $spots): string
    {
        return match ($spots) {
            Spots::None => 'nothing that shows',
            Spots::Faint => 'faint marks',
            Spots::Visible => 'marks one sees',
            Spots::Heavy => 'heavy marks',
        };
    }
}
