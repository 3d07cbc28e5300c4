<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Record\SheetEvent;
use App\Record\Turn;
use App\Record\TurnEntry;
use Illuminate\Http\Request;

/** @extends RowResource<Turn> */
#[
    Shape(
        'TurnConflict',
        new Field('kind', 'string'),
        new Field('step', 'string?'),
        new Field('says', 'said'),
        new Field('by', 'string'),
        new Field('at', 'date-time'),
        new Field('facts', 'object'),
    ),
]
#[
    Shape(
        'Turn',
        new Field('id', 'uuid'),
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string?'),
        new Field('worked_at', 'date-time'),
        new Field('revisions', 'integer'),
        new Field('photos', 'Photo[]'),
        new Field('sheet_id', 'uuid?', 'The sheet it was worked from'),
        new Field('conflicts', 'TurnConflict[]', 'What a device said that knew nothing of the others; kept beside'),
        new Field('entries', 'TurnEntry[]', 'Newest first; the first one counts'),
    ),
]
final class TurnResource extends RowResource
{
    /** @return Told<'Turn'> */
    public function toArray(Request $request): array
    {
        $entries = $this->entries->sortByDesc(static fn(TurnEntry $entry): int => $entry->revision)->values();

        return [
            'id' => $this->id,
            'vehicle_id' => $this->vehicle_id,
            'vehicle' => $this->vehicle?->name,
            'worked_at' => $this->iso($this->worked_at),
            'revisions' => $entries->count(),
            'photos' => array_values($this->photos->map(PhotoResource::facts(...))->all()),
            'sheet_id' => $this->sheet?->id,
            'conflicts' => array_values(
                $this->sheet?->events
                    ->whereNotNull('conflict')
                    ->map(
                        fn(SheetEvent $event): array => [
                            'kind' => $event->kind,
                            'step' => $event->step,
                            'says' => $event->conflict ?? '',
                            'by' => $event->writer->name ?? '',
                            'at' => $this->iso($event->at),
                            'facts' => (object) $event->facts,
                        ],
                    )
                    ->values()
                    ->all() ?? [],
            ),
            'entries' => array_values(
                $entries
                    ->map(static fn(TurnEntry $entry): array => (new TurnEntryResource($entry))->toArray($request))
                    ->all(),
            ),
        ];
    }
}
