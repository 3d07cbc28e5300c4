<?php

declare(strict_types=1);

namespace App\Bench;

use App\Shelf\Gear;
use App\Shelf\GearEvent;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Water\Resin;

/**
 * How the chain of treated water stands: the last reading at each point, what the resin has taken up, when it runs out.
 */
final readonly class SumUpWater
{
    private const WEEK = 604800;

    public function __construct(private ClockInterface $clock) {}

    /** @return array{points: list<Told<'WaterPoint'>>, resin: Told<'ResinState'>|null} */
    public function __invoke(): array
    {
        $points = [];
        foreach (['tap', 'ro', 'treated', 'tank'] as $point) {
            $last = WaterReading::query()
                ->with('site:id,name')
                ->where('point', $point)
                ->orderByDesc('at')
                ->orderByDesc('id')
                ->first();
            if ($last !== null) {
                $points[] = [
                    'point' => $point,
                    'tds_mg_l' => $last->tds_mg_l,
                    'at' => $last->at->format('Y-m-d\TH:i:s\Z'),
                    'site' => $last->site?->name,
                ];
            }
        }
        $gear = Gear::query()->where('kind', 'resin')->whereNull('archived_at')->orderBy('name')->first();

        return ['points' => $points, 'resin' => $gear === null ? null : $this->resin($gear)];
    }

    /** @return Told<'ResinState'> */
    private function resin(Gear $gear): array
    {
        $since = GearEvent::query()->where('gear_id', $gear->id)->where('kind', 'refill')->max('at');
        // Litres were noted with readings of the feed: that is what the resin has seen.
        $fed = WaterReading::query()
            ->where('point', 'ro')
            ->whereNotNull('litres')
            ->when($since !== null, static fn($query) => $query->where('at', '>=', $since))
            ->orderBy('at')
            ->get();
        $grams = $litres = 0.0;
        foreach ($fed as $reading) {
            $litres += $reading->litres ?? 0.0;
            $grams += (($reading->litres ?? 0.0) * $reading->tds_mg_l) / 1000.0;
        }
        $resin = new Resin($gear->fact('l') ?? 1.0, $gear->fact('capacity_g_per_l') ?? 10.0);
        $feed = WaterReading::query()->where('point', 'ro')->orderByDesc('at')->orderByDesc('id')->value('tds_mg_l');
        $left = is_numeric($feed) && (float) $feed > 0.0 ? $resin->litresLeft((float) $feed, $grams) : null;
        $first = $fed->first()?->at;
        $weeks =
            $first === null
                ? 0.0
                : max(1.0, ($this->clock->now()->getTimestamp() - $first->getTimestamp()) / self::WEEK);
        $rate = $weeks > 0.0 ? $litres / $weeks : 0.0;

        return [
            'gear_id' => $gear->id,
            'name' => $gear->name,
            'share_left' => round($resin->shareLeft($grams), 4),
            'litres_left' => $left === null ? null : round($left),
            'warns' => $resin->warns($grams),
            'used_g' => round($grams, 1),
            'litres_since' => round($litres),
            'litres_a_week' => round($rate, 1),
            'runs_out_on' =>
                $left !== null && $rate > 0.0 && $left / $rate < 520.0
                    ? $this->clock->now()->modify(sprintf('+%d days', round((7.0 * $left) / $rate)))->format('Y-m-d')
                    : null,
        ];
    }
}
