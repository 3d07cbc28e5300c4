<?php

declare(strict_types=1);

namespace App\Tenancy;

use Closure;
use Illuminate\Support\Facades\DB;

/** For migrations: shuts a table to every workspace but the one entered. */
final class RowSecurity
{
    // In a sub-select the setting is read once a query instead of once a row.
    public const WORKSPACE = "(select nullif(current_setting('vicissa.workspace', true), '')::uuid)";

    public const USER = "(select nullif(current_setting('vicissa.user', true), '')::uuid)";

    /** Before migration 000022 the owner was let through: those that came earlier filled rows that were there. */
    public static function guard(
        string $table,
        ?string $using = null,
        ?string $check = null,
        bool $forced = false,
    ): void {
        $using ??= 'workspace_id = ' . self::WORKSPACE;
        $check ??= 'workspace_id = ' . self::WORKSPACE;
        DB::unprepared(
            <<<SQL
            alter table {$table} enable row level security;
            create policy {$table}_of_workspace on {$table} using ({$using}) with check ({$check});
            SQL
            ,
        );
        if ($forced) {
            DB::unprepared("alter table {$table} force row level security");
        }
    }

    /**
     * What changes in the table changes the mark of its workspace (StateMark).
     *
     * @param string $of  a column whose changes alone count
     */
    public static function marked(string $table, string $of = ''): void
    {
        $of = $of === '' ? '' : "of {$of}";
        DB::unprepared(
            <<<SQL
            create trigger state_changed after insert or update {$of} on {$table} for each row
                when (new.workspace_id::text is distinct from current_setting('vicissa.changed', true))
                execute function state_changed();
            create trigger state_changed_by_less after delete on {$table} for each row
                when (old.workspace_id::text is distinct from current_setting('vicissa.changed', true))
                execute function state_changed();
            SQL
            ,
        );
    }

    /** Rows are written once and never changed: takes the application's right to update and delete. */
    public static function appendOnly(string $table, string ...$changeable): void
    {
        DB::unprepared("revoke update, delete, truncate on {$table} from vicissa_app");
        if ($changeable !== []) {
            DB::unprepared('grant update (' . implode(', ', $changeable) . ") on {$table} to vicissa_app");
        }
    }

    /**
     * For a migration that changes rows that are there: the owner of the tables is held by the walls like anybody.
     *
     * @param list<string> $tables
     * @param Closure(): void $work
     */
    public static function lifted(array $tables, Closure $work): void
    {
        foreach ($tables as $table) {
            DB::unprepared("alter table {$table} no force row level security");
        }
        $work();
        foreach ($tables as $table) {
            DB::unprepared("alter table {$table} force row level security");
        }
    }
}
