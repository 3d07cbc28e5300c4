<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Planning;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Planning\Alternatives;
use Vicissa\Core\Planning\Bound;
use Vicissa\Core\Planning\Cost;
use Vicissa\Core\Planning\Course;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\FoundPlan;
use Vicissa\Core\Planning\Groups;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\MinutePrices;
use Vicissa\Core\Planning\Parts;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\PlanCheck;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Sky;
use Vicissa\Core\Planning\Unmet;

/**
 * The weeks: against published optima, against every plan there is where that can be counted, and against its own hard
 * rules.
 */
final class PlanTest extends TestCase
{
    use TestTrait;

    /**
     * @return iterable<string, array{array{start: string, days: int, crews: list<array<string, mixed>>,
     *     weather: array<string, array<string, string>>, sites: list<array<string, mixed>>,
     *     vehicles: list<array<string, mixed>>}, array{optimum: float, bound: float}}>
     */
    public static function vectors(): iterable
    {
        foreach (
            json_decode((string) file_get_contents(__DIR__ . '/../vectors/plan.json'), true, 512, JSON_THROW_ON_ERROR)
            as $vector
        ) {
            yield $vector['name'] => [$vector['input'], $vector['expect']];
        }
    }

    /**
     * @param array{start: string, days: int, crews: list<array<string, mixed>>, weather: array<string, array<string,
     *     string>>, sites: list<array<string, mixed>>, vehicles: list<array<string, mixed>>} $input
     * @param array{optimum: float, bound: float} $expect
     */
    #[DataProvider('vectors')]
    public function testWithinFivePerCentOfThePublishedOptimum(array $input, array $expect): void
    {
        $instance = Instances::read($input);
        $plan = Planner::plan($instance);
        self::assertSame([], PlanCheck::broken($instance, $plan->visits));
        self::assertSame(
            [],
            array_filter(
                $plan->unmet,
                static fn(Unmet $one): bool => str_starts_with($one->what, 'deadline') ||
                    str_starts_with($one->what, 'lock'),
            ),
        );
        self::assertGreaterThanOrEqual(
            $expect['optimum'] - 1e-6,
            $plan->cost->total,
            'nothing is cheaper than the optimum',
        );
        self::assertLessThanOrEqual(1.05 * $expect['optimum'] + 1e-6, $plan->cost->total);
        self::assertLessThanOrEqual($expect['optimum'] + 1e-6, $plan->bound);
        self::assertGreaterThanOrEqual(0.95 * $expect['optimum'], $plan->bound, 'and that can nearly be proven');
    }

    /** However long it is raised, and whoever hopes for more: no plan that is found may be cheaper. */
    public function testTheBoundNeverLiesAboveAPlan(): void
    {
        foreach (
            [[3, 10, 28, 1], [5, 14, 42, 1], [8, 12, 35, 2], [717, 24, 56, 2]]
            as [$seed, $vehicles, $days, $crews]
        ) {
            $instance = Instances::draw($seed, $vehicles, $days, $crews, 3, true);
            $plan = Planner::plan($instance, 250);
            $missed = count(array_filter($plan->unmet, static fn(Unmet $one): bool => $one->binding));
            $cost = $plan->cost->total + Course::MISSED * $missed;
            $courses = array_map(
                static fn(PlanVehicle $vehicle): Course => new Course($instance, $vehicle),
                $instance->vehicles,
            );
            $first = new MinutePrices($instance, $courses);
            $first->raise(40, 2.0 * $cost);
            $bound = new Bound($instance, $courses);
            $bound->raise(60, 2.0 * $cost);
            self::assertLessThanOrEqual($cost + 1e-6, $bound->value, "seed {$seed}");
            self::assertGreaterThan($first->value, $bound->value, 'more prices tell more');
        }
    }

    /** Of many only minutes and trips have a price, soon found: where there is room, and where minutes are scarce. */
    public function testTheBoundOfManyComesNearInFewSteps(): void
    {
        foreach ([[11, 60, 28, 5, 0.97], [5, 55, 28, 2, 0.53]] as [$seed, $vehicles, $days, $crews, $near]) {
            $instance = Instances::draw($seed, $vehicles, $days, $crews);
            $cost = Planner::plan($instance, 400)->cost->total;
            $courses = array_map(
                static fn(PlanVehicle $vehicle): Course => new Course($instance, $vehicle),
                $instance->vehicles,
            );
            $bound = new Bound($instance, $courses);
            $bound->raise(6, $cost);
            self::assertLessThanOrEqual($cost + 1e-6, $bound->value);
            self::assertGreaterThan($near * $cost, $bound->value, "{$vehicles} vehicles, {$crews} crews");
        }
    }

    /** Asked to hold in nine of ten cases, a day is left the minutes that takes, and nothing counts less for it. */
    public function testADayCanBeAskedToHoldInNineOfTenCases(): void
    {
        foreach ([[21, 10, 35, 1], [22, 12, 28, 2]] as [$seed, $vehicles, $days, $crews]) {
            $plain = Instances::draw($seed, $vehicles, $days, $crews);
            $asked = static fn(int $holds, float $spread = 0.3): Instance => new Instance(
                $plain->start,
                $plain->days,
                $plain->crews,
                $plain->sky,
                array_values($plain->sites),
                array_map(
                    static fn(PlanVehicle $one): PlanVehicle => new PlanVehicle(
                        ...[...get_object_vars($one), 'spread' => $spread, 'common' => $spread / 2],
                    ),
                    $plain->vehicles,
                ),
                new PlanRules(overtimeMost: 0, holds: $holds),
            );
            $sure = Planner::plan($asked(90), 120);
            self::assertSame([], PlanCheck::broken($asked(90), $sure->visits));
            self::assertLessThanOrEqual($sure->cost->total + 1e-6, $sure->bound);
            self::assertGreaterThan(
                Cost::of($asked(50), $sure->visits)->total - 1e-9,
                $sure->cost->total,
                'what is kept free never saves anything',
            );
            self::assertNotSame(
                [],
                PlanCheck::broken($asked(90), Planner::plan($asked(50), 120)->visits),
                'planned with the middle, some days would not hold',
            );
            // Who is off by nothing needs nothing kept free.
            self::assertEquals(Planner::plan($asked(50, 0.0), 40), Planner::plan($asked(90, 0.0), 40));
        }
    }

    /** A large book in parts: everybody in one of them, places whole, and put together again no rule is broken. */
    public function testALargeBookIsPlannedInParts(): void
    {
        $instance = Instances::draw(9, 130, 14, 7);
        $parts = Groups::of($instance);
        self::assertGreaterThan(1, count($parts));
        $all = static fn(string $of): array => array_merge(
            ...array_map(static fn(Instance $part): array => array_column($part->{$of}, 'id'), $parts),
        );
        self::assertEqualsCanonicalizing(array_column($instance->vehicles, 'id'), $all('vehicles'));
        self::assertEqualsCanonicalizing(array_column($instance->crews, 'id'), $all('crews'));
        $where = [];
        foreach ($parts as $n => $part) {
            self::assertNotSame([], $part->crews);
            foreach ($part->vehicles as $vehicle) {
                self::assertSame($n, $where[$vehicle->site] ??= $n, 'a place stays whole');
            }
        }
        $calls = 0;
        $plan = Planner::plan(
            $instance,
            told: static function () use (&$calls): bool {
                return ++$calls < 4;
            },
        );
        self::assertSame([], PlanCheck::broken($instance, $plan->visits));
        self::assertNotSame([], $plan->visits, 'stopped early, what there was is put together all the same');
    }

    public function testOneVehicleAloneIsExact(): void
    {
        $this->limitTo(40)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                $instance = Instances::draw($seed, 1, 9, 1, locks: $seed % 2 === 0);
                [$least, $missed] = $this->bruteForce($instance);
                $plan = Planner::plan($instance, 1);
                self::assertSame([], PlanCheck::broken($instance, $plan->visits));
                self::assertEqualsWithDelta($missed, $this->missed($plan), 1e-9, "seed {$seed}");
                self::assertEqualsWithDelta($least, $plan->cost->total, 1e-6, "seed {$seed}");
                self::assertLessThanOrEqual($least + 1e-6, $plan->bound);
            });
    }

    public function testTwoVehiclesAreWithinFivePerCentOfAllPlansThereAre(): void
    {
        $this->limitTo(25)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                $instance = Instances::draw($seed, 2, 9, 1, perSite: ($seed % 2) + 1, toppers: false);
                [$least, $missed] = $this->bruteForce($instance);
                $plan = Planner::plan($instance, 60);
                self::assertEqualsWithDelta($missed, $this->missed($plan), 1e-9, "seed {$seed}");
                self::assertLessThanOrEqual(1.05 * $least + 1e-6, $plan->cost->total, "seed {$seed}");
                self::assertLessThanOrEqual($least + 1e-6, $plan->bound, "seed {$seed}");
            });
    }

    public function testHardRulesHoldWhateverIsAsked(): void
    {
        $this->limitTo(25)
            ->forAll(Generators::choose(0, 1_000_000), Generators::choose(2, 14), Generators::choose(1, 3))
            ->then(function (int $seed, int $vehicles, int $crews): void {
                $instance = Instances::papered(Instances::draw($seed, $vehicles, 28, $crews, locks: true), $seed);
                $plan = Planner::plan($instance, 40);
                self::assertSame([], PlanCheck::broken($instance, $plan->visits), "seed {$seed}");
                self::assertLessThanOrEqual($plan->cost->total + 1e-9, $plan->bound);
                // Whatever is locked stands as locked, or is reported.
                foreach ($instance->vehicles as $vehicle) {
                    foreach ($vehicle->locks as $day => $bits) {
                        $stands = array_filter(
                            $plan->visits,
                            static fn(PlacedVisit $visit): bool => $visit->vehicle === $vehicle->id &&
                                $visit->day === $day &&
                                $visit->bits === $bits,
                        );
                        $said = array_filter(
                            $plan->unmet,
                            static fn(Unmet $one): bool => $one->vehicle === $vehicle->id &&
                                $one->what === 'lock ' . Day::date($day),
                        );
                        self::assertCount(1, [...$stands, ...$said]);
                    }
                    foreach ($vehicle->deadlines as [$first, $last]) {
                        $kept = array_filter(
                            $plan->visits,
                            static fn(PlacedVisit $visit): bool => $visit->vehicle === $vehicle->id &&
                                $visit->day >= $first &&
                                $visit->day <= $last,
                        );
                        $said = array_filter(
                            $plan->unmet,
                            static fn(Unmet $one): bool => $one->vehicle === $vehicle->id &&
                                $one->what === 'deadline ' . Day::date($last),
                        );
                        self::assertTrue(($kept === []) === ($said !== []), "seed {$seed}");
                    }
                }
            });
    }

    public function testEqualWeeksGiveEqualPlans(): void
    {
        $plan = static fn(): FoundPlan => Planner::plan(Instances::draw(7, 12, 42, 2), 80);
        self::assertEquals($plan(), $plan());
    }

    public function testADeadlineThatCantBeMetIsSaidWithItsReason(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'hearse',
            'mews',
            ['wash' => 90, 'topper' => 20, 'decon' => 40],
            5,
            10,
            20,
            $day - 5,
            deadlines: [[$day + 3, $day + 6]],
            closed: [$day + 3 => true],
        );
        $instance = new Instance(
            $day,
            14,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 4), 400))],
            [$day + 4 => new Sky(false)],
            [new PlanSite('mews', 15)],
            [$vehicle],
        );
        $unmet = Planner::plan($instance)->unmet;
        self::assertSame('deadline ' . Day::date($day + 6), $unmet[0]->what);
        self::assertSame(
            'Nobody works on 2 days, the vehicle is away on 1 day, the weather forbids it on 1 day.',
            Told::en($unmet[0]->why),
        );
    }

    public function testNobodyIsSentWhereTheyMayNotGo(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'shuttle',
            'yard',
            ['wash' => 60, 'topper' => 20, 'decon' => 40],
            3,
            7,
            10,
            $day - 7,
            locks: [$day + 8 => 0],
        );
        $crews = [
            new PlanCrew('a', array_fill_keys(range($day, $day + 13), 400)),
            new PlanCrew('b', array_fill_keys(range($day, $day + 3), 400)),
        ];
        // Crew a is on no register there; crew b's papers hold for two days.
        $site = new PlanSite(
            'yard',
            20,
            [],
            [
                'a' => array_fill_keys(range($day, $day + 13), true),
                'b' => array_fill_keys(range($day + 2, $day + 13), true),
            ],
        );
        $instance = new Instance($day, 14, $crews, [], [$site], [$vehicle]);
        $plan = Planner::plan($instance);
        self::assertSame([], PlanCheck::broken($instance, $plan->visits));
        self::assertSame(
            [['b', true]],
            array_map(static fn(PlacedVisit $visit): array => [$visit->crew, $visit->day < $day + 2], $plan->visits),
        );
        self::assertSame(
            ['lock ' . Day::date($day + 8), 'Nobody who works on that day may go there.'],
            [$plan->unmet[0]->what, Told::en($plan->unmet[0]->why)],
            'a lock opens no gate',
        );
        $else = Alternatives::to($instance, $plan->visits, 'shuttle', $plan->visits[0]->day);
        self::assertSame('Nobody who works may go there.', Told::en($else->days[$day + 3]['why']));
    }

    public function testAnInspectionRidesOnTheVisitNearestToItsDate(): void
    {
        $day = Instances::START;
        $with = static fn(int $due, array $locks = []): PlanVehicle => new PlanVehicle(
            'tourer',
            'mews',
            ['wash' => 90, 'topper' => 20, 'decon' => 40, 'inspection' => 25],
            5,
            10,
            20,
            $day - 10,
            locks: $locks,
            inspection: new Cycle($due - 30, $due, $due + 5, 365),
        );
        $weeks = static fn(PlanVehicle $vehicle, int $minutes = 400): Instance => new Instance(
            $day,
            40,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 39), $minutes))],
            [],
            [new PlanSite('mews', 10)],
            [$vehicle],
        );
        $carried = static fn(FoundPlan $plan): array => array_values(
            array_map(
                static fn(PlacedVisit $visit): int => $visit->day - $day,
                array_filter($plan->visits, static fn(PlacedVisit $visit): bool => ($visit->bits & 4) !== 0),
            ),
        );
        $plan = Planner::plan($weeks($with($day + 24)));
        self::assertSame(
            [0, 10, 20],
            array_map(static fn(PlacedVisit $visit): int => $visit->day - $day, $plan->visits),
        );
        self::assertSame([20], $carried($plan));
        self::assertSame([10], $carried(Planner::plan($weeks($with($day + 13)))));
        self::assertSame([], $carried(Planner::plan($weeks($with($day + 40)))), 'due after the end, it can wait');
        self::assertSame(
            [10],
            $carried(Planner::plan($weeks($with($day + 24, [$day => 0, $day + 10 => 4, $day + 20 => 0])))),
            'what is locked stays',
        );
        $full = Planner::plan($weeks($with($day + 24), 60));
        self::assertSame(
            [[], 'inspection'],
            [$carried($full), $full->unmet[0]->what ?? ''],
            'no visit has the minutes for it',
        );
        self::assertSame(25 * 0.5, Planner::plan($weeks($with($day + 24), 100))->cost->overtime, 'its minutes count');
    }

    public function testALockMovesAsLittleElseAsTheCostAllows(): void
    {
        $instance = Instances::draw(11, 12, 42, 2);
        $plan = Planner::plan($instance);
        $visit = $plan->visits[5];
        $to = array_values(
            array_filter(
                range($visit->day + 1, $visit->day + 12),
                fn(int $day): bool => $this->mayGo($instance, $visit, $day),
            ),
        )[0];
        $locked = new Instance(
            $instance->start,
            $instance->days,
            $instance->crews,
            $instance->sky,
            array_values($instance->sites),
            array_map(
                static fn(PlanVehicle $v): PlanVehicle => $v->id !== $visit->vehicle
                    ? $v
                    : $v->locked([$to => $visit->bits]),
                $instance->vehicles,
            ),
        );
        $again = Planner::again($locked, $plan->visits);
        self::assertSame([], PlanCheck::broken($locked, $again->visits));
        $days = static fn(FoundPlan $of): array => array_map(
            static fn(PlacedVisit $one): string => $one->vehicle . ' ' . $one->day,
            $of->visits,
        );
        self::assertContains($visit->vehicle . ' ' . $to, $days($again));
        $others = static fn(array $all): array => array_filter(
            $all,
            static fn(string $one): bool => !str_starts_with($one, $visit->vehicle . ' '),
        );
        $moved = static fn(FoundPlan $of): int => count(array_diff($others($days($of)), $days($plan)));
        self::assertLessThanOrEqual(3, $moved($again));
        self::assertLessThanOrEqual($moved(Planner::plan($locked, seed: 5)), $moved($again));
    }

    public function testWhereNothingHasChangedNothingMoves(): void
    {
        $this->limitTo(20)
            ->forAll(Generators::choose(0, 1_000_000), Generators::choose(1, 14))
            ->then(function (int $seed, int $vehicles): void {
                $instance = Instances::papered(Instances::draw($seed, $vehicles, 35, 2, locks: true), $seed);
                $plan = Planner::plan($instance, 30);
                self::assertEquals($plan->visits, Planner::again($instance, $plan->visits)->visits, "seed {$seed}");
            });
    }

    public function testAMovedVisitCostsNobodyMoreThanGoingRoundTheOthers(): void
    {
        $this->limitTo(20)
            ->forAll(Generators::choose(0, 1_000_000), Generators::choose(3, 14))
            ->then(function (int $seed, int $vehicles): void {
                $instance = Instances::draw($seed, $vehicles, 35, 2);
                $plan = Planner::plan($instance, 30);
                if ($plan->visits === []) {
                    return;
                }
                $visit = $plan->visits[intdiv(count($plan->visits), 2)];
                $to = min($instance->end - 1, $visit->day + 2);
                $locked = self::changed(
                    $instance,
                    $visit->vehicle,
                    static fn(PlanVehicle $v): PlanVehicle => $v->locked([$to => $visit->bits]),
                );
                $again = Planner::again($locked, $plan->visits, 3.0, 30);
                // The others exactly as they stood, by locks; only this one free.
                $held = new Instance(
                    $locked->start,
                    $locked->days,
                    $locked->crews,
                    $locked->sky,
                    array_values($locked->sites),
                    array_map(static function (PlanVehicle $v) use ($plan, $visit): PlanVehicle {
                        $own = array_filter(
                            $plan->visits,
                            static fn(PlacedVisit $one): bool => $one->vehicle === $v->id,
                        );

                        return $v->id === $visit->vehicle
                            ? $v
                            : $v->locked(
                                array_column(
                                    array_map(static fn(PlacedVisit $one): array => [$one->day, $one->bits], $own),
                                    1,
                                    0,
                                ),
                            );
                    }, $locked->vehicles),
                );
                $alone = Planner::again($held, $plan->visits, 0.0, 1);
                if (
                    $this->missed($alone) === $this->missed($again) &&
                    count(
                        array_filter(
                            $alone->visits,
                            static fn(PlacedVisit $one): bool => $one->vehicle !== $visit->vehicle,
                        ),
                    ) ===
                        count(
                            array_filter(
                                $plan->visits,
                                static fn(PlacedVisit $one): bool => $one->vehicle !== $visit->vehicle,
                            ),
                        )
                ) {
                    self::assertLessThanOrEqual($alone->cost->total + 1e-6, $again->cost->total, "seed {$seed}");
                }
                $others = static fn(FoundPlan $of): array => array_map(
                    static fn(PlacedVisit $one): string => "{$one->vehicle} {$one->day}",
                    array_filter($of->visits, static fn(PlacedVisit $one): bool => $one->vehicle !== $visit->vehicle),
                );
                // A visit more where nothing goes is no move.
                $moved = count(array_diff($others($plan), $others($again)));
                self::assertLessThanOrEqual(
                    max(0.0, $alone->cost->total - $again->cost->total) / 3.0 + 1e-6,
                    $moved,
                    "seed {$seed}: each that moved saved its price",
                );
                self::assertSame([], PlanCheck::broken($locked, $again->visits));
            });
    }

    public function testAShortLivedBaseIsRenewedInTimeAndItsTopperWithIt(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'waxed',
            'mews',
            ['wash' => 90, 'topper' => 20, 'decon' => 40, 'base' => 70],
            5,
            10,
            20,
            $day - 10,
            new Cycle($day + 15, $day + 20, $day + 30, 30),
            base: new Cycle($day + 5, $day + 11, $day + 20, 50),
        );
        $instance = new Instance(
            $day,
            40,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 39), 400))],
            [$day + 10 => new Sky(topper: false)],
            [new PlanSite('mews', 10)],
            [$vehicle],
        );
        $plan = Planner::plan($instance);
        $bits = array_column(
            array_map(static fn(PlacedVisit $visit): array => [$visit->day - $day, $visit->bits], $plan->visits),
            1,
            0,
        );
        self::assertSame([8], array_values(array_filter($bits)), 'the base once, and no topper beside it');
        self::assertContains(
            array_search(8, $bits, true),
            [9, 11],
            'the day before, for that day’s weather lets nothing go on',
        );
        self::assertSame([], PlanCheck::broken($instance, $plan->visits));
        self::assertEqualsWithDelta(Cost::of($instance, $plan->visits)->total, $plan->bound, 1e-6, 'exact, and proven');
    }

    public function testWhatIsTooLongForADayGoesOnTheNext(): void
    {
        $day = Instances::START;
        $coach = static fn(bool $mayStay, array $together = []): PlanVehicle => new PlanVehicle(
            'coach',
            'depot',
            ['wash' => 600, 'topper' => 60, 'decon' => 90],
            20,
            28,
            40,
            $day - 28,
            together: $together,
            mayStay: $mayStay,
        );
        $weeks = static fn(PlanVehicle $vehicle, int $people = 1): Instance => new Instance(
            $day,
            14,
            [new PlanCrew('van', array_fill_keys([$day, $day + 1, $day + 2, $day + 3, $day + 4], 400), $people)],
            [],
            [new PlanSite('depot', 20)],
            [$vehicle],
        );
        $plan = Planner::plan($weeks($coach(true)));
        self::assertCount(1, $plan->visits);
        self::assertSame(
            [['day' => $day, 'minutes' => 380], ['day' => $day + 1, 'minutes' => 220]],
            Parts::of(
                $weeks($coach(true)),
                $coach(true),
                new PlanCrew('van', array_fill_keys(range($day, $day + 4), 400)),
                $plan->visits[0]->day,
                0,
            ),
        );
        self::assertSame(2 * 20 * 0.1, $plan->cost->travel, 'the way is gone twice');
        self::assertSame([], PlanCheck::broken($weeks($coach(true)), $plan->visits));
        $alone = Planner::plan($weeks($coach(false)));
        self::assertSame([], $alone->visits);
        $by = $coach(false, [2 => ['wash' => 330, 'topper' => 35, 'decon' => 50]]);
        self::assertCount(1, Planner::plan($weeks($by, 2))->visits, 'two can do it in a day');
        $overdue = Planner::plan($weeks($coach(false)->locked([$day + 1 => 0])));
        self::assertStringContainsString(
            'It takes 620 minutes with the way, and the longest day has 400: more people at it',
            Told::en($overdue->unmet[0]->why),
        );
    }

    public function testWhatNobodyCanReachAnyMoreIsSaid(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'coach',
            'depot',
            ['wash' => 90, 'topper' => 20, 'decon' => 40],
            5,
            10,
            30,
            $day - 10,
        );
        $shut = array_fill_keys(range($day + 6, $day + 27), true);
        $instance = new Instance(
            $day,
            28,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 27), 400))],
            [],
            [new PlanSite('depot', 20, $shut, papersUntil: $day + 5)],
            [$vehicle],
        );
        $unmet = Planner::plan($instance)->unmet;
        self::assertSame(
            ['papers'],
            array_map(static fn(Unmet $one): string => $one->what, $unmet),
            'the gap is not too long yet, and still it is said',
        );
        self::assertStringContainsString('Nobody is let in after ' . Day::date($day + 5), Told::en($unmet[0]->why));
    }

    public function testATopperThatComesTooLateSaysWhatStandsAgainstIt(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'a',
            'yard',
            ['wash' => 90, 'topper' => 20, 'decon' => 40],
            5,
            7,
            10,
            $day - 6,
            new Cycle($day, $day + 3, $day + 6, 56),
        );
        $wet = array_fill_keys(range($day, $day + 13), new Sky(true, false, false));
        $instance = new Instance(
            $day,
            14,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 13), 300))],
            $wet,
            [new PlanSite('yard', 10)],
            [$vehicle],
        );
        $why = Planner::plan($instance)->unmet;
        self::assertSame(['topper'], array_map(static fn(Unmet $one): string => $one->what, $why));
        self::assertMatchesRegularExpression(
            '/^Too late after ' .
                Day::date($day + 6) .
                '; none fits before the end\. The weather forbids it on [0-9, -]+; a dry day, or a bay, would hold it\.$/',
            Told::en($why[0]->why),
        );
    }

    public function testWhatADayHasNothingToDoWithIsNotPlannedThere(): void
    {
        $day = Instances::START;
        $vehicle = new PlanVehicle(
            'a',
            'yard',
            ['wash' => 90, 'topper' => 20, 'decon' => 40, 'base' => 60],
            5,
            7,
            10,
            $day - 6,
            new Cycle($day - 3, $day, $day + 6, 56),
            new Cycle($day, $day + 3, $day + 20, 90),
        );
        // Every day is too cold for the topper but one; iron goes off at any time.
        $cold = $vehicle->without(array_diff_key(array_fill_keys(range($day, $day + 13), 1), [$day + 5 => true]));
        $weeks = static fn(PlanVehicle $vehicle, bool $bay, bool $wet = false): Instance => new Instance(
            $day,
            14,
            [new PlanCrew('van', array_fill_keys(range($day, $day + 13), 400))],
            $wet ? array_fill_keys(range($day, $day + 13), new Sky(false, true, false)) : [],
            [new PlanSite('yard', 10, bay: $bay)],
            [$vehicle],
        );
        $plan = Planner::plan($weeks($cold, false));
        self::assertSame(
            [5 => 1],
            array_filter(
                array_map(
                    static fn(int $bits): int => $bits & 1,
                    array_column(
                        array_map(
                            static fn(PlacedVisit $visit): array => [$visit->day - $day, $visit->bits],
                            $plan->visits,
                        ),
                        1,
                        0,
                    ),
                ),
            ),
        );
        self::assertSame([], PlanCheck::broken($weeks($cold, false), $plan->visits));
        self::assertStringContainsString(
            'nothing but',
            PlanCheck::broken($weeks($cold->without([$day + 5 => 1]), false), $plan->visits)[0],
        );
        self::assertSame(
            'Topper: nothing on the shelf goes on in that weather.',
            Told::en(Alternatives::to($weeks($cold, false), $plan->visits, 'a', $day + 5)->days[$day + 4]['why']),
        );
        $never = Planner::plan($weeks($vehicle->without(array_fill_keys(range($day, $day + 13), 1)), false))->unmet;
        self::assertStringContainsString('Nothing on the shelf goes on in the weather of', Told::en($never[0]->why));
        self::assertStringEndsWith('a bay, or a product for such a day, would hold it.', Told::en($never[0]->why));
        self::assertSame([], Planner::plan($weeks($vehicle, false, true))->visits, 'it pours');
        self::assertEquals(
            Planner::plan($weeks($vehicle, false))->visits,
            Planner::plan($weeks($vehicle, true, true))->visits,
            'in a bay it is as on dry days',
        );
    }

    public function testFullDaysSayWhatWouldHoldIt(): void
    {
        $day = Instances::START;
        $of = static fn(string $id, array $locks, array $deadlines = []): PlanVehicle => new PlanVehicle(
            $id,
            "at {$id}",
            ['wash' => 200, 'topper' => 20, 'decon' => 40],
            5,
            10,
            30,
            $day - 6,
            deadlines: $deadlines,
            locks: $locks,
        );
        $crew = new PlanCrew('van', [$day + 1 => 240, $day + 3 => 200]);
        $instance = new Instance(
            $day,
            7,
            [$crew],
            [],
            [new PlanSite('at a', 10), new PlanSite('at b', 10), new PlanSite('at c', 10)],
            [$of('a', [$day + 1 => 0]), $of('b', [$day + 3 => 0]), $of('c', [], [[$day + 1, $day + 3]])],
        );
        $unmet = Planner::plan($instance)->unmet;
        self::assertSame('deadline ' . Day::date($day + 3), $unmet[0]->what);
        self::assertSame(
            'The crews are full on 2 days, nobody works on 1 day. 2:00 hours more on Tuesday ' .
                Day::date($day + 1) .
                ' would hold it.',
            Told::en($unmet[0]->why),
        );
    }

    public function testHowGoodADayIsStandsInWords(): void
    {
        self::assertSame(
            ['better', 'just as good', 'hardly worse', 'a little worse', 'clearly worse', 'much worse'],
            array_map(static fn(float $points): string => Told::en(Alternatives::worth($points)), [
                -3.0,
                0.0,
                1.0,
                5.0,
                20.0,
                57.0,
            ]),
        );
    }

    public function testWhatElseTakesTheTimeThatTripsAndFullDaysTake(): void
    {
        $instance = Instances::draw(5, 12, 28, 2);
        $plan = Planner::plan($instance, 1);
        $sites = array_column($instance->vehicles, 'site', 'id');
        $people = array_column($instance->crews, 'people', 'id');
        $seen = [];
        foreach (array_slice($plan->visits, 0, 8) as $visit) {
            $site = $sites[$visit->vehicle];
            $others = array_filter(
                $plan->visits,
                static fn(PlacedVisit $one): bool => $one->vehicle !== $visit->vehicle,
            );
            $hop = $instance->sites[$site]->hopMin;
            $shared = static fn(int $day, ?string $crew): bool => array_filter(
                $others,
                static fn(PlacedVisit $one): bool => $one->day === $day &&
                    ($crew === null || $one->crew === $crew) &&
                    $sites[$one->vehicle] === $site,
            ) !== [];
            $else = Alternatives::to($instance, $plan->visits, $visit->vehicle, $visit->day);
            self::assertSame($shared($visit->day, $visit->crew) ? 0 : $hop, $else->toll['road']);
            self::assertSame($people[$visit->crew], $else->toll['people']);
            self::assertSame(
                array_keys(array_filter($else->days, static fn(array $of): bool => $of['cost'] !== null)),
                array_keys($else->tolls),
            );
            foreach ($else->tolls as $day => $toll) {
                $seen[] = $toll['road'] === 0 ? 'shared' : ($toll['over'] > 0 ? 'over' : 'own');
                self::assertContains($toll['road'], $shared($day, null) ? [0, $hop] : [$hop]);
                self::assertGreaterThanOrEqual(0, $toll['over']);
                self::assertLessThanOrEqual($instance->rules->overtimeMost, $toll['over']);
            }
        }
        self::assertEqualsCanonicalizing(['shared', 'own'], array_values(array_unique(array_diff($seen, ['over']))));
    }

    public function testWhatElseCostsWhatItWouldCost(): void
    {
        $instance = Instances::draw(3, 1, 28, 1);
        $plan = Planner::plan($instance, 1);
        self::assertNotSame([], $plan->visits);
        $visit = $plan->visits[0];
        $else = Alternatives::to($instance, $plan->visits, 'v0', $visit->day);
        self::assertStringContainsString('days after the visit before', Told::en($else->why[0]));
        foreach ($else->days as $day => ['cost' => $cost, 'why' => $why]) {
            if ($cost === null) {
                self::assertNotNull($why);

                continue;
            }
            // The same by planning it so.
            $v = $instance->vehicles[0];
            $forced = new Instance(
                $instance->start,
                $instance->days,
                $instance->crews,
                $instance->sky,
                array_values($instance->sites),
                [
                    new PlanVehicle(
                        $v->id,
                        $v->site,
                        $v->minutes,
                        $v->min,
                        $v->target,
                        $v->max,
                        $v->lastWash,
                        $v->topper,
                        $v->decon,
                        $v->closed + [$visit->day => true],
                        $v->deadlines,
                        [$day => $visit->bits],
                    ),
                ],
            );
            self::assertEqualsWithDelta(
                Planner::plan($forced, 1)->cost->total - $plan->cost->total,
                $cost,
                1e-6,
                Day::date($day),
            );
            self::assertGreaterThanOrEqual(-1e-9, $cost, 'alone, nothing is better than the best');
        }
    }

    public function testALongSearchSaysHowFarItIsAndStopsWhenAsked(): void
    {
        $told = [];
        $plan = Planner::plan(
            Instances::draw(2, 10, 28, 1),
            100,
            told: static function (float $share) use (&$told): bool {
                $told[] = $share;

                return $share < 0.5;
            },
        );
        // While a bound is sought it stands where the quick part ends.
        self::assertSame([0.0, 0.08, 0.2, 0.4, 0.6], array_values(array_unique($told)));
        self::assertNotSame([], $plan->visits, 'what has been found so far is kept');
    }

    public function testNonsenseIsRefusedByName(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('fault.site');
        new Instance(
            Instances::START,
            7,
            [],
            [],
            [],
            [
                new PlanVehicle(
                    'v',
                    'quay',
                    ['wash' => 60, 'topper' => 10, 'decon' => 30],
                    5,
                    7,
                    9,
                    Instances::START - 3,
                    new Cycle(1, 2, null, 3),
                ),
            ],
        );
    }

    /** @param callable(PlanVehicle): PlanVehicle $how */
    private static function changed(Instance $instance, string $id, callable $how): Instance
    {
        return new Instance(
            $instance->start,
            $instance->days,
            $instance->crews,
            $instance->sky,
            array_values($instance->sites),
            array_map(static fn(PlanVehicle $v): PlanVehicle => $v->id === $id ? $how($v) : $v, $instance->vehicles),
        );
    }

    private function mayGo(Instance $instance, PlacedVisit $visit, int $day): bool
    {
        $vehicle = array_values(
            array_filter($instance->vehicles, static fn(PlanVehicle $one): bool => $one->id === $visit->vehicle),
        )[0];

        return $instance->isOpen($vehicle, $day) &&
            $instance->sky($day)->topper &&
            ($instance->crews[0]->minutes[$day] ?? 0) > 0;
    }

    private function missed(FoundPlan $plan): int
    {
        return count(
            array_filter(
                $plan->unmet,
                static fn(Unmet $one): bool => str_starts_with($one->what, 'deadline') ||
                    str_starts_with($one->what, 'lock'),
            ),
        );
    }

    /**
     * Every plan there is, checked by the rules and counted by Cost: no search in it.
     *
     * @return array{float, int} least cost among those that miss least, and what they miss
     */
    private function bruteForce(Instance $instance): array
    {
        $own = [];
        foreach ($instance->vehicles as $vehicle) {
            $course = new Course($instance, $vehicle);
            $plans = [[]];
            for ($day = $instance->start; $day < $instance->end; $day++) {
                $lock = $vehicle->locks[$day] ?? null;
                if (
                    ($lock === null && !$instance->isOpen($vehicle, $day)) ||
                    ($instance->crews[0]->minutes[$day] ?? 0) === 0
                ) {
                    continue;
                }
                $kinds =
                    $lock !== null
                        ? [$lock]
                        : ($vehicle->topper === null
                            ? [0]
                            : ($vehicle->decon === null
                                ? [0, 1]
                                : [0, 1, 2, 3]));
                foreach ($plans as $plan) {
                    foreach ($kinds as $bits) {
                        $plans[] = [...$plan, new PlacedVisit($vehicle->id, $day, 'c0', $bits)];
                    }
                }
            }
            $alone = new Instance(
                $instance->start,
                $instance->days,
                $instance->crews,
                $instance->sky,
                array_values($instance->sites),
                [$vehicle],
            );
            $own[] = array_values(
                array_filter($plans, static fn(array $plan): bool => PlanCheck::broken($alone, $plan) === []),
            );
            self::assertNotSame([], $course->days === [] ? [1] : $own[0]);
        }
        [$least, $missed] = [INF, PHP_INT_MAX];
        foreach ($own[0] as $one) {
            foreach ($own[1] ?? [[]] as $other) {
                $visits = [...$one, ...$other];
                if (count($own) > 1 && PlanCheck::broken($instance, $visits) !== []) {
                    continue;
                }
                $misses = $this->misses($instance, $visits);
                $cost = $misses > $missed ? INF : Cost::of($instance, $visits)->total;
                if ($misses < $missed || $cost < $least) {
                    [$least, $missed] = [$cost, $misses];
                }
            }
        }

        return [$least, $missed];
    }

    /** @param list<PlacedVisit> $visits */
    private function misses(Instance $instance, array $visits): int
    {
        $missed = 0;
        foreach ($instance->vehicles as $vehicle) {
            $days = [];
            foreach ($visits as $visit) {
                if ($visit->vehicle === $vehicle->id) {
                    $days[$visit->day] = $visit->bits;
                }
            }
            foreach ($vehicle->locks as $day => $bits) {
                $missed += ($days[$day] ?? null) === $bits ? 0 : 1;
            }
            foreach ($vehicle->deadlines as [$first, $last]) {
                $missed +=
                    $last >= $instance->start &&
                    $last < $instance->end &&
                    array_filter(array_keys($days), static fn(int $day): bool => $day >= $first && $day <= $last) === []
                        ? 1
                        : 0;
            }
        }

        return $missed;
    }
}
