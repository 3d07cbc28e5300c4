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
        DB::unprepared('create extension if not exists btree_gist');

        // People are not a workspace's data: one person may work in several.
        Schema::create('users', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 120);
            $table->string('email', 200)->unique();
            $table->string('password');
            $table->string('theme', 8)->default('auto');
            $table->rememberToken();
            $table->timestampsTz();
        });
        DB::unprepared("alter table users add constraint users_email_lower check (email = lower(email)),
            add constraint users_theme check (theme in ('auto', 'light', 'dark'))");
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestampTz('created_at')->nullable();
        });

        Schema::create('workspaces', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 120);
            $table->string('time_zone', 64)->default('UTC');
            $table->string('units', 8)->default('metric');
            $table->smallInteger('caution')->default(30);
            $table->boolean('bare_face')->default(true);
            $table->integer('version')->default(1);
            $table->timestampsTz();
        });
        DB::unprepared("alter table workspaces
            add constraint workspaces_units check (units in ('metric', 'us', 'imperial')),
            add constraint workspaces_caution check (caution in (10, 30, 50))");

        Schema::create('memberships', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('user_id')->constrained()->cascadeOnDelete();
            $table->string('role', 16);
            $table->timestampsTz();
            $table->unique(['workspace_id', 'user_id']);
            $table->index('user_id');
        });
        DB::unprepared(
            "alter table memberships add constraint memberships_role check (role in ('owner', 'technician'))",
        );

        Schema::create('invitations', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('email', 200);
            $table->string('role', 16);
            $table->string('token_hash', 64)->unique();
            $table->foreignUuid('invited_by')->constrained('users');
            $table->timestampTz('expires_at');
            $table->timestampTz('accepted_at')->nullable();
            $table->timestampsTz();
            $table->index(['workspace_id', 'created_at']);
        });
        DB::unprepared(
            "alter table invitations add constraint invitations_role check (role in ('owner', 'technician'))",
        );

        Schema::create('personal_access_tokens', function (Blueprint $table): void {
            $table->id();
            $table->uuidMorphs('tokenable');
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestampTz('last_used_at')->nullable();
            $table->timestampTz('expires_at')->nullable()->index();
            $table->timestampsTz();
        });

        Schema::create('outbox_messages', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('recipient', 200);
            $table->string('subject', 200);
            $table->text('body');
            $table->timestampTz('created_at');
            $table->index(['workspace_id', 'created_at']);
        });

        Schema::create('idempotency_keys', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('user_id')->constrained()->cascadeOnDelete();
            $table->string('key', 100);
            $table->string('request_hash', 64);
            $table->smallInteger('status')->nullable();
            $table->jsonb('response')->nullable();
            $table->timestampTz('created_at')->index();
            $table->unique(['workspace_id', 'user_id', 'key']);
        });

        $workspace = RowSecurity::WORKSPACE;
        $user = RowSecurity::USER;
        // A person sees the workspaces they belong to, to choose one; they change only the one entered.
        RowSecurity::guard('memberships', "workspace_id = {$workspace} or user_id = {$user}");
        RowSecurity::guard(
            'workspaces',
            "id = {$workspace} or exists (select 1 from memberships m where m.workspace_id = workspaces.id and m.user_id = {$user})",
            "id = {$workspace}",
        );
        RowSecurity::guard('invitations');
        RowSecurity::guard('idempotency_keys');
        // Messages without a workspace (password resets) can be sent but not read by the application.
        RowSecurity::guard('outbox_messages', null, "workspace_id is null or workspace_id = {$workspace}");

        // An invitation is opened before its workspace is known: the token alone tells which one, and nothing else.
        DB::unprepared(
            <<<'SQL'
            create function invitation_workspace(hash text) returns uuid
                language sql stable security definer set search_path = public
                as $$ select workspace_id from invitations where token_hash = hash $$;
            revoke all on function invitation_workspace(text) from public;
            grant execute on function invitation_workspace(text) to vicissa_app;
            -- Daily work goes through every workspace; it learns their ids and nothing else.
            create function workspace_ids() returns setof uuid
                language sql stable security definer set search_path = public
                as $$ select id from workspaces order by id $$;
            revoke all on function workspace_ids() from public;
            grant execute on function workspace_ids() to vicissa_app;
            SQL
            ,
        );
    }
};
