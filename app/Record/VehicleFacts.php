<?php

declare(strict_types=1);

namespace App\Record;

use App\Book\Forecast;
use App\Book\Layer;
use App\Book\Vehicle;
use DateTimeInterface;
use Illuminate\Support\Collection;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Matching\Turn\MatchedVehicle as MatchVehicle;
use Vicissa\Core\Matching\Turn\Renewal;
use Vicissa\Core\Matching\Turn\Stack;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;

/** A vehicle of the book as the match sees it. */
final readonly class VehicleFacts
{
    /**
     * @param Collection<int, Layer> $layers  its layers that are on, with their forecasts when renewals are wanted
     */
    public static function of(Vehicle $vehicle, Collection $layers, ?DateTimeInterface $now = null): MatchVehicle
    {
        $stacks = $renewals = [];
        foreach (Zone::cases() as $zone) {
            $stacks[$zone->value] = self::stack($vehicle, $zone, $layers);
            $outermost = self::on($layers, $zone, 'topper') ?? self::on($layers, $zone, 'base');
            $weeks = $zone === Zone::Paint ? $vehicle->topper_weeks : null;
            if ($now !== null && $outermost !== null && ($outermost->forecast !== null || $weeks !== null)) {
                $renewals[$zone->value] = self::renewal($outermost, $outermost->forecast, $now, $weeks);
            }
        }
        $hardness = $vehicle->hardness;

        return new MatchVehicle(
            $vehicle->paint_m2,
            Tone::from($vehicle->tone),
            $hardness === 'soft' || $hardness === 'hard' ? $hardness : 'medium',
            $vehicle->finishes(),
            WheelFinish::from($vehicle->wheel_finish),
            $stacks,
            $renewals,
            $vehicle->cadence_target,
            Material::from($vehicle->material),
        );
    }

    /** @param Collection<int, Layer> $layers */
    public static function stack(Vehicle $vehicle, Zone $zone, Collection $layers): Stack
    {
        $base = self::on($layers, $zone, 'base')?->coat();
        $topper = self::on($layers, $zone, 'topper')?->coat();

        return $base === null && $zone === Zone::Paint && $vehicle->base_unknown
            ? Stack::unknown($topper)
            : Stack::of($base, $topper);
    }

    /** @param Collection<int, Layer> $layers */
    private static function on(Collection $layers, Zone $zone, string $kind): ?Layer
    {
        return $layers->first(static fn(Layer $layer): bool => $layer->zone === $zone->value && $layer->kind === $kind);
    }

    /** @param int|null $weeks  a topper every so many, whatever the forecast says, as the plan has it */
    private static function renewal(Layer $layer, ?Forecast $forecast, DateTimeInterface $now, ?int $weeks): Renewal
    {
        $days = [];
        foreach (
            ['10' => $forecast?->p10_at, '30' => $forecast?->p30_at, '50' => $forecast?->p50_at]
            as $caution => $moment
        ) {
            if ($moment !== null) {
                $days[$caution] = ($moment->getTimestamp() - $now->getTimestamp()) / 86400.0;
            }
        }

        return new Renewal(
            $days,
            $layer->failed_at !== null,
            $layer->suspect_at !== null,
            $weeks === null
                ? null
                : ($layer->kind === 'topper'
                    ? 7.0 * $weeks + ($layer->on_at->getTimestamp() - $now->getTimestamp()) / 86400.0
                    : 0.0),
        );
    }
}
