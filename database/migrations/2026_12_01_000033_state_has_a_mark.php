<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use App\Tenancy\StateMark;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Each workspace has a mark that is another after every transaction that changed something in it: what was computed
 * at a mark holds as long as the mark does. The mark is the sum of a few rows; whoever writes takes one that no
 * other transaction has in hand, so that nobody waits for it.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('state_marks', function (Blueprint $table): void {
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->smallInteger('slot');
            $table->bigInteger('mark');
            $table->primary(['workspace_id', 'slot']);
        });
        RowSecurity::guard('state_marks', forced: true);
        DB::unprepared(
            <<<'SQL'
            revoke insert, update, delete, truncate on state_marks from vicissa_app;
            grant select, insert, update on state_marks to vicissa_door;

            create function state_changes(whose uuid) returns void
                language plpgsql security definer set search_path = pg_catalog, public, pg_temp
                as $$
                declare free smallint := 0;
                begin
                    while free < 31 and not pg_try_advisory_xact_lock(hashtext('state ' || whose), free) loop
                        free := free + 1;
                    end loop;
                    insert into public.state_marks as s (workspace_id, slot, mark)
                        select id, free, 1 from public.workspaces where id = whose
                        on conflict (workspace_id, slot) do update set mark = s.mark + 1;
                    perform set_config('vicissa.changed', whose::text, true);
                end $$;
            alter function state_changes(uuid) owner to vicissa_door;
            revoke all on function state_changes(uuid) from public;
            grant execute on function state_changes(uuid) to vicissa_app, vicissa_owner;

            -- Once a transaction and workspace: the trigger's own condition holds back all others.
            create function state_changed() returns trigger language plpgsql as $$
                declare whose uuid := case when tg_op = 'DELETE' then old.workspace_id else new.workspace_id end;
                begin
                    if whose::text is distinct from current_setting('vicissa.changed', true) then
                        perform public.state_changes(whose);
                    end if;
                    return null;
                end $$;
            create function workspace_changed() returns trigger language plpgsql as $$
                begin perform public.state_changes(new.id); return null; end $$;
            create function person_changed() returns trigger
                language plpgsql security definer set search_path = pg_catalog, public, pg_temp
                as $$ begin
                    perform public.state_changes(workspace_id) from public.memberships where user_id = new.id;
                    return null;
                end $$;
            alter function person_changed() owner to vicissa_door;

            create trigger state_changed after update on workspaces for each row execute function workspace_changed();
            create trigger state_changed after update of name, language on users for each row execute function person_changed();
            SQL
            ,
        );
        foreach (StateMark::TABLES as $table) {
            // How far a search is, is asked for by itself.
            RowSecurity::marked($table, $table === 'plan_runs' ? 'status' : '');
        }
    }
};
