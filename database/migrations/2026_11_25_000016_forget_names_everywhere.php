<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        // A client who asks to be forgotten: the record stays, their words and names in it go, wherever they were
        // copied to. What is written
        // once can't be changed by the application itself.
        DB::unprepared(
            <<<'SQL'
            create or replace function forget_client(client uuid) returns void
                language plpgsql security definer set search_path = public
                as $$
                declare
                    here uuid := nullif(current_setting('vicissa.workspace', true), '')::uuid;
                    cars uuid[];
                    ids uuid[];
                    named record;
                begin
                    if not exists (select 1 from clients where id = client and workspace_id = here) then
                        raise exception 'no such client here';
                    end if;
                    select coalesce(array_agg(id), '{}') into cars from vehicles where workspace_id = here and client_id = client;
                    ids := cars || client || (select coalesce(array_agg(id), '{}') from sites where workspace_id = here and client_id = client);

                    update turn_entries set note = null where workspace_id = here and note is not null and turn_id in (select id from turns where vehicle_id = any(cars));
                    update sheet_events set facts = case when kind = 'note' then '{}' else facts - 'note' end where workspace_id = here and kind in ('note', 'finish') and sheet_id in (select id from sheets where vehicle_id = any(cars));
                    update quotes set title = 'A quote', client_id = null, facts = '{}', answer = answer - 'vehicles' || '{"vehicles": []}'
                        where workspace_id = here and (client_id = client or exists (select 1 from unnest(cars) as car where position(car::text in facts::text) > 0));
                    -- Letters to an address of theirs, today's or an earlier one.
                    delete from outbox_messages where workspace_id = here and recipient in (
                        select email from clients where id = client union select c.before ->> 'email' from changes c where c.row_id = client union select c.after ->> 'email' from changes c where c.row_id = client);
                    -- Why a plan was made names who was moved, as they were called then.
                    for named in select distinct name from (
                        select name from vehicles where id = any(cars) union select c.before ->> 'name' from changes c where c.row_id = any(cars) union select c.after ->> 'name' from changes c where c.row_id = any(cars)) as names where name is not null
                    loop
                        update plans set why = replace(why, named.name, 'a forgotten vehicle') where workspace_id = here and position(named.name in why) > 0;
                    end loop;
                    -- Of themselves, and of whatever belongs to a vehicle or place of theirs.
                    update changes set name = 'forgotten', before = '{}', after = '{}' where workspace_id = here
                        and (row_id = any(ids) or exists (select 1 from unnest(ids) as one where position(one::text in before::text) > 0 or position(one::text in after::text) > 0));
                    -- Answers kept for repeated requests.
                    delete from idempotency_keys where workspace_id = here and exists (select 1 from unnest(ids) as one where position(one::text in response::text) > 0);
                end $$;
            SQL
            ,
        );
    }
};
