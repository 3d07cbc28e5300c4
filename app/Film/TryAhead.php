<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\TurnLog;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Says\Said;

/**
 * What some washes and toppers on days to come would do to the paint's layer, beside what its rhythm does by itself.
 * Nothing is written.
 */
final class TryAhead
{
    private const DAY = 86400;

    public const AHEAD_DAYS = 84;

    private int $now;

    private Schools $schools;

    private Vehicle $vehicle;

    private TurnLog $log;

    public function __construct(private readonly Tenancy $tenancy, private readonly ClockInterface $clock) {}

    /**
     * @param list<string>|null $washes                        dates; the vehicle's rhythm when left out
     * @param list<array{on: string, product_id: string}> $toppers  each put on at a wash of its day
     * @return Told<'TriedAhead'>
     */
    public function __invoke(Vehicle $vehicle, ?array $washes, array $toppers): array
    {
        $workspace = $this->tenancy->workspace();
        $this->now = $this->clock->now()->getTimestamp();
        [$this->vehicle, $this->schools] = [$vehicle, $vehicle->sidesIn($workspace)];
        $this->log = TurnLog::of([$vehicle->id]);
        $on = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('zone', Zone::Paint->value)
            ->whereNull('ended_at')
            ->orderByRaw("kind = 'topper' desc")
            ->first();
        $products = Product::query()->findMany(array_column($toppers, 'product_id'))->keyBy('id');
        $evidence = EvidenceBook::forProducts(
            array_values(array_unique(array_filter([$on?->product_id, ...array_column($toppers, 'product_id')]))),
        );
        $rhythm = $this->rhythm();
        $days =
            $washes === null
                ? $rhythm
                : array_map(static fn(string $date): int => $workspace->noon($date)->getTimestamp(), $washes);
        sort($days);
        $fresh = [];
        foreach ($toppers as $topper) {
            $fresh[$workspace->noon($topper['on'])->getTimestamp()] =
                $products[$topper['product_id']] ?? throw new ModelNotFoundException();
        }
        ksort($fresh);
        $stands = $this->course($on, $rhythm, [], $evidence);
        $tried = $this->course($on, $days, $fresh, $evidence);

        return [
            'rhythm' => array_map(
                fn(int $at): string => $workspace->dateOf(CarbonImmutable::createFromTimestampUTC($at)),
                $rhythm,
            ),
            'stands' => $stands,
            'tried' => $tried,
            'says' => $this->says($stands, $tried, $days, array_keys($fresh)),
        ];
    }

    /** @return list<int> washes ahead by the vehicle's rhythm */
    private function rhythm(): array
    {
        $last = array_slice($this->log->turns($this->vehicle->id), -1)[0]->at ?? $this->now;
        $step = $this->vehicle->cadence_target * self::DAY;
        $next = max($last + $step, $this->now + self::DAY);
        $end = $this->now + self::AHEAD_DAYS * self::DAY;

        return $next > $end ? [] : range($next, $end, $step);
    }

    /**
     * @param list<int> $washes
     * @param array<int, Product> $toppers  by moment
     * @return Told<'AheadCourse'>
     */
    private function course(?Layer $on, array $washes, array $toppers, EvidenceBook $evidence): array
    {
        $moments = array_keys($toppers);
        $topperAt = $moments[0] ?? null;
        $end = $this->now + self::AHEAD_DAYS * self::DAY;
        $layers = [];
        $below = 0;
        $spent = null;
        $outlook = $on === null ? null : Outlook::of($on, $this->vehicle, $this->log, $evidence);
        if ($on !== null && $outlook !== null) {
            $before = array_values(
                array_filter($washes, static fn(int $at): bool => $topperAt === null || $at <= $topperAt),
            );
            $path = WearPath::of(
                $this->vehicle->habits(),
                [...$this->log->washes($outlook->span), ...$this->washes($outlook, $before)],
                $this->log->factors,
                onAt: $outlook->span->on,
            );
            $until = min($end, $topperAt ?? $end);
            $failed = $on->failed_at !== null;
            $layers[] = [
                'name' => $on->name,
                'family' => $on->family,
                'kind' => $on->kind,
                'fresh' => false,
                'points' => $this->points($outlook, $path, $this->now, $until),
                ...$this->dates($outlook, $path, $end, $failed ? $on->failed_at : null),
            ];
            $below += $this->below($outlook, $path, $this->now, $until, $failed);
            $spent =
                $topperAt === null
                    ? null
                    : ($failed
                        ? 1.0
                        : round($outlook->life->risk($path->at($outlook->span->day($topperAt))), 4));
        } else {
            $below += (int) round((min($end, $topperAt ?? $end) - $this->now) / self::DAY);
        }
        foreach ($moments as $i => $at) {
            $until = min($end, $moments[$i + 1] ?? $end);
            $fresh = $this->fresh($toppers[$at], $at);
            $outlook = Outlook::of($fresh, $this->vehicle, $this->log, $evidence);
            if ($outlook !== null) {
                $path = WearPath::of(
                    $this->vehicle->habits(),
                    $this->washes(
                        $outlook,
                        array_values(
                            array_filter($washes, static fn(int $wash): bool => $wash > $at && $wash <= $until),
                        ),
                    ),
                    $this->log->factors,
                    onAt: $at,
                );
                $layers[] = [
                    'name' => $fresh->name,
                    'family' => $fresh->family,
                    'kind' => 'topper',
                    'fresh' => true,
                    'points' => $this->points($outlook, $path, $at, $until),
                    ...$this->dates($outlook, $path, $end, null),
                ];
                $below += $this->below($outlook, $path, $at, $until, false);
            }
        }

        return ['layers' => $layers, 'below_days' => $below, 'spent_before' => $spent];
    }

    private function fresh(Product $product, int $at): Layer
    {
        return Layer::imagined($this->vehicle, $product, CarbonImmutable::createFromTimestampUTC($at));
    }

    /**
     * Washes to come, as hard as the usual one of this layer.
     *
     * @param list<int> $at
     * @return list<Wash>
     */
    private function washes(Outlook $outlook, array $at): array
    {
        $usual = array_slice($this->log->turns($this->vehicle->id), -1)[0] ?? null;

        return array_map(
            static fn(int $moment): Wash => new Wash(
                $outlook->span->day($moment),
                $usual === null ? [] : [$usual->method->wear()],
                $usual !== null && $usual->dryingAidFor($outlook->span->zone, $outlook->span->family),
            ),
            $at,
        );
    }

    /**
     * @return list<array{at: string, low: float, mid: float, high: float}> what is left, if its life is short, middling
     *     or long
     */
    private function points(Outlook $outlook, WearPath $path, int $from, int $to): array
    {
        $lives = [
            'low' => $outlook->life->quantile(0.1),
            'mid' => $outlook->life->quantile(0.5),
            'high' => $outlook->life->quantile(0.9),
        ];
        $point = static fn(int $at, float $wear): array => [
            'at' => gmdate('Y-m-d\TH:i:s\Z', $at),
            ...array_map(static fn(float $life): float => round(max(0.0, 1.0 - $wear / $life), 4), $lives),
        ];
        $points = [$point($from, $path->at($outlook->span->day($from)))];
        foreach ($path->steps() as $step) {
            $at = $outlook->span->moment($step['day']);
            if ($at > $from && $at <= $to) {
                $points[] = $point($at, $step['before']);
                $points[] = $point($at, $step['after']);
            }
        }
        $points[] = $point($to, $path->at($outlook->span->day($to)));

        return $points;
    }

    /** @return array{from_on: string|null, due_on: string|null, late_on: string|null} */
    private function dates(Outlook $outlook, WearPath $path, int $end, ?CarbonImmutable $failed): array
    {
        $window = RenewalWindow::atRisk($this->schools->risk());
        $date = function (float $risk) use ($outlook, $path, $end, $failed): ?string {
            $day = $path->reaches(
                $outlook->life->fresh()->quantile($risk),
                $outlook->span->day($end),
                $outlook->washesPerWeek,
                0.02,
            );
            $at =
                $failed ??
                ($day === null || $day > $outlook->span->day($end) + 3650
                    ? null
                    : CarbonImmutable::createFromTimestampUTC($outlook->span->moment($day)));

            return $at === null ? null : $this->tenancy->workspace()->dateOf($at);
        };

        return ['from_on' => $date($window->from), 'due_on' => $date($window->due), 'late_on' => $date($window->late)];
    }

    /** Days on which more layers would be spent than the caution allows. */
    private function below(Outlook $outlook, WearPath $path, int $from, int $to, bool $failed): int
    {
        $days = 0;
        for ($at = $from; $at < $to; $at += self::DAY) {
            $days +=
                (int) ($failed ||
                    $outlook->life->fresh()->risk($path->at($outlook->span->day($at))) > $this->schools->risk());
        }

        return $days;
    }

    /**
     * @param Told<'AheadCourse'> $stands
     * @param Told<'AheadCourse'> $tried
     * @param list<int> $washes
     * @param list<int> $toppers
     * @return list<Said>
     */
    private function says(array $stands, array $tried, array $washes, array $toppers): array
    {
        $says = [];
        if ($tried['spent_before'] !== null) {
            $says[] = Said::of(
                'ahead.spent',
                spent: round(100.0 * $tried['spent_before']),
                accepted: round(100.0 * $this->schools->risk()),
            );
        }
        if (array_diff($toppers, $washes) !== []) {
            $says[] = Said::of('ahead.no-wash');
        }
        $says[] = match (true) {
            $tried['below_days'] === $stands['below_days'] => Said::of(
                'ahead.days-as-before',
                days: $tried['below_days'],
                of: self::AHEAD_DAYS,
            ),
            default => Said::of(
                'ahead.days',
                days: $tried['below_days'],
                of: self::AHEAD_DAYS,
                before: $stands['below_days'],
            ),
        };
        $last = array_slice($this->log->turns($this->vehicle->id), -1)[0]->at ?? null;
        $gaps = [];
        foreach ([...array_filter([$last]), ...$washes] as $i => $at) {
            $next = [...array_filter([$last]), ...$washes][$i + 1] ?? null;
            if ($next !== null) {
                $gaps[] = (int) round(($next - $at) / self::DAY);
            }
        }
        if ($gaps !== [] && max($gaps) > $this->vehicle->cadence_max) {
            $says[] = Said::of('ahead.gap', gap: max($gaps), most: $this->vehicle->cadence_max);
        }
        if ($gaps !== [] && min($gaps) < $this->vehicle->cadence_min) {
            $says[] = Said::of('ahead.close', gap: min($gaps), least: $this->vehicle->cadence_min);
        }

        return $says;
    }
}
