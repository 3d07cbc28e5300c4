<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Support\Facades\DB;

/**
 * What a workspace's state is called: another after each transaction that changed something in it, whoever did it and
 * by whatever way, since the tables' own triggers see to it. What was computed at a mark may be told again while the
 * mark stands. To be read before what is computed: then nothing newer than the state it names can be missing.
 */
final readonly class StateMark
{
    /** Whose changes count. */
    public const TABLES = [
        'memberships',
        'clients',
        'sites',
        'programmes',
        'vehicles',
        'products',
        'gear',
        'gear_events',
        'crews',
        'crew_days',
        'admissions',
        'closures',
        'deadlines',
        'water_readings',
        'round_stops',
        'weather_notes',
        'turns',
        'turn_entries',
        'turn_products',
        'readings',
        'layers',
        'forecasts',
        'forecasts_made',
        'stock_moves',
        'step_times',
        'sheets',
        'sheet_events',
        'photos',
        'plans',
        'plan_runs',
        'planned_visits',
        'cancelled_visits',
        'proposals',
        'prices',
        'quotes',
        'load_ticks',
        'drill_answers',
        'feeds',
        'record_links',
    ];

    /** And whose don't, with the reason. */
    public const BESIDE = [
        'state_marks' => 'the marks themselves',
        'changes' => 'tell of what other tables have changed',
        'security_events' => 'nothing is computed from them',
        'personal_access_tokens' => 'used with every request',
        'invitations' => 'nothing is computed from them',
        'idempotency_keys' => 'passing',
        'archive_runs' => 'passing',
        'outbox_messages' => 'nothing is computed from them',
    ];

    public function __invoke(): int
    {
        return (int) DB::scalar('select coalesce(sum(mark), 0) from state_marks');
    }
}
