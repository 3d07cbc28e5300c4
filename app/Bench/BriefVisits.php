<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\Cache;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Visit\Pace;

/** The minutes of visits to come, as their sheets will say them. What was laid out is kept as long as nothing it rests on has changed. */
final readonly class BriefVisits
{
    private const KEPT_S = 3 * 86400;

    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
        private GatherAtHand $gatherAtHand,
        private ReckonMinutes $reckonMinutes,
        private Tenancy $tenancy,
        private ClockInterface $clock,
    ) {}

    /**
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @return array<string, array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: string|null}> by vehicle and date
     */
    public function __invoke(array $visits): array
    {
        $atHand = ($this->gatherAtHand)();
        $workspace = $this->tenancy->workspace();
        $common = hash(
            'xxh128',
            serialize([
                $workspace->id,
                $atHand->shelf,
                $atHand->gear
                    ->map(static fn($gear): array => [$gear->kind, $gear->facts, $gear->events->first()?->id])
                    ->all(),
                $workspace->schools,
                $workspace->numbers,
                $workspace->dateOf($this->clock->now()),
            ]),
        );
        $keys = $brief = [];
        $wishes = ($this->expectVisit)($visits, $atHand);
        foreach ($wishes as $i => ['wish' => $wish]) {
            $keys[$i] =
                'brief ' .
                hash(
                    'xxh128',
                    serialize([
                        $common,
                        $wish->facts,
                        $wish->people,
                        array_diff_key($wish->vehicle->getAttributes(), [
                            'version' => 1,
                            'updated_at' => 1,
                            'note' => 1,
                        ]),
                        $atHand->pace->for($wish->vehicle->id, $wish->members),
                        $wish->vehicle->standing
                            ->map(
                                static fn(Layer $layer): array => [
                                    $layer->zone,
                                    $layer->kind,
                                    $layer->family,
                                    $layer->line,
                                    $layer->designed,
                                    $layer->failed_at,
                                    $layer->suspect_at,
                                    $layer->forecast?->p10_at,
                                    $layer->forecast?->p30_at,
                                    $layer->forecast?->p50_at,
                                ],
                            )
                            ->all(),
                    ]),
                );
        }
        $kept = $keys === [] ? [] : Cache::many(array_values(array_unique($keys)));
        $new = $hang = $of = [];
        foreach ($wishes as $i => ['wish' => $wish, 'sheet' => $sheet]) {
            $one = $kept[$keys[$i]] ?? null;
            if (!is_array($one)) {
                $one = $new[$keys[$i]] = $this->lay($wish, $atHand);
            }
            if ($sheet !== null && isset($sheet->plan['totals'])) {
                // A sheet says what it said when it was laid.
                $totals = $sheet->plan['totals'];
                $one = [
                    'minutes' => $totals['minutes'],
                    'nine_in_ten' => $totals['nine_in_ten'],
                    'problem' => $totals['minutes'] === null ? $sheet->plan['problems'][0] ?? null : null,
                ];
            }
            $of[$i] = $one;
            if ($one['minutes'] === null) {
                $hang[$i] = $wish;
            }
        }
        $standIns = $this->reckonMinutes->standIns($hang, $atHand);
        foreach ($wishes as $i => ['wish' => $wish]) {
            $brief["{$wish->vehicle->id} {$wish->on}"] = [
                'minutes' => $of[$i]['minutes'] ?? $standIns[$i],
                'nine_in_ten' => $of[$i]['nine_in_ten'],
                'pace' => $atHand->pace->for($wish->vehicle->id, $wish->members),
                'problem' => $of[$i]['problem'],
            ];
        }
        if ($new !== []) {
            Cache::putMany($new, self::KEPT_S);
        }

        return $brief;
    }

    /** @return array{minutes: int|null, nine_in_ten: int|null, problem: string|null} */
    private function lay(VisitWish $wish, AtHand $atHand): array
    {
        $visit = ($this->layVisit)($wish, $atHand)->visit;

        return [
            'minutes' => $visit->totals->minutes,
            'nine_in_ten' => $visit->totals->nineInTen,
            'problem' => $visit->totals->minutes === null ? $visit->problems[0] ?? null : null,
        ];
    }
}
