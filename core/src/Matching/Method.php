<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Says\Said;

/** Ways to wash (domain §5). */
enum Method: string
{
    case Touchless = 'touchless';
    case MultiTowel = 'multi-towel';
    case TwoMitts = 'two-mitts';
    case OneMitt = 'one-mitt';
    case Rinseless = 'rinseless';
    case Waterless = 'waterless';

    public function wear(): WashTrait
    {
        return match ($this) {
            self::Touchless => WashTrait::Touchless,
            self::MultiTowel, self::TwoMitts, self::OneMitt => WashTrait::Contact,
            self::Rinseless => WashTrait::Rinseless,
            self::Waterless => WashTrait::Waterless,
        };
    }

    /** Whether it is worked with a hose, rinsing first. */
    public function needsHose(): bool
    {
        return $this !== self::Rinseless && $this !== self::Waterless;
    }

    /** What it is washed with. */
    public function role(): Role
    {
        return match ($this) {
            self::Touchless => Role::Foam,
            self::MultiTowel, self::TwoMitts, self::OneMitt => Role::Soap,
            self::Rinseless => Role::Rinseless,
            self::Waterless => Role::Waterless,
        };
    }

    public function says(): Said
    {
        return match ($this) {
            self::Touchless => Said::of('method.touchless'),
            self::MultiTowel => Said::of('method.multi-towel'),
            self::TwoMitts => Said::of('method.two-mitts'),
            self::OneMitt => Said::of('method.one-mitt'),
            self::Rinseless => Said::of('method.rinseless'),
            self::Waterless => Said::of('method.waterless'),
        };
    }
}
