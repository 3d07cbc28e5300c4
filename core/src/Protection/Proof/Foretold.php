<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Proof;

use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Normal;

/** What was forecast for a layer when it went on, and what became of it. */
final readonly class Foretold
{
    /**
     * @param array<int, float> $quantiles wear-weeks by percent of layers that would have failed: 10, 20 … 90, in order
     * @param string $source               whose layer it was: those of one vehicle are not as good as strangers
     */
    public function __construct(public array $quantiles, public FailureInterval $life, public string $source = '') {}

    /** The chance the forecast had given to failing by so much wear. */
    public function chanceBy(float $wear): float
    {
        return Normal::below($this->deviateBy($wear));
    }

    /** The same as a normal deviate: straight lines between its quantiles over ln wear, and on beyond the outermost. */
    public function deviateBy(float $wear): float
    {
        if ($wear <= 0.0) {
            return -8.0;
        }
        $x = log($wear);
        $at = [];
        foreach ($this->quantiles as $percent => $quantile) {
            $at[] = [log(max(1e-6, $quantile)), Normal::quantile($percent / 100.0)];
        }
        $last = count($at) - 2;
        $i = 0;
        while ($i < $last && $x > $at[$i + 1][0]) {
            $i++;
        }
        $span = max(1e-9, $at[$i + 1][0] - $at[$i][0]);

        return max(-8.0, min(8.0, $at[$i][1] + (($x - $at[$i][0]) * ($at[$i + 1][1] - $at[$i][1])) / $span));
    }
}
