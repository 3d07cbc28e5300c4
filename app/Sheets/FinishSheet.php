<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Book\Vehicle;
use App\Record\Photo;
use App\Record\Sheet;
use App\Record\SheetEvent;
use App\Record\StepTime;
use App\Record\Turn;
use App\Shelf\Gear;
use App\Shelf\GearEvent;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Totals;

/**
 * Closes a visit: the turn with its quantities, stock, towels to the dirty pool, water out of the tank, the time each
 * step took. A second closing, from a device that knew nothing of the first, is kept beside it.
 */
final readonly class FinishSheet
{
    public function __construct(
        private FinishTurn $finishTurn,
        private ClockInterface $clock,
        private Tenancy $tenancy,
    ) {}

    /**
     * @param array<string, mixed> $facts  as validated by TurnRequest
     * @return array{turn: Turn, twice: bool}  twice when someone else had closed it already
     */
    public function __invoke(Sheet $sheet, User $writer, array $facts): array
    {
        return DB::transaction(function () use ($sheet, $writer, $facts): array {
            // The vehicle before its sheets, as everywhere.
            $vehicle = Vehicle::query()->whereKey($sheet->vehicle_id)->lockForUpdate()->firstOrFail();
            $sheet = Sheet::query()->with('vehicle')->whereKey($sheet->id)->lockForUpdate()->firstOrFail();
            $closed = $this->closed($sheet);
            if ($closed instanceof Turn) {
                $this->keepBeside($sheet, $writer, $facts);

                return ['turn' => $closed, 'twice' => true];
            }
            $turn = ($this->finishTurn)($vehicle, $writer, [
                ...$facts,
                'crew' => $facts['crew'] ?? $sheet->crew,
                'scope' => $facts['scope'] ?? ($sheet->facts['scope'] ?? 'usual'),
                // As the sheet keeps it, not in the words in which a phone showed it.
                'refused' => $sheet->plan['refused'] ?? ($facts['refused'] ?? []),
                'kinds' => $facts['kinds'] ?? ($sheet->facts['kinds'] ?? null),
            ]);
            $at = CarbonImmutable::instance($this->clock->now());
            // Whoever has the visit in hand on its other sheet closes it beside this.
            $sheet->othersOpen()->update([
                'status' => 'finished',
                'turn_id' => $turn->id,
                'finished_at' => $at,
                'version' => DB::raw('version + 1'),
            ]);
            Photo::query()
                ->where('sheet_id', $sheet->id)
                ->whereNull('turn_id')
                ->update(['turn_id' => $turn->id]);
            $this->times($turn, $facts['steps'] ?? []);
            $this->towels($facts['textiles'] ?? [], $writer, $at);
            $this->tank(
                $sheet,
                min((float) ($facts['water_l'] ?? 0.0), $this->rinsed($sheet, $facts['steps'] ?? [])),
                $writer,
                $at,
            );
            $sheet
                ->fill([
                    'status' => 'finished',
                    'turn_id' => $turn->id,
                    'finished_at' => $at,
                    'begun_at' => $sheet->begun_at ?? $turn->worked_at,
                    'version' => $sheet->version + 1,
                ])
                ->save();

            return ['turn' => $turn, 'twice' => false];
        });
    }

    /** What the visit has come to already: by this sheet, or by the one this made way for. */
    private function closed(Sheet $sheet): ?Turn
    {
        $turn =
            $sheet->turn_id ??
            ($sheet->status === 'dropped'
                ? Sheet::query()
                    ->where('vehicle_id', $sheet->vehicle_id)
                    ->where('on', $sheet->on->toDateString())
                    ->whereNotNull('turn_id')
                    // What was closed before this was laid was another visit.
                    ->where('finished_at', '>=', $sheet->created_at)
                    ->orderByDesc('finished_at')
                    ->value('turn_id')
                : null);

        return $turn === null ? null : Turn::query()->whereKey($turn)->first();
    }

    /** @param array<string, mixed> $facts */
    private function keepBeside(Sheet $sheet, User $writer, array $facts): void
    {
        SheetEvent::query()->create([
            'id' => Str::uuid7()->toString(),
            'sheet_id' => $sheet->id,
            'device' => Str::uuid7()->toString(),
            'seq' => 0,
            'kind' => 'finish',
            'facts' => $facts,
            'at' => $this->clock->now(),
            'written_by' => $writer->id,
            'received_at' => $this->clock->now(),
            'conflict' => Said::of('sheet.closed-already'),
        ]);
    }

    /** @param list<array{kind: string, took_s: int|null, estimate_min: float|null, skipped: bool, ...}> $steps */
    private function times(Turn $turn, array $steps): void
    {
        $times = [];
        foreach ($steps as $step) {
            if (!$step['skipped'] && $step['took_s'] !== null && ($step['estimate_min'] ?? 0.0) > 0.0) {
                $times[] = [
                    'turn_id' => $turn->id,
                    'kind' => $step['kind'],
                    'estimated_min' => $step['estimate_min'],
                    'took_min' => $step['took_s'] / 60.0,
                    'at' => $turn->worked_at,
                ];
            }
        }
        StepTime::insertAll($times);
    }

    /** @param array<string, int> $textiles */
    private function towels(array $textiles, User $writer, CarbonImmutable $at): void
    {
        $pools = Gear::query()->where('kind', 'towel')->whereNull('archived_at')->orderBy('name')->get();
        // Mitts are rinsed and hung up.
        foreach (
            array_diff_key(Totals::pools($textiles, $this->tenancy->workspace()->house()->match->sidesPerTowel), [
                'upper-mitt' => 1,
                'lower-mitt' => 1,
            ])
            as $use => $count
        ) {
            $pool = $pools->first(static fn(Gear $gear): bool => ($gear->facts['use'] ?? null) === $use);
            if ($pool instanceof Gear && $count > 0) {
                GearEvent::query()->create([
                    'gear_id' => $pool->id,
                    'kind' => 'used',
                    'facts' => ['count' => $count],
                    'at' => $at,
                    'written_by' => $writer->id,
                ]);
            }
        }
    }

    /**
     * Litres of the final rinses that were done: only these come from the tank.
     *
     * @param list<array{id: string, skipped: bool, ...}> $steps
     */
    private function rinsed(Sheet $sheet, array $steps): float
    {
        $left = array_column(array_filter($steps, static fn(array $step): bool => $step['skipped']), 'id');
        /** @var list<array{id: string, kind: string, water_l: float}> $laid */
        $laid = is_array($sheet->plan['steps'] ?? null) ? $sheet->plan['steps'] : [];

        return array_sum(
            array_map(
                static fn(array $step): float => Totals::isLast($step['kind']) && !in_array($step['id'], $left, true)
                    ? (float) $step['water_l']
                    : 0.0,
                $laid,
            ),
        );
    }

    /** Treated water came out of the tank: its level is what was last read, less what went on the vehicle. */
    private function tank(Sheet $sheet, float $litres, User $writer, CarbonImmutable $at): void
    {
        $tank = Gear::query()->asItStands()->where('kind', 'tank')->whereNull('archived_at')->orderBy('name')->first();
        $level = $tank?->events->firstWhere('kind', 'level');
        if (
            $tank === null ||
            $litres <= 0.0 ||
            ($sheet->plan['water'] ?? null) !== 'treated' ||
            !($level instanceof GearEvent)
        ) {
            return;
        }
        GearEvent::query()->create([
            'gear_id' => $tank->id,
            'kind' => 'level',
            'facts' => ['l' => max(0.0, round((float) ($level->facts['l'] ?? 0) - $litres, 1))],
            'at' => $at,
            'written_by' => $writer->id,
        ]);
    }
}
