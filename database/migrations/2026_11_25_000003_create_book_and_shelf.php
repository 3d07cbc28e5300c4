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
        Schema::create('clients', function (Blueprint $table): void {
            $this->row($table);
            $table->string('name', 120);
            $table->string('contact', 120)->nullable();
            $table->string('phone', 40)->nullable();
            $table->string('email', 200)->nullable();
            $table->text('note')->nullable();
            $table->index(['workspace_id', 'name', 'id']);
        });

        Schema::create('sites', function (Blueprint $table): void {
            $this->row($table);
            $table->foreignUuid('client_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 120);
            $table->string('address', 240)->nullable();
            $table->string('water', 8)->default('tap');
            $table->decimal('tds_mg_l', 7, 1)->nullable();
            $table->boolean('power')->default(true);
            $table->string('surface', 120)->nullable();
            $table->string('run_off', 240)->nullable();
            $table->string('hours', 120)->nullable();
            $table->string('access', 240)->nullable();
            $table->date('certificate_expires_on')->nullable();
            $table->smallInteger('travel_min')->default(0);
            $table->index(['workspace_id', 'name', 'id']);
            $table->index('client_id');
        });

        Schema::create('vehicles', function (Blueprint $table): void {
            $this->row($table);
            $table->foreignUuid('client_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignUuid('site_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 120);
            $table->string('model', 120)->nullable();
            $table->string('plate', 20)->nullable();
            $table->date('in_service_on')->nullable();
            $table->string('body', 16);
            $table->string('colour', 60)->nullable();
            $table->string('tone', 8)->default('mid');
            $table->string('hardness', 8)->default('medium');
            $table->jsonb('finish')->default('[]');
            $table->string('wheel_finish', 16)->default('painted');
            $table->decimal('paint_m2', 6, 1);
            $table->string('storage', 16)->default('outdoors');
            $table->string('road', 8)->default('normal');
            $table->integer('km_per_week')->default(200);
            $table->smallInteger('cadence_min')->default(7);
            $table->smallInteger('cadence_target')->default(14);
            $table->smallInteger('cadence_max')->default(28);
            $table->text('note')->nullable();
            $table->timestampTz('archived_at')->nullable();
            $table->index(['workspace_id', 'archived_at', 'name', 'id']);
            $table->index('client_id');
            $table->index('site_id');
        });

        Schema::create('products', function (Blueprint $table): void {
            $this->row($table);
            $table->string('name', 120);
            $table->string('line', 80)->nullable();
            $table->string('maker', 80)->nullable();
            $table->string('role', 16);
            $table->jsonb('surfaces');
            $table->decimal('ph', 4, 1)->default(7);
            $table->string('leaves', 8)->default('nothing');
            $table->string('strips', 8)->default('none');
            $table->boolean('solvent')->default(false);
            $table->jsonb('dilutions')->default('{}');
            $table->integer('dwell_min_s')->default(0);
            $table->integer('dwell_max_s')->nullable();
            $table->boolean('may_dry')->default(true);
            $table->decimal('min_c', 4, 1)->nullable();
            $table->decimal('max_c', 4, 1)->nullable();
            $table->boolean('rinse')->default(false);
            $table->string('family', 16)->nullable();
            $table->decimal('label_low_weeks', 6, 1)->nullable();
            $table->decimal('label_high_weeks', 6, 1)->nullable();
            $table->string('applied', 16)->nullable();
            $table->decimal('pack_ml', 9, 1)->nullable();
            $table->integer('price_minor')->nullable();
            $table->decimal('stock_ml', 9, 1)->default(0);
            $table->decimal('reorder_ml', 9, 1)->default(0);
            $table->jsonb('cautions')->default('[]');
            $table->timestampTz('archived_at')->nullable();
            $table->index(['workspace_id', 'archived_at', 'name', 'id']);
        });

        DB::unprepared(
            <<<'SQL'
            alter table sites
                add constraint sites_water check (water in ('none', 'tap', 'treated')),
                add constraint sites_tds check (tds_mg_l >= 0);
            alter table vehicles
                add constraint vehicles_tone check (tone in ('white', 'silver', 'mid', 'dark', 'black')),
                add constraint vehicles_hardness check (hardness in ('soft', 'medium', 'hard')),
                add constraint vehicles_cadence check (cadence_min >= 1 and cadence_min <= cadence_target and cadence_target <= cadence_max),
                add constraint vehicles_paint check (paint_m2 > 0),
                add constraint vehicles_km check (km_per_week >= 0);
            alter table products
                add constraint products_ph check (ph between 0 and 14),
                add constraint products_label check (label_low_weeks is null or (label_low_weeks > 0 and label_low_weeks <= label_high_weeks)),
                add constraint products_dwell check (dwell_min_s >= 0 and (dwell_max_s is null or dwell_max_s >= dwell_min_s)),
                add constraint products_panel check (min_c is null or max_c is null or min_c <= max_c);
            SQL
            ,
        );
        foreach (['clients', 'sites', 'vehicles', 'products'] as $table) {
            RowSecurity::guard($table);
        }
    }

    private function row(Blueprint $table): void
    {
        $table->uuid('id')->primary();
        $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
        $table->integer('version')->default(1);
        $table->timestampsTz();
    }
};
