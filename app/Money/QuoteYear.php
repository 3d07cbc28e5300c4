<?php

declare(strict_types=1);

namespace App\Money;

use App\Bench\AtHand;
use App\Bench\GatherAtHand;
use App\Bench\LayOrdinary;
use App\Bench\OrdinaryWish;
use App\Bench\ReckonMinutes;
use App\Book\Programme;
use App\Book\Vehicle;
use App\Record\TurnProduct;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Weeks\GatherWeeks;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection as EloquentCollection;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TimeSpent;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Money\WaterUsed;
use Vicissa\Core\Money\YearQuote;
use Vicissa\Core\Money\YearRhythm;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Says\Said;

/**
 * A year's programme for some vehicles: visits, toppers, hours, materials, what is asked and what stays, with
 * everything it takes for granted.
 */
final readonly class QuoteYear
{
    /** Weeks a topper is taken to last where none has been on yet. */
    private const TOPPER_WEEKS = 8.0;

    public function __construct(
        private Tenancy $tenancy,
        private GatherWeeks $gatherWeeks,
        private GatherAtHand $gatherAtHand,
        private ReckonMinutes $reckonMinutes,
        private LayOrdinary $layOrdinary,
        private ClockInterface $clock,
    ) {}

    /**
     * @param array{title: string, client_id?: string|null, vehicles: list<array{vehicle_id: string,
     *     programme_id?: string|null, topper?: bool}>} $facts
     */
    public function __invoke(User $by, array $facts): Quote
    {
        $workspace = $this->tenancy->workspace();
        $rates = $workspace->rates();
        $ids = array_column($facts['vehicles'], 'vehicle_id');
        $vehicles = Vehicle::query()->whereIn('id', $ids)->get()->keyBy('id');
        $programmes = Programme::query()->get()->keyBy('id');
        $prices = PriceList::read();
        $atHand = ($this->gatherAtHand)();
        $planned = [];
        foreach (($this->gatherWeeks)()->instance->vehicles as $one) {
            $planned[$one->id] = $one;
        }
        $now = CarbonImmutable::instance($this->clock->now());
        $book = CostBook::since($workspace, $now->subYear(), array_values(array_unique($ids)));
        $iron = TurnProduct::query()
            ->join('products', 'products.id', '=', 'turn_products.product_id')
            ->where('turn_products.role', 'iron')
            ->where('zone', 'paint')
            ->where('pack_ml', '>', 0)
            ->selectRaw('avg(quantity_ml * price_minor / pack_ml) as minor')
            ->value('minor');
        $lines = $says = [];
        $sum = ['price_minor' => 0, 'cost' => new TurnCost(), 'hours' => 0.0, 'visits' => 0, 'toppers' => 0];
        foreach ($facts['vehicles'] as $asked) {
            $vehicle = $vehicles[$asked['vehicle_id']] ?? null;
            $plan = $planned[$asked['vehicle_id']] ?? null;
            if ($vehicle === null || $plan === null) {
                continue;
            }
            $programme = isset($asked['programme_id']) ? $programmes->get($asked['programme_id']) : null;
            $rhythm = $programme ?? $vehicle;
            $weeks =
                $asked['topper'] ?? true
                    ? $rhythm->topper_weeks ??
                        (self::weeks($plan->topper) ?? ($plan->topper === null ? null : self::TOPPER_WEEKS))
                    : null;
            $as = $vehicle
                ->replicate(['version'])
                ->forceFill(['id' => $vehicle->id, 'scope' => $rhythm->scope, 'full_every' => $rhythm->full_every])
                ->setRelations($vehicle->getRelations());
            $costs = $this->costs($as, $plan, $book, is_numeric($iron) ? (float) $iron : null, $atHand);
            $year = YearQuote::of(
                new YearRhythm(
                    $rhythm->cadence_target,
                    $rhythm->salt_target,
                    count($vehicle->salt_months),
                    $weeks,
                    $rhythm->decon_days,
                    $plan->inspection !== null,
                    $plan->base?->repeat,
                ),
                $costs['each'],
                $costs['minutes'],
                $prices->of($programme?->id, $vehicle->body),
                $rates,
            );
            $lines[] = [
                'vehicle_id' => $vehicle->id,
                'vehicle' => $vehicle->name,
                'programme' => $programme?->name,
                'every_days' => $rhythm->cadence_target,
                'salt_every_days' => $rhythm->salt_target,
                'topper_weeks' => $weeks === null ? null : round($weeks, 1),
                'decon_days' => $rhythm->decon_days,
                'lines' => array_map(
                    static fn(string $kind, array $line): array => [
                        'kind' => $kind,
                        ...$line,
                        'listed' => !in_array($kind, $year->priceless, true),
                    ],
                    array_keys($year->lines),
                    array_values($year->lines),
                ),
                'hours' => round($year->hours, 1),
                'cost' => $year->cost->rounded(),
                'price_minor' => $year->priceMinor,
                'margin_minor' => $year->marginMinor,
            ];
            // By line, not by name: a client may be forgotten, and a sentence is kept as it is.
            $says = [
                ...$says,
                ...array_map(
                    static fn(Said $one): Said => Said::of('quote.line', line: count($lines), says: $one),
                    $costs['says'],
                ),
            ];
            $sum['price_minor'] += $year->priceMinor;
            $sum['cost'] = $sum['cost']->plus($year->cost);
            $sum['hours'] += $year->hours;
            $sum['visits'] += $year->times['wash'] ?? 0;
            $sum['toppers'] += $year->times['topper'] ?? 0;
        }
        $cost = $sum['cost']->rounded();
        $answer = [
            'vehicles' => $lines,
            'visits' => $sum['visits'],
            'toppers' => $sum['toppers'],
            'hours' => round($sum['hours'], 1),
            'cost' => $cost,
            'price_minor' => $sum['price_minor'],
            'margin_minor' => $sum['price_minor'] - $cost['total'],
            'currency' => $rates->currency,
            'assumes' => [Said::of('quote.visits'), Said::of('quote.materials')],
            'inside' => [...$this->inside($lines), ...$says],
        ];

        return Quote::query()->create([
            'client_id' => $facts['client_id'] ?? null,
            'title' => $facts['title'],
            'facts' => ['vehicles' => $facts['vehicles'], 'rates' => $rates->named()],
            'answer' => $answer,
            'made_at' => $now,
            'made_by' => $by->id,
        ]);
    }

    private static function weeks(?Cycle $topper): ?float
    {
        return $topper === null ? null : $topper->repeat / 7.0;
    }

    /**
     * One of each kind: materials as its own turns took them, or as the laid-out visit takes them where there are none;
     * minutes as everywhere, of the visit laid out.
     *
     * @param float|null $iron  what a decontamination's product has cost; null where none was used
     * @return array{each: array<string, TurnCost>, minutes: array<string, float>, says: list<Said>}
     */
    private function costs(Vehicle $vehicle, PlanVehicle $plan, CostBook $book, ?float $iron, AtHand $atHand): array
    {
        $rates = $this->tenancy->workspace()->rates();
        $turns = array_filter($book->turns, static fn(array $turn): bool => $turn['vehicle_id'] === $vehicle->id);
        $plain = array_filter($turns, static fn(array $turn): bool => $turn['toppers'] === []);
        $use = $plain === [] ? $turns : $plain;
        $sum = array_reduce(
            $use,
            static fn(TurnCost $sum, array $turn): TurnCost => $sum->plus($turn['cost']),
            new TurnCost(),
        );
        $mean = $use === [] ? $sum : $sum->times(1.0 / count($use));
        $toppers = array_merge([], ...array_column($turns, 'toppers'));
        /** @var array<string, string> $unpriced */
        $unpriced = [];
        $laid = function (Kind ...$kinds) use ($vehicle, $atHand, $rates, &$unpriced): float {
            return $this->materials($vehicle, array_values([Kind::Wash, ...$kinds]), $atHand, $rates, $unpriced);
        };
        $wash = $laid();
        $dose =
            $toppers === []
                ? max(0.0, $laid(Kind::Topper) - $wash)
                : array_sum(array_column($toppers, 'minor')) / count($toppers);
        $time = static fn(int $minutes): float => ($minutes / 60.0) * $rates->labourMinorH;
        $minutes = ($this->reckonMinutes)(new EloquentCollection([$vehicle]), [1], $atHand)[$vehicle->id]['by'][1];
        $minutes = $plan->each === 0 ? $minutes : [...$minutes, 'wash' => $minutes['wash'] + $minutes['topper']];

        return [
            'each' => [
                // The time of a wash is what it takes alone.
                'wash' => new TurnCost(
                    $use === [] ? $wash : $mean->products,
                    $mean->towels,
                    $mean->water,
                    $mean->resin,
                    $time($minutes['wash']),
                    $mean->travel,
                ),
                'topper' => new TurnCost(products: $dose, time: $time($minutes['topper'])),
                'decon' => new TurnCost(
                    products: $iron ?? max(0.0, $laid(Kind::Decon) - $wash),
                    time: $time($minutes['decon']),
                ),
                'inspection' => new TurnCost(time: $time($minutes['inspection'])),
                'base' => new TurnCost(
                    products: $plan->base === null ? 0.0 : max(0.0, $laid(Kind::Base) - $wash),
                    time: $time($minutes['base']),
                ),
            ],
            'minutes' => array_map(floatval(...), $minutes),
            'says' => array_values(
                array_filter([
                    $use === [] ? Said::of('quote.unrecorded') : null,
                    $unpriced === [] ? null : Said::of('quote.unpriced', names: implode(', ', $unpriced)),
                ]),
            ),
        ];
    }

    /**
     * What a visit's products cost as it would be laid out; what has no price is left out, and named.
     *
     * @param list<Kind> $kinds
     * @param array<string, string> $unpriced  hears which have none, names by id
     */
    private function materials(Vehicle $vehicle, array $kinds, AtHand $atHand, Rates $rates, array &$unpriced): float
    {
        $ml = ($this->layOrdinary)($vehicle, $atHand, new OrdinaryWish($kinds))->totals->productMl;
        $products = Product::query()
            ->whereIn('id', array_keys($ml))
            ->get(['id', 'name', 'pack_ml', 'price_minor']);
        foreach ($products as $one) {
            // Unpriced is not free.
            $unpriced += $one->pack_ml === null || $one->price_minor === null ? [$one->id => $one->name] : [];
        }

        return TurnCost::of(
            $rates,
            array_values(
                $products
                    ->map(
                        static fn(Product $one): array => [
                            'ml' => $ml[$one->id],
                            'pack_ml' => $one->pack_ml,
                            'price_minor' => $one->price_minor,
                        ],
                    )
                    ->all(),
            ),
            [],
            WaterUsed::tap(0.0),
            new TimeSpent(0.0),
        )->products;
    }

    /**
     * What we reckon with, and the client needn't read.
     *
     * @param list<array<string, mixed>> $lines
     * @return list<Said>
     */
    private function inside(array $lines): array
    {
        $rates = $this->tenancy->workspace()->rates();
        $money = static fn(float $minor): Said => Said::of(
            'money.sum',
            currency: $rates->currency,
            major: $minor / 100.0,
        );
        $unlisted = array_filter(
            $lines,
            static fn(array $line): bool => is_array($line['lines']) &&
                in_array(false, array_column($line['lines'], 'listed'), true),
        );

        return array_values(
            array_filter([
                Said::of('quote.rates', hour: $money($rates->labourMinorH), minute: $money($rates->travelMinorMin)),
                Said::of('quote.trip'),
                $unlisted === [] ? null : Said::of('quote.unlisted', percent: $rates->marginPercent),
            ]),
        );
    }
}
