<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * Steps along a subgradient where prices are many and each is asked about at its own rate: each moves by its own mean slope
 * over the root of its mean square (Kingma & Ba 2015), so that one that is asked about seldom moves as far as one that is
 * asked about always, and one that is asked for now and not now comes to rest. Steps grow shorter by themselves; no length
 * has to be guessed from a plan at hand.
 */
final class OwnSteps
{
    /** How much of the steps before is kept in the mean slope, and in its mean square. */
    private const KEPT = [0.9, 0.99];

    /** A price whose mean slope is less rests. */
    private const AT_REST = 1e-3;

    private const SMOOTH = 0.05;

    /** @var array<int, float> mean slope by price, of those that do not rest */
    private array $mean = [];

    /** @var array<int, float> */
    private array $square = [];

    private int $steps = 0;

    /**
     * @param float $first      the length of a step at first
     * @param int $halvedAfter  after so many it is half of that, after twice as many a third
     */
    public function __construct(private readonly float $first, private readonly int $halvedAfter) {}

    /**
     * @param array<int, float|int> $slope  by price, of those that are asked about now
     * @return array<int, float>            by how much each price goes up or down
     */
    public function along(array $slope): array
    {
        $step = $this->first / (1.0 + ++$this->steps / $this->halvedAfter);
        [$mean, $square] = self::KEPT;
        $moves = [];
        foreach ($this->mean + $slope as $id => $_) {
            $now = $slope[$id] ?? 0;
            $kept = $mean * ($this->mean[$id] ?? 0.0) + (1.0 - $mean) * $now;
            $this->square[$id] = $square * ($this->square[$id] ?? 0.0) + (1.0 - $square) * $now * $now;
            if (abs($kept) < self::AT_REST) {
                unset($this->mean[$id]);

                continue;
            }
            $this->mean[$id] = $kept;
            $moves[$id] = ($step * $kept) / (sqrt($this->square[$id]) + self::SMOOTH);
        }

        return $moves;
    }
}
