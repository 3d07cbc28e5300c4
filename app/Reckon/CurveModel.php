<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\Exposure;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;

/** `curve`: the working window hour by hour through a day. */
final readonly class CurveModel implements Model
{
    public function name(): string
    {
        return 'curve';
    }

    /** @return Told<'ReckonCurve'> */
    public function reckon(Input $input): array
    {
        $curve = DayCurve::of(
            array_map(static fn(Input $hour): Air => MatchModel::air($hour), $input->objects('hours')),
            $input->choice('tone', Tone::class),
            $input->choiceOrNull('material', Material::class) ?? Material::Steel,
            $input->choiceOrNull('film', Film::class) ?? Film::BeadedRinse,
            $input->choiceOrNull('exposure', Exposure::class) ?? Exposure::Flat,
            $input->numberOrNull('need_s') ?? DayCurve::TOO_SHORT_S,
        );

        return ['hours' => $curve->hours];
    }
}
