<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Pace;

/**
 * The minutes of visits to come, as their sheets will say them. What was laid out is kept as long as nothing it rests
 * on has changed.
 */
final readonly class BriefVisits
{
    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
        private GatherAtHand $gatherAtHand,
        private ReckonMinutes $reckonMinutes,
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private KeepLaid $keepLaid,
    ) {}

    /**
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @param AtHand|null $atHand  where somebody has taken stock already
     * @return array<string, array{minutes: int, nine_in_ten: int|null, pace: Pace, problem: Said|null}> by vehicle
     *     and date
     */
    public function __invoke(array $visits, ?AtHand $atHand = null): array
    {
        $atHand ??= ($this->gatherAtHand)();
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());
        $events = $atHand->gear->map(static fn($gear): ?string => $gear->events->first()?->id)->all();
        $wishes = ($this->expectVisit)($visits, $atHand);
        $asked = array_map(
            static fn(array $one): array => [
                $one['wish']->vehicle,
                [
                    $today,
                    $events,
                    $one['wish']->facts,
                    $one['wish']->people,
                    $atHand->pace->for($one['wish']->vehicle->id, $one['wish']->members),
                    self::dates($one['wish']->vehicle),
                ],
            ],
            $wishes,
        );
        $of = $this->keepLaid->each(
            'brief',
            $asked,
            $atHand,
            fn(int $i): array => $this->lay($wishes[$i]['wish'], $atHand),
        );
        $hang = $brief = [];
        foreach ($wishes as $i => ['wish' => $wish, 'sheet' => $sheet]) {
            if ($sheet !== null && isset($sheet->plan['totals'])) {
                // A sheet says what it said when it was laid.
                $totals = $sheet->plan['totals'];
                $of[$i] = [
                    'minutes' => $totals['minutes'],
                    'nine_in_ten' => $totals['nine_in_ten'],
                    'problem' => $totals['minutes'] === null ? Said::kept($sheet->plan['problems'][0] ?? null) : null,
                ];
            }
            if ($of[$i]['minutes'] === null) {
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

        return $brief;
    }

    /** @return list<list<mixed>> when what lies on it may fall due */
    private static function dates(Vehicle $vehicle): array
    {
        return array_map(
            static fn(Layer $layer): array => [
                $layer->forecast?->p10_at,
                $layer->forecast?->p30_at,
                $layer->forecast?->p50_at,
            ],
            array_values($vehicle->standing->all()),
        );
    }

    /** @return array{minutes: int|null, nine_in_ten: int|null, problem: Said|null} */
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
