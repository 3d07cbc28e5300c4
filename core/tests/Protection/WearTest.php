<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use Eris\Generator\ChooseGenerator;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Protection\WearPath;

final class WearTest extends TestCase
{
    use TestTrait;

    public function testTheReferenceWeekIsOne(): void
    {
        self::assertEqualsWithDelta(1.0, (new WearFactors())->perWeek($this->reference(), 1.0), 1e-12);
    }

    public function testEachFactorCountsAsPublished(): void
    {
        $factors = new WearFactors();
        self::assertEqualsWithDelta(
            0.5 * 1.3 + 0.25 * 2.0 * 1.6 + 0.25 * 2.0 * 2.5,
            $factors->perWeek(
                Habits::of(Storage::Harsh, Road::Salted, 400.0),
                2.0,
                $factors->washFactor([WashTrait::Contact, WashTrait::IronRemover]),
            ),
            1e-12,
        );
        self::assertEqualsWithDelta(
            0.25,
            $factors->perWeek(Habits::of(Storage::HeatedGarage, Road::Normal, 0.0), 0.0),
            1e-12,
        );
    }

    public function testAWashAddsItsShareOnItsDay(): void
    {
        $path = WearPath::of($this->reference(), [new Wash(7.0, [WashTrait::Touchless])]);
        self::assertEqualsWithDelta(0.75 - (0.75 / 7) * 0.001, $path->at(6.999), 1e-9);
        self::assertEqualsWithDelta(0.75 + 0.2, $path->at(7.0), 1e-12);
        self::assertEqualsWithDelta(1.5 + 0.2, $path->at(14.0), 1e-12);
    }

    public function testADryingAidGivesBackButNeverBelowNothing(): void
    {
        $path = WearPath::of($this->reference(), [new Wash(0.0, [], true), new Wash(7.0, [], true)]);
        self::assertSame(0.0, $path->at(0.0));
        self::assertEqualsWithDelta(0.75 + 0.25 - 0.35, $path->at(7.0), 1e-12);
    }

    public function testMoreWashesNeverWearLess(): void
    {
        $this->forAll(new ChooseGenerator(0, 60), new ChooseGenerator(0, 60), new ChooseGenerator(1, 90))->then(
            function (int $a, int $b, int $day): void {
                $fewer = WearPath::of($this->reference(), [new Wash((float) $a)]);
                $more = WearPath::of($this->reference(), [
                    new Wash((float) $a),
                    new Wash((float) $b, [WashTrait::Clay]),
                ]);
                self::assertGreaterThanOrEqual($fewer->at($day), $more->at($day));
            },
        );
    }

    public function testTheDayALevelIsReachedIsTheDayTheWearIsThere(): void
    {
        $this->forAll(new ChooseGenerator(1, 20), new ChooseGenerator(1, 200), new ChooseGenerator(0, 60))->then(
            function (int $level, int $today, int $wash): void {
                $path = WearPath::of($this->reference(), [new Wash((float) $wash)]);
                $day = $path->reaches((float) $level, (float) $today, 0.25);
                self::assertNotNull($day);
                if ($day > $today) {
                    self::assertEqualsWithDelta(
                        $level,
                        $path->at((float) $today) + (($day - $today) * (0.75 + 0.25)) / 7,
                        1e-9,
                    );
                } else {
                    self::assertGreaterThanOrEqual($level - 1e-9, $path->at($day));
                    self::assertLessThanOrEqual($level + 1e-9, $path->at(max(0.0, $day - 1e-6)));
                }
            },
        );
    }

    public function testNeverReachedWhereNothingWears(): void
    {
        $path = WearPath::of(Habits::of(Storage::Garage, Road::Normal, 0.0), []);
        self::assertNull($path->reaches(5.0, 0.0, -0.3));
        self::assertNotNull($path->reaches(5.0, 0.0, -0.3, 0.02), 'reckoned at least a little');
    }

    public function testAbsurdHabitsAreRefused(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('fault.lies-between');
        Habits::of(Storage::Garage, Road::Normal, -3.0);
    }

    private function reference(): Habits
    {
        return Habits::of(Storage::Outdoors, Road::Normal, 200.0);
    }
}
