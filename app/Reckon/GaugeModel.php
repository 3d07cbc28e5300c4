<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Gauge\GaugeReading;
use Vicissa\Core\Protection\Gauge\MarkedDrop;
use Vicissa\Core\Says\Said;

/** `gauge`: drops marked on a side-on photo, as one reading with its uncertainty. */
final readonly class GaugeModel implements Model
{
    public function name(): string
    {
        return 'gauge';
    }

    /** @return Told<'ReckonGauge'> */
    public function reckon(Input $input): array
    {
        $marking = $input->numberOrNull('marking_px') ?? 1.5;
        $scale = $input->numberOrNull('mm_per_px');
        $water = $input->numberOrNull('water_c') ?? 20.0;
        if ($scale !== null && ($scale <= 0.0 || $scale > 100.0)) {
            throw $input->wrong('mm_per_px', Said::of('input.scale'));
        }
        $reading = GaugeReading::of(
            array_map(
                static fn(Input $drop): MarkedDrop => self::marked($drop, $marking, $scale, $water),
                $input->objects('drops'),
            ),
        );

        return [
            'angle_deg' => $reading->angleDeg,
            'uncertainty_deg' => $reading->uncertaintyDeg,
            'behaviour' => $reading->behaviour->value,
            'or_else' => $reading->orElse?->value,
            'doubts' => $reading->doubts,
            'drops' => array_map(
                static fn(MarkedDrop $drop): array => [
                    'angle_deg' => $drop->angleDeg,
                    'uncertainty_deg' => $drop->uncertaintyDeg,
                    'looks_down_deg' => $drop->looksDownDeg,
                ],
                $reading->drops,
            ),
        ];
    }

    /** Names the mark by its place in the input. */
    private static function marked(Input $drop, float $marking, ?float $scale, float $water): MarkedDrop
    {
        try {
            return MarkedDrop::at(
                self::point($drop, 'left'),
                self::point($drop, 'right'),
                self::point($drop, 'top'),
                $marking,
                $scale,
                $water,
                $drop->has('near') ? self::point($drop, 'near') : null,
                $drop->has('mirror') ? self::point($drop, 'mirror') : null,
            );
        } catch (InvalidInput $e) {
            throw in_array($e->field, ['right', 'top', 'near', 'mirror'], true)
                ? InvalidInput::at($drop->at($e->field), $e->says)
                : $e;
        }
    }

    /** @return array{float, float} */
    private static function point(Input $drop, string $field): array
    {
        $point = $drop->items($field);
        foreach ([0, 1] as $i) {
            if (!isset($point[$i]) || (!is_int($point[$i]) && !is_float($point[$i]))) {
                throw $drop->wrong($field, Said::of('input.point'));
            }
        }

        return [(float) $point[0], (float) $point[1]];
    }
}
