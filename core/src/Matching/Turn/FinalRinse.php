<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
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
        public Said $why,
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
                    ? Said::of('final-rinse.nothing-is-washed')
                    : Said::of('final-rinse.no-rinse-the-last-towel'),
            );
        }
        $film =
            $situation->vehicle->stack(Zone::Paint)->designed() === Designed::Sheets
                ? Film::SheetedRinse
                : Film::BeadedRinse;
        $light = $situation->vehicle->tone->isLight();
        $tapTds = $place->tapTds ?? ($place->tapHardness ?? $situation->rules->assumedTapTds);
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
                    Said::of('final-rinse.the-tap-alone-leaves', amount: self::amount($tapTds, $tap)),
                );
            }
            // Of two that were measured the cleaner comes last, whatever it is called.
            if ($place->tapTds !== null && $place->treatedTds !== null && $tapTds <= $tds) {
                return new self(
                    Water::Tap,
                    $tap,
                    $working,
                    false,
                    Said::of('final-rinse.the-tap-mg-l-is-no-harder', tap: round($tapTds), treated: round($tds)),
                );
            }

            return new self(
                Water::Treated,
                $treated,
                $working,
                $place->treatedTds === null,
                Said::of(
                    'final-rinse.treated-water-leaves',
                    shown: self::shown($treated->spots),
                    amount: self::amount($tds, $treated),
                    tap: $place->tapTds === null
                        ? null
                        : Said::of('final-rinse.the-tap-would-leave', shown: self::shown($tap->spots)),
                ),
            );
        }

        return new self(
            Water::Tap,
            $tap,
            $working,
            $place->tapTds === null,
            Said::of(
                'final-rinse.leaves-where-it-dries',
                tap: match (true) {
                    $place->tapTds !== null => Said::of('final-rinse.the-tap'),
                    $place->tapHardness !== null => Said::of('final-rinse.the-tap-by-its-hardness'),
                    default => Said::of('final-rinse.tap-water-nobody-has'),
                },
                shown: self::shown($tap->spots),
                amount: self::amount($tapTds, $tap),
                so: match (true) {
                    $tap->spots->worseThan(Spots::Faint) => Said::of(
                        'final-rinse.so-rinse-and-dry-panel-by',
                        wet: $working === null
                            ? Said::of('final-rinse.it-stays-wet-here')
                            : Said::of('final-rinse.it-is-workable-for-here', time: Amount::time($working)),
                    ),
                    $soon => Said::of('final-rinse.dry-horizontals-first'),
                    default => null,
                },
            ),
        );
    }

    private static function amount(float $tds, Residue $residue): Said
    {
        return Said::of('final-rinse.amount', tds: round($tds), dried: $residue->mgM2);
    }

    private static function shown(Spots $spots): Said
    {
        return match ($spots) {
            Spots::None => Said::of('final-rinse.nothing-that-shows'),
            Spots::Faint => Said::of('final-rinse.faint-marks'),
            Spots::Visible => Said::of('final-rinse.marks-one-sees'),
            Spots::Heavy => Said::of('final-rinse.heavy-marks'),
        };
    }
}
