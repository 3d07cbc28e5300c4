<?php

declare(strict_types=1);

namespace App\Turns;

use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Film\ForecastLayers;
use App\Film\ReforecastProducts;
use App\Proof\KeepProof;
use App\Record\DueDates;
use App\Record\Overtaken;
use App\Record\RebuildProtection;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Record\TurnLog;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Weeks\OpenAgain;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Saves a turn: the record, what the water said, the layers it left, the dates that moved, the next visit. */
final readonly class FinishTurn
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private WriteEntry $writeEntry,
        private RebuildProtection $rebuildProtection,
        private ForecastLayers $forecastLayers,
        private ProposeNext $proposeNext,
        private DueDates $dueDates,
        private MoveStock $moveStock,
    ) {}

    /**
     * @param array<string, mixed> $facts  as validated by TurnRequest
     */
    public function __invoke(Vehicle $vehicle, User $writer, array $facts): Turn
    {
        return DB::transaction(function () use ($vehicle, $writer, $facts): Turn {
            // One visit of a vehicle at a time: forecasts of two would otherwise miss each other.
            Vehicle::query()->whereKey($vehicle->id)->lockForUpdate()->firstOrFail();
            $before = ($this->dueDates)($vehicle);
            $workedAt = Instant::of($facts['worked_at']);
            $turn = Turn::query()->create([
                ...isset($facts['id']) ? ['id' => $facts['id']] : [],
                'vehicle_id' => $vehicle->id,
                'worked_at' => $workedAt,
                'created_at' => $this->clock->now(),
            ]);
            $entry = ($this->writeEntry)($turn, $vehicle, $writer, $facts, 1, $before);
            $this->moveStock->used($turn, null, $entry);
            $this->settle($turn, $vehicle, $entry, $workedAt);

            return $turn;
        });
    }

    /**
     * @param array<string, mixed> $facts  as validated by TurnRequest
     * @param int $seen  the revision the writer had before them
     *
     * @throws Overtaken when another correction came first; decided under the lock, so that two at once can't both pass
     */
    public function correct(Turn $turn, User $writer, array $facts, string $reason, int $seen): Turn
    {
        return DB::transaction(function () use ($turn, $writer, $facts, $reason, $seen): Turn {
            $vehicle = Vehicle::query()->whereKey($turn->vehicle_id)->lockForUpdate()->firstOrFail();
            $before = ($this->dueDates)($vehicle);
            if ((int) $turn->entries()->max('revision') !== $seen) {
                throw new Overtaken();
            }
            $counted = $turn->current()->first();
            // What the sheet wrote down and the form doesn't ask for stays.
            $facts += $counted?->only([...TurnEntry::COUNTED, 'textiles']) ?? [];
            $entry = ($this->writeEntry)($turn, $vehicle, $writer, $facts, $seen + 1, $before, $reason);
            $this->moveStock->used($turn, $counted, $entry);
            $wasWorkedAt = $turn->worked_at;
            $turn->worked_at = Instant::of($facts['worked_at']);
            $this->settle($turn, $vehicle, $entry, $turn->worked_at->min($wasWorkedAt));

            return $turn;
        });
    }

    /** @return array<string, string> what stands in doubt or has failed, by zone and kind, as it was last read */
    private static function doubts(Vehicle $vehicle): array
    {
        return $vehicle->standing
            ->sortBy([['zone', 'asc'], ['kind', 'asc']])
            ->mapWithKeys(
                static fn(Layer $layer): array => [
                    "{$layer->zone} {$layer->kind}" =>
                        ($layer->suspect_at === null ? '' : 'suspect') . ($layer->failed_at === null ? '' : 'failed'),
                ],
            )
            ->filter()
            ->all();
    }

    /** @param CarbonImmutable $since  before it nothing in the vehicle's record has changed */
    private function settle(Turn $turn, Vehicle $vehicle, TurnEntry $entry, CarbonImmutable $since): void
    {
        $turn->current_entry_id = $entry->id;
        $turn->save();
        $doubts = self::doubts($vehicle);
        $log = TurnLog::of([$vehicle->id]);
        $products = ($this->rebuildProtection)($vehicle, $log, $since);
        ($this->forecastLayers)([$vehicle->id], log: $log);
        ($this->proposeNext)($turn, $entry, $vehicle, ($this->dueDates)($vehicle));
        if ($products !== []) {
            ReforecastProducts::dispatch($this->tenancy->workspace()->id, $products, $vehicle->id)->afterCommit();
        }
        // What was planned until then has come about, or was overtaken.
        PlannedVisit::query()
            ->where('vehicle_id', $vehicle->id)
            ->where('on', '<=', $this->tenancy->workspace()->dateOf($turn->worked_at))
            ->delete();
        $day = $this->tenancy->workspace()->dateOf($turn->worked_at);
        // A layer that was found wanting, or whose doubt was settled, changes what its next visit holds.
        $why = match (true) {
            ($entry->left_out ?? []) !== [] => Said::of('plan.left-out', vehicle: $vehicle->name, on: Said::day($day)),
            $doubts !== self::doubts($vehicle) => Said::of(
                'plan.water-said',
                vehicle: $vehicle->name,
                on: Said::day($day),
            ),
            default => null,
        };
        if ($why !== null) {
            OpenAgain::dispatch($this->tenancy->workspace()->id, $why)->afterCommit();
        }
        KeepProof::for($this->tenancy->workspace()->id);
    }
}
