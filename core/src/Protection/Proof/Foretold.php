<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Vicissa\Core\Protection\Life\FailureInterval;

/** What was forecast for a layer when it went on, and what became of it. */
final readonly class Foretold
{
    /**
     * @param array<int, float> $quantiles wear-weeks by percent of layers that would have failed: 10, 20 … 90, in order
     */
    public function __construct(public array $quantiles, public FailureInterval $life) {}

    /** The chance the forecast had given to failing by so much wear; in straight lines between its quantiles. */
    public function chanceBy(float $wear): float
    {
        [$x, $y] = [0.0, 0.0];
        foreach ($this->quantiles as $percent => $at) {
            if ($wear <= $at) {
                return $at > $x ? $y + (($percent / 100.0 - $y) * ($wear - $x)) / ($at - $x) : $percent / 100.0;
            }
            [$x, $y] = [$at, $percent / 100.0];
        }
        // Beyond the last quantile the rest fails as far again.
        return min(1.0, $y + ((1.0 - $y) * ($wear - $x)) / max(1e-9, $x));
    }
}
