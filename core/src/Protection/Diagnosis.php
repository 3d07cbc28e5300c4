<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

use Vicissa\Core\InvalidInput;

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
        public string $says,
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
                ? new self(Finding::Refreshed, NextStep::None, 'The new layer does its job.')
                : new self(
                    Finding::BaseSuspect,
                    NextStep::InspectBase,
                    'Even a fresh topper doesn’t move the water. Look at the base layer under it, and at how the topper went on.',
                ),
            $afterDecon !== null => $afterDecon->holds($designed)
                ? new self(
                    Finding::Clogged,
                    NextStep::TopperOptional,
                    'Fallout was sitting on a layer that is still there. With it gone the water behaves; a topper is a choice, not a need.',
                )
                : new self(
                    Finding::TopperSpent,
                    NextStep::ApplyTopper,
                    'Clean down to the surface and the water still hangs on: the topper is used up.',
                ),
            $afterWash !== null => self::afterWash($designed, $arrival, $afterWash),
            $arrival !== null => $arrival->holds($designed)
                ? new self(
                    Finding::Sound,
                    NextStep::None,
                    'The water behaves even through the dirt, so the layer under it is sound.',
                )
                : new self(
                    Finding::Unclear,
                    NextStep::WashAndRetest,
                    $arrival === Behaviour::Flat
                        ? 'Flat water on a dirty car is not a dead coating: dirt holds water too. Wash, then read again.'
                        : 'Dirt may be hiding the layer. Wash, then read again.',
                ),
            default => throw InvalidInput::at(
                'arrival',
                'Give at least one reading: on arrival, after the wash, after decontamination or after the topper.',
            ),
        };
    }

    private static function afterWash(Designed $designed, ?Behaviour $arrival, Behaviour $afterWash): self
    {
        if (!$afterWash->holds($designed)) {
            return new self(
                Finding::Unclear,
                NextStep::DecontaminateAndRetest,
                'Washed, and the water still doesn’t behave. Fallout may be clogging the layer: decontaminate a panel and read it again before judging.',
            );
        }

        return $arrival !== null && !$arrival->holds($designed)
            ? new self(Finding::WasDirty, NextStep::None, 'It was only dirt: clean, the layer works.')
            : new self(Finding::Sound, NextStep::None, 'The layer works as it should.');
    }
}
