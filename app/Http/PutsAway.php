<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Psr\Clock\ClockInterface;

/** Rows are put away and taken out again; nothing recorded is lost. */
trait PutsAway
{
    private function putAway(Model $row): Response
    {
        Gate::authorize('archive', $row);
        $row->update([
            'archived_at' => $row->getAttribute('archived_at') ?? app(ClockInterface::class)->now(),
        ]);

        return response()->noContent();
    }

    private function takeOut(Model $row): Response
    {
        Gate::authorize('archive', $row);
        $row->update(['archived_at' => null]);

        return response()->noContent();
    }
}
