<?php

declare(strict_types=1);

namespace App\Http;

use App\Tenancy\Like;
use Illuminate\Contracts\Pagination\CursorPaginator;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** Lists by cursor: {data, next_cursor}. */
trait Paged
{
    private function size(Request $request): int
    {
        return min(200, max(1, $request->integer('limit', 50)));
    }

    /**
     * @param CursorPaginator<int, covariant \Illuminate\Database\Eloquent\Model> $page
     * @param class-string<JsonResource> $as
     */
    private function page(CursorPaginator $page, string $as): JsonResponse
    {
        return new JsonResponse([
            'data' => $as::collection($page->items()),
            'next_cursor' => SignedCursor::told($page->nextCursor()),
        ]);
    }

    private function search(Request $request): string
    {
        $asked = $request->validate(['search' => ['sometimes', 'nullable', 'string', 'max:200']]);

        return trim((string) ($asked['search'] ?? ''));
    }

    /** A search text as a LIKE pattern that means only itself. */
    private function like(string $text): string
    {
        return Like::holding($text);
    }
}
