<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A day's weather as somebody says it is, or hears it will be: it takes the forecast's place. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('weather_notes', function (Blueprint $table): void {
            $table->uuid('id');
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->decimal('low_c', 4, 1)->nullable();
            $table->decimal('high_c', 4, 1)->nullable();
            $table->decimal('wind_m_s', 4, 1)->nullable();
            $table->decimal('rh', 3, 2)->nullable();
            $table->decimal('cloud', 3, 2)->nullable();
            $table->smallInteger('rain_from')->nullable();
            $table->smallInteger('rain_until')->nullable();
            $table->foreignUuid('written_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampsTz();
            $table->primary(['workspace_id', 'id']);
            $table->unique(['workspace_id', 'on']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table weather_notes
                add constraint weather_notes_air check (low_c is null or high_c is null or low_c <= high_c),
                add constraint weather_notes_rain check (
                    (rain_from is null) = (rain_until is null) and rain_from between 0 and 24 and rain_until between 0 and 24
                        and rain_from <= rain_until
                );
            SQL
            ,
        );
        RowSecurity::guard('weather_notes', forced: true);
    }
};
