<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A vehicle has one open sheet a day; where there are more, the one that was begun last stays, or else the newest. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement(
            <<<'SQL'
            update sheets set status = 'dropped', version = version + 1 where id in (
                select id from (
                    select id, row_number() over (
                        partition by workspace_id, vehicle_id, "on"
                        order by status = 'begun' desc, begun_at desc nulls last, created_at desc, id desc
                    ) as place from sheets where status in ('laid', 'begun')
                ) as open where place > 1
            )
            SQL
            ,
        );
        DB::statement(
            "create unique index sheets_one_open on sheets (workspace_id, vehicle_id, \"on\") where status in ('laid', 'begun')",
        );
    }
};
