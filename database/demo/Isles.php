<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Bench\EstimateTurn;
use App\Book\Client;
use App\Book\Site;
use App\Book\Vehicle;
use App\Door\FoundWorkspace;
use App\Film\DeclareLayer;
use App\Film\ForecastLayers;
use App\Money\QuoteYear;
use App\Sheets\LayRound;
use App\Shelf\Product;
use App\Tenancy\Membership;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use App\Turns\MoveStock;
use App\Weeks\CancelVisit;
use App\Weeks\ReplanWeeks;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Vicissa\Core\Matching\Body;

/** Settles the demo: Marram & Sedge with their clients, their shelf, and the year behind them. */
final readonly class Isles
{
    public function __construct(private Application $app, private ClockInterface $clock) {}

    /** @return string what was loaded, in a sentence */
    public function settle(): string
    {
        $today = CarbonImmutable::instance($this->clock->now());
        $clock = new MockClock($today);
        // The year is lived on its own clock; nothing it writes is queued, the forecasts are reckoned once at its end.
        $this->app->instance(ClockInterface::class, $clock);
        $queue = config()->string('queue.default');
        $cache = config()->string('cache.default');
        config(['queue.default' => 'null']);
        try {
            [$owner] = $this->app->make(FoundWorkspace::class)(
                ['name' => 'Rhona Skarne', 'email' => 'rhona@marram-sedge.example', 'password' => Cast::PASSWORD],
                [
                    'name' => 'Marram & Sedge',
                    'time_zone' => 'UTC',
                    'units' => 'metric',
                    'schools' => Cast::SCHOOLS,
                    'salt_months' => Cast::SALT_MONTHS,
                ],
                starterShelf: false,
            );
            $technician = User::query()->create([
                'name' => 'Tam Ostrey',
                'email' => 'tam@marram-sedge.example',
                'password' => Cast::PASSWORD,
            ]);
            Membership::query()->create(['user_id' => $technician->id, 'role' => 'technician']);
            foreach (Cast::products() as $product) {
                Product::query()->create($product);
            }
            $vehicles = DB::transaction(fn(): array => $this->vehicles($today));
            // Whoever writes a turn estimates it, too.
            $this->app->instance(EstimateTurn::class, $this->app->make(EstimateTurn::class));
            // What is kept for a while while the year goes by is of no use to anybody after it.
            config(['cache.default' => 'array']);
            $turns = (new Year(
                $clock,
                $this->app->make(FinishTurn::class),
                $this->app->make(DeclareLayer::class),
                $this->app->make(MoveStock::class),
                $this->app->make(Driveway::class),
                $this->app->make(EstimateTurn::class),
                $owner,
                $technician,
            ))->live($vehicles, $today);
            config(['cache.default' => $cache]);
            $clock->modify($today->toIso8601String());
            $this->app->make(ForecastLayers::class)(
                array_values(array_map(static fn(Vehicle $vehicle): string => $vehicle->id, $vehicles)),
            );

            DB::transaction(fn() => (new VanAndWater($owner))->load($today, $this->app->make(LayRound::class)));
            DB::transaction(
                fn() => (new Diary(
                    $owner,
                    $this->app->make(ReplanWeeks::class),
                    $this->app->make(QuoteYear::class),
                ))->load($today, $vehicles),
            );
            (new ByHand(
                $clock,
                $this->app->make(ReplanWeeks::class),
                $this->app->make(CancelVisit::class),
                $owner,
                $technician,
            ))->load($today, $vehicles);

            return sprintf('%d vehicles and %d turns.', count($vehicles), $turns);
        } finally {
            config(['queue.default' => $queue, 'cache.default' => $cache]);
            $this->app->forgetInstance(EstimateTurn::class);
            $this->app->instance(ClockInterface::class, $this->clock);
        }
    }

    /** @return array<string, Vehicle> by name */
    private function vehicles(CarbonImmutable $today): array
    {
        $clients = $sites = $vehicles = [];
        foreach (Cast::clients() as $client) {
            $clients[$client['key']] = Client::query()->create(array_diff_key($client, ['key' => 1]))->id;
        }
        foreach (Cast::sites() as $site) {
            $sites[$site['key']] = Site::query()->create([
                ...array_diff_key($site, ['key' => 1, 'client' => 1, 'certificate' => 1]),
                'client_id' => isset($site['client']) ? $clients[$site['client']] : null,
                'certificate_expires_on' => isset($site['certificate'])
                    ? $today->addDays($site['certificate'])->toDateString()
                    : null,
            ])->id;
        }
        foreach (Cast::vehicles() as $cast) {
            $vehicles[$cast['name']] = Vehicle::query()->create([
                'name' => $cast['name'],
                'model' => $cast['model'],
                'body' => $cast['body'],
                'colour' => $cast['colour'],
                'tone' => $cast['tone'],
                'hardness' => $cast['hardness'] ?? 'medium',
                'finish' => $cast['finish'] ?? [],
                'wheel_finish' => $cast['wheel'] ?? 'painted',
                'paint_m2' => round(Body::from($cast['body'])->paintM2(), 1),
                'material' => $cast['material'] ?? 'steel',
                'schools' => $cast['schools'] ?? [],
                'base_unknown' => $cast['unknown'] ?? false,
                'storage' => $cast['storage'],
                'road' => $cast['road'] ?? 'normal',
                'salt_months' => Cast::SALT_MONTHS,
                'km_per_week' => $cast['km'],
                'cadence_min' => $cast['cadence'][0],
                'cadence_target' => $cast['cadence'][1],
                'cadence_max' => $cast['cadence'][2],
                'client_id' => $cast['client'] === null ? null : $clients[$cast['client']],
                'site_id' => $sites[$cast['site']],
            ]);
        }

        return $vehicles;
    }
}
