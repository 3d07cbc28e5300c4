<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\WorkingWindow;

/** `window`: how long a film stays wet. */
final readonly class WindowModel implements Model
{
    public function name(): string
    {
        return 'window';
    }

    /** @return Told<'ReckonWindow'> */
    public function reckon(Input $input): array
    {
        $window = WorkingWindow::of(
            new Air(
                $input->number('air_c'),
                $input->number('rh'),
                $input->number('wind_m_s'),
                $input->number('sun_w_m2'),
            ),
            new Panel($input->number('absorptance'), $input->number('panel_heat_j_m2k'), $input->number('panel_c')),
            $input->number('film_kg_m2'),
        );

        return [
            'dries_s' => $window->driesS,
            'working_s' => $window->workingS(),
            'panel_end_c' => $window->panelEndC,
            'wet_panel_c' => $window->wetPanelC,
            'dry_panel_c' => $window->dryPanelC,
        ];
    }
}
