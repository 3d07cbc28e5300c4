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
     * @return array{designed: string, topper: bool, of: array<string, string>, answers: list<Told<'WaterTalk'>>,
     *     by: array<string, int>}
     *     a letter for each behaviour; answers; and which of them stands for the letters of the four stages, "-" where
     *     nothing was read
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
        foreach (self::words(['-', ...array_keys($stands)]) as $word) {
            $read = [];
            foreach (Stage::cases() as $i => $stage) {
                if ($word[$i] !== '-') {
                    $read[$stage->value] = [Part::Whole->value => $stands[$word[$i]]];
                }
            }
            $answer = TalkAnswer::of(WaterTalk::over(new PartReadings($read), $designed, $topper));
            $known = array_search($answer, $answers, true);
            if ($known === false) {
                $answers[] = $answer;
                $known = count($answers) - 1;
            }
            $by[$word] = (int) $known;
        }

        return [
            'designed' => $designed->value,
            'topper' => $topper,
            'of' => $letters,
            'answers' => $answers,
            'by' => $by,
        ];
    }

    /**
     * @param list<string> $letters
     * @return list<string> all that can be read at the stages, a letter each; but for nothing at all
     */
    private static function words(array $letters): array
    {
        $words = [''];
        foreach (Stage::cases() as $_) {
            $words = array_merge(
                ...array_map(
                    static fn(string $word): array => array_map(
                        static fn(string $letter): string => $word . $letter,
                        $letters,
                    ),
                    $words,
                ),
            );
        }

        return array_values(array_filter($words, static fn(string $word): bool => trim($word, '-') !== ''));
    }
}
