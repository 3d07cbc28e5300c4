<?php

declare(strict_types=1);

namespace Tests\Study;

use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\Life\Learnt\LearntLife;
use Vicissa\Core\Protection\Life\Learnt\PooledSeen;
use Vicissa\Core\Protection\Life\Learnt\ReadAfter;
use Vicissa\Core\Protection\Life\Learnt\Seen;
use Vicissa\Core\Protection\Life\Learnt\VehicleSeen;
use Vicissa\Core\Protection\Life\LifeModel;

/** Histories lived in a world, the next life foretold from each by what is learnt and by what is fixed (domain §14.9). */
final readonly class ForecastStudy
{
    public const AFTER = [0, 1, 3, 10];

    private const LABELS = [[4.0, 10.0], [6.0, 12.0], [8.0, 20.0], [12.0, 12.0], [12.0, 26.0]];

    /** Lives drawn for each that is foretold. */
    private const DRAWS = 4;

    private const WEEKS_A_MONTH = 4.345;

    public function __construct(private World $world, private int $histories, private int $beside = 0) {}

    /** @return list<ForecastFound> one for each of AFTER */
    public function run(): array
    {
        $found = array_map(static fn(int $own): ForecastFound => new ForecastFound($own), self::AFTER);
        for ($history = 0; $history < $this->histories; $history++) {
            $luck = new Luck(1000 * $history + strlen($this->world->name));
            $label = $this->world->life === null ? self::LABELS[$luck->below(count(self::LABELS))] : [12.0, 12.0];
            $fixed = new LifeModel(...$label);
            $mu =
                $this->world->life === null
                    ? $fixed->priorMean + $fixed->priorSpread * $luck->normal()
                    : log($this->world->life);
            $byForecast = $luck->even() < 0.5;
            $mine = $this->vehicle($luck, $mu, $fixed, max(self::AFTER), $byForecast);
            $others = [];
            for ($i = 0; $i < $this->beside; $i++) {
                $others[] = $this->vehicle($luck, $mu, $fixed, 2 + $luck->below(4), $byForecast)['layers'];
            }
            foreach ($found as $one) {
                $own = array_slice($mine['layers'], 0, $one->own);
                $begun = microtime(true);
                $learnt = self::learnt(new LearntLife(...$label), $others, $own);
                $one->took(microtime(true) - $begun, $learnt->productLife, exp($mu));
                $assumed = $fixed->forecast(
                    LifeModel::together(
                        array_map(
                            static fn(array $layers): array => $fixed->vehicleEvidence(
                                array_column($layers, 'interval'),
                            ),
                            $others,
                        ),
                    ),
                    array_column($own, 'interval'),
                    0.0,
                );
                for ($draw = 0; $draw < self::DRAWS; $draw++) {
                    $one->lived($this->life($luck, $mine['t'], 52.0 * $luck->even()), $learnt, $assumed);
                }
            }
        }

        return $found;
    }

    /**
     * @param list<list<array{interval: FailureInterval, seen: Seen}>> $others
     * @param list<array{interval: FailureInterval, seen: Seen}> $own
     */
    private static function learnt(LearntLife $model, array $others, array $own): LearntForecast
    {
        $beside = array_map(static fn(array $layers): array => array_column($layers, 'seen'), $others);
        $mine = array_column($own, 'seen');
        $wrong = $model->wrongShare([...$beside, $mine]);

        return $model->forecast(
            PooledSeen::of(
                array_map(static fn(array $layers): VehicleSeen => $model->vehicle($layers, $wrong), $beside),
            ),
            $mine === [] ? null : $model->vehicle($mine, $wrong),
            $wrong,
        );
    }

    /** @return array{t: float, layers: list<array{interval: FailureInterval, seen: Seen}>} */
    private function vehicle(Luck $luck, float $mu, LifeModel $fixed, int $layers, bool $byForecast): array
    {
        $t = $mu + $this->world->vehicles * $luck->normal();
        $lived = [];
        for ($i = 0; $i < $layers; $i++) {
            $lived[] = $this->layer(
                $luck,
                $t,
                $byForecast ? $fixed->forecast([], array_column($lived, 'interval'), 0.0)->quantile(0.3) : INF,
            );
        }

        return ['t' => $t, 'layers' => $lived];
    }

    /**
     * Looked at about once a week, until it is renewed; half of the people believe the first reading that fails, half look again
     * after decontamination.
     *
     * @return array{interval: FailureInterval, seen: Seen}
     */
    private function layer(Luck $luck, float $t, float $renewed): array
    {
        $life = $this->life($luck, $t, 52.0 * $luck->even());
        $believes = $luck->even() < 0.5;
        $readings = [];
        [$held, $failed, $at] = [0.0, null, 0.0];
        for ($i = 0; $i < 400; $i++) {
            $at += 0.7 + 0.6 * $luck->even();
            if ($at > $renewed) {
                break;
            }
            $holds = $at < $life && $luck->even() >= $this->world->clogged;
            $readings[] = ['wear' => $at, 'holds' => $holds, 'after' => ReadAfter::Wash];
            if ($holds) {
                $held = $failed === null ? $at : $held;
                continue;
            }
            $failed ??= $at;
            $again = !$believes && $at < $life && $luck->even() >= 0.2 * $this->world->clogged;
            if (!$believes) {
                $readings[] = ['wear' => $at, 'holds' => $again, 'after' => ReadAfter::Decon];
            }
            if (!$again) {
                break;
            }
        }

        return ['interval' => FailureInterval::of($held, $failed), 'seen' => Seen::readings($readings)];
    }

    /** Wear as it is reckoned, of a life that began in that week of the year. */
    private function life(Luck $luck, float $t, float $week): float
    {
        $left = exp($t + ($this->world->scatter)($luck));
        if ($this->world->season === null) {
            return $left;
        }
        $reckoned = 0.0;
        while ($left > 1e-9) {
            $rate = ($this->world->season)(1 + (((int) floor(($week + $reckoned) / self::WEEKS_A_MONTH)) % 12));
            $step = min(0.25, $left / $rate);
            $left -= $step * $rate;
            $reckoned += $step;
        }

        return $reckoned;
    }
}
