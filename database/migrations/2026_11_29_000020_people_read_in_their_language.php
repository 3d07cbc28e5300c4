<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Each person reads in their language; a client may be written to in another than the house’s. */
return new class extends Migration {
    public function up(): void
    {
        foreach (['users', 'clients'] as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->string('language', 2)->nullable();
            });
            DB::statement("alter table {$table} add constraint {$table}_language check (language in ('en', 'de'))");
        }
    }

    public function down(): void
    {
        foreach (['users', 'clients'] as $table) {
            Schema::table($table, static function (Blueprint $table): void {
                $table->dropColumn('language');
            });
        }
    }
};
