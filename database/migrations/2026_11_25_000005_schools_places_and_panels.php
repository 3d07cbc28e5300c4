<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // The two schools there were become the first of all of them.
        Schema::table('workspaces', fn(Blueprint $table) => $table->jsonb('schools')->default('{}'));
        DB::statement(
            "update workspaces set schools = jsonb_build_object('caution', caution::text, 'bare-face', case when bare_face then 'refused' else 'tolerated' end)",
        );
        Schema::table('workspaces', fn(Blueprint $table) => $table->dropColumn(['caution', 'bare_face']));
        Schema::table('vehicles', function (Blueprint $table): void {
            $table->jsonb('schools')->default('{}');
            $table->string('material', 12)->default('steel');
            // Nobody knows what lies on the paint; a declared base layer settles it.
            $table->boolean('base_unknown')->default(false);
        });
        Schema::table('sites', function (Blueprint $table): void {
            $table->decimal('treated_tds_mg_l', 7, 1)->nullable();
            $table->boolean('pressure')->default(true);
            $table->boolean('shade')->default(false);
            $table->boolean('bay')->default(false);
            $table->decimal('latitude', 7, 4)->nullable();
            $table->decimal('longitude', 8, 4)->nullable();
        });
        // Where there was treated water, its reading was meant.
        DB::statement("update sites set treated_tds_mg_l = tds_mg_l, tds_mg_l = null where water = 'treated'");
        // Quantiles of every caution one may choose, so that another can be compared without a new forecast.
        Schema::table('forecasts', fn(Blueprint $table) => $table->double('p30')->nullable());
        DB::unprepared(
            <<<'SQL'
            alter table vehicles add constraint vehicles_material check (material in ('steel', 'aluminium', 'fibreglass'));
            alter table sites
                add constraint sites_treated_tds check (treated_tds_mg_l >= 0),
                add constraint sites_position check ((latitude is null) = (longitude is null) and latitude between -90 and 90 and longitude between -180 and 180);
            SQL
            ,
        );
    }
};
