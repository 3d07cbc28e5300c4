<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Says\Said;

/** The life of one layer as learnt: what each way to scatter says of it, weighed by how likely that way is. */
final readonly class LearntForecast
{
    /** Survival at the points of the lattice, from FIRST on, as a normal deviate: what lies between is a straight line. */
    private const LEAST = 1e-9;

    /** Steps of the lattice beyond which every other one will do. */
    private const WIDE = 30;

    /**
     * @param float $productLife    wear-weeks
     * @param float $spreadLayer    standard deviation of ln life from layer to layer
     * @param float $spreadVehicle  from vehicle to vehicle
     * @param float $wrongShare     of readings after a wash that fail a sound layer
     * @param array{label: float, product: float, vehicle: float} $restsOn  shares, one together
     * @param float $centre         mean of ln life on this vehicle
     * @param float $first          ln wear-weeks of the first deviate
     * @param float $step           ln wear-weeks from one to the next
     * @param list<float> $deviates  of the share that has failed by then, ascending
     */
    private function __construct(
        public float $productLife,
        public float $spreadLayer,
        public float $spreadVehicle,
        public float $wrongShare,
        public array $restsOn,
        private float $centre,
        private float $first,
        private float $step,
        private array $deviates,
        private float $worn = 0.0,
        private ?float $failed = null,
    ) {}

    /**
     * @param array<int, array<int, float>> $mixture  by way, weights by lattice point of t; one together
     * @param float $firstT  ln wear-weeks of lattice point 0
     * @param array{label: float, product: float, vehicle: float} $restsOn
     */
    public static function of(
        array $mixture,
        float $firstT,
        float $productLife,
        float $spreadLayer,
        float $spreadVehicle,
        float $wrongShare,
        array $restsOn,
    ): self {
        $catalogue = Catalogue::all();
        $reach = intdiv(Scatter::REACH, Scatter::PARTS);
        $low = PHP_INT_MAX;
        $high = PHP_INT_MIN;
        $centre = 0.0;
        foreach ($mixture as $weights) {
            $low = min($low, (int) array_key_first($weights));
            $high = max($high, (int) array_key_last($weights));
            foreach ($weights as $k => $weight) {
                $centre += $weight * $k;
            }
        }
        // What is spread wide needs no fine lattice.
        $stride = $high - $low > self::WIDE ? 2 : 1;
        if ($stride > 1) {
            foreach ($mixture as $way => $weights) {
                $halved = [];
                foreach ($weights as $k => $weight) {
                    $halved[$k & ~1] = ($halved[$k & ~1] ?? 0.0) + $weight * (1 - ($k & 1) / 2);
                    if (($k & 1) === 1) {
                        $halved[$k + 1] = ($halved[$k + 1] ?? 0.0) + $weight / 2;
                    }
                }
                $mixture[$way] = $halved;
            }
            $low &= ~1;
            $high = ($high + 1) & ~1;
            $reach &= ~1;
        }
        $from = $low - $reach;
        $gone = array_fill(0, intdiv($high - $low + 2 * $reach, $stride) + 1, 0.0);
        $last = count($gone) - 1;
        foreach ($mixture as $way => $weights) {
            $below = $catalogue[$way]->below;
            foreach ($weights as $k => $weight) {
                $start = max(0, intdiv($k - $reach - $from, $stride));
                $end = min($last, intdiv($k + $reach - $from, $stride));
                $i = ($start * $stride + $from - $k) * Scatter::PARTS + Scatter::REACH;
                for ($j = $start; $j <= $end; $j++) {
                    $gone[$j] += $weight * $below[$i];
                    $i += Scatter::PARTS * $stride;
                }
                for ($j = $end + 1; $j <= $last; $j++) {
                    $gone[$j] += $weight;
                }
            }
        }
        $deviates = [];
        $before = -INF;
        foreach ($gone as $share) {
            $deviates[] = $before = max(
                $before + 1e-9,
                Normal::quantile(min(1.0 - self::LEAST, max(self::LEAST, $share))),
            );
        }

        return new self(
            $productLife,
            $spreadLayer,
            $spreadVehicle,
            $wrongShare,
            $restsOn,
            $firstT + $centre * LearntLife::STEP,
            $firstT + $from * LearntLife::STEP,
            $stride * LearntLife::STEP,
            $deviates,
        );
    }

    /**
     * The same, of a layer of which more is known by now.
     *
     * @param float $worn         wear-weeks to which it is known to have held
     * @param float|null $failed  wear-weeks by which it had failed; null while it holds
     *
     * @throws InvalidInput
     */
    public function heldTo(float $worn, ?float $failed = null): self
    {
        InvalidInput::unlessBetween('worn', $worn, 0, 10000, 'wear-weeks');
        if ($failed !== null && $failed <= $worn) {
            throw InvalidInput::at('failed', Said::of('fault.failed-after-held'));
        }

        return new self(
            $this->productLife,
            $this->spreadLayer,
            $this->spreadVehicle,
            $this->wrongShare,
            $this->restsOn,
            $this->centre,
            $this->first,
            $this->step,
            $this->deviates,
            $worn,
            $failed,
        );
    }

    /** As if nothing had been seen of this layer yet: what a layer may live that goes on now. */
    public function fresh(): self
    {
        return $this->heldTo(0.0);
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
        [$alive, $gone] = $this->ends();
        $share = 1.0 - ($gone + (1.0 - $risk) * ($alive - $gone));
        $deviate = Normal::quantile(min(1.0 - self::LEAST, max(self::LEAST, $share)));
        [$low, $high] = [0, count($this->deviates) - 1];
        while ($high - $low > 1) {
            $middle = ($low + $high) >> 1;
            $this->deviates[$middle] <= $deviate ? ($low = $middle) : ($high = $middle);
        }
        $span = $this->deviates[$high] - $this->deviates[$low];
        $x = $this->first + ($low + ($deviate - $this->deviates[$low]) / $span) * $this->step;
        $life = exp($x);

        return min($this->failed ?? INF, max($this->worn, $life));
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
        [$alive, $gone] = $this->ends();

        return $alive > $gone ? max(0.0, min(1.0, ($alive - $this->survival($wear)) / ($alive - $gone))) : 1.0;
    }

    /** How much longer (above nought) or shorter layers live on this vehicle than the product's own life says, ln. */
    public function vehicleEffect(): float
    {
        return $this->centre - log($this->productLife);
    }

    /** @return array{float, float} what is above the wear to which it held, and above that by which it had failed */
    private function ends(): array
    {
        return [
            $this->worn > 0.0 ? $this->survival($this->worn) : 1.0,
            $this->failed === null ? 0.0 : $this->survival($this->failed),
        ];
    }

    private function survival(float $wear): float
    {
        $at = (log($wear) - $this->first) / $this->step;
        $i = (int) floor($at);
        $last = count($this->deviates) - 1;
        if ($i < 0 || $i >= $last) {
            // Beyond the lattice it goes on as its last stretch does.
            $i = $i < 0 ? 0 : $last - 1;
        }
        $deviate = $this->deviates[$i] + ($at - $i) * ($this->deviates[$i + 1] - $this->deviates[$i]);

        return Normal::above($deviate);
    }
}
