<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * What the water says (domain, model "diagnose"). The latest reading of the visit decides; an arrival reading alone
 * never condemns a layer, because dirt lies over it.
 */
final readonly class Diagnosis
{
    private function __construct(
        public Finding $verdict,
        public NextStep $next,
        /** The same in words for the person at the car. */
        public Said $says,
    ) {}

    /**
     * @throws InvalidInput when there is no reading at all
     */
    public static function from(
        Designed $designed,
        ?Behaviour $arrival = null,
        ?Behaviour $afterWash = null,
        ?Behaviour $afterDecon = null,
        ?Behaviour $afterTopper = null,
    ): self {
        return match (true) {
            $afterTopper !== null => $afterTopper->holds($designed)
                ? new self(Finding::Refreshed, NextStep::None, Said::of('diagnosis.the-new-layer-does-its-job'))
                : new self(
                    Finding::BaseSuspect,
                    NextStep::InspectBase,
                    Said::of('diagnosis.even-a-fresh-topper-doesnt'),
                ),
            $afterDecon !== null => $afterDecon->holds($designed)
                ? new self(Finding::Clogged, NextStep::TopperOptional, Said::of('diagnosis.fallout-was-sitting-on-a'))
                : new self(
                    Finding::TopperSpent,
                    NextStep::ApplyTopper,
                    Said::of('diagnosis.clean-down-to-the-surface'),
                ),
            $afterWash !== null => self::afterWash($designed, $arrival, $afterWash),
            $arrival !== null => $arrival->holds($designed)
                ? new self(Finding::Sound, NextStep::None, Said::of('diagnosis.the-water-behaves-even'))
                : new self(
                    Finding::Unclear,
                    NextStep::WashAndRetest,
                    $arrival === Behaviour::Flat
                        ? Said::of('diagnosis.flat-water-on-a-dirty-car')
                        : Said::of('diagnosis.dirt-may-be-hiding-the'),
                ),
            default => throw InvalidInput::at('arrival', Said::of('fault.no-reading')),
        };
    }

    private static function afterWash(Designed $designed, ?Behaviour $arrival, Behaviour $afterWash): self
    {
        if (!$afterWash->holds($designed)) {
            return new self(
                Finding::Unclear,
                NextStep::DecontaminateAndRetest,
                Said::of('diagnosis.washed-and-the-water-still'),
            );
        }

        return $arrival !== null && !$arrival->holds($designed)
            ? new self(Finding::WasDirty, NextStep::None, Said::of('diagnosis.it-was-only-dirt-clean-the'))
            : new self(Finding::Sound, NextStep::None, Said::of('diagnosis.the-layer-works-as-it'));
    }
}
