<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use Closure;
use DateTimeImmutable;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Ahead\Regime;
use Vicissa\Core\Ahead\Subject;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Ahead\YearAhead;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\DayCurve;
use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Drying\WindowTable;
use Vicissa\Core\Drying\WorkingWindow;
use Vicissa\Core\House\Numbers;
use Vicissa\Core\Kit\Laundry;
use Vicissa\Core\Kit\Retirement;
use Vicissa\Core\Kit\Shortage;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Planning\Alternatives;
use Vicissa\Core\Planning\Cost;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\Reasons;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Practice\Standing;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Diagnosis;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Protection\Gauge\GaugeReading;
use Vicissa\Core\Protection\Gauge\MarkedDrop;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\InspectionWindow;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Life\RenewalWindow;
use Vicissa\Core\Protection\Proof\Calibration;
use Vicissa\Core\Protection\Proof\Foretold;
use Vicissa\Core\Protection\Proof\SurvivalCurve;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Sky\Sun;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Tests\Planning\Instances;
use Vicissa\Core\Tests\Visit\Days;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\PaceBook;
use Vicissa\Core\Visit\Panels;
use Vicissa\Core\Visit\Remedies;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Resin;
use Vicissa\Core\Water\Tank;

/** What is asked, by subject: many questions a subject, near the edges of the rules and between them. */
final class Questions
{
    /** @return array<string, Closure(): iterable<array-key, Closure(): mixed>> */
    public static function all(): array
    {
        return [
            'visits' => self::visits(...),
            'panels' => self::panels(...),
            'plans' => self::plans(...),
            'lives' => self::lives(...),
            'proof' => self::proof(...),
            'water' => self::water(...),
            'drying' => self::drying(...),
            'mixes' => self::mixes(...),
            'tanks' => self::tanks(...),
            'kit' => self::kit(...),
            'years' => self::years(...),
            'paces' => self::paces(...),
            'practice' => self::practice(...),
            'numbers' => self::numbers(...),
            ...QuestionsOfWork::all(),
            ...QuestionsOfValues::all(),
            ...QuestionsOfPlanning::all(),
            ...QuestionsOfTurns::all(),
        ];
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function visits(): iterable
    {
        for ($seed = 1; $seed <= 480; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(90_000_000 + $seed);
            $situation = Scene::of($facts);
            $laying = Laying::of($situation, $schools, $outfit);
            yield "match {$seed}" => static fn(): array => [$laying->match, $laying->order()];
            yield "steps {$seed}" => static fn(): array => [$laying->steps, $laying->cautions(), $laying->sections];
            if ($seed % 3 === 0) {
                yield "visit {$seed}" => static function () use ($situation, $schools, $outfit): array {
                    $visit = Visit::of($situation, $schools, $outfit);

                    return [
                        $visit->totals,
                        $visit->doses,
                        $visit->problems,
                        $visit->clash,
                        $visit->schedule?->finish,
                        Remedies::for($visit, $situation, $schools, $outfit),
                    ];
                };
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function panels(): iterable
    {
        foreach (Body::cases() as $body) {
            yield $body->value => static fn(): array => array_map(
                static fn(object $one): array => (array) Written::of($one),
                Panels::of($body)->all,
            );
            foreach (range(1, 6) as $goes) {
                yield "{$body->value} in {$goes}" => static fn(): mixed => Panels::of($body)->inGoes($goes);
            }
            yield "{$body->value} area" => static fn(): float => $body->paintM2();
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function plans(): iterable
    {
        $drawn = array_map(
            static fn(int $seed): array => [$seed, 1 + ($seed % 9), 14 + 7 * ($seed % 4), 1 + ($seed % 3)],
            range(30, 89),
        );
        foreach (
            [
                ...$drawn,
                [11, 3, 21, 1],
                [12, 5, 28, 1],
                [13, 4, 35, 2],
                [14, 6, 14, 1],
                [15, 8, 28, 2],
                [16, 5, 42, 1],
                [17, 7, 21, 1],
                [18, 9, 21, 2],
                [19, 2, 56, 1],
                [20, 10, 28, 3],
                [21, 6, 28, 1],
                [22, 1, 70, 1],
                [23, 7, 35, 2],
                [24, 4, 21, 1],
                [25, 18, 14, 2],
                [26, 24, 10, 3],
            ]
            as [$seed, $vehicles, $days, $crews]
        ) {
            $instance = Instances::draw($seed, $vehicles, $days, $crews, locks: $seed % 2 === 0);
            if ($seed % 3 === 0 || $seed > 60) {
                $instance = Instances::papered($instance, $seed);
            }
            $plan = Planner::plan($instance, 12);
            yield "plan {$seed}" => static fn(): array => [self::sorted($plan->visits), $plan->cost, $plan->bound];
            yield "cost {$seed}" => static fn(): Cost => Cost::of($instance, $plan->visits);
            yield "reasons {$seed}" => static fn(): array => Reasons::of($instance, $plan->visits);
            foreach (array_slice($plan->visits, 0, 4) as $i => $visit) {
                yield "elsewhere {$seed} {$i}" => static fn(): Alternatives => Alternatives::to(
                    $instance,
                    $plan->visits,
                    $visit->vehicle,
                    $visit->day,
                );
            }
            yield "nothing {$seed}" => static fn(): array => [Cost::of($instance, []), Reasons::of($instance, [])];
            $fewer = array_values(
                array_filter($plan->visits, static fn(PlacedVisit $one): bool => $one->day % 3 !== 0),
            );
            yield "again {$seed}" => static fn(): array => self::sorted(
                Planner::again($instance, $fewer, shakes: 4)->visits,
            );
        }
    }

    /**
     * @param list<PlacedVisit> $visits
     * @return list<PlacedVisit>
     */
    private static function sorted(array $visits): array
    {
        usort(
            $visits,
            static fn(PlacedVisit $a, PlacedVisit $b): int => [$a->day, $a->vehicle] <=> [$b->day, $b->vehicle],
        );

        return $visits;
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function lives(): iterable
    {
        $sure = FailureInterval::of(...);
        foreach ([[4.0, 8.0], [6.0, 6.0], [20.0, 30.0], [90.0, 160.0]] as $label) {
            $model = new LifeModel(...$label);
            $mid = sqrt($label[0] * $label[1]);
            foreach (
                [
                    'nothing' => [[], []],
                    'one failed' => [[], [$sure(0.4 * $mid, 0.6 * $mid)]],
                    'two held' => [[], [$sure(1.2 * $mid), $sure(0.2 * $mid)]],
                    'others' => [
                        [[$sure(0.5 * $mid, 0.7 * $mid)], [$sure(0.9 * $mid), $sure(1.1 * $mid, 1.3 * $mid)]],
                        [],
                    ],
                    'both' => [[[$sure(1.5 * $mid, 2.0 * $mid)]], [$sure(0.3 * $mid, 0.35 * $mid), $sure(0.1 * $mid)]],
                ]
                as $name => [$others, $own]
            ) {
                $sum = LifeModel::together(array_map($model->vehicleEvidence(...), $others));
                foreach ([0.0, 0.3 * $mid, 0.9 * $mid] as $worn) {
                    yield sprintf('%s %s-%s worn %.2f', $name, ...[...$label, $worn]) => static function () use (
                        $model,
                        $sum,
                        $own,
                        $worn,
                    ): array {
                        $life = $model->forecast($sum, $own, $worn);

                        return [
                            $life->productLife,
                            $life->vehicleEffect(),
                            array_map($life->quantile(...), [0.01, 0.1, 0.3, 0.5, 0.9, 0.99]),
                            array_map($life->risk(...), [0.5, 3.0, 9.0, 40.0]),
                        ];
                    };
                }
                yield sprintf('%s %s-%s failed', $name, ...$label) => static fn(): array => [
                    $model->forecast($sum, $own, 0.2 * $mid, 0.5 * $mid)->quantile(0.5),
                    $model->forecast($sum, $own, 0.2 * $mid, 0.5 * $mid)->productLife,
                ];
            }
        }
        foreach ([0.05, 0.1, 0.3, 0.5] as $caution) {
            yield "renewal {$caution}" => static fn(): RenewalWindow => RenewalWindow::atRisk($caution);
        }
        foreach ([null, 20_000_000, 90_000_000] as $from) {
            yield 'look ' . ($from ?? 'never') => static fn(): InspectionWindow => InspectionWindow::of(
                10_000_000,
                $from,
            );
        }
        foreach (Storage::cases() as $storage) {
            foreach (Road::cases() as $road) {
                yield "habits {$storage->value} {$road->value}" => static fn(): Habits => Habits::of(
                    $storage,
                    $road,
                    180.0,
                    [1, 2],
                );
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function proof(): iterable
    {
        foreach ([3, 9, 25, 60] as $layers) {
            foreach ([1, 2, 3] as $seed) {
                $random = new Randomizer(new Xoshiro256StarStar(100 * $layers + $seed));
                $lives = $told = [];
                for ($i = 0; $i < $layers; $i++) {
                    $held = $random->getInt(10, 120) / 10;
                    $life = FailureInterval::of(
                        $held,
                        $random->getInt(0, 3) === 0 ? null : $held + $random->getInt(1, 30) / 10,
                    );
                    $lives[] = $life;
                    $middle = $random->getInt(40, 100) / 10;
                    $told[] = new Foretold(
                        array_combine(
                            range(10, 90, 10),
                            array_map(static fn(int $p): float => $middle * ($p / 50) ** 0.6, range(10, 90, 10)),
                        ),
                        $life,
                    );
                }
                yield "curve {$layers} {$seed}" => static fn(): array => [
                    ($curve = SurvivalCurve::of($lives, $seed))->points,
                    $curve->median(),
                    $curve->isTooFew(),
                    $curve->steps,
                    SurvivalCurve::of($lives, $seed, band: false)->points,
                ];
                yield "calibration {$layers} {$seed}" => static fn(): Calibration => Calibration::of($told);
            }
        }
        foreach ([[0.0, 60.0], [4.0, 18.0], [10.0, 30.0], [20.0, 90.0]] as [$depth, $half]) {
            yield "drop {$depth} {$half}" => static fn(): MarkedDrop => MarkedDrop::at(
                [0.0, 0.0],
                [2.0 * $half, $depth],
                [$half, -0.8 * $half],
            );
            yield "drops {$depth} {$half}" => static fn(): GaugeReading => GaugeReading::of([
                MarkedDrop::at([0.0, 0.0], [2.0 * $half, 0.0], [$half, -$half]),
                MarkedDrop::at([0.0, 0.0], [2.0 * $half, $depth], [0.9 * $half, -0.7 * $half]),
            ]);
        }
        foreach (range(8, 140, 6) as $degrees) {
            yield "angle {$degrees}" => static fn(): Drop => Drop::ofAngle((float) $degrees);
        }
        foreach ([0.14, 0.15, 0.16, 0.84, 0.85, 0.86] as $along) {
            yield "top at {$along}" => static fn(): MarkedDrop => MarkedDrop::at(
                [0.0, 0.0],
                [100.0, 0.0],
                [100.0 * $along, -40.0],
            );
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function water(): iterable
    {
        $may = [null, ...Behaviour::cases()];
        foreach (Designed::cases() as $designed) {
            foreach ($may as $arrival) {
                foreach ($may as $wash) {
                    foreach ([null, Behaviour::Flat, Behaviour::Weak, Behaviour::Tight, Behaviour::Good] as $decon) {
                        foreach ([null, Behaviour::Weak, Behaviour::Tight] as $topper) {
                            $name = implode(
                                ' ',
                                array_map(static fn(?Behaviour $one): string => $one->value ?? '-', [
                                    $arrival,
                                    $wash,
                                    $decon,
                                    $topper,
                                ]),
                            );
                            yield "{$designed->value} {$name}" => static fn(): Diagnosis => Diagnosis::from(
                                $designed,
                                $arrival,
                                $wash,
                                $decon,
                                $topper,
                            );
                        }
                    }
                }
            }
        }
        foreach ([[51.0, -3.0], [64.1, -21.9], [-36.8, 174.7]] as [$latitude, $longitude]) {
            foreach (
                ['2027-01-15T09:00', '2027-03-20T12:00', '2027-06-21T04:00', '2027-06-21T13:00', '2027-11-02T17:00']
                as $at
            ) {
                yield "sun {$latitude} {$at}" => static fn(): Sun => Sun::at(
                    $latitude,
                    $longitude,
                    new DateTimeImmutable($at . ':00Z'),
                );
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function drying(): iterable
    {
        foreach (
            [
                [-2.0, 0.9, 1.0, 0.0],
                [8.0, 0.85, 2.0, 60.0],
                [18.0, 0.6, 1.5, 350.0],
                [26.0, 0.4, 4.0, 820.0],
                [34.0, 0.25, 6.0, 950.0],
            ]
            as $i => [$c, $rh, $wind, $sun]
        ) {
            $air = new Air($c, $rh, $wind, $sun);
            foreach (Tone::cases() as $tone) {
                foreach (Material::cases() as $material) {
                    foreach (Film::cases() as $film) {
                        yield "window {$i} {$tone->value} {$material->value} {$film->value}" => static fn(): ?float => WorkingWindow::of(
                            $air,
                            new Panel(
                                $tone->absorptance(),
                                $material->heat(),
                                Panel::settlesAt($air, $tone->absorptance()),
                            ),
                            $film->kgM2(),
                        )->workingS();
                    }
                }
                yield "day {$i} {$tone->value}" => static fn(): DayCurve => DayCurve::of(
                    [$air, $air],
                    $tone,
                    Material::Steel,
                    Film::cases()[0],
                );
            }
            yield "table {$i}" => static fn(): WindowTable => WindowTable::of($air, 0.7, 6000.0, Film::cases()[0]);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function mixes(): iterable
    {
        foreach (
            [[8.0, 1000.0, 75.0], [6.5, 1000.0, 60.0], [10.0, 750.0, 120.0], [5.0, 500.0, 30.0]]
            as [$l, $ml, $s]
        ) {
            foreach ([0.002, 0.01, 0.05, 0.2, 0.6, 1.0] as $share) {
                yield "lance {$l} {$ml} {$s} {$share}" => static fn(): array => [
                    ($panel = Lance::calibrated($l, $ml, $s)->forPanel($share)),
                    $panel->reachable(),
                    $panel->fill(800.0),
                    ($bottle = Lance::calibrated($l, $ml, $s)->forBottle($share)),
                    $bottle->fill(1000.0),
                ];
            }
        }
        foreach (School::cases() as $school) {
            yield "school {$school->value}" => static fn(): array => $school->sides();
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function tanks(): iterable
    {
        foreach ([[60.0, 2.5, 40.0], [100.0, 0.0, 100.0], [200.0, 4.0, 20.0]] as [$l, $make, $start]) {
            foreach ([0.0, 20.0, 60.0] as $on) {
                yield "tank {$l} {$make} {$on}" => static fn(): mixed => (new Tank($l, min($on, $l), $make, 0.4))->run(
                    $start,
                    [new Draw(5.0, 6.0, 8.0), new Draw(30.0, 12.0, 6.5), new Draw(50.0, 4.0, 9.0)],
                    120.0,
                );
            }
        }
        foreach ([-1.0, 0.0, 1.0, 1000.0, 1001.0, INF] as $litres) {
            yield "vessel {$litres}" => static fn(): array => [
                ($resin = new Resin($litres, 18.0))->litresLeft(180.0, 4.0),
                array_map($resin->warns(...), [0.0, 14.0, 16.0, 18.0]),
                array_map($resin->shareLeft(...), [0.0, 9.0, 40.0]),
            ];
        }
        foreach ([0.0, 0.5, 50_000.0, 50_001.0] as $feed) {
            yield "feed {$feed}" => static fn(): float => (new Resin(2.0, 18.0))->litresLeft($feed);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function kit(): iterable
    {
        foreach (['wash', 'large', 'wheels', 'glass', 'topper', 'sills', 'jambs'] as $use) {
            yield "after {$use}" => static fn(): ?string => Retirement::after($use);
            foreach ([[0, 0], [10, 0], [10, 990], [10, 2000], [10, 3000], [4, 1200]] as [$pieces, $laundered]) {
                yield "worn {$use} {$pieces} {$laundered}" => static fn(): array => Retirement::of(
                    $use,
                    $pieces,
                    $laundered,
                );
            }
            foreach ([null, 'sills', 'wheels', 'jambs', 'wash'] as $to) {
                yield "step {$use} " . ($to ?? 'away') => static fn(): bool => Retirement::allows($use, $to);
            }
        }
        foreach (
            [
                [10, 0, ['2027-01-04' => 4, '2027-01-05' => 4]],
                [10, 6, ['2027-01-04' => 5, '2027-01-05' => 5, '2027-01-06' => 5]],
                [3, 0, ['2027-01-04' => 4]],
                [0, 0, ['2027-01-04' => 2]],
            ]
            as $i => [$pieces, $dirty, $needs]
        ) {
            yield "laundry {$i}" => static fn(): Laundry => Laundry::of($pieces, $dirty, $needs);
        }
        foreach (
            [
                [0.0, 400.0, 500.0, 1000.0],
                [700.0, 400.0, 0.0, 1000.0],
                [300.0, 400.0, 200.0, null],
                [5000.0, 0.0, 0.0, 750.0],
            ]
            as $i => $of
        ) {
            yield "shortage {$i}" => static fn(): Shortage => Shortage::of(...$of);
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function years(): iterable
    {
        foreach (TopperRule::cases() as $rule) {
            foreach ([[0.05, 5, 0.3], [0.2, 3, 0.1], [0.25, 2, 0.5]] as $i => [$soil, $ceiling, $caution]) {
                yield "{$rule->value} {$i}" => static fn(): YearAhead => YearAhead::of(
                    new Subject(
                        8.0,
                        0.2,
                        0.25,
                        array_fill(0, 365, 0.125),
                        array_map(static fn(int $day): bool => $day < 60 || $day > 330, range(0, 364)),
                        1.5,
                        $soil,
                        1.3,
                        $i,
                    ),
                    new Regime(
                        $rule->value,
                        14 + 3 * $i,
                        $i === 1 ? 7 : null,
                        $rule,
                        7.0 + $i,
                        $caution,
                        1.0 + 0.2 * $i,
                        $i > 0,
                        0.8,
                        $ceiling,
                        ['wash' => 90, 'topper' => 15],
                        ['wash' => 260, 'topper' => 180],
                        ['wash' => 60.0, 'topper' => 4.0],
                    ),
                    5,
                    30,
                );
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function paces(): iterable
    {
        foreach ([1, 2, 3] as $seed) {
            yield "paces {$seed}" => static function () use ($seed): array {
                $book = PaceBook::of(self::worked($seed));

                return [
                    $book->toKeep(),
                    $book->for(),
                    $book->for('car-1', ['ann']),
                    $book->for('car-2', ['ann', 'bo']),
                    $book->for('new', ['new']),
                    array_map($book->for('car-1')->nineInTen(...), [10.0, 95.0]),
                    PaceBook::kept($book->toKeep())->for('car-1', ['bo']),
                ];
            };
        }
    }

    /**
     * Steps and whole visits somebody worked, some by nobody known.
     *
     * @return list<array{kind: string|null, person: string|null, vehicle: string, estimated: float, took: float,
     *     weight?: float}>
     */
    private static function worked(int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar(7_000 + $seed));
        $any = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $seen = [];
        for ($i = 0; $i < 20 * $seed; $i++) {
            $estimated = $random->getInt(2, 40) * 1.0;
            $seen[] = [
                'kind' => $any(['wash', 'dry', 'wheels-brush', null]),
                'person' => $any(['ann', 'bo', null]),
                'vehicle' => $any(['car-1', 'car-2', 'car-3']),
                'estimated' => $estimated,
                'took' => ($estimated * $random->getInt(40, 260)) / 100,
                ...$i % 9 === 0 ? ['weight' => 4.0] : [],
            ];
        }

        return $seen;
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function practice(): iterable
    {
        foreach (Judgement::cases() as $focus) {
            foreach (range(1, Standing::HARDEST) as $level) {
                foreach (range(1, 12) as $seed) {
                    yield "{$focus->value} {$level} {$seed}" => static fn(): CaseDraw => CaseDraw::of(
                        $seed,
                        $focus,
                        $level,
                    );
                }
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function numbers(): iterable
    {
        foreach (Numbers::catalogue() as $id => $number) {
            yield $id => static fn(): object => $number;
        }
    }
}
