<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Sheet;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Caution;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Sheet\Visit\Outfit;
use Vicissa\Core\Sheet\Visit\Pace;
use Vicissa\Core\Sheet\Visit\Panel;
use Vicissa\Core\Sheet\Visit\Panels;
use Vicissa\Core\Sheet\Visit\Portion;
use Vicissa\Core\Sheet\Visit\Remedies;
use Vicissa\Core\Sheet\Visit\TankAtHand;
use Vicissa\Core\Sheet\Visit\Visit;
use Vicissa\Core\Sheet\Visit\VisitStep;
use Vicissa\Core\Tests\Matching\Scene;

/** From a match to a visit that can be worked. */
final class VisitTest extends TestCase
{
    use TestTrait;

    public function testWhateverComesTheVisitIsWholeAndKept(): void
    {
        $this->limitTo(120)->forAll(Generators::choose(0, 10_000_000))->then(function (int $seed): void {
            [$facts, $outfit] = self::day($seed);
            $situation = Scene::of($facts);
            $visit = Visit::of($situation, Schools::of(), $outfit);
            if (! $visit->match->possible()) {
                self::assertSame([], $visit->steps);
                self::assertNotSame([], $visit->problems);

                return;
            }
            $ids = array_map(static fn(VisitStep $step): string => $step->id, $visit->steps);
            self::assertSame($ids, array_values(array_unique($ids)));
            self::assertSame('look', $ids[0]);
            self::assertSame('hand-over', $ids[count($ids) - 1]);
            $told = array_merge(...array_map(static fn(VisitStep $step): array => array_map(static fn(Caution $caution): string => $caution->says, $step->cautions), $visit->steps));
            self::assertEqualsCanonicalizing(array_map(static fn(Caution $caution): string => $caution->says, array_values(array_filter($visit->match->cautions, static fn(Caution $caution): bool => in_array($caution->step, array_map(static fn(VisitStep $step): Step => $step->of, $visit->steps), true)))), $told, 'each caution stands once, where its step is');
            $used = array_unique(array_merge(...array_map(static fn(VisitStep $step): array => array_map(static fn(Portion $portion): string => $portion->productId, $step->portions), $visit->steps)));
            foreach ($visit->match->choices as $choice) {
                if ($choice->chosen !== null && ! $choice->need->optional) {
                    self::assertContains($choice->chosen->bottle->id, $used, "{$choice->need->key()} is used somewhere");
                }
            }
            foreach ($visit->steps as $step) {
                self::assertGreaterThan(0, $step->minutes);
                if ($step->wait?->maxS !== null) {
                    self::assertGreaterThanOrEqual($step->wait->minS, $step->wait->maxS);
                }
            }
            if ($visit->schedule === null) {
                self::assertNotSame([], $visit->problems);
                foreach (Remedies::for($visit, $situation, Schools::of(), $outfit) as $remedy) {
                    self::assertGreaterThan(0, $remedy->finish);
                }

                return;
            }
            self::assertSame(max([0, ...array_values($visit->schedule->end)]), $visit->schedule->finish);
            self::assertTrue($visit->schedule->isProven());
        });
    }

    public function testTheStepsOfAnOrdinaryVisit(): void
    {
        $visit = Visit::of(Scene::of(['soil' => 4, 'on' => ['insects', 'tar'], 'due' => -3.0]), Schools::of(), new Outfit(2, Body::Estate));
        $steps = array_combine(array_map(static fn(VisitStep $step): string => $step->id, $visit->steps), $visit->steps);
        self::assertSame(
            ['look', 'water', 'mix', 'wheels-spray', 'wheels-brush', 'wheels-rinse', 'soften', 'soften-wipe', 'first-rinse', 'prewash', 'prewash-rinse', 'foam', 'gaps-foam', 'foam-rinse', 'tar', 'tar-rinse', 'wash', 'rinse', 'read', 'topper', 'topper-rinse', 'dry', 'wheels-dry', 'jambs', 'glass', 'tyres', 'tyres-wipe', 'check', 'hand-over'],
            array_keys($steps),
        );
        self::assertSame('foam', $steps['foam-rinse']->wait?->of);
        self::assertStringContainsString('decontaminate', strtolower((string) $steps['topper']->onlyIf), 'the tar comes off first, then the water decides');
        self::assertNull($steps['wash']->onlyIf);
        self::assertContains('Where the insects and lime were', $steps['check']->looks);
        self::assertTrue(array_filter($steps['hand-over']->cautions, static fn(Caution $caution): bool => $caution->grave && str_contains($caution->says, 'brakes')) !== []);
        self::assertLessThan(Visit::of(Scene::of(['soil' => 4, 'on' => ['insects', 'tar'], 'due' => -3.0]), Schools::of(), new Outfit(1, Body::Estate))->schedule?->finish, $visit->schedule?->finish);
    }

    public function testATallVehicleHasAPlatformAndFillsItsTankAgain(): void
    {
        $situation = Scene::of(['soil' => 3, 'm2' => 55.0, 'water' => 'treated', 'treated' => 8.0, 'tap' => 320.0, 'tone' => 'dark']);
        $visit = Visit::of($situation, Schools::of(), new Outfit(2, Body::Coach, tank: new TankAtHand(100.0, 80.0, 2.5)));
        $kinds = array_count_values(array_map(static fn(VisitStep $step): string => $step->kind, $visit->steps));
        self::assertSame(1, $kinds['platform']);
        self::assertGreaterThanOrEqual(1, $kinds['refill']);
        self::assertGreaterThanOrEqual(3, $kinds['wash']);
        $wash = array_values(array_filter($visit->steps, static fn(VisitStep $step): bool => $step->kind === 'wash'));
        self::assertSame('roof-front', $wash[0]->panels[0]);
        self::assertTrue(array_filter(array_merge(...array_map(static fn(VisitStep $step): array => $step->cautions, $visit->steps)), static fn(Caution $caution): bool => str_contains($caution->says, 'platform')) !== []);
        $short = Visit::of($situation, Schools::of(), new Outfit(2, Body::Coach, tank: new TankAtHand(100.0, 80.0, 0.0)));
        self::assertStringContainsString('treated water', implode(' ', $short->problems));
    }

    public function testHardSunIsRefusedAndShadeOffered(): void
    {
        $situation = Scene::of(['soil' => 3, 'tone' => 'black', 'weather' => [24.0, 0.5, 3.0, 700.0], 'panel' => 38.0]);
        $visit = Visit::of($situation, Schools::of(), new Outfit(1, Body::Saloon));
        self::assertFalse($visit->isWorkable());
        self::assertContains('shade', array_column(Remedies::for($visit, $situation, Schools::of(), new Outfit(1, Body::Saloon)), 'kind'));
    }

    public function testAPaceIsBelievedByAsMuchAsWasMeasured(): void
    {
        self::assertSame(1.0, (new Pace)->factor('wash'));
        $took = static fn(float ...$minutes): Pace => Pace::measured(array_map(static fn(float $took): array => ['kind' => 'wash', 'estimated' => 20.0, 'took' => $took], array_values($minutes)));
        self::assertEqualsWithDelta(1.5 ** 0.2, $took(30.0)->factor('wash'), 1e-12, 'one visit, a fifth of the difference');
        self::assertEqualsWithDelta(1.5 ** (12 / 16), $took(...array_fill(0, 12, 30.0))->factor('wash'), 1e-12);
        self::assertSame($took(...array_fill(0, 9, 24.0))->factor('wash'), $took(...[...array_fill(0, 8, 24.0), 90.0])->factor('wash'), 'an outlier does not move the median');
        self::assertSame(['wash' => 9], $took(...[...array_fill(0, 9, 24.0), 600.0])->from, 'a clock left running is not a pace');
        $slow = new Outfit(1, Body::Estate, pace: $took(...array_fill(0, 16, 40.0)));
        self::assertGreaterThan(Visit::of(Scene::of(), Schools::of(), new Outfit(1, Body::Estate))->schedule?->finish, Visit::of(Scene::of(), Schools::of(), $slow)->schedule?->finish);
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
        self::assertEqualsWithDelta(1.0, array_sum(array_map(static fn(Panel $panel): float => $panel->share, $panels->all)), 1e-9);
        for ($n = 1; $n <= 30; $n++) {
            $goes = $panels->inGoes($n);
            self::assertCount(min($n, count($panels->all)), $goes);
            self::assertSame($panels->ids(), array_merge(...array_column($goes, 'panels')));
            self::assertEqualsWithDelta(1.0, array_sum(array_column($goes, 'share')), 1e-9);
        }
    }

    /** @return array{array<string, mixed>, Outfit} */
    private static function day(int $seed): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $any = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $body = Body::cases()[$random->getInt(0, count(Body::cases()) - 1)];

        return [[
            'soil' => $random->getInt(0, 5), 'grit' => $any([false, false, true]), 'on' => $any([[], ['insects'], ['tar', 'iron'], ['salt'], ['rough', 'sap']]), 'due' => $any([-3.0, 5.0, 60.0, null]),
            'm2' => $body->paintM2(), 'tone' => $any(['white', 'mid', 'black']), 'finish' => $any([[], ['matte'], ['decals'], ['single-stage']]), 'base' => $any([['ceramic', 'Karst'], ['wax'], ['film'], null, 'unknown']),
            'water' => $any(['tap', 'treated', 'none']), 'weather' => $any([[14.0, 0.7, 2.0, 100.0], [24.0, 0.5, 3.0, 600.0], [1.0, 0.9, 1.0, 20.0], [18.0, 0.6, 5.0, 300.0]]), 'panel' => null, 'shade' => $any([true, false]), 'rain' => $any([false, false, true]),
        ], new Outfit($random->getInt(1, 2) === 1 ? 1 : 2, $body, tank: $any([null, new TankAtHand(100.0, 60.0, 2.5), new TankAtHand(100.0, 60.0, 0.0)]))];
    }
}
