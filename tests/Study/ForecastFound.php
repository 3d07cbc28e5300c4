<?php

declare(strict_types=1);

namespace Tests\Study;

use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\Life\LifeForecast;

/** What was foretold after so many layers of the vehicle's own, beside what came about. */
final class ForecastFound
{
    private const QUANTILES = 20;

    /** @var array{learnt: list<int>, fixed: list<int>} */
    private array $inside = ['learnt' => [], 'fixed' => []];

    /** @var array{learnt: list<float>, fixed: list<float>} */
    private array $off = ['learnt' => [], 'fixed' => []];

    /** @var array{learnt: list<float>, fixed: list<float>} */
    private array $crps = ['learnt' => [], 'fixed' => []];

    /** @var list<float> */
    private array $product = [];

    private float $seconds = 0.0;

    public function __construct(public readonly int $own) {}

    public function took(float $seconds, float $productLife, float $true): void
    {
        $this->seconds += $seconds;
        $this->product[] = abs(log($productLife / $true));
    }

    public function lived(float $life, LearntForecast $learnt, LifeForecast $fixed): void
    {
        foreach (['learnt' => $learnt, 'fixed' => $fixed] as $which => $forecast) {
            $this->inside[$which][] = $life >= $forecast->quantile(0.1) && $life <= $forecast->quantile(0.9) ? 1 : 0;
            $this->off[$which][] = log($forecast->quantile(0.5) / $life);
            // Continuous ranked probability score of ln life, by its quantiles (Gneiting & Raftery 2007).
            $sum = 0.0;
            for ($q = 1; $q < self::QUANTILES; $q++) {
                $beyond = log($life / $forecast->quantile($q / self::QUANTILES));
                $sum += $beyond >= 0.0 ? ($q / self::QUANTILES) * $beyond : ($q / self::QUANTILES - 1.0) * $beyond;
            }
            $this->crps[$which][] = (2.0 * $sum) / (self::QUANTILES - 1);
        }
    }

    /** @param 'learnt'|'fixed' $which */
    public function coverage(string $which = 'learnt'): float
    {
        return (100.0 * array_sum($this->inside[$which])) / max(1, count($this->inside[$which]));
    }

    /**
     * How far the median forecast lies from the life, in the median; 1 is right.
     *
     * @param 'learnt'|'fixed' $which
     */
    public function middle(string $which = 'learnt'): float
    {
        return exp(self::median($this->off[$which]));
    }

    /** @param 'learnt'|'fixed' $which */
    public function crps(string $which = 'learnt'): float
    {
        return array_sum($this->crps[$which]) / max(1, count($this->crps[$which]));
    }

    public function productOff(): float
    {
        return exp(self::median($this->product));
    }

    public function milliseconds(): float
    {
        return (1000.0 * $this->seconds) / max(1, count($this->product));
    }

    /** @param list<float> $some */
    private static function median(array $some): float
    {
        sort($some);

        return $some[intdiv(count($some), 2)] ?? 0.0;
    }
}
