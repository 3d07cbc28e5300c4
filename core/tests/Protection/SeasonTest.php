<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use Eris\Generator\ChooseGenerator;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\IdleWear;
use Vicissa\Core\Protection\Life\InspectionWindow;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\Wash;
use Vicissa\Core\Protection\WearAccount;
use Vicissa\Core\Protection\WearPath;

/** Salt months make wear steeper; everything that is reckoned from wear follows. */
final class SeasonTest extends TestCase
{
    use TestTrait;

    /** 1 October 2025, midnight UTC. */
    private const ON = 1759276800;

    public function testOctoberIsPlainAndNovemberSalted(): void
    {
        $idle = IdleWear::of($this->winterly(), self::ON);
        self::assertEqualsWithDelta((31 / 7) * 0.75, $idle->at(31.0), 1e-12);
        self::assertEqualsWithDelta((31 / 7) * 0.75 + (10 / 7) * (0.5 + 0.25 * 1.6), $idle->at(41.0), 1e-12);
        // November to March are 151 days; after them it is as before.
        self::assertEqualsWithDelta((31 / 7) * 0.75 + (151 / 7) * 0.9 + (8 / 7) * 0.75, $idle->at(190.0), 1e-12);
    }

    /** The same wear counted one day after the other, from the calendar. */
    public function testAgreesWithCountingDays(): void
    {
        $this->forAll(new ChooseGenerator(0, 400), new ChooseGenerator(1, 900))->then(function (
            int $start,
            int $days,
        ): void {
            $on = self::ON + $start * 86400;
            $sum = 0.0;
            for ($day = 0; $day < $days; $day++) {
                $sum += in_array((int) gmdate('n', $on + $day * 86400), [11, 12, 1, 2, 3], true) ? 0.9 / 7 : 0.75 / 7;
            }
            $idle = IdleWear::of($this->winterly(), $on);
            self::assertEqualsWithDelta($sum, $idle->at((float) $days), 1e-9);
            self::assertEqualsWithDelta((float) $days, $idle->reaches($sum, 0.0, 0.0, 0.0), 1e-6);
        });
    }

    public function testTheDayALevelIsReachedTakesWinterAndWashesAlong(): void
    {
        $this->forAll(new ChooseGenerator(1, 60), new ChooseGenerator(0, 300))->then(function (
            int $level,
            int $today,
        ): void {
            $path = WearPath::of($this->winterly(), [new Wash(0.0)], onAt: self::ON);
            $day = $path->reaches((float) $level, (float) $today, 0.5);
            self::assertNotNull($day);
            if ($day > $today) {
                self::assertEqualsWithDelta($level, $path->at($day) + (($day - $today) * 0.5) / 7, 1e-9);
            }
        });
    }

    public function testTheAccountNamesTheSaltAndAddsUp(): void
    {
        $account = WearAccount::of($this->winterly(), [new Wash(40.0)], 60.0, onAt: self::ON);
        self::assertEqualsWithDelta((29 / 7) * 0.15, $account->salt, 1e-12);
        self::assertEqualsWithDelta(
            WearPath::of($this->winterly(), [new Wash(40.0)], onAt: self::ON)->at(60.0),
            $account->worn,
            1e-12,
        );
        self::assertEqualsWithDelta(
            0.0,
            WearAccount::of(Habits::of(Storage::Outdoors, Road::Normal, 200.0), [], 60.0, onAt: self::ON)->salt,
            1e-12,
        );
    }

    public function testSaltedAllYearIsAStraightLine(): void
    {
        self::assertEqualsWithDelta(
            (0.9 / 7) * 1000,
            IdleWear::of(Habits::of(Storage::Outdoors, Road::Normal, 200.0, range(1, 12)), self::ON)->at(1000.0),
            1e-9,
        );
    }

    public function testThereAreTwelveMonths(): void
    {
        $this->expectException(InvalidInput::class);
        Habits::of(Storage::Outdoors, Road::Normal, 200.0, [13]);
    }

    public function testABaseIsLookedOverOnceAYearAtLeast(): void
    {
        $day = 86400;
        $yearly = InspectionWindow::of(0, null);
        self::assertSame(
            [335 * $day, 365 * $day, 425 * $day, false],
            [$yearly->from, $yearly->due, $yearly->late, $yearly->byForecast],
        );
        self::assertSame(365 * $day, InspectionWindow::of(0, 900 * $day)->due, 'however far the refresh is');
        $sooner = InspectionWindow::of(0, 200 * $day);
        self::assertSame([200 * $day, true], [$sooner->due, $sooner->byForecast]);
        self::assertSame(
            290 * $day,
            InspectionWindow::of(200 * $day, 210 * $day)->due,
            'not again ten days after it was looked over',
        );
    }

    private function winterly(): Habits
    {
        return Habits::of(Storage::Outdoors, Road::Normal, 200.0, [11, 12, 1, 2, 3]);
    }

    /** Roads that are salted all year have no season: it was looked for without end. */
    public function testRoadsThatAreAlwaysSaltedHaveNoSeason(): void
    {
        $always = Habits::of(Storage::Outdoors, Road::Salted, 200.0, [11, 12, 1]);
        self::assertSame(
            IdleWear::of(Habits::of(Storage::Outdoors, Road::Salted, 200.0), self::ON)->at(400.0),
            IdleWear::of($always, self::ON)->at(400.0),
        );
    }
}
