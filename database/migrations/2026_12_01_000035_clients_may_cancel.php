<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A client may say that a visit shall not be. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            "alter table proposals drop constraint proposals_status; alter table proposals add constraint proposals_status check (status in ('waiting', 'sent', 'accepted', 'asked', 'cancelled'));",
        );
    }

    public function down(): void
    {
        DB::unprepared(
            "update proposals set status = 'asked' where status = 'cancelled'; alter table proposals drop constraint proposals_status; alter table proposals add constraint proposals_status check (status in ('waiting', 'sent', 'accepted', 'asked'));",
        );
    }
};
