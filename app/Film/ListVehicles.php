<?php

declare(strict_types=1);

namespace App\Film;

use App\Tenancy\Like;
use App\Tenancy\Tenancy;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use stdClass;

/** The vehicles as a table: whose, where, what lies on the paint, when that is due, when somebody comes next. */
final readonly class ListVehicles
{
    /** What it is sorted by, by name; vehicles without it come last, whichever way round. */
    public const SORTS = [
        'name' => 'lower(v.name)',
        'client' => 'lower(c.name)',
        'place' => 'lower(s.name)',
        'due' => 'o.due_at',
        'next' => 'p.next_on',
        'last' => 't.last_at',
    ];

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param key-of<self::SORTS> $sort
     * @return Told<'VehicleList'>
     */
    public function __invoke(string $search, string $sort, bool $down, int $skip, int $limit): array
    {
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());
        $asked = DB::table('vehicles as v')
            ->leftJoin('clients as c', 'c.id', '=', 'v.client_id')
            ->leftJoin('sites as s', 's.id', '=', 'v.site_id')
            ->whereNull('v.archived_at')
            ->when(
                $search !== '',
                static fn(Builder $query): Builder => $query->whereAny(
                    ['v.name', 'v.model', 'v.plate', 'c.name', 's.name'],
                    'ilike',
                    Like::holding($search),
                ),
            );
        $count = $asked->count();
        $rows = $asked
            ->leftJoinSub(Outermost::layers(), 'o', 'o.vehicle_id', '=', 'v.id')
            ->leftJoinSub(
                DB::table('planned_visits')
                    ->where('on', '>=', $today)
                    ->groupBy('vehicle_id')
                    ->selectRaw('vehicle_id, min("on") as next_on'),
                'p',
                'p.vehicle_id',
                '=',
                'v.id',
            )
            ->leftJoinLateral(
                DB::table('turns')->whereColumn('turns.vehicle_id', 'v.id')->selectRaw('max(worked_at) as last_at'),
                't',
            )
            ->orderByRaw(self::SORTS[$sort] . ($down ? ' desc' : ' asc') . ' nulls last')
            ->orderByRaw('lower(v.name), v.id')
            ->offset($skip)
            ->limit($limit)
            ->selectRaw(
                'v.id, v.name, v.body, v.model, v.plate, c.name as client, s.name as site, o.families, to_json(o.due_at) #>> \'{}\' as due_at, p.next_on::text as next_on, to_json(t.last_at) #>> \'{}\' as last_at',
            )
            ->get();

        return [
            'count' => $count,
            'data' => array_values(
                $rows
                    ->map(
                        static fn(stdClass $row): array => [
                            'id' => $row->id,
                            'name' => $row->name,
                            'body' => $row->body,
                            'model' => $row->model,
                            'plate' => $row->plate,
                            'client' => $row->client,
                            'site' => $row->site,
                            'layers' => $row->families === null ? [] : explode(' ', $row->families),
                            'due_at' => $row->due_at,
                            'next_on' => $row->next_on,
                            'last_at' => $row->last_at,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
