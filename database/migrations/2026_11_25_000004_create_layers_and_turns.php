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
        // A turn is its entries: the first as it was saved, each later one a correction. The newest counts.
        Schema::create('turns', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->uuid('current_entry_id')->nullable();
            $table->timestampTz('worked_at');
            $table->timestampTz('created_at');
            $table->index(['vehicle_id', 'worked_at']);
            $table->index(['workspace_id', 'worked_at']);
        });
        Schema::create('turn_entries', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('turn_id')->constrained()->cascadeOnDelete();
            $table->smallInteger('revision');
            $table->timestampTz('worked_at');
            $table->smallInteger('minutes')->nullable();
            $table->smallInteger('soil');
            $table->boolean('grit')->default(false);
            $table->string('method', 16);
            $table->string('purpose', 8)->default('maintain');
            $table->string('water', 8);
            $table->decimal('panel_c', 4, 1)->nullable();
            $table->boolean('clay')->default(false);
            $table->text('note')->nullable();
            $table->jsonb('diagnoses')->default('[]');
            $table->jsonb('refused')->default('[]');
            $table->date('next_on')->nullable();
            $table->jsonb('next_kinds')->default('["wash"]');
            $table->jsonb('due_before')->nullable();
            $table->jsonb('due_after')->nullable();
            $table->string('reason', 240)->nullable();
            $table->foreignUuid('written_by')->constrained('users');
            $table->timestampTz('written_at');
            $table->unique(['turn_id', 'revision']);
        });
        Schema::create('turn_products', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('entry_id')->constrained('turn_entries')->cascadeOnDelete();
            $table->foreignUuid('product_id')->constrained();
            $table->string('role', 16);
            $table->string('zone', 8);
            $table->decimal('quantity_ml', 8, 1)->nullable();
            $table->jsonb('remarks')->default('[]');
            $table->index('entry_id');
            $table->index('product_id');
        });
        Schema::create('readings', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('entry_id')->constrained('turn_entries')->cascadeOnDelete();
            $table->string('stage', 16);
            $table->string('zone', 8);
            $table->string('behaviour', 8);
            $table->decimal('angle_deg', 4, 1)->nullable();
            $table->unique(['entry_id', 'stage', 'zone']);
        });

        Schema::create('layers', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('product_id')->nullable()->constrained();
            $table->foreignUuid('turn_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('zone', 8);
            $table->string('kind', 8);
            $table->string('family', 16);
            $table->string('name', 120)->nullable();
            $table->string('line', 80)->nullable();
            $table->string('designed', 8)->default('beads');
            $table->decimal('label_low_weeks', 6, 1)->nullable();
            $table->decimal('label_high_weeks', 6, 1)->nullable();
            $table->timestampTz('on_at');
            $table->timestampTz('ended_at')->nullable();
            $table->string('ended_by', 16)->nullable();
            $table->double('held')->nullable();
            $table->double('failed')->nullable();
            $table->timestampTz('failed_at')->nullable();
            $table->integer('version')->default(1);
            $table->timestampsTz();
            $table->index(['vehicle_id', 'zone', 'on_at']);
            $table->index(['product_id', 'vehicle_id']);
            $table->unique(['turn_id', 'zone', 'kind']);
        });
        Schema::create('forecasts', function (Blueprint $table): void {
            $table->foreignUuid('layer_id')->primary()->constrained()->cascadeOnDelete();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->double('per_week');
            $table->double('product_life');
            $table->double('worn_known');
            $table->double('p10');
            $table->double('p50');
            $table->double('p90');
            $table->double('due_wear');
            $table->timestampTz('from_at')->nullable();
            $table->timestampTz('due_at')->nullable();
            $table->timestampTz('late_at')->nullable();
            $table->integer('evidence_own');
            $table->integer('evidence_others');
            $table->text('why');
            $table->timestampTz('computed_at');
            $table->index(['workspace_id', 'due_at']);
            $table->index('vehicle_id');
        });

        DB::unprepared(
            <<<'SQL'
            alter table turns add constraint turns_current_entry foreign key (current_entry_id) references turn_entries deferrable initially deferred;
            alter table turn_entries
                add constraint turn_entries_soil check (soil between 0 and 5),
                add constraint turn_entries_revision check (revision >= 1 and (revision = 1 or reason is not null));
            alter table readings
                add constraint readings_stage check (stage in ('arrival', 'after_wash', 'after_decon', 'after_topper')),
                add constraint readings_behaviour check (behaviour in ('tight', 'good', 'weak', 'sheeting', 'flat')),
                add constraint readings_angle check (angle_deg between 0 and 180);
            alter table layers
                add constraint layers_kind check (kind in ('base', 'topper')),
                add constraint layers_span check (ended_at is null or ended_at >= on_at),
                add constraint layers_interval check (failed is null or failed > coalesce(held, 0)),
                add constraint layers_label check (label_low_weeks is null or (label_low_weeks > 0 and label_low_weeks <= label_high_weeks)),
                -- A zone carries one base and one topper at a time.
                add constraint layers_one_at_a_time exclude using gist
                    (vehicle_id with =, zone with =, kind with =, tstzrange(on_at, ended_at) with &&) deferrable initially deferred;
            SQL
            ,
        );
        foreach (['turns', 'turn_entries', 'turn_products', 'readings', 'layers', 'forecasts'] as $table) {
            RowSecurity::guard($table);
        }
        // What was recorded stays recorded.
        RowSecurity::appendOnly('turns', 'current_entry_id', 'worked_at');
        RowSecurity::appendOnly('turn_entries', 'next_on', 'next_kinds', 'due_after');
        RowSecurity::appendOnly('turn_products');
        RowSecurity::appendOnly('readings');
    }
};
