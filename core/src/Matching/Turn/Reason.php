<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

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

    public function says(): Said
    {
        return match ($this) {
            self::ShowShine => Said::of('reason.show-shine'),
            self::ResetWantsBare => Said::of('reason.reset-wants-bare'),
            self::DoesNotStrip => Said::of('reason.does-not-strip'),
            self::NoClayHere => Said::of('reason.no-clay-here'),
            self::AcidOffered => Said::of('reason.acid-offered'),
            self::OtherFamily => Said::of('reason.other-family'),
            self::NeedsHose => Said::of('reason.needs-hose'),
            self::NeedsLance => Said::of('reason.needs-lance'),
            self::NotThisBase => Said::of('reason.not-this-base'),
            self::NotNeeded => Said::of('reason.not-needed'),
            self::BetterFit => Said::of('reason.better-fit'),
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
