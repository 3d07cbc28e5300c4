<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Body;

/** `area`: the painted area of a large vehicle by its measures (domain §11). */
final readonly class AreaModel implements Model
{
    public function name(): string
    {
        return 'area';
    }

    /** @return Told<'ReckonArea'> */
    public function reckon(Input $input): array
    {
        $measures = [];
        foreach (['length_m' => 30.0, 'width_m' => 4.0, 'height_m' => 6.0] as $field => $most) {
            InvalidInput::unlessBetween($field, $measures[] = $input->number($field), 0.5, $most, 'm');
        }

        return ['area_m2' => Body::boxM2(...$measures)];
    }
}
