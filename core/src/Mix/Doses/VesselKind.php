<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix\Doses;

/** What one mixes in. Buckets come first when filling, the lance last (domain §2). */
enum VesselKind: string
{
    case Bucket = 'bucket';
    case Sprayer = 'sprayer';
    case Bottle = 'bottle';
    case Lance = 'lance';
    /** Not mixed at all: out of its own tin. */
    case Tin = 'tin';

    /** The vessel for a way of use on a label. */
    public static function forWay(string $way): self
    {
        return match ($way) {
            'bucket' => self::Bucket,
            'lance' => self::Lance,
            'sprayer' => self::Sprayer,
            default => self::Bottle,
        };
    }

    public function order(): int
    {
        return match ($this) {
            self::Bucket => 0,
            self::Sprayer => 1,
            self::Bottle => 2,
            self::Lance => 3,
            self::Tin => 4,
        };
    }
}
