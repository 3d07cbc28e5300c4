<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\PartReadings;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WaterTalk;

/**
 * `diagnose`: what the readings of one visit say, of the whole and, where given under `parts`, of roof, sides and low
 * panels.
 */
final readonly class DiagnoseModel implements Model
{
    public function name(): string
    {
        return 'diagnose';
    }

    /** @return Told<'WaterTalk'> */
    public function reckon(Input $input): array
    {
        $read = [];
        foreach (Part::cases() as $part) {
            $of = $part === Part::Whole ? $input : $input->objectOrEmpty('parts')->objectOrEmpty($part->value);
            foreach (Stage::cases() as $stage) {
                $behaviour = $of->choiceOrNull($stage->value, Behaviour::class);
                if ($behaviour !== null) {
                    $read[$stage->value][$part->value] = $behaviour;
                }
            }
        }

        return TalkAnswer::of(
            WaterTalk::over(
                new PartReadings($read),
                $input->choice('designed', Designed::class),
                $input->flag('topper', true),
                $input->numberOrNull('sheets_s'),
                $input->numberOrNull('sheeted_before_s'),
            ),
        );
    }
}
