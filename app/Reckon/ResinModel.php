<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Water\Resin;

/** `resin`: litres until it is exhausted. */
final readonly class ResinModel implements Model
{
    public function name(): string
    {
        return 'resin';
    }

    /** @return Told<'ReckonResin'> */
    public function reckon(Input $input): array
    {
        $resin = new Resin($input->number('resin_l'), $input->number('capacity_g_per_l'));
        $used = $input->numberOrNull('used_g') ?? 0.0;

        return [
            'litres_left' => $resin->litresLeft($input->number('tds_mg_l'), $used),
            'share_left' => $resin->shareLeft($used),
            'warns' => $resin->warns($used),
        ];
    }
}
