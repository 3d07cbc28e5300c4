<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Shelf\Product;
use Illuminate\Support\Facades\DB;

/**
 * Gives a line or a maker another name, on every product at once; layers that name the line follow, or the match would
 * lose them.
 */
final class RenameOnShelf
{
    /**
     * @param "line"|"maker" $what
     * @return int products changed
     */
    public function __invoke(string $what, string $from, ?string $to): int
    {
        return DB::transaction(static function () use ($what, $from, $to): int {
            if ($what === 'line') {
                Layer::query()
                    ->where('line', $from)
                    ->update(['line' => $to]);
            }

            return Product::query()
                ->where($what, $from)
                ->update([$what => $to, 'version' => DB::raw('version + 1')]);
        });
    }
}
