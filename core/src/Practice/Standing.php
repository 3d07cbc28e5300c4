<?php

declare(strict_types=1);

namespace Vicissa\Core\Practice;

/** How somebody stands in each judgement: how often right, how often lately, and how hard the next question may be. */
final readonly class Standing
{
    public const HARDEST = 4;

    /** Weight of the newest answer in "lately". */
    private const NEWEST = 0.25;

    /** Right answers in a row before it gets harder. */
    private const STREAK = 3;

    /**
     * @param array<string, array{asked: int, right: int, lately: float, level: int}> $of  by Judgement value
     */
    private function __construct(public array $of) {}

    /**
     * @param list<array<string, bool>> $answers  oldest first; right or wrong by Judgement value, only what was asked
     */
    public static function of(array $answers): self
    {
        $of = $streak = [];
        foreach (Judgement::cases() as $judgement) {
            $of[$judgement->value] = ['asked' => 0, 'right' => 0, 'lately' => 0.5, 'level' => 1];
            $streak[$judgement->value] = 0;
        }
        foreach ($answers as $answer) {
            foreach (array_intersect_key($answer, $of) as $name => $right) {
                $of[$name]['asked']++;
                $of[$name]['right'] += $right ? 1 : 0;
                $of[$name]['lately'] =
                    (1.0 - self::NEWEST) * $of[$name]['lately'] + self::NEWEST * ($right ? 1.0 : 0.0);
                if (!$right) {
                    $of[$name]['level'] = max(1, $of[$name]['level'] - 1);
                    $streak[$name] = 0;
                } elseif (++$streak[$name] >= self::STREAK) {
                    $of[$name]['level'] = min(self::HARDEST, $of[$name]['level'] + 1);
                    $streak[$name] = 0;
                }
            }
        }

        return new self($of);
    }

    /** What needs practice most: where one was wrong lately; of two alike what was asked less. */
    public function focus(): Judgement
    {
        $cases = Judgement::cases();
        usort(
            $cases,
            fn(Judgement $a, Judgement $b): int => [
                $this->of[$a->value]['lately'],
                $this->of[$a->value]['asked'],
                $a->value,
            ] <=> [$this->of[$b->value]['lately'], $this->of[$b->value]['asked'], $b->value],
        );

        return $cases[0];
    }
}
