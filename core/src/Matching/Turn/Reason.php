<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** Why a product of the shelf was not chosen, beyond what a verdict says. */
enum Reason: string
{
    case ShowShine = 'show-shine';
    case ResetWantsBare = 'reset-wants-bare';
    case DoesNotStrip = 'does-not-strip';
    case NoClayHere = 'no-clay-here';
    case AcidOffered = 'acid-offered';
    case OtherFamily = 'other-family';
    case NeedsHose = 'needs-hose';
    case NeedsLance = 'needs-lance';
    case NotThisBase = 'not-this-base';
    case NotNeeded = 'not-needed';
    case BetterFit = 'better-fit';

    public function says(): string
    {
        return match ($this) {
            self::ShowShine => 'A show shine: it looks good for days and protects hardly at all.',
            self::ResetWantsBare => 'A reset wants a bare surface; this leaves something on it.',
            self::DoesNotStrip => 'Doesn’t take old wax or sealant off.',
            self::NoClayHere => 'Clay marks matte paint, film and wraps.',
            self::AcidOffered => 'Acid: never chosen by itself. Take it by hand when the gentler one has failed.',
            self::OtherFamily => 'Of another kind than what goes on today: it would come between.',
            self::NeedsHose => 'Has to be rinsed off, and this way of washing has no hose.',
            self::NeedsLance => 'Goes through a lance, and there is no pressure water.',
            self::NotThisBase => 'Makes another layer than the one to be renewed.',
            self::NotNeeded => 'Not needed today.',
            self::BetterFit => 'Allowed; another fits better.',
        };
    }

    /** Whether it rules the product out, rather than merely passing it over. */
    public function blocks(): bool
    {
        return match ($this) {
            self::ShowShine,
            self::ResetWantsBare,
            self::DoesNotStrip,
            self::NoClayHere,
            self::AcidOffered,
            self::OtherFamily,
            self::NeedsHose,
            self::NeedsLance,
            self::NotThisBase
                => true,
            self::NotNeeded, self::BetterFit => false,
        };
    }
}
