<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Tank;

/** `tank`: will the treated water last. */
final readonly class TankModel implements Model
{
    public function name(): string
    {
        return 'tank';
    }

    /** @return Told<'ReckonTank'> */
    public function reckon(Input $input): array
    {
        $tank = new Tank(
            $input->number('tank_l'),
            $input->number('on_below_l'),
            $input->number('make_l_min'),
            $input->number('recovery'),
        );
        $run = $tank->run(
            $input->number('start_l'),
            array_map(
                static fn(Input $draw): Draw => new Draw(
                    $draw->number('start_min'),
                    $draw->number('minutes'),
                    $draw->number('l_min'),
                ),
                $input->objects('draws'),
            ),
            $input->number('horizon_min'),
        );

        return [
            'min_l' => $run->minL,
            'min_at' => $run->minAt,
            'empty_at' => $run->emptyAt,
            'short_l' => $run->shortL,
            'end_l' => $run->endL,
            'made_l' => $run->madeL,
            'feed_l' => $run->feedL,
            ...$input->flag('points', false) ? ['points' => $run->points] : [],
        ];
    }
}
