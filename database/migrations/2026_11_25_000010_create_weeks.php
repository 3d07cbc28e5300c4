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
        // Who goes together, and how many minutes of which weekday they work (1 Monday to 7 Sunday).
        Schema::create('crews', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->jsonb('minutes')->default('{}');
            $table->timestampTz('archived_at')->nullable();
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->index(['workspace_id', 'name']);
        });
        // Holidays, half days, days worked in spite of it.
        Schema::create('crew_days', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('crew_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->integer('minutes');
            $table->string('note', 120)->nullable();
            $table->unique(['crew_id', 'on']);
        });
        // A rhythm with a name, that vehicles follow until they have their own.
        Schema::create('programmes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->integer('cadence_min');
            $table->integer('cadence_target');
            $table->integer('cadence_max');
            $table->integer('salt_target')->nullable();
            $table->integer('topper_weeks')->nullable();
            $table->integer('decon_days')->nullable();
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->unique(['workspace_id', 'name']);
        });
        Schema::table('vehicles', function (Blueprint $table): void {
            $table->foreignUuid('programme_id')->nullable()->constrained()->nullOnDelete();
            $table->integer('salt_target')->nullable();
            // Left out: by forecast.
            $table->integer('topper_weeks')->nullable();
            $table->integer('decon_days')->nullable();
        });
        // When a vehicle is away, a place is shut, or nobody works at all.
        Schema::create('closures', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUuid('site_id')->nullable()->constrained()->cascadeOnDelete();
            $table->date('from_on');
            $table->date('to_on');
            $table->string('note', 240)->nullable();
            $table->index(['workspace_id', 'to_on']);
        });
        // A visit has to fall within some days before.
        Schema::create('deadlines', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->integer('within_days')->default(2);
            $table->string('note', 240)->nullable();
            $table->unique(['vehicle_id', 'on']);
            $table->index(['workspace_id', 'on']);
        });
        Schema::create('planned_visits', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('crew_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->jsonb('kinds');
            $table->boolean('locked')->default(false);
            $table->unique(['vehicle_id', 'on']);
            $table->index(['workspace_id', 'on']);
        });
        // Every plan with what stood before it, so that it can be taken back and compared.
        Schema::create('plans', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('made_at');
            $table->foreignUuid('made_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('why', 240);
            $table->date('start_on');
            $table->integer('days');
            $table->jsonb('before');
            $table->jsonb('after');
            $table->jsonb('instance');
            $table->double('cost');
            $table->double('bound');
            $table->jsonb('breakdown');
            $table->jsonb('unmet');
            $table->timestampTz('undone_at')->nullable();
            $table->index(['workspace_id', 'made_at']);
        });
        // A search that is going on: how far it is, whether somebody wants it to stop.
        Schema::create('plan_runs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('asked_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('status', 12)->default('waiting');
            $table->double('progress')->default(0);
            $table->string('says', 240)->nullable();
            $table->foreignUuid('plan_id')->nullable()->constrained()->nullOnDelete();
            $table->timestampTz('asked_at');
            $table->index(['workspace_id', 'asked_at']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table crew_days add constraint crew_days_minutes check (minutes between 0 and 1440);
            alter table programmes add constraint programmes_cadence check (cadence_min between 1 and cadence_target and cadence_target <= cadence_max and coalesce(salt_target, cadence_min) between cadence_min and cadence_max),
                add constraint programmes_intervals check (coalesce(topper_weeks, 1) between 1 and 104 and coalesce(decon_days, 1) between 1 and 1460);
            alter table vehicles add constraint vehicles_intervals check (coalesce(topper_weeks, 1) between 1 and 104 and coalesce(decon_days, 1) between 1 and 1460 and coalesce(salt_target, 1) between 1 and 365);
            alter table closures add constraint closures_span check (to_on >= from_on), add constraint closures_of check (vehicle_id is null or site_id is null);
            alter table deadlines add constraint deadlines_within check (within_days between 0 and 60);
            alter table plan_runs add constraint plan_runs_status check (status in ('waiting', 'running', 'done', 'stopped', 'overtaken', 'failed'));
            SQL
            ,
        );
        foreach (
            ['crews', 'crew_days', 'programmes', 'closures', 'deadlines', 'planned_visits', 'plans', 'plan_runs']
            as $table
        ) {
            RowSecurity::guard($table);
        }
        RowSecurity::appendOnly('plans', 'undone_at');
    }
};
