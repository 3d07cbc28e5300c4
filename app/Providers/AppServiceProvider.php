<?php

declare(strict_types=1);

namespace App\Providers;

use App\Archive\Http\RequestRules;
use App\Archive\RowRules;
use App\Book\Client;
use App\Book\NotedWeather;
use App\Book\Site;
use App\Book\Vehicle;
use App\Door\RedisSessions;
use App\Door\SessionBook;
use App\Door\SessionTable;
use App\Film\RebuildForProduct;
use App\Http\FirstFault;
use App\Http\RequestCaller;
use App\Http\SignedCursor;
use App\Policies\RowPolicy;
use App\Policies\WorkspacePolicy;
use App\Reckon\AreaModel;
use App\Reckon\BeadModel;
use App\Reckon\CurveModel;
use App\Reckon\DiagnoseModel;
use App\Reckon\DueModel;
use App\Reckon\GaugeModel;
use App\Reckon\HardnessModel;
use App\Reckon\LanceModel;
use App\Reckon\MatchModel;
use App\Reckon\PlanModel;
use App\Reckon\RatioModel;
use App\Reckon\Reckoning;
use App\Reckon\ResinModel;
use App\Reckon\SheetModel;
use App\Reckon\SpotsModel;
use App\Reckon\TankModel;
use App\Reckon\TowelsModel;
use App\Reckon\VerdictModel;
use App\Reckon\VisitModel;
use App\Reckon\WearModel;
use App\Reckon\WindowModel;
use App\Record\Photo;
use App\Record\Sheet;
use App\Says\Language;
use App\Says\Teller;
use App\Shelf\Gear;
use App\Shelf\Product;
use App\Shelf\ProductChanged;
use App\Standins\InfraredThermometer;
use App\Standins\Messenger;
use App\Standins\TdsPen;
use App\Standins\TravelTimes;
use App\Standins\Weather;
use App\Tenancy\Caller;
use App\Tenancy\KeptConnection;
use App\Tenancy\Patience;
use App\Tenancy\PersonalAccessToken;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\WalledConnection;
use App\Tenancy\Workspace;
use App\Watch\Lanes;
use App\Watch\SlowQueries;
use App\Watch\Tally;
use GuzzleHttp\Client as HttpClient;
use GuzzleHttp\ClientInterface;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Translation\Translator;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\Request;
use Illuminate\Pagination\Cursor;
use Illuminate\Pagination\CursorPaginator;
use Illuminate\Queue\Events\JobFailed;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\Validator as ValidatorFactory;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\NativeClock;
use Vicissa\Core\Units\Measures;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.pgsql', KeptConnection::class);
        Connection::resolverFor('pgsql', static fn(mixed ...$made): WalledConnection => new WalledConnection(...$made));
        $this->app->bind(Caller::class, static fn($app): Caller => new RequestCaller($app->make('request')));
        $this->app->bind(RowRules::class, RequestRules::class);
        $this->app->bind(ClockInterface::class, static fn(): ClockInterface => new NativeClock('UTC'));
        // Whoever is signed in has chosen, or has not asked for another; a guest's browser names its languages.
        $this->app->bind(Teller::class, static function ($app): Teller {
            $tenancy = $app->make(Tenancy::class);
            $user = $app->make('auth')->user();

            return new Teller(
                $user instanceof User
                    ? Language::from($user->language ?? 'en')
                    : Language::among($app->make('request')->getLanguages()),
                $tenancy->entered() ? Measures::from($tenancy->workspace()->units) : Measures::Metric,
            );
        });
        $this->app->scoped(Tenancy::class, static fn($app): Tenancy => new Tenancy($app->make('db.connection')));
        $this->app->scoped(Patience::class);
        $this->app->bind(
            Messenger::class,
            static fn($app): Messenger => $app->make(config()->string('vicissa.messenger')),
        );
        $this->app->singleton(Tally::class);
        $this->app->singleton(
            RedisSessions::class,
            static fn($app): RedisSessions => new RedisSessions(
                $app->make('redis')->connection(),
                $app->make(ClockInterface::class),
                60 * config()->integer('session.lifetime'),
                static fn(): array => [
                    'user' => $app->make('auth')->id(),
                    'address' => $app->make('request')->ip(),
                    'agent' => mb_substr((string) $app->make('request')->userAgent(), 0, 500),
                ],
            ),
        );
        $this->app->bind(
            SessionBook::class,
            static fn($app): SessionBook => $app->make(
                config('session.driver') === 'redis-listed' ? RedisSessions::class : SessionTable::class,
            ),
        );
        $this->app->singleton(Lanes::class);
        $this->app->bind(TdsPen::class, static fn($app): TdsPen => $app->make(config()->string('vicissa.pen')));
        $this->app->bind(
            InfraredThermometer::class,
            static fn($app): InfraredThermometer => $app->make(config()->string('vicissa.thermometer')),
        );
        $this->app->bind(
            TravelTimes::class,
            static fn($app): TravelTimes => $app->make(config()->string('vicissa.travel')),
        );
        $this->app->bind(ClientInterface::class, HttpClient::class);
        $this->app->scoped(
            NotedWeather::class,
            static fn($app): NotedWeather => new NotedWeather(
                $app->make(config()->string('vicissa.weather')),
                $app->make(Tenancy::class),
                $app->make(ClockInterface::class),
            ),
        );
        $this->app->bind(Weather::class, NotedWeather::class);
        $this->app->singleton(
            Reckoning::class,
            static fn(): Reckoning => new Reckoning([
                new RatioModel(),
                new WearModel(),
                new DueModel(),
                new BeadModel(),
                new DiagnoseModel(),
                new VerdictModel(),
                new WindowModel(),
                new SpotsModel(),
                new HardnessModel(),
                new TowelsModel(),
                new MatchModel(),
                new VisitModel(),
                new LanceModel(),
                new TankModel(),
                new ResinModel(),
                new CurveModel(),
                new SheetModel(),
                // The command line searches to the end.
                new PlanModel(PHP_SAPI === 'cli' ? null : 0.7),
                new AreaModel(),
                new GaugeModel(),
            ]),
        );
    }

    public function boot(): void
    {
        // Requests are counted where that costs least: each count in the database is a write that waits for the disk.
        if (config('cache.default') === 'database' && function_exists('apcu_enabled') && apcu_enabled()) {
            config(['cache.limiter' => 'apc']);
        }
        // Links in messages name the address we were given, never the one a request claims; files are fetched from
        // wherever the page was.
        URL::forceRootUrl(config()->string('app.url'));
        Vite::createAssetPathsUsing(static fn(string $path): string => '/' . $path);
        Model::shouldBeStrict(!$this->app->isProduction());
        CursorPaginator::currentCursorResolver(
            fn(string $name): ?Cursor => SignedCursor::read($this->app->make('request')->input($name)),
        );
        Session::extend('redis-listed', static fn($app): RedisSessions => $app->make(RedisSessions::class));
        Relation::morphMap(['person' => User::class]);
        Sanctum::usePersonalAccessTokenModel(PersonalAccessToken::class);
        foreach (
            [Client::class, Site::class, Vehicle::class, Product::class, Gear::class, Sheet::class, Photo::class]
            as $model
        ) {
            Gate::policy($model, RowPolicy::class);
        }
        Event::listen(static fn(ProductChanged $changed) => RebuildForProduct::after($changed));
        Event::listen(static fn(JobProcessing $begun) => app(Lanes::class)->begins($begun));
        Event::listen(static fn(JobProcessed $ended) => app(Lanes::class)->ends($ended));
        Event::listen(static fn(JobFailed $ended) => app(Lanes::class)->ends($ended));
        Event::listen(static fn(QueryExecuted $query) => app(SlowQueries::class)->heard($query));
        Gate::policy(Workspace::class, WorkspacePolicy::class);
        ValidatorFactory::resolver(static function (
            Translator $translator,
            array $data,
            array $rules,
            array $messages,
            array $attributes,
        ): FirstFault {
            $translator->setLocale(Teller::here()->language->value);

            return new FirstFault($translator, $data, $rules, $messages, $attributes);
        });
        RateLimiter::for(
            'api',
            static fn(Request $request): Limit => Limit::perMinute(config()->integer('vicissa.limits.api'))->by(
                $request->user()?->getAuthIdentifier() ?? $request->ip(),
            ),
        );
        // Where a password is asked for again.
        RateLimiter::for(
            'sure',
            static fn(Request $request): Limit => Limit::perMinute(config()->integer('vicissa.limits.sign_in'))->by(
                'sure ' . $request->user()?->getAuthIdentifier(),
            ),
        );
        RateLimiter::for(
            'register',
            static fn(Request $request): Limit => Limit::perHour(config()->integer('vicissa.limits.registrations'))->by(
                'new ' . $request->ip(),
            ),
        );
        RateLimiter::for(
            'sign-in',
            static fn(Request $request): array => [
                Limit::perMinute(config()->integer('vicissa.limits.sign_in'))->by(
                    'who ' . mb_strtolower((string) $request->input('email')) . ' ' . $request->ip(),
                ),
                Limit::perMinute(10 * config()->integer('vicissa.limits.sign_in'))->by('from ' . $request->ip()),
            ],
        );
    }
}
