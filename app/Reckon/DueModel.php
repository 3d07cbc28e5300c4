<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Says\Said;

/** `due`: the life of a product and of the layer now on, in wear-weeks. */
final readonly class DueModel implements Model
{
    public function name(): string
    {
        return 'due';
    }

    /** @return Told<'ReckonDue'> */
    public function reckon(Input $input): array
    {
        $label = $input->items('label_weeks');
        if (count($label) !== 2 || !is_numeric($label[0]) || !is_numeric($label[1])) {
            throw $input->wrong('label_weeks', Said::of('input.label-weeks'));
        }
        $model = new LifeModel((float) $label[0], (float) $label[1]);
        $curves = [];
        $others = $input->objectOrEmpty('others');
        foreach ($others->keys() as $vehicle) {
            $curves[] = $model->vehicleEvidence($this->intervals($others, (string) $vehicle));
        }
        $life = $model->forecast(
            LifeModel::together($curves),
            $input->has('own') ? $this->intervals($input, 'own') : [],
            $input->numberOrNull('worn') ?? 0.0,
        );

        return [
            'product_life' => $life->productLife,
            'p10' => $life->quantile(0.1),
            'p50' => $life->quantile(0.5),
            'p90' => $life->quantile(0.9),
        ];
    }

    /** @return list<FailureInterval> */
    private function intervals(Input $input, string $field): array
    {
        return array_map(static function (mixed $pair) use ($input, $field): FailureInterval {
            $ok =
                is_array($pair) &&
                count($pair) === 2 &&
                array_is_list($pair) &&
                (is_int($pair[0]) || is_float($pair[0])) &&
                ($pair[1] === null || is_int($pair[1]) || is_float($pair[1]));
            if (!$ok) {
                throw $input->wrong($field, Said::of('input.pairs'));
            }
            try {
                return FailureInterval::of((float) $pair[0], $pair[1] === null ? null : (float) $pair[1]);
            } catch (InvalidInput $e) {
                throw InvalidInput::at($input->at($field), $e->says);
            }
        }, $input->items($field));
    }
}
