<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Whether somebody works in another workspace too, and nothing of which. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create function works_elsewhere(person uuid, here uuid) returns boolean
                language sql stable security definer set search_path = pg_catalog, public, pg_temp
                as $$ select exists (select from public.memberships where user_id = person and workspace_id <> here) $$;
            alter function works_elsewhere(uuid, uuid) owner to vicissa_door;
            revoke all on function works_elsewhere(uuid, uuid) from public;
            grant execute on function works_elsewhere(uuid, uuid) to vicissa_app;
            SQL
            ,
        );
    }
};
