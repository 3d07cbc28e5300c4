<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\Says\Said;

/**
 * How strong a cleaner is (domain §4): gentle within pH 5.5–8.5, medium within 4–11, strong beyond; removers and
 * solvents are never gentle.
 */
enum Strength: int
{
    case Gentle = 0;
    case Medium = 1;
    case Strong = 2;

    public static function of(ProductTraits $product): self
    {
        return match (true) {
            $product->ph < 4.0 || $product->ph > 11.0 => self::Strong,
            $product->ph < 5.5 || $product->ph > 8.5,
            $product->solvent,
            $product->role === Role::Iron,
            $product->role === Role::Tar
                => self::Medium,
            default => self::Gentle,
        };
    }

    /** In the middle of a sentence. */
    public function says(): Said
    {
        return match ($this) {
            self::Gentle => Said::of('strength.gentle'),
            self::Medium => Said::of('strength.medium'),
            self::Strong => Said::of('strength.strong'),
        };
    }
}
