<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Visit;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Visit\BodyPanel;
use Vicissa\Core\Visit\Caution;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Pace;
use Vicissa\Core\Visit\PaceBook;
use Vicissa\Core\Visit\Panels;
use Vicissa\Core\Visit\TankAtHand;
use Vicissa\Core\Visit\Totals;
use Vicissa\Core\Visit\Urge;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\VisitStep;

/** From a match to a visit that can be worked. */
final class VisitTest extends TestCase
{
    /** How many random visits each property is tried on. */
    private const VISITS = 2500;

    /** Visits are laid out once and looked at from every side; when each step begins is worked out for some of them. */
    public function testWhatNeverHappensOnFiveThousandVisits(): void
    {
        $worked = 0;
        for ($seed = 1; $seed <= self::VISITS; $seed++) {
            [$facts, $schools, $outfit] = Days::draw($seed);
            $laying = Laying::of(Scene::of($facts), $schools, $outfit);
            if (!$laying->match->possible()) {
                self::assertSame([], $laying->steps);
                self::assertNotSame('', $laying->match->method->why);

                continue;
            }
            $worked++;
            $never = new NeverEver($laying, $outfit, "seed {$seed}");
            $never->usesWhatIsNotReady();
            $never->warnsTooLate();
            $never->leavesAProductLying();
            $never->letsTwoCleanersMeet();
            $never->claysUnwashedOrUnsaid();
            $never->waxesWetPaint();
            $never->sealsDryWheelsWetly();
            $never->contradictsTheMatch();
            $never->driesByItselfWhereItMust();
            $never->takesWhatIsNotThere();
            $never->staysHot();
            $never->losesWhatIsPlanned();
        }
        self::assertGreaterThan(0.6 * self::VISITS, $worked);
    }

    public function testWhateverComesTheScheduleKeepsEveryDwell(): void
    {
        for ($seed = 1; $seed <= 250; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(7_000_000 + $seed);
            $situation = Scene::of($facts);
            $visit = Visit::of($situation, $schools, $outfit);
            $ids = array_map(static fn(VisitStep $step): string => $step->id, $visit->steps);
            self::assertSame($ids, array_values(array_unique($ids)));
            if ($visit->schedule === null) {
                self::assertNotSame([], $visit->problems, "seed {$seed}");
                self::assertNull($visit->totals->minutes);

                continue;
            }
            self::assertSame(['look', 'hand-over'], [$ids[0], $ids[count($ids) - 1]]);
            self::assertSame(max([0, ...array_values($visit->schedule->end)]), $visit->schedule->finish);
            self::assertSame($visit->schedule->finish, $visit->totals->minutes);
            self::assertGreaterThanOrEqual($visit->totals->minutes, $visit->totals->nineInTen);
            foreach ($visit->steps as $step) {
                if ($step->wait === null) {
                    continue;
                }
                $waited = 60.0 * ($visit->schedule->start[$step->id] - $visit->schedule->end[$step->wait->of]);
                self::assertGreaterThanOrEqual($step->wait->minS - 1e-6, $waited, "seed {$seed}: {$step->id} too soon");
                if ($step->wait->maxS !== null) {
                    self::assertLessThanOrEqual(
                        $step->wait->maxS + 1e-6,
                        $waited,
                        "seed {$seed}: {$step->id} too late",
                    );
                }
            }
        }
    }

    public function testMoreVehicleTakesMoreOfEverything(): void
    {
        for ($seed = 1; $seed <= 400; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(3_000_000 + $seed);
            $of = static fn(float $m2): Laying => Laying::of(Scene::of([...$facts, 'm2' => $m2]), $schools, $outfit);
            [$small, $big] = [$of(10.0), $of(40.0)];
            if (!$small->match->possible() || !$big->match->possible()) {
                continue;
            }
            [$few, $many] = [Totals::of($small, $outfit, null), Totals::of($big, $outfit, null)];
            $sum = static fn(Laying $laying): float => array_sum(
                array_map(static fn(VisitStep $step): float => $step->estimate * $step->people, $laying->steps),
            );
            self::assertGreaterThan(1.5 * $sum($small), $sum($big), "minutes, seed {$seed}");
            self::assertGreaterThanOrEqual(
                $few->tapL + $few->treatedL,
                $many->tapL + $many->treatedL,
                "litres, seed {$seed}",
            );
            foreach ($few->pools as $pool => $pieces) {
                self::assertGreaterThanOrEqual($pieces, $many->pools[$pool] ?? 0, "{$pool}, seed {$seed}");
            }
            self::assertGreaterThan(array_sum($few->pools), array_sum($many->pools), "towels, seed {$seed}");
        }
    }

    /**
     * @return iterable<string, array{array<string, mixed>, int, int, int, Body}> facts, people, least and most minutes
     */
    public static function spans(): iterable
    {
        $car = ['m2' => 10.0, 'due' => 60];
        yield 'quick on dust, wiped' => [[...$car, 'soil' => 1, 'scope' => 'quick'], 1, 15, 30, Body::Hatch];
        yield 'quick on dust, without a hose' => [
            [...$car, 'soil' => 1, 'scope' => 'quick', 'water' => 'none'],
            1,
            15,
            30,
            Body::Hatch,
        ];
        yield 'quick on dust, waterless' => [
            [...$car, 'soil' => 0, 'scope' => 'quick', 'without' => ['Bucket Wash']],
            1,
            15,
            30,
            Body::Hatch,
        ];
        yield 'usual on road film' => [[...$car, 'soil' => 2], 1, 70, 110, Body::Hatch];
        yield 'usual on road film, for two' => [[...$car, 'soil' => 2], 2, 45, 80, Body::Hatch];
        yield 'full with topper and dressing' => [
            [...$car, 'soil' => 2, 'scope' => 'full', 'kinds' => ['wash', 'topper']],
            1,
            110,
            150,
            Body::Hatch,
        ];
        yield 'a coach for two' => [
            ['m2' => Body::Coach->paintM2(), 'soil' => 2, 'base' => ['polymer'], 'due' => 60],
            2,
            180,
            300,
            Body::Coach,
        ];
    }

    /** @param array<string, mixed> $facts */
    #[DataProvider('spans')]
    public function testMinutesAreThoseOfADriveway(array $facts, int $crew, int $least, int $most, Body $body): void
    {
        $minutes = Visit::of(Scene::of($facts), Schools::of(), new Outfit($crew, $body))->totals->minutes;
        self::assertGreaterThanOrEqual($least, $minutes);
        self::assertLessThanOrEqual($most, $minutes);
    }

    public function testTheStepsOfAnOrdinaryVisit(): void
    {
        $facts = ['soil' => 4, 'on' => ['insects', 'tar'], 'due' => -3.0, 'scope' => 'full', 'wheels' => 3];
        $visit = Visit::of(Scene::of($facts), Schools::of(), new Outfit(2, Body::Estate));
        $steps = array_combine(
            array_map(static fn(VisitStep $step): string => $step->id, $visit->steps),
            $visit->steps,
        );
        self::assertSame(
            [
                'look',
                'water',
                'mix',
                'wheels-each.1',
                'wheels-each.2',
                'wheels-each.3',
                'wheels-each.4',
                'arches',
                'soften',
                'soften-wipe',
                'first-rinse',
                'prewash.1',
                'prewash-rinse.1',
                'prewash.2',
                'prewash-rinse.2',
                'foam',
                'gaps-foam',
                'foam-rinse',
                'tar',
                'wash',
                'rinse',
                'read',
                'topper',
                'dry',
                'wheels-dry',
                'jambs',
                'glass',
                'tyres',
                'tyres-wipe',
                'check',
                'hand-over',
            ],
            array_keys($steps),
        );
        self::assertSame('foam', $steps['foam-rinse']->wait?->of);
        self::assertStringContainsString(
            'decontaminate',
            strtolower(Told::en($steps['topper']->onlyIf)),
            'the tar comes off first, then the water decides',
        );
        self::assertNull($steps['wash']->onlyIf);
        $said = array_map(static fn(Caution $caution): string => Told::en($caution->says), $steps['foam']->cautions);
        self::assertContains('Snow: Not into the drain.', $said, 'what the label warns of');
        self::assertCount(
            1,
            array_filter($said, static fn(string $says): bool => str_contains($says, 'slippery')),
            'and nothing twice',
        );
        self::assertContains('Where the insects and lime were', Told::all($steps['check']->looks));
        self::assertTrue(
            array_filter(
                $steps['hand-over']->cautions,
                static fn(Caution $caution): bool => $caution->grave && $caution->hazard === 'brakes',
            ) !== [],
        );
        self::assertLessThan(
            Visit::of(Scene::of($facts), Schools::of(), new Outfit(1, Body::Estate))->schedule?->finish,
            $visit->schedule?->finish,
        );
    }

    public function testATallVehicleHasAPlatformAndFillsItsTankAgain(): void
    {
        $situation = Scene::of([
            'soil' => 3,
            'm2' => 55.0,
            'water' => 'treated',
            'treated' => 8.0,
            'tap' => 320.0,
            'tone' => 'dark',
        ]);
        $visit = Visit::of(
            $situation,
            Schools::of(),
            new Outfit(2, Body::Coach, tank: new TankAtHand(100.0, 80.0, 2.5)),
        );
        $kinds = array_count_values(array_map(static fn(VisitStep $step): string => $step->kind, $visit->steps));
        self::assertSame(1, $kinds['platform']);
        self::assertGreaterThanOrEqual(1, $kinds['refill']);
        self::assertGreaterThanOrEqual(3, $kinds['wash']);
        $wash = array_values(array_filter($visit->steps, static fn(VisitStep $step): bool => $step->kind === 'wash'));
        self::assertSame('roof-front', $wash[0]->panels[0]);
        self::assertContains(
            'fall',
            array_map(static fn(Caution $caution): string => $caution->hazard, $visit->laying->cautions()),
        );
        self::assertEqualsWithDelta(2.2 * 55.0, $visit->totals->treatedL, 1e-6, 'the last rinse of all of it');
        $short = Visit::of(
            $situation,
            Schools::of(),
            new Outfit(2, Body::Coach, tank: new TankAtHand(100.0, 80.0, 0.0)),
        );
        self::assertStringContainsString('treated water', implode(' ', Told::all($short->problems)));
    }

    public function testAnAcidThatMayLieForTwoMinutesGoesWheelByWheel(): void
    {
        $acid = static fn(int $most): Laying => Laying::of(
            Scene::of([
                'wheels' => 4,
                'taken' => ['Sharp'],
                'with' => [
                    Scene::bottle(
                        'Sharp',
                        'wheel',
                        ph: 2.0,
                        rinse: true,
                        dwell: [30, $most],
                        mix: ['wheel' => 0.25],
                        on: ['wheels'],
                    ),
                ],
            ]),
            Schools::of(),
            new Outfit(1, Body::Estate),
        );
        $kinds = static fn(Laying $laying): array => array_count_values(
            array_values(
                array_filter(
                    array_map(static fn(VisitStep $step): string => $step->kind, $laying->steps),
                    static fn(string $kind): bool => str_starts_with($kind, 'wheels'),
                ),
            ),
        );
        self::assertSame(
            ['wheels-spray' => 1, 'wheels-brush' => 1, 'wheels-rinse' => 1],
            array_intersect_key($kinds($acid(1500)), ['wheels-spray' => 1, 'wheels-brush' => 1, 'wheels-rinse' => 1]),
        );
        self::assertSame(2, $kinds($acid(480))['wheels-each'], 'in pairs');
        self::assertSame(4, $kinds($acid(260))['wheels-each'], 'one by one');
        self::assertSame(
            ['wheels-each' => 4, 'wheels-brush' => 1, 'wheels-rinse' => 1],
            array_intersect_key($kinds($acid(120)), ['wheels-each' => 1, 'wheels-brush' => 1, 'wheels-rinse' => 1]),
            'rinsed in time, and worked with soap after it',
        );
    }

    public function testWheelSealantGoesOnWetWheelsAndComesOffInTime(): void
    {
        $laying = Laying::of(
            Scene::of(['wheel_layer' => ['silica-spray', 'Karst'], 'wheels_due' => -2, 'due' => 60]),
            Schools::of(),
            new Outfit(1, Body::Estate),
        );
        $ids = array_map(static fn(VisitStep $step): string => $step->id, $laying->steps);
        $sealed = array_values(
            array_filter($laying->steps, static fn(VisitStep $step): bool => $step->kind === 'wheels-topper'),
        );
        self::assertNotSame([], $sealed);
        self::assertLessThan(array_search('wheels-dry', $ids, true), array_search($sealed[0]->id, $ids, true));
        foreach ($sealed as $step) {
            self::assertLessThanOrEqual(60.0, $step->lies[0]->longestS);
            self::assertGreaterThanOrEqual(30.0, $step->lies[0]->shortestS);
        }
    }

    public function testAWaxFromATinIsWeighedAndGoesOnDryPaintByTheHour(): void
    {
        $tin = Scene::tin(5.0, 30.0);
        $of = static fn(array $weather): array => [
            'base' => ['wax', 'Beeswing'],
            'due' => -1,
            'panel' => null,
            'weather' => $weather,
            'with' => [$tin],
            'without' => ['Bee Coat', 'Poly Mist', 'Karst Veil'],
            'tone' => 'mid',
            'finish' => ['decals'],
        ];
        $mild = Visit::of(Scene::of($of([14.0, 0.6, 2.0, 150.0])), Schools::of(), new Outfit(1, Body::Estate));
        $steps = array_values(
            array_filter($mild->steps, static fn(VisitStep $step): bool => str_starts_with($step->kind, 'wax')),
        );
        self::assertSame('wax-on', $steps[0]->kind);
        self::assertTrue($steps[0]->portions[0]->paste);
        self::assertEqualsWithDelta(
            (18.0 * 12.5) / 11.5,
            array_sum(
                array_map(
                    static fn(VisitStep $step): float => array_sum(
                        array_map(static fn($portion): float => (float) $portion->ml, $step->portions),
                    ),
                    $steps,
                ),
            ),
            0.1,
        );
        self::assertGreaterThanOrEqual(300.0, $steps[1]->wait?->minS);
        self::assertStringNotContainsString('spray', implode(' ', Told::all($steps[0]->how)));
        $situation = Scene::of($of([27.0, 0.4, 1.0, 850.0]));
        $hot = Laying::of($situation, Schools::of(), new Outfit(1, Body::Estate));
        self::assertSame('not-today', $hot->match->topper->decision->value);
        $urges = Urge::for(
            $hot,
            $situation,
            Schools::of(),
            [
                8 => ['air' => new Air(16.0, 0.7, 1.0, 100.0), 'rain' => false],
                14 => ['air' => new Air(27.0, 0.4, 1.0, 850.0), 'rain' => false],
            ],
            14,
        );
        self::assertSame(
            [['shade', null], ['hour', 8]],
            array_map(static fn(Urge $urge): array => [$urge->kind, $urge->hour], $urges),
        );
    }

    public function testPaceIsLearntFromStepsAndFromWholeVisits(): void
    {
        $step = static fn(
            float $took,
            string $kind = 'wash',
            string $person = 'ada',
            string $vehicle = 'van',
        ): array => ['kind' => $kind, 'person' => $person, 'vehicle' => $vehicle, 'estimated' => 20.0, 'took' => $took];
        $whole = static fn(float $took, string $vehicle = 'van', float $weight = 1.0): array => [
            'kind' => null,
            'person' => null,
            'vehicle' => $vehicle,
            'estimated' => 100.0,
            'took' => $took,
            'weight' => $weight,
        ];
        self::assertSame(1.0, PaceBook::blank()->for()->factor('wash'));
        self::assertSame(1.0, PaceBook::of([])->for('van')->factor('wash'));
        // One step by hand: ln 1.5, prior variances .25² + .2² + .15² + .25², rest .35².
        $prior = 0.25 ** 2 + 0.2 ** 2 + 0.15 ** 2 + 0.25 ** 2;
        $one = PaceBook::of([$step(30.0)])->for('van', ['ada']);
        self::assertEquals(
            $one,
            PaceBook::of([$step(30.0)])->for('van'),
            'where one person works everything, nobody has to name them',
        );
        $weight = 5.0 / (4.0 + ((log(1.5) * 0.35 ** 2) / ($prior + 0.35 ** 2)) ** 2 / 0.35 ** 2);
        self::assertEqualsWithDelta(
            (log(1.5) * $prior) / ($prior + 0.35 ** 2 / $weight),
            log($one->factor('wash')),
            0.02,
        );
        // Many agree: believed nearly whole; kinds apart.
        $many = PaceBook::of([...array_fill(0, 30, $step(30.0)), ...array_fill(0, 30, $step(20.0, 'dry'))])->for(
            'van',
            ['ada'],
        );
        self::assertEqualsWithDelta(1.5, $many->factor('wash'), 0.1);
        self::assertEqualsWithDelta(1.0, $many->factor('dry'), 0.1);
        self::assertLessThan($one->spread, $many->spread);
        // A clock left running.
        $left = PaceBook::of([...array_fill(0, 9, $step(24.0)), $step(95.0)])
            ->for('van', ['ada'])
            ->factor('wash');
        self::assertEqualsWithDelta(
            PaceBook::of(array_fill(0, 9, $step(24.0)))
                ->for('van', ['ada'])
                ->factor('wash'),
            $left,
            0.08,
        );
        self::assertSame(
            9,
            PaceBook::of([...array_fill(0, 9, $step(24.0)), $step(900.0)])->for()->from['wash'],
            'beyond five times it is no clock',
        );
        // Whole visits move every kind; what was typed counts as ten of them, for its vehicle most.
        self::assertEqualsWithDelta(1.3, PaceBook::of(array_fill(0, 25, $whole(130.0)))->for('van')->others, 0.06);
        $typed = PaceBook::of([$whole(150.0, 'hearse', PaceBook::TYPED)]);
        self::assertGreaterThan(1.35, $typed->for('hearse')->others);
        self::assertGreaterThan($typed->for('other')->others, $typed->for('hearse')->others);
        // Somebody slow, somebody quick.
        $crew = PaceBook::of([...array_fill(0, 20, $step(26.0)), ...array_fill(0, 20, $step(16.0, person: 'bo'))]);
        self::assertGreaterThan(
            1.2,
            $crew->for('van', ['ada'])->factor('wash') / $crew->for('van', ['bo'])->factor('wash'),
        );
        self::assertEquals(
            $crew->for('van', ['bo']),
            PaceBook::kept($crew->toKeep())->for('van', ['bo']),
            'kept and read again',
        );
        // Slow people take longer over the same visit.
        $slow = new Outfit(1, Body::Estate, pace: $many);
        self::assertGreaterThan(
            Visit::of(Scene::of(), Schools::of(), new Outfit(1, Body::Estate))->schedule?->finish,
            Visit::of(Scene::of(), Schools::of(), $slow)->schedule?->finish,
        );
    }

    public function testADayOverrunsByWhatItsVisitsShare(): void
    {
        $pace = new Pace([], [], 1.0, 0.3, 0.2);
        $day = Pace::dayNineInTen([['minutes' => 100.0, 'pace' => $pace], ['minutes' => 100.0, 'pace' => $pace]]);
        self::assertEqualsWithDelta(
            200.0 + 1.2815515655 * sqrt((200.0 * 0.2) ** 2 + 2 * 100.0 ** 2 * (0.3 ** 2 - 0.2 ** 2)),
            $day,
            1e-6,
        );
        self::assertLessThan(2 * $pace->nineInTen(100.0), $day, 'what is each one’s own luck evens out');
    }

    /** @return iterable<string, array{Body}> */
    public static function bodies(): iterable
    {
        foreach (Body::cases() as $body) {
            yield $body->value => [$body];
        }
    }

    #[DataProvider('bodies')]
    public function testPanelsCoverTheBodyInWhateverGoes(Body $body): void
    {
        $panels = Panels::of($body);
        self::assertSame(count($panels->ids()), count(array_unique($panels->ids())));
        self::assertEqualsWithDelta(
            1.0,
            array_sum(array_map(static fn(BodyPanel $panel): float => $panel->share, $panels->all)),
            1e-9,
        );
        for ($n = 1; $n <= 30; $n++) {
            $goes = $panels->inGoes($n);
            self::assertCount(min($n, count($panels->all)), $goes);
            self::assertSame($panels->ids(), array_merge(...array_column($goes, 'panels')));
            self::assertEqualsWithDelta(1.0, array_sum(array_column($goes, 'share')), 1e-9);
        }
    }
}
