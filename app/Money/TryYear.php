<?php

declare(strict_types=1);

namespace App\Money;

use App\Bench\AtHand;
use App\Bench\ExpectVisit;
use App\Bench\GatherAtHand;
use App\Bench\LayOrdinary;
use App\Bench\OrdinaryDay;
use App\Bench\OrdinaryWish;
use App\Bench\RankShelf;
use App\Book\Layer;
use App\Book\Programme;
use App\Book\Vehicle;
use App\Film\EvidenceBook;
use App\Film\Outlook;
use App\Record\TurnLog;
use App\Shelf\Product;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Ahead\Regime;
use Vicissa\Core\Ahead\SoilRate;
use Vicissa\Core\Ahead\Spread;
use Vicissa\Core\Ahead\Subject;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Ahead\YearAhead;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Totals;
use Vicissa\Core\Visit\Visit;

/**
 * The next year of one vehicle, or of all, under two or three ways of keeping it, many times over. Nothing is written.
 */
final class TryYear
{
    private const DAY = 86400;

    /** z of the tenth and the ninetieth hundredth. */
    private const Z = 1.2815515655446004;

    public function __construct(
        private readonly Tenancy $tenancy,
        private readonly ClockInterface $clock,
        private readonly RankShelf $rankShelf,
        private readonly LayOrdinary $layOrdinary,
        private readonly GatherAtHand $gatherAtHand,
    ) {}

    private ?AtHand $atHand = null;

    /**
     * A visit of a vehicle by a method, laid out as everywhere else.
     *
     * @param list<Kind> $kinds
     */
    private function visit(Vehicle $vehicle, Method $method, array $kinds): Visit
    {
        $this->atHand ??= ($this->gatherAtHand)();
        $hose = $method->needsHose();
        $place = ExpectVisit::place($vehicle, $this->atHand);

        return ($this->layOrdinary)(
            $vehicle,
            $this->atHand,
            new OrdinaryWish(
                $kinds,
                soil: min(OrdinaryDay::SOIL, $this->tenancy->workspace()->house()->match->ceiling($method)),
                place: $hose
                    ? ['water' => $place['water'] === 'none' ? 'tap' : $place['water'], 'pressure' => true]
                    : ['water' => 'none'],
                more: $hose ? ['schools' => ['method' => $method->value]] : [],
            ),
        );
    }

    /**
     * @param list<string>|null $vehicleIds  null: all that are in the book
     * @param list<array{name: string, programme_id?: string|null, every_days?: int|null, salt_every_days?: int|null,
     *     topper: string, topper_weeks?: int|null, method: string}> $regimes
     * @return Told<'YearAhead'>
     */
    public function __invoke(?array $vehicleIds, array $regimes, int $seed, int $trials): array
    {
        $workspace = $this->tenancy->workspace();
        $now = CarbonImmutable::instance($this->clock->now());
        $vehicles = Vehicle::query()
            ->with(['site', 'standing.forecast'])
            ->whereNull('archived_at')
            ->when($vehicleIds !== null, static fn($query) => $query->whereIn('id', $vehicleIds ?? []))
            ->orderBy('name')
            ->orderBy('id')
            ->get();
        /** @var list<string> $ids */
        $ids = $vehicles->modelKeys();
        $log = TurnLog::of($ids);
        $book = CostBook::since($workspace, $now->subYear(), $ids);
        $layers = Layer::query()
            ->whereIn('vehicle_id', $ids)
            ->where('zone', Zone::Paint->value)
            ->where('kind', 'topper')
            ->orderBy('on_at')
            ->get()
            ->groupBy('vehicle_id');
        $programmes = Programme::query()->get()->keyBy('id');
        $used = [];
        foreach ($vehicles as $vehicle) {
            // One that never had a topper is tried with the one that fits it best.
            $used[$vehicle->id] = $layers->get($vehicle->id)?->last()->product_id ?? $this->fitting($vehicle);
        }
        $products = Product::query()->whereIn('id', array_unique(array_filter($used)))->get()->keyBy('id');
        $evidence = EvidenceBook::forProducts(array_values(array_unique(array_filter($used))));
        $done = $left = $unpriced = [];
        $sums = [];
        foreach ($vehicles as $vehicle) {
            $last = $layers->get($vehicle->id)?->last();
            $product = $products->get($used[$vehicle->id] ?? '');
            $subject = $product === null ? null : $this->subject($vehicle, $last, $product, $log, $evidence, $now);
            if ($subject === null || $product === null) {
                $left[] = $vehicle->name;

                continue;
            }
            if ($product->pack_ml === null || $product->price_minor === null) {
                $unpriced[$product->id] = $product->name;
            }
            foreach ($regimes as $i => $asked) {
                $outcome = YearAhead::of(
                    $subject,
                    $this->regime($asked, $vehicle, $product, $programmes, $book),
                    $seed,
                    $trials,
                    $log->factors,
                    $workspace->house()->match,
                );
                $done[$i][$vehicle->id] = $outcome;
                foreach ($outcome->figures as $name => $spread) {
                    $sums[$i][$name][] = $spread;
                }
            }
        }
        $single = count($done[0] ?? []) === 1 ? array_key_first($done[0]) : null;

        return [
            'vehicles' => count($done[0] ?? []),
            'left_out' => $left,
            'trials' => $trials,
            'seed' => $seed,
            'currency' => $workspace->rates()->currency,
            'today' => $now->utc()->format('Y-m-d\TH:i:s\Z'),
            'regimes' => array_map(
                fn(int $i, array $asked): array => [
                    'name' => $asked['name'],
                    'figures' => self::figures($sums[$i] ?? []),
                    'band' => $single === null ? [] : $done[$i][$single]->band,
                    'typical' => $single === null ? [] : $done[$i][$single]->typical,
                ],
                array_keys($regimes),
                array_values($regimes),
            ),
            'assumes' => [
                ...$unpriced === [] ? [] : [Said::of('year.unpriced', names: implode(', ', $unpriced))],
                Said::of('year.lives'),
                Said::of('year.weather'),
                Said::of('year.refused'),
                Said::of('year.risk'),
                $single === null ? Said::of('year.sums') : Said::of('year.materials'),
            ],
        ];
    }

    /**
     * Means add up; spreads of what is independent add as squares.
     *
     * @param list<Spread> $some
     * @return array{mean: float, low: float, high: float}
     */
    private static function together(array $some): array
    {
        $mean = array_sum(array_map(static fn(Spread $one): float => $one->mean, $some));
        $down = sqrt(array_sum(array_map(static fn(Spread $one): float => ($one->mean - $one->low) ** 2, $some)));
        $up = sqrt(array_sum(array_map(static fn(Spread $one): float => ($one->high - $one->mean) ** 2, $some)));

        return ['mean' => round($mean, 2), 'low' => round(max(0.0, $mean - $down), 2), 'high' => round($mean + $up, 2)];
    }

    /**
     * @param array<string, list<Spread>> $of  by figure
     * @return Told<'YearFigures'>
     */
    private static function figures(array $of): array
    {
        $sum = static fn(string $name): array => self::together($of[$name] ?? []);

        return [
            'weeks_below' => $sum('weeks_below'),
            'hours' => $sum('hours'),
            'litres' => $sum('litres'),
            'minor' => $sum('minor'),
            'risk' => $sum('risk'),
            'washes' => $sum('washes'),
            'toppers' => $sum('toppers'),
            'refused' => $sum('refused'),
        ];
    }

    private function fitting(Vehicle $vehicle): ?string
    {
        foreach (
            ($this->rankShelf)($vehicle, ['water' => Water::Tap, 'purpose' => Purpose::Maintain, 'panel_c' => null])
            as $role
        ) {
            if ($role['role'] === Role::Topper->value && $role['zone'] === Zone::Paint->value) {
                foreach ($role['products'] as $product) {
                    if ($product['allowed']) {
                        return $product['id'];
                    }
                }
            }
        }

        return null;
    }

    private function subject(
        Vehicle $vehicle,
        ?Layer $last,
        Product $product,
        TurnLog $log,
        EvidenceBook $evidence,
        CarbonImmutable $now,
    ): ?Subject {
        $outlook = Outlook::of(Layer::imagined($vehicle, $product, $now), $vehicle, $log, $evidence);
        if ($outlook === null) {
            return null;
        }
        [$low, $middle, $high] = [
            $outlook->life->quantile(0.1),
            $outlook->life->quantile(0.5),
            $outlook->life->quantile(0.9),
        ];
        $spread = log($high / max(1e-6, $low)) / (2.0 * self::Z);
        $each = min($spread, $outlook->life->spreadLayer);
        $habits = $vehicle->habits();
        $factors = $log->factors;
        $usual = $factors->idle($habits) / 7.0;
        $salt = $factors->idle($habits->onSalt()) / 7.0;
        $idle = $salted = [];
        for ($day = 0; $day < YearAhead::DAYS; $day++) {
            $salted[] = $is = in_array(
                (int) gmdate('n', $now->getTimestamp() + $day * self::DAY),
                $vehicle->salt_months,
                true,
            );
            $idle[] = $is ? $salt : $usual;
        }
        $worn = INF;
        if ($last !== null && $last->ended_at === null && $last->failed_at === null) {
            $on = Outlook::of($last, $vehicle, $log, $evidence);
            $worn = $on === null ? INF : $on->path->at($on->span->day($now->getTimestamp()));
        }
        $turns = $log->turns($vehicle->id);
        $since =
            $turns === []
                ? $vehicle->cadence_target
                : (int) floor(($now->getTimestamp() - $turns[count($turns) - 1]->at) / self::DAY);

        return new Subject(
            $middle,
            sqrt(max(0.0, $spread ** 2 - $each ** 2)),
            $each,
            $idle,
            $salted,
            $worn,
            SoilRate::perDay($habits, factors: $factors),
            $this->tenancy->workspace()->house()->match->softness[$vehicle->hardness] ?? 1.0,
            max(0, min(60, $since)),
            $last === null || $last->ended_at !== null
                ? 3650
                : max(0, (int) floor(($now->getTimestamp() - $last->on_at->getTimestamp()) / self::DAY)),
        );
    }

    /**
     * @param array{name: string, programme_id?: string|null, every_days?: int|null, salt_every_days?: int|null,
     *     topper: string, topper_weeks?: int|null, method: string} $asked
     * @param Collection<array-key, Programme> $programmes
     */
    private function regime(
        array $asked,
        Vehicle $vehicle,
        Product $product,
        Collection $programmes,
        CostBook $book,
    ): Regime {
        $rhythm = (isset($asked['programme_id']) ? $programmes->get($asked['programme_id']) : null) ?? $vehicle;
        $method = Method::from($asked['method']);
        $rules = $this->tenancy->workspace()->house()->match;
        $factors = $this->tenancy->workspace()->house()->wear;
        $own = array_filter(
            $book->turns,
            static fn(array $turn): bool => $turn['vehicle_id'] === $vehicle->id && $turn['toppers'] === [],
        );
        $sum = array_reduce(
            $own,
            static fn(TurnCost $sum, array $turn): TurnCost => $sum->plus($turn['cost']),
            new TurnCost(),
        );
        $wash = $own === [] ? 0.0 : ($sum->products + $sum->towels + $sum->water + $sum->resin) / count($own);
        $plain = $this->visit($vehicle, $method, [Kind::Wash])->totals;
        $topped = $this->visit($vehicle, $method, [Kind::Wash, Kind::Topper])->totals;
        $topperMl = max(0.0, ($topped->productMl[$product->id] ?? 0.0) - ($plain->productMl[$product->id] ?? 0.0));
        $doses = array_merge(
            [],
            ...array_values(
                array_map(
                    static fn(array $turn): array => $turn['vehicle_id'] === $vehicle->id ? $turn['toppers'] : [],
                    $book->turns,
                ),
            ),
        );
        $dose =
            $doses === []
                ? ($product->pack_ml > 0.0 && $product->price_minor !== null
                    ? ($topperMl * $product->price_minor) / $product->pack_ml
                    : 0.0)
                : array_sum(array_column($doses, 'minor')) / count($doses);
        $litres = static fn(Totals $of): float => $of->tapL + $of->treatedL + $of->mixL;
        $schools = $vehicle->sidesIn($this->tenancy->workspace());

        return new Regime(
            $asked['name'],
            $asked['every_days'] ?? $rhythm->cadence_target,
            $asked['salt_every_days'] ?? (isset($asked['every_days']) ? null : $rhythm->salt_target),
            TopperRule::from($asked['topper']),
            (float) ($asked['topper_weeks'] ?? ($rhythm->topper_weeks ?? 8)),
            $schools->risk(),
            $factors->washFactor([$method->wear()]),
            false,
            $rules->medium($method),
            $rules->ceiling($method),
            [
                'wash' => (float) ($plain->minutes ?? 0),
                'topper' => (float) max(0, ($topped->minutes ?? 0) - ($plain->minutes ?? 0)),
            ],
            ['wash' => $litres($plain), 'topper' => max(0.0, $litres($topped) - $litres($plain))],
            ['wash' => $wash, 'topper' => $dose],
        );
    }
}
