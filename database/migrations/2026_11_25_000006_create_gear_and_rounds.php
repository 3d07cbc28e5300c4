<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('gear', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 12);
            $table->string('name', 80);
            $table->jsonb('facts')->default('{}');
            $table->string('note', 240)->nullable();
            $table->timestampTz('archived_at')->nullable();
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->index(['workspace_id', 'archived_at', 'kind', 'name']);
        });
        // What happened to a piece of gear: a lance calibrated, resin filled, a level read. Written once.
        Schema::create('gear_events', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('gear_id')->constrained('gear')->cascadeOnDelete();
            $table->string('kind', 16);
            $table->jsonb('facts');
            $table->timestampTz('at');
            $table->foreignUuid('written_by')->nullable()->constrained('users');
            $table->index(['gear_id', 'at']);
        });
        // Dissolved solids, as read: at a site's tap, after the membrane, after the resin, in the tank.
        Schema::create('water_readings', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('site_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('point', 8);
            $table->decimal('tds_mg_l', 7, 1);
            $table->decimal('litres', 8, 1)->nullable();
            $table->timestampTz('at');
            $table->foreignUuid('written_by')->nullable()->constrained('users');
            $table->string('note', 240)->nullable();
            $table->index(['workspace_id', 'at']);
            $table->index(['site_id', 'at']);
        });
        // Who is on the way on a day, in driving order.
        Schema::create('round_stops', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->smallInteger('position');
            $table->timestampsTz();
            $table->unique(['on', 'vehicle_id']);
            $table->index(['workspace_id', 'on', 'position']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table gear add constraint gear_kind check (kind in ('washer', 'lance', 'bottle', 'sprayer', 'bucket', 'towel', 'tank', 'ro', 'resin'));
            alter table gear_events add constraint gear_events_kind check (kind in ('calibration', 'refill', 'level'));
            alter table water_readings
                add constraint water_readings_point check (point in ('tap', 'ro', 'treated', 'tank')),
                add constraint water_readings_tds check (tds_mg_l >= 0),
                add constraint water_readings_litres check (litres >= 0);
            SQL
            ,
        );
        foreach (['gear', 'gear_events', 'water_readings', 'round_stops'] as $table) {
            RowSecurity::guard($table);
        }
        RowSecurity::appendOnly('gear_events');
        RowSecurity::appendOnly('water_readings');
    }
};
