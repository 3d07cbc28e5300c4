<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What belongs to a visit (domain §15): its kinds and scope, who works it and how long it takes them, what was left out
 * of it and why.
 */
return new class extends Migration {
    public function up(): void
    {
        foreach (['programmes', 'vehicles'] as $rhythm) {
            Schema::table($rhythm, function (Blueprint $table): void {
                $table->string('scope', 80)->default('usual');
                // Every so many visits it is a full one.
                $table->smallInteger('full_every')->nullable();
                // A topper every so many washes, whichever comes first.
                $table->smallInteger('topper_washes')->nullable();
            });
        }
        Schema::table('vehicles', function (Blueprint $table): void {
            // Minutes somebody typed, and what the rules said of the same visit then.
            $table->smallInteger('own_minutes')->nullable();
            $table->double('own_estimate')->nullable();
        });
        Schema::table('crews', function (Blueprint $table): void {
            $table->smallInteger('people')->default(1);
            $table->jsonb('members')->default('[]');
        });
        Schema::table('planned_visits', function (Blueprint $table): void {
            $table->string('scope', 80)->default('usual');
        });
        Schema::table('cancelled_visits', function (Blueprint $table): void {
            $table->string('why', 240)->nullable();
            $table->string('cancelled_by', 16)->nullable();
            // Until when it isn't planned again; null where the plan moved on by itself.
            $table->date('until_on')->nullable();
        });
        Schema::table('round_stops', function (Blueprint $table): void {
            // When it is begun, minutes of the day.
            $table->smallInteger('begins_min')->nullable();
        });
        Schema::table('turn_entries', function (Blueprint $table): void {
            $table->string('scope', 80)->default('usual');
            $table->jsonb('kinds')->nullable();
            $table->jsonb('left_out')->default('[]');
            $table->jsonb('inspection')->nullable();
            $table->double('estimate_min')->nullable();
        });
        Schema::table('turn_products', function (Blueprint $table): void {
            // It renewed the layer that is meant to last.
            $table->boolean('as_base')->default(false);
        });
        Schema::table('layers', function (Blueprint $table): void {
            // The last clean reading failed, and it may only be clogged.
            $table->timestampTz('suspect_at')->nullable();
        });
        Schema::table('products', function (Blueprint $table): void {
            $table->decimal('ph', 4, 1)->nullable()->default(null)->change();
            $table->boolean('may_dry')->nullable()->default(null)->change();
            $table->boolean('rinse')->nullable()->default(null)->change();
            $table->boolean('paste')->default(false);
        });
        DB::unprepared(
            <<<'SQL'
            alter table sheets drop constraint sheets_crew;
            alter table sheets add constraint sheets_crew check (crew between 1 and 8);
            alter table crews add constraint crews_people check (people between 1 and 8);
            alter table cancelled_visits add constraint cancelled_visits_by check (cancelled_by in ('us', 'client', 'weather'));
            SQL
            ,
        );
        foreach (['programmes', 'vehicles'] as $rhythm) {
            DB::unprepared(
                "alter table {$rhythm} add constraint {$rhythm}_full_every check (full_every between 2 and 52), add constraint {$rhythm}_topper_washes check (topper_washes between 1 and 60)",
            );
        }
    }
};
