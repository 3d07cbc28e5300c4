<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A second factor, addresses that change, leaving; and what happened at the door. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            // Encrypted; counts once it has been confirmed by a code.
            $table->text('second_secret')->nullable();
            $table->timestampTz('second_since')->nullable();
            // A code is good once: the step of the last one that was.
            $table->bigInteger('second_step')->default(0);
            $table->string('new_email', 200)->nullable();
            $table->string('new_email_hash', 64)->nullable()->unique();
            $table->timestampTz('new_email_until')->nullable();
            // Goes then, unless they come back.
            $table->timestampTz('leaves_at')->nullable();
        });
        DB::unprepared('alter table users add constraint users_new_email_lower check (new_email = lower(new_email))');
        Schema::create('recovery_codes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('user_id')->constrained()->cascadeOnDelete();
            $table->string('hash', 64);
            $table->timestampTz('used_at')->nullable();
            $table->unique(['user_id', 'hash']);
        });
        Schema::table('workspaces', function (Blueprint $table): void {
            $table->timestampTz('ends_at')->nullable();
        });

        Schema::create('security_events', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignUuid('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('kind', 40);
            $table->jsonb('facts')->default('{}');
            $table->string('address', 45)->nullable();
            $table->timestampTz('at', 6);
            $table->index(['workspace_id', 'at']);
            $table->index(['user_id', 'at']);
        });
        RowSecurity::guard(
            'security_events',
            'workspace_id = ' .
                RowSecurity::WORKSPACE .
                ' or (workspace_id is null and user_id = ' .
                RowSecurity::USER .
                ')',
            // Whoever failed to come in is nobody yet, and it is written down all the same.
            'workspace_id is null or workspace_id = ' . RowSecurity::WORKSPACE,
            forced: true,
        );
        RowSecurity::appendOnly('security_events');

        // What a workspace that ends leaves behind is taken away by the daily work; it learns which, and nothing else.
        DB::unprepared(
            <<<'SQL'
            create function workspaces_ended(now timestamptz) returns setof uuid
                language sql stable security definer set search_path = pg_catalog, public, pg_temp
                as $$ select id from workspaces where ends_at <= now order by id $$;
            revoke all on function workspaces_ended(timestamptz) from public;
            alter function workspaces_ended(timestamptz) owner to vicissa_door;
            grant execute on function workspaces_ended(timestamptz) to vicissa_app;
            -- Where somebody still is the only owner, whichever workspace is open.
            create function alone_in(person uuid) returns setof uuid
                language sql stable security definer set search_path = pg_catalog, public, pg_temp
                as $$ select m.workspace_id from memberships m join workspaces w on w.id = m.workspace_id where m.user_id = person and m.role = 'owner' and w.ends_at is null
                    and not exists (select 1 from memberships o where o.workspace_id = m.workspace_id and o.role = 'owner' and o.user_id <> person) $$;
            revoke all on function alone_in(uuid) from public;
            alter function alone_in(uuid) owner to vicissa_door;
            grant execute on function alone_in(uuid) to vicissa_app;
            grant select on users, security_events, recovery_codes to vicissa_door;
            SQL
            ,
        );
    }
};
