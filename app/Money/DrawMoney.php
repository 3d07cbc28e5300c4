<?php

declare(strict_types=1);

namespace App\Money;

use App\Bench\AtHand;
use App\Bench\BriefVisits;
use App\Bench\GatherAtHand;
use App\Bench\ReckonMinutes;
use App\Book\Crew;
use App\Book\Forecast;
use App\Book\PlannedVisit;
use App\Book\Programme;
use App\Book\Vehicle;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Money\ProtectedWeek;
use Vicissa\Core\Money\TurnCost;

/**
 * What the last year has cost: vehicle by vehicle, programme by programme, and each topper for a week it really
 * protected.
 */
final readonly class DrawMoney
{
    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private ReckonMinutes $reckonMinutes,
        private GatherAtHand $gatherAtHand,
        private BriefVisits $briefVisits,
    ) {}

    /** @return Told<'Money'> */
    public function __invoke(): array
    {
        $workspace = $this->tenancy->workspace();
        $since = CarbonImmutable::instance($this->clock->now())->subYear();
        $book = CostBook::since($workspace, $since);
        $vehicles = Vehicle::query()->with('client:id,name')->orderBy('name')->orderBy('id')->get()->keyBy('id');
        $programmes = Programme::query()->orderBy('name')->pluck('name', 'id');
        $atHand = ($this->gatherAtHand)();
        $by = $of = [];
        foreach ($book->turns as $turn) {
            $by[$turn['vehicle_id']][] = $turn;
            $of[$vehicles[$turn['vehicle_id']]->programme_id ?? ''][] = $turn;
        }

        return [
            'currency' => $workspace->rates()->currency,
            'since' => $workspace->dateOf($since),
            'vehicles' => array_values(
                $vehicles
                    ->filter(static fn(Vehicle $vehicle): bool => isset($by[$vehicle->id]))
                    ->map(
                        static fn(Vehicle $vehicle): array => [
                            'vehicle_id' => $vehicle->id,
                            'name' => $vehicle->name,
                            'client' => $vehicle->client->name ?? null,
                            'programme' =>
                                $vehicle->programme_id === null ? null : $programmes[$vehicle->programme_id] ?? null,
                            ...self::sum($by[$vehicle->id]),
                        ],
                    )
                    ->all(),
            ),
            'programmes' => array_map(
                static fn(string $id, array $some): array => [
                    'programme' => $id === '' ? null : (string) $programmes[$id],
                    ...self::sum($some),
                ],
                array_keys($of),
                array_values($of),
            ),
            'toppers' => $this->toppers($book, $atHand),
            'total' => self::sum(array_values($book->turns)),
            'ahead' => $this->ahead($atHand),
        ];
    }

    /** @return list<Told<'MoneyTopper'>> cheapest week first */
    private function toppers(CostBook $book, AtHand $atHand): array
    {
        $rates = $this->tenancy->workspace()->rates();
        $used = [];
        foreach ($book->turns as $turn) {
            foreach ($turn['toppers'] as $one) {
                if ($one['ml'] > 0.0) {
                    $used[$one['product_id']][] = $one;
                }
            }
        }
        $minutes = $this->minutes($book, $atHand);
        $found = Forecast::query()
            ->join('layers', 'layers.id', '=', 'forecasts.layer_id')
            ->whereIn('layers.product_id', array_keys($used))
            ->selectRaw(
                'layers.product_id as product_id, avg(product_life) as life, max(evidence_own + evidence_others) as evidence',
            )
            ->groupBy('layers.product_id')
            ->get()
            ->keyBy('product_id');
        $rows = [];
        foreach (Product::query()->whereIn('id', array_keys($used))->orderBy('name')->get() as $product) {
            $life = $found->get($product->id)?->getAttributes();
            if ($life === null || !is_numeric($life['life'])) {
                continue;
            }
            $doses = array_column($used[$product->id], 'minor');
            $label =
                $product->label_low_weeks === null || $product->label_high_weeks === null
                    ? null
                    : [$product->label_low_weeks, $product->label_high_weeks];
            $week = ProtectedWeek::of(
                array_sum($doses) / count($doses),
                $minutes,
                (float) $life['life'],
                $label,
                $rates,
            );
            $rows[] = [
                'product_id' => $product->id,
                'name' => $product->name,
                'times' => count($doses),
                'ml' => round(array_sum(array_column($used[$product->id], 'ml')) / count($doses), 1),
                'minutes' => round($minutes, 1),
                'each_minor' => (int) round($week->eachMinor),
                'found_weeks' => round((float) $life['life'], 1),
                'label_weeks' => $label === null ? null : round(sqrt($label[0] * $label[1]), 1),
                'evidence' => (int) $life['evidence'],
                'found_minor' => (int) round($week->foundMinor),
                'label_minor' => $week->labelMinor === null ? null : (int) round($week->labelMinor),
            ];
        }
        usort(
            $rows,
            static fn(array $a, array $b): int => [$a['found_minor'], $a['name']] <=> [$b['found_minor'], $b['name']],
        );

        return $rows;
    }

    /**
     * The seven days to come, by the plan and the price list.
     *
     * @return array{from: string, to: string, visits: int, hours: float, listed_minor: int, unlisted: int}
     */
    private function ahead(AtHand $atHand): array
    {
        $today = CarbonImmutable::parse($this->tenancy->workspace()->dateOf($this->clock->now()));
        [$from, $to] = [$today->addDay()->toDateString(), $today->addDays(7)->toDateString()];
        $visits = PlannedVisit::query()
            ->with(['vehicle' => ['site', 'standing.forecast']])
            ->whereBetween('on', [$from, $to])
            ->orderBy('on')
            ->orderBy('id')
            ->get()
            ->filter(static fn(PlannedVisit $visit): bool => $visit->vehicle !== null)
            ->values();
        $brief = ($this->briefVisits)(
            array_values(
                $visits
                    ->map(
                        static fn(PlannedVisit $visit): array => [
                            $visit->vehicle ?? throw new LogicException('A visit has a vehicle.'),
                            $visit->on->toDateString(),
                        ],
                    )
                    ->all(),
            ),
            $atHand,
        );
        $prices = PriceList::read();
        $people = Crew::query()->pluck('people', 'id');
        [$minor, $unlisted, $minutes] = [0, 0, 0];
        foreach ($visits as $visit) {
            $listed = $prices->sum($visit->vehicle?->programme_id, $visit->vehicle->body ?? '', $visit->kinds);
            $minor += $listed['minor'];
            $unlisted += $listed['unlisted'];
            $minutes +=
                ($brief["{$visit->vehicle_id} {$visit->on->toDateString()}"]['minutes'] ?? 0) *
                (int) ($people[$visit->crew_id] ?? 1);
        }

        return [
            'from' => $from,
            'to' => $to,
            'visits' => $visits->count(),
            'hours' => round($minutes / 60.0, 1),
            'listed_minor' => $minor,
            'unlisted' => $unlisted,
        ];
    }

    /** Minutes a topper adds to a visit, as the plan reckons it: the middle of the vehicles that had one. */
    private function minutes(CostBook $book, AtHand $atHand): float
    {
        $ids = array_unique(
            array_column(
                array_filter($book->turns, static fn(array $turn): bool => $turn['toppers'] !== []),
                'vehicle_id',
            ),
        );
        $vehicles = Vehicle::query()
            ->with(['site', 'standing.forecast'])
            ->whereIn('id', $ids)
            ->get();

        return (float) (new Collection(($this->reckonMinutes)($vehicles, [1], $atHand)))
            ->map(static fn(array $one): int => $one['by'][1]['topper'])
            ->median();
    }

    /**
     * @param list<array{minutes: int|null, cost: TurnCost, unpriced: array<string, string>, ...}> $some
     * @return Told<'MoneyRow'>
     */
    private static function sum(array $some): array
    {
        $cost = array_reduce(
            $some,
            static fn(TurnCost $sum, array $one): TurnCost => $sum->plus($one['cost']),
            new TurnCost(),
        );

        return [
            'turns' => count($some),
            'untimed' => count(array_filter($some, static fn(array $one): bool => $one['minutes'] === null)),
            'unpriced' => CostBook::unpriced($some),
            'hours' => round(array_sum(array_column($some, 'minutes')) / 60.0, 1),
            'cost' => $cost->rounded(),
            'each_minor' => $some === [] ? 0 : (int) round($cost->total / count($some)),
        ];
    }
}
