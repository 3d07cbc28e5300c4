<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\Drop;

/** `bead`: contact angle of a drop from the side. */
final readonly class BeadModel implements Model
{
    public function name(): string
    {
        return 'bead';
    }

    /** @return Told<'ReckonBead'> */
    public function reckon(Input $input): array
    {
        $water = $input->numberOrNull('water_c');
        $drop =
            $water === null
                ? Drop::measured($input->number('base_mm'), $input->number('height_mm'))
                : Drop::lying($input->number('base_mm'), $input->number('height_mm'), $water);

        return ['angle_deg' => $drop->angleDeg, 'behaviour' => $drop->behaviour()->value];
    }
}
