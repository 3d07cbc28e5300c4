<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Keys of what belongs to a workspace begin with it: whoever looks for a row within one never goes over another's, and an
 * engine that spreads tables by that column can carry them unchanged. What is opened by a secret or a signature, before anybody
 * knows in which workspace, keeps its own keys.
 */
return new class extends Migration {
    private const DOORS = [
        'invitations',
        'personal_access_tokens',
        'feeds',
        'record_links',
        'proposals',
        'outbox_messages',
        'security_events',
    ];

    public function up(): void
    {
        $doors = "'" . implode("', '", self::DOORS) . "'";
        DB::unprepared(
            <<<SQL
            do \$\$
            declare
                one record;
                again text[] := '{}';
                line text;
            begin
                -- What refers to them is said anew when they are there.
                for one in
                    select c.conname, c.conrelid::regclass as at, pg_get_constraintdef(c.oid) as says
                    from pg_constraint c
                    where c.contype = 'f' and c.connamespace = 'public'::regnamespace
                        and exists (select from pg_attribute a where a.attrelid = c.confrelid and a.attname = 'workspace_id' and not a.attisdropped)
                loop
                    again := again || format('alter table %s add constraint %I %s', one.at, one.conname, one.says);
                    execute format('alter table %s drop constraint %I', one.at, one.conname);
                end loop;
                for one in
                    select c.conname, c.contype, c.conrelid::regclass as at, pg_get_constraintdef(c.oid) as says,
                        (select array_agg(quote_ident(a.attname) order by k.n) from unnest(c.conkey) with ordinality k(id, n)
                            join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.id) as columns
                    from pg_constraint c join pg_class t on t.oid = c.conrelid
                    where c.contype in ('p', 'u') and c.connamespace = 'public'::regnamespace and t.relname not in ({$doors})
                        and exists (select from pg_attribute a where a.attrelid = t.oid and a.attname = 'workspace_id' and not a.attisdropped)
                    order by c.contype desc, c.conname
                loop
                    if one.contype = 'u' and one.columns = array['workspace_id', 'id'] then
                        execute format('alter table %s drop constraint %I', one.at, one.conname);
                    elsif one.columns[1] <> 'workspace_id' then
                        execute format('alter table %s drop constraint %I', one.at, one.conname);
                        execute format('alter table %s add constraint %I %s', one.at, one.conname,
                            regexp_replace(one.says, '\\(', '(workspace_id, '));
                    end if;
                end loop;
                foreach line in array again loop
                    execute line;
                end loop;
            end \$\$;
            SQL
            ,
        );
    }
};
