<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life;

use Vicissa\Core\InvalidInput;

/**
 * The life of one layer as a mixture of log-normals, given the wear to which it has held and, where that is known, by
 * which it had failed.
 */
final readonly class LifeForecast
{
    private float $total;

    private float $centre;

    private float $spread;

    /**
     * @param float $productLife     wear-weeks: exp of the posterior mean of μ
     * @param list<float> $points    centres of the mixture (ln wear-weeks), at least one
     * @param list<float> $weights   their weights, any scale
     * @param float $layerSpread     standard deviation of each part
     * @param float $worn            wear-weeks already survived
     * @param float|null $failed     wear-weeks by which it had failed; null while it holds
     */
    public function __construct(
        public float $productLife,
        private array $points,
        private array $weights,
        private float $layerSpread,
        private float $worn,
        private ?float $failed = null,
    ) {
        $total = $first = $second = 0.0;
        foreach ($points as $k => $t) {
            $total += $weights[$k];
            $first += $weights[$k] * $t;
            $second += $weights[$k] * $t * $t;
        }
        $this->total = $total;
        $this->centre = $first / $total;
        $this->spread = sqrt(max(0.0, $second / $total - $this->centre ** 2) + $layerSpread ** 2);
    }

    /**
     * Wear-weeks by which the layer has failed with the given probability.
     *
     * @param float $risk  0 < risk < 1
     *
     * @throws InvalidInput
     */
    public function quantile(float $risk): float
    {
        InvalidInput::unlessBetween('risk', $risk, 0.001, 0.999);
        $alive = $this->survival($this->worn > 0.0 ? log($this->worn) : -INF);
        $gone = $this->gone();
        $target = $gone + (1.0 - $risk) * ($alive - $gone);

        // Newton on the logarithm, held inside a bracket that halves when a step would leave it.
        $low = $this->worn > 0.0 ? log($this->worn) : $this->centre - 12.0 * $this->spread;
        $high = $this->failed === null ? max($this->centre, $low) + 12.0 * $this->spread : log($this->failed);
        $x = min(
            max(
                $this->centre +
                    $this->spread * Normal::quantile(min(1.0 - 1e-12, max(1e-12, 1.0 - $target / $this->total))),
                $low,
            ),
            $high,
        );
        for ($round = 0; $round < 60; $round++) {
            [$survival, $density] = $this->survivalAndDensity($x);
            $gap = $survival - $target;
            if ($gap > 0.0) {
                $low = $x;
            } else {
                $high = $x;
            }
            $next = $density > 0.0 ? $x + $gap / $density : NAN;
            if (!($next >= $low && $next <= $high)) {
                $next = 0.5 * ($low + $high);
            }
            $moved = abs($next - $x);
            $x = $next;
            if ($moved < 1e-8) {
                break;
            }
        }

        return exp($x);
    }

    /**
     * The chance that the layer, holding now, has failed by this much wear.
     *
     * @param float $wear  wear-weeks
     */
    public function risk(float $wear): float
    {
        if ($wear <= $this->worn) {
            return 0.0;
        }
        $alive = $this->survival($this->worn > 0.0 ? log($this->worn) : -INF);
        $gone = $this->gone();

        return $alive > $gone ? max(0.0, min(1.0, ($alive - $this->survival(log($wear))) / ($alive - $gone))) : 1.0;
    }

    /** How much longer (above nought) or shorter layers live on this vehicle than the product's own life says, ln. */
    public function vehicleEffect(): float
    {
        return $this->centre - log($this->productLife);
    }

    /** What of the mixture lies beyond the wear by which it had failed. */
    private function gone(): float
    {
        return $this->failed === null ? 0.0 : $this->survival(log($this->failed));
    }

    /** Σ weight × P(ln life > x). */
    private function survival(float $x): float
    {
        $sum = 0.0;
        foreach ($this->points as $k => $t) {
            $sum += $this->weights[$k] * Normal::above(($x - $t) / $this->layerSpread);
        }

        return $sum;
    }

    /** @return array{float, float} */
    private function survivalAndDensity(float $x): array
    {
        $survival = $density = 0.0;
        foreach ($this->points as $k => $t) {
            $z = ($x - $t) / $this->layerSpread;
            $survival += $this->weights[$k] * Normal::above($z);
            $density += $this->weights[$k] * Normal::density($z);
        }

        return [$survival, $density / $this->layerSpread];
    }
}
