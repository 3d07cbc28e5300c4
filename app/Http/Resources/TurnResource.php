<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Models\Turn;
use App\Models\TurnEntry;
use Illuminate\Http\Request;

/** @mixin Turn */
#[Shape(
    'Turn',
    new Field('id', 'uuid'),
    new Field('vehicle_id', 'uuid'),
    new Field('vehicle', 'string?'),
    new Field('worked_at', 'date-time'),
    new Field('revisions', 'integer'),
    new Field('entries', 'TurnEntry[]', 'Newest first; the first one counts'),
)]
final class TurnResource extends RowResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $entries = $this->entries->sortByDesc(static fn(TurnEntry $entry): int => $entry->revision)->values();

        return [
            'id' => $this->id,
            'vehicle_id' => $this->vehicle_id,
            'vehicle' => $this->vehicle?->name,
            'worked_at' => $this->iso($this->worked_at),
            'revisions' => $entries->count(),
            'entries' => TurnEntryResource::collection($entries),
        ];
    }
}
