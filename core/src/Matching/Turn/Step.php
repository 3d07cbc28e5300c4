<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** The steps of a visit (domain §2). */
enum Step: string
{
    case Look = 'look';
    case Water = 'water';
    case Mix = 'mix';
    case Wheels = 'wheels';
    case Soften = 'soften';
    case PreWash = 'prewash';
    case Foam = 'foam';
    case Rinse = 'rinse';
    case Decon = 'decon';
    case Wash = 'wash';
    case FinalRinse = 'final-rinse';
    case Read = 'read';
    case Topper = 'topper';
    case Dry = 'dry';
    case Finish = 'finish';
    case HandOver = 'hand-over';

    public function says(): string
    {
        return match ($this) {
            self::Look => 'Arrive and look',
            self::Water => 'Settle the water',
            self::Mix => 'Mix',
            self::Wheels => 'Wheels',
            self::Soften => 'Soften',
            self::PreWash => 'Pre-wash spray',
            self::Foam => 'Foam',
            self::Rinse => 'Rinse',
            self::Decon => 'Decontaminate',
            self::Wash => 'Wash',
            self::FinalRinse => 'Final rinse',
            self::Read => 'Read the water again',
            self::Topper => 'Topper',
            self::Dry => 'Dry',
            self::Finish => 'Glass, trim, tyres',
            self::HandOver => 'Second look, hand over',
        };
    }
}
