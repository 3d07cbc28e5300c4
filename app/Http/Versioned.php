<?php

declare(strict_types=1);

namespace App\Http;

use App\Problems\Problem;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;

/** Optimistic concurrency: a row is sent with its ETag and changed only by someone who has seen its present version. */
trait Versioned
{
    private function sent(JsonResource $resource, Model $row, int $status = 200): JsonResponse
    {
        return $resource->response()->setStatusCode($status)->header('ETag', $this->tag($row));
    }

    /**
     * Applies a change to the row under a lock, or refuses it with what is saved now.
     *
     * @template T of Model
     *
     * @param T $row
     * @param callable(T): JsonResource $as
     * @param callable(T): mixed $change  what it returns is not used
     * @return T
     */
    private function changed(Request $request, Model $row, callable $as, callable $change): Model
    {
        $match = $this->seen($request);

        return DB::transaction(function () use ($request, $row, $as, $change, $match): Model {
            $locked = $row->newQuery()->whereKey($row->getKey())->lockForUpdate()->firstOrFail();
            if ($match !== $this->tag($locked)) {
                /** @var array<string, mixed> $current */
                $current = json_decode((string) json_encode($as($locked)->resolve($request)), true);
                throw Problem::outdated($current);
            }
            $change($locked);
            $locked->setAttribute('version', (int) $locked->getAttribute('version') + 1);
            $locked->save();

            return $locked;
        });
    }

    /**
     * The version the caller has seen. A server that compresses answers marks tags as weak; they name the same version.
     */
    private function seen(Request $request): string
    {
        $match = $request->header('If-Match') ?? throw Problem::unversioned();

        return str_replace('W/', '', trim($match));
    }

    private function tag(Model $row): string
    {
        return sprintf('"%d"', $row->getAttribute('version'));
    }
}
