<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Book\Vehicle;
use App\Record\Sheet;
use App\Record\SheetEvent;
use App\Tenancy\Instant;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/**
 * Takes in what a device wrote down, in its order, each thing once; what contradicts another device is kept beside it
 * and marked.
 */
final readonly class NoteSheetEvents
{
    public function __construct(private ClockInterface $clock) {}

    /**
     * @param list<array{id: string, device: string, seq: int, kind: string, step?: string|null, facts?: array<string,
     *     mixed>, at: string}> $events
     */
    public function __invoke(Sheet $sheet, User $writer, array $events): Sheet
    {
        return DB::transaction(function () use ($sheet, $writer, $events): Sheet {
            // The vehicle before its sheets, as everywhere.
            Vehicle::query()
                ->whereKey($sheet->vehicle_id)
                ->lockForUpdate()
                ->first(['id']);
            $sheet = Sheet::query()->whereKey($sheet->id)->lockForUpdate()->firstOrFail();
            $other = $sheet->othersOpen()->with('holder')->first();
            // Laid aside for another while a phone without a signal had begun it: the work counts.
            $waits = $sheet->status === 'laid' || ($sheet->status === 'dropped' && !$sheet->events()->exists());
            usort(
                $events,
                static fn(array $a, array $b): int => [$a['device'], $a['seq']] <=> [$b['device'], $b['seq']],
            );
            foreach ($events as $event) {
                $this->note($sheet, $writer, $event, $other);
            }
            $first = $sheet->events()->first();
            // Where somebody has begun the visit on its other sheet, what was done on this one is kept beside.
            if ($waits && $first instanceof SheetEvent && $other?->status !== 'begun') {
                $other?->update(['status' => 'dropped', 'version' => $other->version + 1]);
                $sheet
                    ->fill([
                        'status' => 'begun',
                        'begun_at' => $first->at,
                        'holder_id' => $writer->id,
                        'version' => $sheet->version + 1,
                    ])
                    ->save();
            }

            return $sheet;
        });
    }

    /**
     * @param array{id: string, device: string, seq: int, kind: string, step?: string|null, facts?: array<string,
     *     mixed>, at: string} $event
     */
    private function note(Sheet $sheet, User $writer, array $event, ?Sheet $other): void
    {
        if (SheetEvent::query()->whereKey($event['id'])->exists()) {
            return;
        }
        SheetEvent::query()->create([
            'id' => $event['id'],
            'sheet_id' => $sheet->id,
            'device' => $event['device'],
            'seq' => $event['seq'],
            'kind' => $event['kind'],
            'step' => $event['step'] ?? null,
            'facts' => $event['facts'] ?? [],
            'at' => Instant::of($event['at']),
            'written_by' => $writer->id,
            'received_at' => $this->clock->now(),
            'conflict' => $this->conflict($sheet, $event, $other),
        ]);
        if ($event['kind'] === 'hand-over' && is_string($event['facts']['to'] ?? null)) {
            $to = User::query()
                ->whereKey($event['facts']['to'])
                ->whereIn(
                    'id',
                    DB::table('memberships')->where('workspace_id', $sheet->workspace_id)->select('user_id'),
                )
                ->value('id');
            $sheet->fill(['holder_id' => $to ?? $sheet->holder_id, 'version' => $sheet->version + 1])->save();
        }
    }

    /** @param array{device: string, kind: string, step?: string|null, at: string, ...} $event */
    private function conflict(Sheet $sheet, array $event, ?Sheet $visit): ?Said
    {
        if ($sheet->status === 'finished') {
            return Said::of('sheet.after-closing');
        }
        if ($sheet->status === 'dropped' && $visit?->status === 'begun') {
            return Said::of('sheet.goes-on-elsewhere', name: $visit->holder->name ?? Said::of('sheet.someone'));
        }
        if (!in_array($event['kind'], ['end', 'skip'], true)) {
            return null;
        }
        $other = $sheet
            ->events()
            ->with('writer')
            ->where('step', $event['step'] ?? null)
            ->whereIn('kind', ['end', 'skip'])
            ->where('device', '!=', $event['device'])
            ->first();

        return $other instanceof SheetEvent
            ? Said::of(
                'sheet.step-twice',
                name: $other->writer === null ? Said::of('sheet.someone') : $other->writer->name,
                kind: $other->kind,
                time: $other->at->setTimezone($sheet->workspace->time_zone ?? 'UTC')->format('H:i'),
            )
            : null;
    }
}
