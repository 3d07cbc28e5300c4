<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use Closure;
use DateTimeImmutable;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use ReflectionEnum;
use ReflectionMethod;
use SplFileInfo;
use UnitEnum;
use Vicissa\Core\Ahead\Regime;
use Vicissa\Core\Ahead\Subject;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Ahead\YearAhead;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Drying\WorkingWindow;
use Vicissa\Core\House\House;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Kit\Laundry;
use Vicissa\Core\Kit\Shortage;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Label;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Turn\Asked;
use Vicissa\Core\Matching\Turn\Assessment;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Coat;
use Vicissa\Core\Matching\Turn\Hour;
use Vicissa\Core\Matching\Turn\MatchedVehicle;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Turn\Renewal;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\Dilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Mix\LanceRange;
use Vicissa\Core\Money\ProtectedWeek;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TimeSpent;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Money\WaterUsed;
use Vicissa\Core\Money\YearRhythm;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Planning\SkyRules;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Gauge\MarkedDrop;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\IdleWear;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WearAccount;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Sheet\Schedule\Task;
use Vicissa\Core\Sky\Sun;
use Vicissa\Core\Textiles\TowelCount;
use Vicissa\Core\Visit\Pace;
use Vicissa\Core\Visit\Portion;
use Vicissa\Core\Visit\VisitRules;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Residue;
use Vicissa\Core\Water\Resin;
use Vicissa\Core\Water\Tank;

/** What is asked of single values: what they are when no more is said, what every name means, where their limits lie. */
final class QuestionsOfValues
{
    /** @return array<string, Closure(): iterable<array-key, Closure(): mixed>> */
    public static function all(): array
    {
        return ['plain' => self::plain(...), 'names' => self::names(...), 'limits' => self::limits(...)];
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function plain(): iterable
    {
        $word = Said::of('role.soap');
        $made = [
            'house' => static fn(): array => self::apart(new House()),
            'visit rules' => static fn(): array => self::apart(new VisitRules()),
            'plan rules' => static fn(): array => self::apart(new PlanRules()),
            'sky rules' => static fn(): array => self::apart(new SkyRules()),
            'sky' => static fn(): Sky => new Sky(),
            'place' => static fn(): Place => new Place(),
            'seen' => static fn(): Assessment => new Assessment(2),
            'vehicle' => static fn(): MatchedVehicle => new MatchedVehicle(10.0, Tone::Mid),
            'hour' => static fn(): Hour => new Hour(new Air(14.0, 0.7, 2.0, 100.0)),
            'asked' => static fn(): Asked => new Asked(),
            'renewal' => static fn(): Renewal => new Renewal([4.0, 9.0]),
            'coat' => static fn(): Coat => new Coat(Family::Ceramic),
            'circumstances' => static fn(): Circumstances => new Circumstances(),
            'surface' => static fn(): Surface => new Surface(Zone::Paint, Family::Wax),
            'label' => static fn(): Label => new Label(Role::Soap, 'Lather', [Zone::Paint]),
            'bottle' => static fn(): Bottle => new Bottle('a', 'Lather', null, self::traits()),
            'time' => static fn(): array => [
                new TimeSpent(40.0),
                TurnCost::of(new Rates(), [], [], WaterUsed::tap(0.0), new TimeSpent(40.0))->rounded(),
            ],
            'cost' => static fn(): TurnCost => new TurnCost(),
            'rhythm' => static fn(): YearRhythm => new YearRhythm(14),
            'crew' => static fn(): PlanCrew => new PlanCrew('a', []),
            'site' => static fn(): PlanSite => new PlanSite('a', 10),
            'task' => static fn(): Task => new Task('a', 4),
            'wait' => static fn(): Wait => new Wait('a', 30.0, null),
            'portion' => static fn(): Portion => new Portion('a', 'Lather', Role::Soap, Zone::Paint, 20.0, $word),
            'pace' => static fn(): array => self::apart(new Pace()),
            'wash' => static fn(): Wash => new Wash(3.0),
            'reader' => static fn(): DilutionReader => new DilutionReader(),
        ];
        foreach ($made as $name => $make) {
            yield $name => $make;
        }
        yield from self::wear();
        yield from self::labels();
    }

    /**
     * What a bottle's label leaves open, by what it is for and what it is called.
     *
     * @return iterable<string, Closure(): mixed>
     */
    private static function labels(): iterable
    {
        foreach (Role::cases() as $role) {
            foreach (['Lather', 'Keel Rust', 'Felgensäure'] as $name) {
                $bare = new Label($role, $name, [Zone::Paint]);
                $full = new Label(
                    $role,
                    $name,
                    [Zone::Paint],
                    ph: 6.5,
                    minC: 4.0,
                    maxC: 28.0,
                    mayDry: true,
                    needsRinse: true,
                );
                yield "label {$role->value} {$name}" => static fn(): array => [
                    $bare->unknown(),
                    $bare->traits(),
                    $full->unknown(),
                    $full->traits(),
                ];
            }
        }
        foreach (['ph', 'min_c', 'max_c', 'may_dry', 'rinse'] as $what) {
            yield "label asks {$what}" => static fn(): Said => Label::asks($what);
        }
        yield 'normal beyond' => static fn(): array => array_map(Normal::quantile(...), [
            0.0,
            1e-300,
            0.5,
            1.0 - 1e-16,
            1.0,
        ]);
        yield 'idle wear' => static fn(): array => array_map(
            static fn(float $day): array => [
                IdleWear::of(Habits::of(Storage::Garage, Road::Normal, 200.0))->at($day),
                ($salted = IdleWear::of(
                    Habits::of(Storage::Outdoors, Road::Salted, 200.0, [11, 12, 1]),
                    1_700_000_000,
                ))->at($day),
                $salted->perDay($day),
            ],
            [0.0, 1.0, 40.0, 200.0, 36_500.0, 37_000.0, 50_000.0],
        );
        yield 'place with a tank' => static fn(): Place => (new Place(tapTds: 80.0))->withTank();
        yield 'place with a battery' => static fn(): Place => (new Place(tapTds: 80.0))->withBattery()->inShade();
        foreach (['washes', 'wash', 'topper', 'decon', 'inspection', 'base', 'recoat'] as $kind) {
            yield "bits of {$kind}" => static fn(): int => Kind::bits([$kind, 'wash']);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function wear(): iterable
    {
        $washes = [new Wash(6.0), new Wash(13.0, dryingAid: true), new Wash(27.0)];
        foreach ([Storage::Garage, Storage::Harsh] as $storage) {
            foreach ([[80.0, []], [420.0, [11, 12, 1, 2, 3]]] as [$km, $salt]) {
                $habits = Habits::of($storage, Road::Normal, $km, $salt);
                $name = "{$storage->value} {$km}";
                yield "account {$name}" => static fn(): array => self::apart(
                    WearAccount::of($habits, $washes, 33.0, onAt: 20600),
                );
                $path = WearPath::of($habits, $washes, new WearFactors(), 20600);
                foreach ([0.5, 2.0, 6.0] as $level) {
                    yield "path {$name} {$level}" => static fn(): array => [
                        $path->at(7.0 * $level),
                        $path->idle(0.0, 7.0 * $level),
                        $path->idlePerWeek(7.0 * $level),
                        $path->reaches($level, 20.0, 0.1),
                        $path->reaches($level, 27.0, 0.0, 0.9),
                    ];
                }
            }
        }
    }

    /**
     * Every name of the core, and all that it knows of itself.
     *
     * @return iterable<string, Closure(): mixed>
     */
    private static function names(): iterable
    {
        $root = dirname(__DIR__, 2) . '/src/';
        $files = [];
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root)) as $file) {
            if ($file->getExtension() === 'php') {
                $files[] = substr($file->getPathname(), strlen($root), -4);
            }
        }
        sort($files);
        foreach ($files as $file) {
            $class = 'Vicissa\Core\\' . str_replace('/', '\\', $file);
            if (!enum_exists($class)) {
                continue;
            }
            foreach ((new ReflectionEnum($class))->getMethods() as $method) {
                if (!$method->isPublic() || $method->isStatic() || $method->getNumberOfRequiredParameters() > 0) {
                    continue;
                }
                foreach ($class::cases() as $case) {
                    yield "{$file} {$case->name} {$method->name}" => static fn(): mixed => self::asked($case, $method);
                }
            }
        }
    }

    private static function asked(UnitEnum $case, ReflectionMethod $method): mixed
    {
        return $method->invoke($case);
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function limits(): iterable
    {
        foreach (self::within() as $name => [$make, $facts]) {
            yield $name => static fn(): mixed => self::refusal($make, $facts);
            foreach ($facts as $at => $fact) {
                foreach (
                    is_int($fact) ? [-1_000_000, 2_100_000_000] : (is_float($fact) ? [-1.0e9, 1.0e9] : [])
                    as $far
                ) {
                    yield "{$name} {$at} {$far}" => static fn(): mixed => self::refusal($make, [$at => $far] + $facts);
                }
            }
        }
        foreach ([59.99, 60.0, 84.99, 85.0, 99.99, 100.0, 29.99, 30.0] as $angle) {
            yield "angle {$angle}" => static fn(): mixed => Drop::ofAngle($angle)->behaviour();
        }
        foreach (['12345678', '123456789'] as $currency) {
            yield "currency {$currency}" => static fn(): mixed => self::refusal(
                static fn(string $currency): array => Rates::read(['currency' => $currency])->named(),
                ['currency' => $currency],
            );
        }
        foreach ((new Rates())->named() as $rate => $value) {
            if (is_float($value) || is_int($value)) {
                yield "rate {$rate}" => static fn(): mixed => self::refusal(
                    static fn(float $far): array => Rates::read([$rate => $far])->named(),
                    ['far' => 1.0e12],
                );
            }
        }
    }

    /** @return array<string, array{Closure, array<string, int|float|null>}> how it is made, and of what */
    private static function within(): array
    {
        $air = new Air(14.0, 0.7, 2.0, 100.0);
        $noon = new DateTimeImmutable('2027-03-04T12:00:00Z');

        return [
            'lance range target' => [
                static fn(float $share): array => (new LanceRange())->bottleFor($share),
                ['share' => 0.002],
            ],
            'lance range bottle' => [
                static fn(float $share): array => (new LanceRange())->panelFrom($share),
                ['share' => 0.02],
            ],
            'lance target' => [
                static fn(float $share): mixed => Lance::calibrated(8.0, 1000.0, 90.0)->forPanel($share),
                ['share' => 0.002],
            ],
            'lance bottle' => [
                static fn(float $share): mixed => Lance::calibrated(8.0, 1000.0, 90.0)->forBottle($share),
                ['share' => 0.02],
            ],
            'lance' => [Lance::calibrated(...), ['washerLMin' => 8.0, 'bottleMl' => 1000.0, 'emptiesS' => 90.0]],
            'fill' => [
                static fn(float $ml): array => Dilution::ofParts(1.0, 99.0, Said::of('role.soap'))->fill($ml),
                ['ml' => 500.0],
            ],
            'reader' => [
                static fn(float $cap, float $pump): DilutionReader => new DilutionReader($cap, $pump),
                ['cap' => 30.0, 'pump' => 2.0],
            ],
            'draw' => [
                static fn(float $start, float $minutes, float $l): Draw => new Draw($start, $minutes, $l),
                ['start' => 5.0, 'minutes' => 10.0, 'l' => 6.0],
            ],
            'resin' => [
                static fn(float $litres, float $capacity): Resin => new Resin($litres, $capacity),
                ['litres' => 7.0, 'capacity' => 18.0],
            ],
            'residue' => [
                static fn(float $tds, float $film): Residue => Residue::of($tds, $film, true),
                ['tds' => 220.0, 'film' => 0.05],
            ],
            'tank' => [
                static fn(float $l, float $on, float $make, float $recovery): Tank => new Tank(
                    $l,
                    $on,
                    $make,
                    $recovery,
                ),
                ['l' => 60.0, 'on' => 40.0, 'make' => 1.0, 'recovery' => 0.4],
            ],
            'tank run' => [
                static fn(float $start, float $horizon): mixed => (new Tank(60.0, 40.0, 1.0, 0.4))->run(
                    $start,
                    [new Draw(0.0, 10.0, 3.0)],
                    $horizon,
                ),
                ['start' => 50.0, 'horizon' => 60.0],
            ],
            'case' => [
                static fn(int $level, int $seed): mixed => Written::short(
                    Written::of(CaseDraw::of($seed, Judgement::cases()[0], $level)),
                ),
                ['level' => 2, 'seed' => 7],
            ],
            'water' => [
                static fn(float $litres, float $feed, float $recovery, float $capacity): array => [
                    ($water = WaterUsed::treated($litres, $feed, $recovery, $capacity))->drawn(),
                    $water->resinL(),
                ],
                ['litres' => 50.0, 'feed' => 180.0, 'recovery' => 0.4, 'capacity' => 18.0],
            ],
            'time' => [
                static fn(float $minutes, int $people, float $travel): TimeSpent => new TimeSpent(
                    $minutes,
                    $people,
                    $travel,
                ),
                ['minutes' => 80.0, 'people' => 2, 'travel' => 12.0],
            ],
            'rhythm' => [
                static fn(int $every, int $salt, int $months): YearRhythm => new YearRhythm($every, $salt, $months),
                ['every' => 14, 'salt' => 7, 'months' => 4],
            ],
            'protected week' => [
                static fn(float $minor, float $minutes, float $found): ProtectedWeek => ProtectedWeek::of(
                    $minor,
                    $minutes,
                    $found,
                    [4.0, 8.0],
                    new Rates(),
                ),
                ['minor' => 200.0, 'minutes' => 12.0, 'found' => 6.0],
            ],
            'laundry' => [
                static fn(int $pieces, int $dirty, int $need): Laundry => Laundry::of($pieces, $dirty, [
                    '2027-03-04' => $need,
                    '2027-03-05' => 6,
                ]),
                ['pieces' => 20, 'dirty' => 6, 'need' => 12],
            ],
            'shortage' => [
                static fn(float $need, float $stock, float $again, float $pack, float $margin): mixed => Shortage::of(
                    $need,
                    $stock,
                    $again,
                    $pack,
                    $margin,
                ),
                ['need' => 900.0, 'stock' => 500.0, 'again' => 300.0, 'pack' => 1000.0, 'margin' => 0.2],
            ],
            'traits' => [self::traits(...), ['ph' => 7.0, 'dwell' => 30.0]],
            'seen' => [
                static fn(int $soil, int $wheels): Assessment => new Assessment($soil, wheelSoil: $wheels),
                ['soil' => 2, 'wheels' => 3],
            ],
            'vehicle' => [
                static fn(float $m2, int $next): MatchedVehicle => new MatchedVehicle(
                    $m2,
                    Tone::Mid,
                    nextTurnInDays: $next,
                ),
                ['m2' => 10.0, 'next' => 14],
            ],
            'place' => [
                static fn(float $tap, float $treated): Place => new Place(tapTds: $tap, treatedTds: $treated),
                ['tap' => 220.0, 'treated' => 4.0],
            ],
            'panel' => [
                static fn(float $takes, float $heat, float $c): Panel => new Panel($takes, $heat, $c),
                ['takes' => 0.6, 'heat' => 2700.0, 'c' => 20.0],
            ],
            'air' => [
                static fn(float $c, float $rh, float $wind, float $sun): Air => new Air($c, $rh, $wind, $sun),
                ['c' => 20.0, 'rh' => 0.6, 'wind' => 2.0, 'sun' => 300.0],
            ],
            'window' => [
                static fn(float $film): array => self::apart(
                    WorkingWindow::of($air, new Panel(0.6, 2700.0, 20.0), $film),
                ),
                ['film' => 0.02],
            ],
            'towels' => [
                static fn(float $m2, int $sides): mixed => TowelCount::of($m2, 2, false, $sides),
                ['m2' => 10.0, 'sides' => 8],
            ],
            'sun' => [
                static fn(float $latitude, float $longitude): array => [
                    ($sun = Sun::at($latitude, $longitude, $noon))->clearSky(),
                    $sun->under(0.5),
                ],
                ['latitude' => 55.0, 'longitude' => -2.0],
            ],
            'cloud' => [static fn(float $cloud): float => Sun::at(55.0, -2.0, $noon)->under($cloud), ['cloud' => 0.4]],
            'renewal window' => [RenewalWindow::atRisk(...), ['caution' => 0.3]],
            'interval' => [FailureInterval::of(...), ['held' => 3.0, 'failed' => 5.0]],
            'life' => [
                static fn(float $low, float $high, float $worn, float $risk): float => (new LifeModel($low, $high))
                    ->forecast([], [], $worn)
                    ->quantile($risk),
                ['low' => 8.0, 'high' => 26.0, 'worn' => 3.0, 'risk' => 0.3],
            ],
            'marks' => [
                static fn(float $px): mixed => MarkedDrop::at([0.0, 0.0], [100.0, 0.0], [50.0, -60.0], $px),
                ['px' => 1.5],
            ],
            'wash' => [static fn(float $day): Wash => new Wash($day), ['day' => 4.0]],
            'drop' => [
                static fn(float $base, float $height): mixed => Drop::measured($base, $height),
                ['base' => 4.0, 'height' => 2.5],
            ],
            'drop by angle' => [static fn(float $angle): mixed => Drop::ofAngle($angle), ['angle' => 95.0]],
            'habits' => [
                static fn(float $km, int $month): Habits => Habits::of(Storage::Garage, Road::Normal, $km, [$month]),
                ['km' => 200.0, 'month' => 11],
            ],
            'wear' => [
                static fn(float $washes, float $factor): float => (new WearFactors())->perWeek(
                    Habits::of(Storage::Garage, Road::Normal, 200.0),
                    $washes,
                    $factor,
                ),
                ['washes' => 0.5, 'factor' => 1.2],
            ],
            'regime' => [
                static fn(int $every, int $salt, float $weeks, float $caution, float $wash): Regime => new Regime(
                    'a',
                    $every,
                    $salt,
                    TopperRule::cases()[0],
                    $weeks,
                    $caution,
                    $wash,
                    false,
                    0.3,
                    3,
                    ['wash' => 60.0, 'topper' => 12.0],
                    ['wash' => 40.0, 'topper' => 0.0],
                    ['wash' => 300.0, 'topper' => 200.0],
                ),
                ['every' => 14, 'salt' => 7, 'weeks' => 8.0, 'caution' => 0.3, 'wash' => 1.0],
            ],
            'subject' => [
                static fn(float $life, float $between, float $each): Subject => new Subject(
                    $life,
                    $between,
                    $each,
                    array_fill(0, YearAhead::DAYS, 0.1),
                    array_fill(0, YearAhead::DAYS, false),
                    0.0,
                    0.2,
                    0.4,
                    3,
                ),
                ['life' => 12.0, 'between' => 0.25, 'each' => 0.2],
            ],
        ];
    }

    /** @param array<string, int|float|string|null> $facts */
    private static function refusal(Closure $make, array $facts): mixed
    {
        try {
            return $make(...$facts);
        } catch (InvalidInput $e) {
            return ['refused' => $e->field, 'says' => $e->says];
        }
    }

    private static function traits(float $ph = 7.0, float $dwell = 30.0): ProductTraits
    {
        return new ProductTraits(
            Role::Soap,
            $ph,
            Leaves::Nothing,
            Strips::None,
            false,
            [Zone::Paint],
            4.0,
            30.0,
            $dwell,
            false,
            true,
        );
    }

    /** @return array<string, mixed> fact by fact, each short enough to be read */
    private static function apart(object $of): array
    {
        return array_map(
            static fn(mixed $fact): mixed => strlen((string) json_encode($fact)) > 80 ? Written::short($fact) : $fact,
            (array) Written::of($of),
        );
    }
}
