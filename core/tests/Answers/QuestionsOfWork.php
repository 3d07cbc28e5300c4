<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use Closure;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Mix\Dilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\Doses\Vessel;
use Vicissa\Core\Mix\Doses\VesselKind;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Money\ProtectedWeek;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Money\TimeSpent;
use Vicissa\Core\Money\TurnCost;
use Vicissa\Core\Money\WaterUsed;
use Vicissa\Core\Money\YearQuote;
use Vicissa\Core\Money\YearRhythm;
use Vicissa\Core\Planning\DayOrder;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\PlanCheck;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Planning\SkyRules;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Life\Normal;
use Vicissa\Core\Says\Refusal;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Sheet\Schedule\Dwell;
use Vicissa\Core\Sheet\Schedule\Infeasible;
use Vicissa\Core\Sheet\Schedule\Scheduler;
use Vicissa\Core\Sheet\Schedule\Task;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Tests\Planning\Instances;
use Vicissa\Core\Tests\Visit\Days;
use Vicissa\Core\Units\Measures;
use Vicissa\Core\Units\VolumeUnit;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Urge;
use Vicissa\Core\Visit\Visit;

/** What is asked about days, orders, schedules, vessels, money and measures. */
final class QuestionsOfWork
{
    /** @return array<string, Closure(): iterable<array-key, Closure(): mixed>> */
    public static function all(): array
    {
        return [
            'doses' => self::doses(...),
            'urges' => self::urges(...),
            'schedules' => self::schedules(...),
            'orders' => self::orders(...),
            'skies' => self::skies(...),
            'checks' => self::checks(...),
            'money' => self::money(...),
            'measures' => self::measures(...),
        ];
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function doses(): iterable
    {
        $kit = [
            'buckets' => [new Vessel('Bucket', VesselKind::Bucket, 12000.0)],
            'much' => [
                new Vessel('Bucket', VesselKind::Bucket, 15000.0),
                new Vessel('Lance', VesselKind::Lance, 1000.0),
                new Vessel('Small', VesselKind::Sprayer, 1500.0),
                new Vessel('Large', VesselKind::Sprayer, 5000.0),
                new Vessel('Bottle', VesselKind::Bottle, 500.0),
            ],
        ];
        for ($seed = 1; $seed <= 60; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(91_000_000 + $seed);
            foreach ($kit as $name => $vessels) {
                foreach ([null, Lance::calibrated(8.0, 1000.0, 75.0)] as $i => $lance) {
                    yield "{$name} {$i} {$seed}" => static fn(): mixed => Visit::of(
                        Scene::of($facts),
                        $schools,
                        new Outfit($outfit->crew, $outfit->body, $vessels, $lance, $outfit->tank),
                    )->doses;
                }
            }
        }
        foreach ([1.0, 1.0001, 0.0, -0.1, NAN] as $share) {
            yield "share {$share}" => static fn(): mixed => self::dilution(
                static fn(): Dilution => Dilution::of($share, Said::of('dilution.neat')),
            );
        }
        foreach ([[0.0, 1.0], [1.0, 0.0], [1.0, -1.0], [3.0, 9.0]] as [$product, $water]) {
            yield "parts {$product} {$water}" => static fn(): mixed => self::dilution(
                static fn(): Dilution => Dilution::ofParts($product, $water, Said::of('dilution.neat')),
            );
        }
        foreach (['1:4', '10:1', '2%', '1 oz per gal', '3 caps per 5 l', 'neat', '1 in 10', '½ cap per l'] as $text) {
            yield "reads {$text}" => static fn(): mixed => self::dilution(
                static fn(): Dilution => (new DilutionReader(10.0, 2.0))->read($text),
            );
        }
        foreach ([[0.5, 0.01], [8.0, 1e-6], [8.0, 1.0], [60.0, 0.5], [61.0, 0.5]] as [$l, $share]) {
            yield "lance {$l} {$share}" => static fn(): mixed => Lance::calibrated($l, 1000.0, 60.0)->forPanel($share);
        }
    }

    /** @param Closure(): Dilution $make */
    private static function dilution(Closure $make): mixed
    {
        try {
            return $make();
        } catch (Refusal $e) {
            return $e->says->code;
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function urges(): iterable
    {
        $hours = [];
        foreach (range(6, 20) as $hour) {
            $hours[$hour] = [
                'air' => new Air(12.0 + $hour, 0.5, 2.0, max(0.0, 900.0 - 12.0 * ($hour - 13) ** 2)),
                'rain' => $hour === 9,
            ];
        }
        for ($seed = 1; $seed <= 16; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(92_000_000 + $seed);
            $facts = [
                ...$facts,
                'weather' => [30.0, 0.35, 2.0, 850.0],
                'panel' => null,
                'bay' => false,
                'rain' => false,
            ];
            $situation = Scene::of($facts);
            $laying = Laying::of($situation, $schools, $outfit);
            foreach ([null, 8, 12, 15] as $hour) {
                yield "urge {$seed} " . ($hour ?? '-') => static fn(): array => $laying->match->possible()
                    ? Urge::for($laying, $situation, $schools, $hours, $hour)
                    : [];
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function schedules(): iterable
    {
        for ($seed = 1; $seed <= 120; $seed++) {
            yield "schedule {$seed}" => static function () use ($seed): mixed {
                $random = new Randomizer(new Xoshiro256StarStar(40_000 + $seed));
                $crew = $random->getInt(1, 3);
                $tasks = [];
                for ($i = 0; $i < $random->getInt(3, 11); $i++) {
                    $before = array_filter(
                        range(0, $i),
                        static fn(int $j): bool => $j < $i && $random->getInt(0, 3) === 0,
                    );
                    $of = $i > 0 && $random->getInt(0, 3) === 0 ? 's' . $random->getInt(0, $i - 1) : null;
                    $least = $random->getInt(0, 6);
                    $tasks[] = new Task(
                        "s{$i}",
                        $random->getInt(0, 12),
                        $random->getInt(1, min(2, $crew)),
                        array_values(array_map(static fn(int $j): string => "s{$j}", $before)),
                        $of === null
                            ? null
                            : new Dwell(
                                $of,
                                $least,
                                $random->getInt(0, 1) === 0 ? null : $least + $random->getInt(0, 25),
                            ),
                    );
                }
                try {
                    $schedule = Scheduler::earliest($crew, $tasks);
                } catch (Infeasible $e) {
                    return ['clash' => $e->clash, 'says' => $e->says];
                }

                return [$schedule->finish, $schedule->bound, $schedule->slack, $schedule->isProven()];
            };
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function orders(): iterable
    {
        foreach ([0, 1, 2, 4, 6, 8, 10, 11, 14, 18] as $n) {
            foreach ([1, 2, 3] as $seed) {
                $random = new Randomizer(new Xoshiro256StarStar(1_000 * $n + $seed));
                $stops = [];
                for ($i = 0; $i < $n; $i++) {
                    $opens = $random->getInt(0, 2) === 0 ? 60 * $random->getInt(8, 11) : 0;
                    $stops[] = [
                        'minutes' => $random->getInt(20, 120),
                        'opens' => $opens,
                        'closes' => $random->getInt(0, 2) === 0 ? 60 * $random->getInt(13, 18) : 1440,
                        'hot' => $random->getInt(0, 1) === 0 ? [] : [12 => true, 13 => true, 14 => true],
                    ];
                }
                $travel = [];
                for ($i = 0; $i <= $n; $i++) {
                    $row = [];
                    for ($j = 0; $j <= $n; $j++) {
                        $row[] = $i === $j ? 0 : $random->getInt(3, 45);
                    }
                    $travel[] = $row;
                }
                yield "order {$n} {$seed}" => static fn(): DayOrder => DayOrder::of($stops, $travel, 480);
                yield "given {$n} {$seed}" => static fn(): float => DayOrder::cost(
                    $stops,
                    $travel,
                    480,
                    $n === 0 ? [] : range(0, $n - 1),
                );
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function skies(): iterable
    {
        $hour = static fn(float $c, float $rain = 0.0, float $wind = 2.0): array => [
            'air_c' => $c,
            'rain_mm' => $rain,
            'wind_m_s' => $wind,
        ];
        $days = [
            'fine' => array_fill(0, 8, $hour(18.0)),
            'frost' => [...array_fill(0, 4, $hour(1.0)), ...array_fill(0, 4, $hour(6.0))],
            'at the frost' => array_fill(0, 4, $hour(3.0)),
            'half lost' => [...array_fill(0, 4, $hour(10.0, 2.0)), ...array_fill(0, 4, $hour(10.0))],
            'quarter lost' => [...array_fill(0, 2, $hour(10.0, 2.0)), ...array_fill(0, 6, $hour(10.0))],
            'quarter wet' => [...array_fill(0, 2, $hour(10.0, 0.3)), ...array_fill(0, 6, $hour(10.0))],
            'more wet' => [...array_fill(0, 3, $hour(10.0, 0.3)), ...array_fill(0, 5, $hour(10.0))],
            'windy' => array_fill(0, 8, $hour(12.0, 0.0, 10.0)),
            'stormy' => array_fill(0, 8, $hour(12.0, 0.0, 17.0)),
            'cold' => array_fill(0, 8, $hour(4.9)),
            'just warm' => array_fill(0, 8, $hour(5.0)),
        ];
        foreach ($days as $name => $hours) {
            yield $name => static fn(): Sky => (new SkyRules())->sky($hours, 3.0);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function checks(): iterable
    {
        foreach ([31, 32, 33, 34] as $seed) {
            $instance = Instances::papered(Instances::draw($seed, 5, 28, 2, locks: true), $seed);
            $visits = Planner::plan($instance, 6)->visits;
            yield "whole {$seed}" => static fn(): array => PlanCheck::broken($instance, $visits);
            foreach ([1, 4, 7] as $by) {
                yield "later {$by} {$seed}" => static fn(): array => PlanCheck::broken(
                    $instance,
                    array_map(
                        static fn(PlacedVisit $one): PlacedVisit => new PlacedVisit(
                            $one->vehicle,
                            $one->day + $by,
                            $one->crew,
                            $one->bits,
                        ),
                        $visits,
                    ),
                );
            }
            foreach ([1, 2, 4, 8] as $bit) {
                yield "kinds {$bit} {$seed}" => static fn(): array => PlanCheck::broken(
                    $instance,
                    array_map(
                        static fn(PlacedVisit $one): PlacedVisit => new PlacedVisit(
                            $one->vehicle,
                            $one->day,
                            $one->crew,
                            $one->bits ^ $bit,
                        ),
                        $visits,
                    ),
                );
            }
            yield "once each {$seed}" => static fn(): array => PlanCheck::broken($instance, array_slice($visits, 0, 3));
            yield "twice {$seed}" => static fn(): array => PlanCheck::broken($instance, [
                ...$visits,
                ...array_slice($visits, 0, 2),
            ]);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function money(): iterable
    {
        $rates = new Rates();
        foreach (
            [
                [14, null, 0, 6.0, 120, true, null],
                [10, 7, 5, null, null, false, 84],
                [21, 14, 4, 9.5, 365, true, 200],
                [28, 28, 12, 2.0, null, false, null],
            ]
            as $i => $rhythm
        ) {
            yield "times {$i}" => static fn(): array => (new YearRhythm(...$rhythm))->times();
            yield "quote {$i}" => static fn(): YearQuote => YearQuote::of(
                new YearRhythm(...$rhythm),
                [
                    'wash' => new TurnCost(310.0, 20.0, 40.0, 12.0, 2100.0, 700.0),
                    'topper' => new TurnCost(products: 220.0, time: 500.0),
                    'decon' => new TurnCost(products: 410.0, time: 1400.0),
                    'inspection' => new TurnCost(time: 300.0),
                    'base' => new TurnCost(products: 1200.0, time: 3000.0),
                ],
                ['wash' => 75.0, 'topper' => 12.0, 'decon' => 40.0, 'inspection' => 8.0, 'base' => 90.0],
                $i % 2 === 0 ? ['wash' => 4900, 'topper' => 1500] : [],
                $rates,
            );
        }
        foreach ([[0.0, 0.0], [45.5, 180.0], [120.0, 380.0]] as [$litres, $feed]) {
            yield "water {$litres} {$feed}" => static fn(): array => [
                ($treated = WaterUsed::treated($litres, $feed, 0.5, 18.0))->drawn(),
                $treated->resinL(),
                WaterUsed::tap($litres)->drawn(),
                TurnCost::of(
                    $rates,
                    [
                        ['ml' => 30.0, 'pack_ml' => 500.0, 'price_minor' => 1900],
                        ['ml' => 12.0, 'pack_ml' => null, 'price_minor' => 900],
                    ],
                    [],
                    $treated,
                    new TimeSpent(80.0, 2, 24.0),
                )->rounded(),
            ];
        }
        foreach (
            [[180.0, 12.0, 6.0, [4.0, 8.0]], [90.0, 6.0, 2.5, null], [400.0, 20.0, 40.0, [20.0, 60.0]]]
            as $i => [$minor, $minutes, $life, $label]
        ) {
            yield "week {$i}" => static fn(): ProtectedWeek => ProtectedWeek::of(
                $minor,
                $minutes,
                $life,
                $label,
                $rates,
            );
        }
        foreach (
            [
                ['labour_minor_h' => 3000],
                ['travel_minor_min' => -1],
                ['margin_percent' => 1e9],
                ['currency' => ''],
                ['currency' => 'skilling'],
                [],
            ]
            as $i => $facts
        ) {
            yield "rates {$i}" => static fn(): array => Rates::read($facts)->named();
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function measures(): iterable
    {
        foreach (Measures::cases() as $measures) {
            foreach ([-3.5, 0.0, 0.4, 0.999, 1.0, 2.36, 40.0, 173.25] as $value) {
                yield "{$measures->value} {$value}" => static fn(): array => [
                    $measures->temperature($value),
                    $measures->area($value),
                    $measures->litres($value),
                ];
            }
        }
        foreach ([0.0, 89.9, 90.0, 100.0, 125.0, 129.0, 130.0, 179.9, 180.0, 3600.0] as $s) {
            yield "time {$s}" => static fn(): string => Measures::time($s);
        }
        foreach (VolumeUnit::cases() as $unit) {
            yield "unit {$unit->value}" => static fn(): array => [$unit->millilitres(), $unit->spoken(2.0)];
        }
        foreach (['ml', 'cc', 'litre', 'ltr', 'oz', 'fl oz', 'uk gal', 'us gallons', 'imp oz', 'spoon', ''] as $word) {
            yield "reads {$word}" => static fn(): ?VolumeUnit => VolumeUnit::read($word);
        }
        foreach (Family::cases() as $family) {
            yield "family {$family->value}" => static fn(): array => [
                $family->isShortLived(),
                $family->isLasting(),
                $family->typicalLabelWeeks(),
            ];
        }
        foreach ([1e-9, 0.001, 0.2, 0.5, 0.7, 0.999, 1 - 1e-9] as $p) {
            yield "normal {$p}" => static fn(): array => [
                Normal::quantile($p),
                Normal::below(4.0 * $p - 2.0),
                Normal::above(6.0 * $p),
                Normal::between($p, 2.0),
                Normal::density($p),
            ];
        }
        foreach (Body::cases() as $body) {
            yield "wheels {$body->value}" => static fn(): int => (new Outfit(1, $body))->wheels();
        }
        $said = Said::of(
            'clash.lies',
            id: 'a',
            minutes: 3,
            others: ['a', Said::of('step.wash'), 'b'],
            of: Said::of('step.dry', id: 'b'),
        );
        yield 'named' => static fn(): Said => $said->naming(['a' => Said::written('A'), 'b' => Said::written('B')]);
        yield 'schools' => static fn(): array => Schools::of()->all();
    }
}
