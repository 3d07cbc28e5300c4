<?php

declare(strict_types=1);

namespace App\Archive;

/** Which tables of a workspace go into its archive, each after those it refers to; and which stay, with the reason. */
final class ArchivedTables
{
    public const FORMAT = 'vicissa-archive/1';

    public const ALL = [
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
        'forecasts_made',
        'stock_moves',
        'step_times',
        'sheets',
        'sheet_events',
        'photos',
        'plans',
        'planned_visits',
        'cancelled_visits',
        'proposals',
        'prices',
        'quotes',
        'load_ticks',
        'drill_answers',
        'changes',
    ];

    /** What stays: secrets, what belongs to people and not to the business, and what is reckoned anew. */
    public const LEFT = [
        'forecasts' => 'reckoned anew',
        'feeds' => 'addresses with secrets',
        'security_events' => 'what happened at this house’s door is this house’s',
        'record_links' => 'addresses with secrets',
        'personal_access_tokens' => 'secrets',
        'invitations' => 'secrets',
        'idempotency_keys' => 'passing',
        'plan_runs' => 'passing',
        'archive_runs' => 'passing',
        'memberships' => 'people sign in anew',
        'outbox_messages' => 'letters that have gone out',
        'state_marks' => 'passing',
    ];

    /** Columns that name a person. */
    public const PEOPLE = ['written_by', 'made_by', 'asked_by', 'ticked_by', 'holder_id', 'user_id', 'by'];

    /** Columns that hold an id without a foreign key behind them. */
    public const LOOSE = ['row_id', 'visit_id', 'device'];

    /** A column that is written only when the rows it points to are there. */
    public const LATER = ['turns' => 'current_entry_id'];

    /** What of a workspace itself goes along. */
    public const WORKSPACE = [
        'name',
        'time_zone',
        'units',
        'hardness_unit',
        'schools',
        'salt_months',
        'rates',
        'numbers',
    ];
}
