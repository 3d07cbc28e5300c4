<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What the waterworks say of a place's tap, and in which unit a workspace reads it. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('sites', function (Blueprint $table): void {
            $table->decimal('hardness_mg_l', 7, 1)->nullable();
        });
        Schema::table('workspaces', function (Blueprint $table): void {
            $table->string('hardness_unit', 8)->default('mg/l');
        });
        DB::unprepared(
            <<<'SQL'
            alter table sites add constraint sites_hardness check (hardness_mg_l >= 0);
            update workspaces set hardness_unit = case units when 'us' then 'gpg' when 'imperial' then '°e' else 'mg/l' end;
            SQL
            ,
        );
    }
};
