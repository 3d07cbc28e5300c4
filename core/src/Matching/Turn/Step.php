<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

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

    public function says(): Said
    {
        return match ($this) {
            self::Look => Said::of('step.look'),
            self::Water => Said::of('step.water'),
            self::Mix => Said::of('step.mix'),
            self::Wheels => Said::of('step.wheels'),
            self::Soften => Said::of('step.soften'),
            self::PreWash => Said::of('step.pre-wash'),
            self::Foam => Said::of('step.foam'),
            self::Rinse => Said::of('step.rinse'),
            self::Decon => Said::of('step.decon'),
            self::Wash => Said::of('step.wash'),
            self::FinalRinse => Said::of('step.final-rinse'),
            self::Read => Said::of('step.read'),
            self::Topper => Said::of('step.topper'),
            self::Dry => Said::of('step.dry'),
            self::Finish => Said::of('step.finish'),
            self::HandOver => Said::of('step.hand-over'),
        };
    }
}
