<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Water\Residue;

/** `spots`: what water leaves when it dries. */
final readonly class SpotsModel implements Model
{
    public function name(): string
    {
        return 'spots';
    }

    /** @return Told<'ReckonSpots'> */
    public function reckon(Input $input): array
    {
        $residue = Residue::of(
            $input->has('tds_mg_l')
                ? $input->number('tds_mg_l')
                : HardnessModel::read($input, 'hardness') ?? $input->number('tds_mg_l'),
            $input->number('film_kg_m2'),
            $input->flag('light_paint', false),
        );

        return ['residue_mg_m2' => $residue->mgM2, 'visibility' => $residue->spots->value];
    }
}
