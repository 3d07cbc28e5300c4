<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Walls hold for the tables' owner too, a row can't point into another workspace, and what opens a door by a secret
 * runs as a role of its own that does nothing else. Later migrations that change rows lift them by
 * RowSecurity::lifted().
 */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            do $$
            declare one record;
            begin
                for one in select c.oid, c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
                    where n.nspname = 'public' and c.relkind = 'r' and c.relrowsecurity
                loop
                    execute format('alter table %I force row level security', one.relname);
                end loop;

                -- What is pointed at is known by its workspace and itself.
                for one in
                    select distinct parent.relname from pg_constraint c
                    join pg_class parent on parent.oid = c.confrelid join pg_class child on child.oid = c.conrelid
                    join pg_attribute a on a.attrelid = parent.oid and a.attname = 'workspace_id'
                    join pg_attribute b on b.attrelid = child.oid and b.attname = 'workspace_id'
                    where c.contype = 'f' and c.connamespace = 'public'::regnamespace
                loop
                    execute format('alter table %I add constraint %I unique (workspace_id, id)', one.relname, one.relname || '_here');
                end loop;
                for one in
                    select c.conname, child.relname as child, parent.relname as parent, col.attname as col,
                        case c.confdeltype when 'c' then 'on delete cascade' when 'n' then format('on delete set null (%I)', col.attname) else '' end as then_what,
                        case when c.condeferrable then 'deferrable initially deferred' else '' end as later
                    from pg_constraint c
                    join pg_class parent on parent.oid = c.confrelid join pg_class child on child.oid = c.conrelid
                    join pg_attribute a on a.attrelid = parent.oid and a.attname = 'workspace_id'
                    join pg_attribute b on b.attrelid = child.oid and b.attname = 'workspace_id'
                    join pg_attribute col on col.attrelid = child.oid and col.attnum = c.conkey[1]
                    where c.contype = 'f' and c.connamespace = 'public'::regnamespace and array_length(c.conkey, 1) = 1
                loop
                    execute format('alter table %I drop constraint %I', one.child, one.conname);
                    execute format('alter table %I add constraint %I foreign key (workspace_id, %I) references %I (workspace_id, id) %s %s',
                        one.child, one.conname, one.col, one.parent, one.then_what, one.later);
                end loop;

                -- A name of somebody's own making is never found before ours.
                for one in
                    select p.oid::regprocedure::text as name from pg_proc p
                    where p.pronamespace = 'public'::regnamespace and p.prosecdef
                loop
                    execute format('alter function %s set search_path = pg_catalog, public, pg_temp', one.name);
                    execute format('alter function %s owner to vicissa_door', one.name);
                end loop;
            end $$;
            grant select on all tables in schema public to vicissa_door;
            -- For whoever asks to be forgotten.
            grant update on turn_entries, sheet_events, quotes, plans, changes, forecasts to vicissa_door;
            grant delete on outbox_messages, idempotency_keys to vicissa_door;
            SQL
            ,
        );
        DB::unprepared(
            <<<'SQL'
            -- What was answered with a secret in it is kept sealed from here on (AnswerOnce); what stands open goes.
            alter table idempotency_keys no force row level security;
            delete from idempotency_keys where response::text ~ 'vcs_|secret|/r/|[.]ics';
            alter table idempotency_keys force row level security;
            -- Who leaves takes along what they opened.
            alter table feeds add column made_by uuid references users (id) on delete set null;
            SQL
            ,
        );
    }
};
