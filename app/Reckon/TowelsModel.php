<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Textiles\TowelCount;

/** `towels`: how many sides carry the dirt away. */
final readonly class TowelsModel implements Model
{
    public function name(): string
    {
        return 'towels';
    }

    /** @return Told<'ReckonTowels'> */
    public function reckon(Input $input): array
    {
        $count = TowelCount::of(
            $input->number('area_m2'),
            $input->whole('soil'),
            $input->flag('prerinsed'),
            $input->whole('sides_per_towel'),
        );

        return ['sides' => $count->sides, 'towels' => $count->towels];
    }
}
