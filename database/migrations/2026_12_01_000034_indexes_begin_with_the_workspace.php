<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Every reading names its workspace (row-level security): an index that does not begin with it is joined with one that
 * holds the whole workspace, and years of a large one are long.
 */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create index turns_of_vehicle on turns (workspace_id, vehicle_id, worked_at);
            drop index turns_vehicle_id_worked_at_index;
            create index turn_products_of_entry on turn_products (workspace_id, entry_id);
            drop index turn_products_entry_id_index;
            create index layers_of_vehicle on layers (workspace_id, vehicle_id, zone, on_at);
            drop index layers_vehicle_id_zone_on_at_index;
            create index layers_of_product on layers (workspace_id, product_id, vehicle_id);
            drop index layers_product_id_vehicle_id_index;
            create index forecasts_of_vehicle on forecasts (workspace_id, vehicle_id);
            drop index forecasts_vehicle_id_index;
            create index stock_moves_of_product on stock_moves (workspace_id, product_id, at);
            drop index stock_moves_product_id_at_index;
            create index step_times_of_turn on step_times (workspace_id, turn_id);
            drop index step_times_turn_id_index;
            create index sheet_events_of_sheet on sheet_events (workspace_id, sheet_id, at);
            drop index sheet_events_sheet_id_at_index;
            SQL
            ,
        );
    }
};
