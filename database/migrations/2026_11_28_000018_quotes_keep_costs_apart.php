<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        // What a quote takes for granted about our costs stood among what the client reads, and was told apart by its
        // words.
        DB::unprepared(
            <<<'SQL'
            update quotes set answer = answer || jsonb_build_object(
                'assumes', coalesce((select jsonb_agg(one order by n) from jsonb_array_elements_text(answer -> 'assumes') with ordinality as said(one, n) where one not like '%cost%'), '[]'),
                'inside', coalesce((select jsonb_agg(one order by n) from jsonb_array_elements_text(answer -> 'assumes') with ordinality as said(one, n) where one like '%cost%'), '[]'))
            where jsonb_typeof(answer -> 'assumes') = 'array' and not answer ? 'inside'
            SQL
            ,
        );
    }
};
