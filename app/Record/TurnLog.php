<?php

declare(strict_types=1);

namespace App\Record;

use App\Tenancy\Tenancy;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\Used;
use Vicissa\Core\Record\WearingTurns;

/** The turns of some vehicles, read in three queries however many there are. Corrected turns appear as corrected. */
final readonly class TurnLog
{
    /** @param array<string, list<LoggedTurn>> $turns  by vehicle, oldest first */
    private function __construct(private array $turns, public WearFactors $factors) {}

    /**
     * @param list<string> $vehicleIds
     * @param int|null $readingsSince  only readings from this moment on; all when left out
     */
    public static function of(array $vehicleIds, ?int $readingsSince = null): self
    {
        return self::from(
            static fn(Builder $turns): Builder => $turns->whereIn('turns.vehicle_id', $vehicleIds),
            $readingsSince,
        );
    }

    /**
     * What was done at each vehicle since a moment of its own, and what was done there last.
     *
     * @param array<string, int> $since  by vehicle
     * @param int|null $readingsSince    as above
     */
    public static function since(array $since, ?int $readingsSince = null): self
    {
        $ids = '{' . implode(',', array_keys($since)) . '}';
        $moments = '{' . implode(',', $since) . '}';

        return self::from(
            static fn(Builder $turns): Builder => $turns->joinSub(
                // Once for each vehicle (offset 0), not for each of its turns.
                DB::query()->fromRaw(
                    '(select s.vehicle, least(to_timestamp(s.at), (select max(l.worked_at) from turns l where l.vehicle_id = s.vehicle)) as at from unnest(?::uuid[], ?::bigint[]) as s (vehicle, at) offset 0) as s',
                    [$ids, $moments],
                ),
                'asked',
                static fn(JoinClause $join) => $join
                    ->on('asked.vehicle', '=', 'turns.vehicle_id')
                    ->on('turns.worked_at', '>=', 'asked.at'),
            ),
            $readingsSince,
        );
    }

    /**
     * As somebody tells it who has not written it down.
     *
     * @param array<string, list<LoggedTurn>> $turns  by vehicle, oldest first
     */
    public static function told(array $turns): self
    {
        return new self($turns, app(Tenancy::class)->workspace()->house()->wear);
    }

    /** @param callable(Builder): Builder $asked  narrows the turns down to those that are asked for */
    private static function from(callable $asked, ?int $readingsSince): self
    {
        /** @var list<stdClass> $entries */
        $entries = $asked(DB::table('turns'))
            ->join('turn_entries as e', 'e.id', '=', 'turns.current_entry_id')
            ->orderBy('turns.worked_at')
            ->orderBy('turns.id')
            ->get([
                'turns.id',
                'turns.vehicle_id',
                DB::raw('extract(epoch from turns.worked_at)::bigint as at'),
                'e.id as entry_id',
                'e.method',
                'e.purpose',
                'e.clay',
                'e.looked_over',
            ])
            ->all();
        $vehicles = static fn(Builder $query): Builder => $asked($query->select('current_entry_id')->from('turns'));
        $uses = $readings = [];
        // A shelf is short: read once, rather than joined to every use.
        $products = DB::table('products')
            ->get(['id', 'ph', 'strips', 'leaves'])
            ->keyBy('id');
        $strong = $products->where('strips', 'strong')->keys()->all();
        $wearing = DB::table('turn_products')
            ->whereIn('entry_id', $vehicles)
            ->where(
                static fn($query) => $query
                    ->whereIn('role', ['topper', 'base', 'drying-aid', 'iron', 'prewash'])
                    ->orWhereIn('product_id', $strong),
            )
            ->get(['entry_id', 'product_id', 'zone', 'role', 'as_base']);
        foreach ($wearing as $row) {
            $product =
                $products[$row->product_id] ?? throw new LogicException('A product that was used is never deleted.');
            $uses[$row->entry_id][] = new Used(
                $row->product_id,
                Zone::from($row->zone),
                Role::from($row->role),
                (float) ($product->ph ?? 7.0),
                Strips::from($product->strips),
                Leaves::from($product->leaves),
                (bool) $row->as_base,
            );
        }
        $read =
            $readingsSince === null
                ? $vehicles
                : static fn(Builder $query): Builder => $vehicles($query)->where(
                    'turns.worked_at',
                    '>=',
                    gmdate('c', $readingsSince),
                );
        foreach (
            DB::table('readings')
                ->whereIn('entry_id', $read)
                ->get(['entry_id', 'stage', 'zone', 'part', 'behaviour', 'angle_deg', 'sheets_s'])
            as $row
        ) {
            $readings[$row->entry_id][$row->zone][$row->stage][$row->part] = [
                'behaviour' => $row->behaviour,
                'angle_deg' => $row->angle_deg === null ? null : (float) $row->angle_deg,
                'sheets_s' => $row->sheets_s === null ? null : (float) $row->sheets_s,
            ];
        }
        $turns = [];
        foreach ($entries as $row) {
            $turns[$row->vehicle_id][] = new LoggedTurn(
                $row->id,
                (int) $row->at,
                Method::from($row->method),
                $row->purpose === 'reset',
                (bool) $row->clay,
                (bool) $row->looked_over,
                $uses[$row->entry_id] ?? [],
                $readings[$row->entry_id] ?? [],
            );
        }

        return self::told($turns);
    }

    /** Where both know a vehicle, the other's turns count. */
    public function with(self $other): self
    {
        return new self([...$this->turns, ...$other->turns], $this->factors);
    }

    /** @return list<LoggedTurn> */
    public function turns(string $vehicleId): array
    {
        return $this->turns[$vehicleId] ?? [];
    }

    /** When the base of a vehicle was last looked over, seconds since 1970. */
    public function lookedOver(string $vehicleId): ?int
    {
        foreach (array_reverse($this->turns($vehicleId)) as $turn) {
            if ($turn->lookedOver) {
                return $turn->at;
            }
        }

        return null;
    }

    /** Turns that wore a layer: after it went on, until it ended (the turn that renewed it washed it first). */
    public function during(LayerSpan $layer): WearingTurns
    {
        return new WearingTurns(
            array_values(
                array_filter(
                    $this->turns($layer->vehicleId),
                    static fn(LoggedTurn $turn): bool => $layer->wasOnWhen($turn->at),
                ),
            ),
        );
    }

    public function path(Habits $habits, LayerSpan $layer): WearPath
    {
        return WearPath::of($habits, $this->washes($layer), $this->factors, $layer->on);
    }

    /** @return list<Wash> as the layer felt them */
    public function washes(LayerSpan $layer): array
    {
        return array_map(
            static fn(LoggedTurn $turn): Wash => new Wash(
                $layer->day($turn->at),
                $turn->traits($layer->zone),
                $turn->dryingAidFor($layer->zone, $layer->family),
            ),
            $this->during($layer)->turns,
        );
    }
}
