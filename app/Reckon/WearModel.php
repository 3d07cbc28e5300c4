<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Says\Said;

/**
 * `wear`: wear-weeks per week by habits, and with `days` and `washes` ([{day, traits?, drying_aid?}]) the wear that a
 * layer has taken after so many days.
 */
final readonly class WearModel implements Model
{
    public function name(): string
    {
        return 'wear';
    }

    /** @return Told<'ReckonWear'> */
    public function reckon(Input $input): array
    {
        $factors = new WearFactors();
        $habits = Habits::of(
            $input->choice('storage', Storage::class),
            $input->choice('road', Road::class),
            $input->number('km_per_week'),
        );
        $factor = $factors->washFactor($input->has('wash') ? $input->choices('wash', WashTrait::class) : []);
        $result = [
            'idle_per_week' => $factors->idle($habits),
            'wash_factor' => $factor,
            'per_week' => $factors->perWeek($habits, $input->numberOrNull('washes_per_week') ?? 0.0, $factor),
        ];
        $days = $input->numberOrNull('days');
        if ($days === null) {
            return $result;
        }
        InvalidInput::unlessBetween('days', $days, 0, 36525, 'days');
        $washes = [];
        foreach ($input->has('washes') ? $input->items('washes') : [] as $i => $item) {
            $wash = is_array($item)
                ? new Input($item, "washes.{$i}.")
                : throw $input->wrong("washes.{$i}", Said::of('input.object'));
            $washes[] = new Wash(
                $wash->number('day'),
                $wash->has('traits') ? $wash->choices('traits', WashTrait::class) : [],
                $wash->flag('drying_aid', false),
            );
        }

        return [...$result, 'worn' => WearPath::of($habits, $washes, $factors)->at($days)];
    }
}
