<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('readings', function (Blueprint $table): void {
            $table->string('part', 8)->default('whole');
            // How long a sheet of water took to leave the panel.
            $table->decimal('sheets_s', 5, 1)->nullable();
            $table->dropUnique(['entry_id', 'stage', 'zone']);
            $table->unique(['entry_id', 'stage', 'zone', 'part']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table readings
                add constraint readings_part check (part in ('whole', 'top', 'sides', 'low') and (part = 'whole' or zone = 'paint')),
                add constraint readings_sheets check (sheets_s between 0 and 600);
            SQL
            ,
        );
        // Months whose roads are salted: the workspace's are what new vehicles begin with.
        Schema::table('workspaces', static fn(Blueprint $table) => $table->jsonb('salt_months')->default('[]'));
        Schema::table('vehicles', static fn(Blueprint $table) => $table->jsonb('salt_months')->default('[]'));
        // The base was looked over, with a light, as an inspection.
        Schema::table('turn_entries', static fn(Blueprint $table) => $table->boolean('looked_over')->default(false));
        // What a layer that has ended most likely lived: half as likely longer as shorter, given all that was read.
        Schema::table('layers', static fn(Blueprint $table) => $table->double('lived')->nullable());
        Schema::table('forecasts', function (Blueprint $table): void {
            foreach (['p10_at', 'p30_at', 'p50_at', 'p90_at', 'look_from_at', 'look_at', 'look_late_at'] as $moment) {
                $table->timestampTz($moment)->nullable();
            }
        });
    }
};
