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
        // A visit as it was laid out, from a match. Facts are what it was matched by, the plan is what came of it.
        Schema::create('sheets', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->smallInteger('crew');
            $table->string('status', 8)->default('laid');
            $table->jsonb('facts');
            $table->jsonb('plan');
            $table->foreignUuid('holder_id')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('begun_at')->nullable();
            $table->timestampTz('finished_at')->nullable();
            $table->foreignUuid('turn_id')->nullable()->constrained()->cascadeOnDelete();
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->index(['workspace_id', 'on']);
            $table->index(['vehicle_id', 'on']);
        });
        // What happened on the driveway, as the device wrote it down. The id is made there: what arrives twice is one.
        Schema::create('sheet_events', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('sheet_id')->constrained()->cascadeOnDelete();
            $table->uuid('device');
            $table->integer('seq');
            $table->string('kind', 16);
            $table->string('step', 40)->nullable();
            $table->jsonb('facts')->default('{}');
            $table->timestampTz('at');
            $table->foreignUuid('written_by')->constrained('users');
            $table->timestampTz('received_at');
            $table->string('conflict', 240)->nullable();
            $table->index(['sheet_id', 'at']);
        });
        Schema::create('photos', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('sheet_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignUuid('turn_id')->nullable()->constrained()->nullOnDelete();
            $table->string('zone', 8);
            $table->string('stage', 8);
            $table->string('note', 240)->nullable();
            $table->smallInteger('width');
            $table->smallInteger('height');
            $table->integer('bytes');
            $table->timestampTz('taken_at');
            $table->foreignUuid('written_by')->constrained('users');
            $table->timestampTz('created_at');
            $table->index(['vehicle_id', 'taken_at']);
            $table->index('turn_id');
            $table->index('sheet_id');
        });
        // Stock as movements: what came in, what a turn took.
        Schema::create('stock_moves', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('product_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('turn_id')->nullable()->constrained()->nullOnDelete();
            $table->string('kind', 8);
            $table->decimal('ml', 11, 1);
            $table->timestampTz('at');
            $table->foreignUuid('written_by')->nullable()->constrained('users');
            $table->index(['product_id', 'at']);
            $table->index('turn_id');
        });
        // How long each kind of step took, beside what the rules say: the crew's own pace.
        Schema::create('step_times', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('turn_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 24);
            $table->double('estimated_min');
            $table->double('took_min');
            $table->timestampTz('at');
            $table->index(['workspace_id', 'kind', 'at']);
            $table->index('turn_id');
        });
        Schema::table('turn_entries', function (Blueprint $table): void {
            $table->smallInteger('crew')->nullable();
            $table->decimal('water_l', 7, 1)->nullable();
            $table->jsonb('textiles')->default('{}');
            $table->jsonb('steps')->default('[]');
            $table->text('recommended')->nullable();
        });
        DB::unprepared(
            <<<'SQL'
            alter table sheets
                add constraint sheets_crew check (crew in (1, 2)),
                add constraint sheets_status check (status in ('laid', 'begun', 'finished', 'dropped')),
                add constraint sheets_finished check ((status = 'finished') = (turn_id is not null));
            alter table photos
                add constraint photos_stage check (stage in ('before', 'during', 'after')),
                add constraint photos_size check (width > 0 and height > 0 and bytes > 0);
            alter table stock_moves add constraint stock_moves_kind check (kind in ('buy', 'use', 'mix', 'waste', 'count'));
            alter table step_times add constraint step_times_positive check (estimated_min > 0 and took_min >= 0);
            alter table gear_events drop constraint if exists gear_events_kind;
            alter table gear_events add constraint gear_events_kind check (kind in ('calibration', 'refill', 'level', 'used', 'washed'));
            SQL
            ,
        );
        foreach (['sheets', 'sheet_events', 'photos', 'stock_moves', 'step_times'] as $table) {
            RowSecurity::guard($table);
        }
        RowSecurity::appendOnly('sheet_events');
        RowSecurity::appendOnly('stock_moves');
        RowSecurity::appendOnly('step_times');
    }
};
