<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Learnt\PooledSeen;
use Vicissa\Core\Protection\Life\Learnt\ReadAfter;
use Vicissa\Core\Protection\Life\Learnt\Seen;
use Vicissa\Core\Protection\Life\Learnt\VehicleSeen;
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
        if ($input->flag('learn', false)) {
            return $this->learnt($input, new LearntLife((float) $label[0], (float) $label[1]));
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

    /**
     * With the spreads, and how often a reading is wrong, learnt from what was seen.
     *
     * @return Told<'ReckonDue'>
     */
    private function learnt(Input $input, LearntLife $model): array
    {
        $others = $input->objectOrEmpty('others');
        $beside = array_map(fn(string|int $vehicle): array => $this->seen($others, (string) $vehicle), $others->keys());
        $own = $input->has('own') ? $this->seen($input, 'own') : [];
        $wrong = $model->wrongShare([...$beside, $own]);
        $model = $model->fittedTo($beside, $wrong);
        $life = $model
            ->forecast(
                PooledSeen::of(
                    array_map(static fn(array $layers): VehicleSeen => $model->vehicle($layers, $wrong), $beside),
                ),
                $own === [] ? null : $model->vehicle($own, $wrong),
                $wrong,
            )
            ->heldTo($input->numberOrNull('worn') ?? 0.0);

        return [
            'product_life' => $life->productLife,
            'p10' => $life->quantile(0.1),
            'p50' => $life->quantile(0.5),
            'p90' => $life->quantile(0.9),
            'spread_layer' => $life->spreadLayer,
            'spread_vehicle' => $life->spreadVehicle,
            'wrong_share' => $life->wrongShare,
            'rests_on' => $life->restsOn,
        ];
    }

    /** @return list<Seen> */
    private function seen(Input $input, string $field): array
    {
        $intervals = $seen = [];
        foreach ($input->items($field) as $i => $layer) {
            if (!is_array($layer) || array_is_list($layer)) {
                $intervals[$i] = $layer;
                continue;
            }
            $of = new Input($layer, $input->at("{$field}.{$i}."));
            $of->numberOrNull('until');
            $seen[$i] = Seen::readings(
                array_map(
                    static fn(Input $one): array => [
                        'wear' => $one->number('wear'),
                        'holds' => $one->flag('holds'),
                        'after' => $one->choice('after', ReadAfter::class),
                    ],
                    $of->objects('readings'),
                ),
            );
        }
        foreach ($this->pairs($input, $field, $intervals) as $i => $interval) {
            $seen[$i] = Seen::interval($interval);
        }

        return array_values($seen);
    }

    /** @return list<FailureInterval> */
    private function intervals(Input $input, string $field): array
    {
        return array_values($this->pairs($input, $field, $input->items($field)));
    }

    /**
     * @param array<int, mixed> $pairs
     * @return array<int, FailureInterval>
     */
    private function pairs(Input $input, string $field, array $pairs): array
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
        }, $pairs);
    }
}
