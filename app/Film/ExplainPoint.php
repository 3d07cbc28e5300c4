<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\LayerAccount;
use App\Record\TurnLog;
use App\Tenancy\Tenancy;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;

/**
 * Why a ribbon is as thick as it is on some day: where the wear came from until then, and how likely the layer still
 * held.
 */
final readonly class ExplainPoint
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /** @return Told<'RibbonPointExplained'>|null null where no layer was on that day */
    public function __invoke(Vehicle $vehicle, Zone $zone, DateTimeInterface $at): ?array
    {
        $now = $this->clock->now()->getTimestamp();
        $moment = $at->getTimestamp();
        $layer = Layer::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('zone', $zone->value)
            ->where('on_at', '<=', $at)
            ->where(static fn($query) => $query->whereNull('ended_at')->orWhere('ended_at', '>', $at))
            ->orderByRaw("kind = 'topper' desc")
            ->orderByDesc('on_at')
            ->first();
        if ($layer === null) {
            return null;
        }
        $log = TurnLog::of([$vehicle->id]);
        $outlook = Outlook::of($layer, $vehicle, $log, EvidenceBook::forProducts(array_filter([$layer->product_id])));
        if ($outlook === null) {
            return null;
        }
        $time = new DateTimeZone($this->tenancy->workspace()->time_zone);
        $life = $outlook->lived();
        $span = $outlook->span;
        $known = min($moment, $now);
        $worn = $outlook->path->at($span->day($known)) + ($moment > $now ? $outlook->expected($now, $moment) : 0.0);
        $failed = $layer->failed_at !== null && $layer->failed_at->getTimestamp() <= $moment;
        $account = LayerAccount::of($vehicle->habits(), $span, $life, $known, $log, $time);

        return [
            'on' => (new DateTimeImmutable('@' . $moment))->setTimezone($time)->format('Y-m-d'),
            'ahead' => $moment > $now,
            'layer_id' => $layer->id,
            'kind' => $layer->kind,
            'family' => $layer->family,
            'name' => $layer->name,
            'left' => round(max(0.0, 1.0 - $worn / $life), 4),
            'holds' => $failed ? 0.0 : round(1.0 - $outlook->life->risk($worn), 4),
            'seen_failed' => $failed,
            'account' => $account,
            'expected' => $moment > $now ? round($outlook->expected($now, $moment), 3) : null,
            'says' => $this->says($account, $worn, $life, $failed, $moment > $now, $outlook->life->risk($worn)),
        ];
    }

    /** @param Told<'WearAccount'> $account */
    private function says(array $account, float $worn, float $life, bool $failed, bool $ahead, float $risk): Said
    {
        $took = [];
        foreach (
            [
                'standing' => 'point.weather',
                'driving' => 'point.driving',
                'salt' => 'point.salt',
                'washing' => 'point.washing',
            ]
            as $what => $code
        ) {
            $wear = is_numeric($account[$what]) ? (float) $account[$what] : 0.0;
            if ($wear >= 0.005 * $life) {
                $took[] = [
                    $wear,
                    Said::of(
                        $code,
                        percent: round((100.0 * $wear) / $life),
                        washes: is_int($account['washes']) ? $account['washes'] : 0,
                    ),
                ];
            }
        }
        usort($took, static fn(array $a, array $b): int => $b[0] <=> $a[0]);
        $because = $took === [] ? Said::of('point.hardly') : Said::list(array_column($took, 1));
        $left = max(0.0, round(100.0 * (1.0 - $worn / $life)));

        return match (true) {
            $failed => Said::of('point.failed', because: $because),
            $ahead => Said::of('point.ahead', left: $left, spent: round(100.0 * $risk), because: $because),
            default => Said::of(
                'point.was',
                left: $left,
                days: is_int($account['days']) ? $account['days'] : 0,
                because: $because,
            ),
        };
    }
}
