<?php

declare(strict_types=1);

namespace App\Http;

use App\Tables\Tables;
use Illuminate\Http\Response;

/** A table as a file to keep. */
final class TableFile
{
    /**
     * @param list<string> $head
     * @param iterable<list<string>> $rows
     */
    public static function of(string $name, array $head, iterable $rows): Response
    {
        return new Response(Tables::write($head, $rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . $name . '"',
        ]);
    }
}
