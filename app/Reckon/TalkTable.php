<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\PartReadings;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WaterTalk;

/** Every answer that whole-paint readings of one vehicle can lead to: for a phone that can ask nobody. */
final class TalkTable
{
    /**
     * @return array{designed: string, topper: bool, of: array<string, string>, answers: list<array<string, mixed>>, by: array<string, int>}
     *     a letter for each behaviour; answers; and which of them stands for the letters of the four stages, "-" where nothing was read
     */
    public static function of(Designed $designed, bool $topper): array
    {
        // One behaviour stands for all that are judged alike; flat on arrival has a sentence of its own.
        $letters = [];
        /** @var array<string, Behaviour> $stands */
        $stands = [];
        foreach (Behaviour::cases() as $behaviour) {
            $letter = match (true) {
                $behaviour->holds($designed) => 'h',
                $behaviour === Behaviour::Flat => 'z',
                default => 'f',
            };
            $letters[$behaviour->value] = $letter;
            $stands[$letter] = $behaviour;
        }
        $answers = $by = [];
        foreach (['-', ...array_keys($stands)] as $a) {
            foreach (['-', ...array_keys($stands)] as $w) {
                foreach (['-', ...array_keys($stands)] as $d) {
                    foreach (['-', ...array_keys($stands)] as $t) {
                        if ($a . $w . $d . $t === '----') {
                            continue;
                        }
                        $read = [];
                        foreach (
                            [
                                Stage::Arrival->value => $a,
                                Stage::AfterWash->value => $w,
                                Stage::AfterDecon->value => $d,
                                Stage::AfterTopper->value => $t,
                            ]
                            as $stage => $letter
                        ) {
                            if ($letter !== '-') {
                                $read[$stage] = [Part::Whole->value => $stands[$letter]];
                            }
                        }
                        $answer = TalkAnswer::of(WaterTalk::over(new PartReadings($read), $designed, $topper));
                        $known = array_search($answer, $answers, true);
                        if ($known === false) {
                            $answers[] = $answer;
                            $known = count($answers) - 1;
                        }
                        $by[$a . $w . $d . $t] = (int) $known;
                    }
                }
            }
        }

        return [
            'designed' => $designed->value,
            'topper' => $topper,
            'of' => $letters,
            'answers' => $answers,
            'by' => $by,
        ];
    }
}
