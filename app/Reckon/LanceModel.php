<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Mix\LanceRange;
use Vicissa\Core\Says\Said;

/** `lance`: strength at the panel. */
final readonly class LanceModel implements Model
{
    public function name(): string
    {
        return 'lance';
    }

    /** @return Told<'ReckonLance'>|Told<'ReckonLanceSpan'> */
    public function reckon(Input $input): array
    {
        if (!$input->has('washer_l_min') && !$input->has('bottle_ml') && !$input->has('empties_s')) {
            return $this->span($input);
        }
        $lance = Lance::calibrated(
            $input->number('washer_l_min'),
            $input->number('bottle_ml'),
            $input->number('empties_s'),
        );
        $fill = $input->numberOrNull('fill_ml') ?? $lance->bottleMl;
        InvalidInput::unlessBetween('fill_ml', $fill, 0.1, 100000, 'ml');
        if ($input->has('target_share') === $input->has('bottle_share')) {
            throw $input->wrong('target_share', Said::of('input.share'));
        }
        $mix = $input->has('target_share')
            ? $lance->forPanel($input->number('target_share'))
            : $lance->forBottle($input->number('bottle_share'));

        return [
            'draw_l_min' => $lance->drawLMin,
            'carry' => $lance->carry,
            'bottle_share' => $mix->bottleShare,
            'panel_share' => $mix->panelShare,
            'reachable' => $mix->reachable(),
            ...$mix->fill($fill) ?? ['max_panel_share' => $lance->carry],
        ];
    }

    /**
     * Never calibrated: the span within which lances lie.
     *
     * @return Told<'ReckonLanceSpan'>
     */
    private function span(Input $input): array
    {
        $range = new LanceRange();
        if ($input->has('bottle_share')) {
            $span = $range->panelFrom($input->number('bottle_share'));

            return ['calibrated' => false, 'panel_share_low' => $span['low'], 'panel_share_high' => $span['high']];
        }
        $span = $range->bottleFor($input->number('target_share'));

        return ['calibrated' => false, 'bottle_share_low' => $span['low'], 'bottle_share_high' => $span['high']];
    }
}
