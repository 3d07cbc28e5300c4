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

/**
 * Why a ribbon is as thick as it is on some day: where the wear came from until then, and how likely the layer still
 * held.
 */
final readonly class ExplainPoint
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /** @return array<string, mixed>|null null where no layer was on that day */
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

    /** @param array<string, mixed> $account */
    private function says(array $account, float $worn, float $life, bool $failed, bool $ahead, float $risk): string
    {
        $share = static fn(float $wear): string => round((100.0 * $wear) / $life) . ' %';
        $parts = [
            'standing' => 'the weather',
            'driving' => 'driving',
            'salt' => 'salt on the road',
            'washing' => sprintf('%d wash%s', $account['washes'], $account['washes'] === 1 ? '' : 'es'),
        ];
        $took = [];
        foreach ($parts as $what => $said) {
            $wear = is_numeric($account[$what]) ? (float) $account[$what] : 0.0;
            if ($wear >= 0.005 * $life) {
                $took[$said . ' ' . $share($wear)] = $wear;
            }
        }
        arsort($took);
        $because = implode(', ', array_keys($took));
        $left = max(0, (int) round(100.0 * (1.0 - $worn / $life)));

        return match (true) {
            $failed => sprintf(
                'A reading on the clean surface had failed by this day. Until then: %s.',
                $because === '' ? 'hardly any wear' : $because,
            ),
            $ahead => sprintf(
                'Expected: %d %% left of its likely life, and %d in 100 such layers spent by then. So far: %s.',
                $left,
                round(100.0 * $risk),
                $because === '' ? 'hardly any wear' : $because,
            ),
            default => sprintf(
                '%d %% left of its likely life. In %d days: %s.',
                $left,
                $account['days'],
                $because === '' ? 'hardly any wear' : $because,
            ),
        };
    }
}
