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
        // What calendars read: one crew's days, one vehicle's visits, or all. The address holds a secret; only its hash
        // is kept.
        Schema::create('feeds', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('crew_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('secret_hash', 64)->unique();
            $table->timestampTz('made_at');
            $table->timestampTz('revoked_at')->nullable();
            $table->timestampTz('read_at')->nullable();
            $table->index('workspace_id');
        });
        RowSecurity::guard('feeds');
        Schema::table('planned_visits', function (Blueprint $table): void {
            // A visit that moves stays the same visit: calendars know it by its id and count its changes.
            $table->integer('sequence')->default(0);
            $table->timestampTz('changed_at')->useCurrent();
        });
        Schema::create('cancelled_visits', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('crew_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->jsonb('kinds');
            $table->integer('sequence');
            $table->timestampTz('cancelled_at');
            $table->index(['workspace_id', 'cancelled_at']);
        });
        RowSecurity::guard('cancelled_visits');
        DB::unprepared(
            <<<'SQL'
            alter table feeds add constraint feeds_of check (crew_id is null or vehicle_id is null);
            -- Visits trade days within one transaction.
            alter table planned_visits drop constraint planned_visits_vehicle_id_on_unique;
            alter table planned_visits add constraint planned_visits_one_a_day unique (vehicle_id, "on") deferrable initially deferred;
            -- Whose feed an address is has to be known before a workspace is.
            create function workspace_of_feed(hash text) returns uuid
                language sql stable security definer set search_path = public
                as $$ select workspace_id from feeds where secret_hash = hash and revoked_at is null $$;
            revoke all on function workspace_of_feed(text) from public;
            grant execute on function workspace_of_feed(text) to vicissa_app;
            SQL
            ,
        );
    }
};
