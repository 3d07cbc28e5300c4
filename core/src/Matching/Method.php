<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Protection\WashTrait;

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
}
