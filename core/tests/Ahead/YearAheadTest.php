<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Ahead;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\Ahead\Regime;
use Vicissa\Core\Ahead\Spread;
use Vicissa\Core\Ahead\Subject;
use Vicissa\Core\Ahead\TopperRule;
use Vicissa\Core\Ahead\YearAhead;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Life\Normal;

/** The year ahead, against what can be reckoned by hand, and against common sense. */
final class YearAheadTest extends TestCase
{
    public function testWithoutChanceItIsArithmetic(): void
    {
        // Life of 8 wear-weeks, 0.75 a week by itself and 0.25 a wash: one wear-week a week; every second week a topper
        // would be early, the tenth late.
        $outcome = YearAhead::of($this->subject(0.0, 0.0), $this->regime(TopperRule::Weeks, 4), trials: 40);
        self::assertSame(0.0, $outcome->figures['weeks_below']->high, 'renewed at half its life it is never spent');
        $never = YearAhead::of($this->subject(0.0, 0.0), $this->regime(TopperRule::Never), trials: 40);
        self::assertSame(0.0, $never->figures['toppers']->high);
        // Spent after about eight weeks, for the rest of the year.
        self::assertEqualsWithDelta(365 / 7 - 8, $never->figures['weeks_below']->mean, 0.5);
        $every = YearAhead::of($this->subject(0.0, 0.0), $this->regime(TopperRule::EveryWash), trials: 40);
        self::assertSame($every->figures['washes']->mean, $every->figures['toppers']->mean);
        self::assertEqualsWithDelta(
            $every->figures['washes']->mean * (1.5 + 0.25),
            $every->figures['hours']->mean,
            1e-9,
        );
        self::assertEqualsWithDelta($every->figures['washes']->mean * 260, $every->figures['minor']->mean, 1e-6);
    }

    public function testTheForecastIsSpentAsOftenAsTheCautionAllows(): void
    {
        $risk = static fn(float $caution, self $of): float => YearAhead::of(
            $of->subject(0.2, 0.25),
            $of->regime(TopperRule::Forecast, caution: $caution),
            trials: 600,
        )->figures['weeks_below']->mean;
        [$careful, $bold] = [$risk(0.1, $this), $risk(0.5, $this)];
        self::assertLessThan($bold, $careful);
        self::assertLessThan(2.0, $careful, 'one in ten such layers is spent before its wash, and not for long');
        self::assertGreaterThan(
            YearAhead::of($this->subject(0.2, 0.25), $this->regime(TopperRule::Forecast, caution: 0.5), trials: 200)
                ->figures['toppers']->mean,
            YearAhead::of($this->subject(0.2, 0.25), $this->regime(TopperRule::Forecast, caution: 0.1), trials: 200)
                ->figures['toppers']->mean,
        );
        // Waiting until the water fails always costs some weeks, and the fewest toppers.
        $reading = YearAhead::of($this->subject(0.2, 0.25), $this->regime(TopperRule::Reading), trials: 300);
        self::assertGreaterThan($careful, $reading->figures['weeks_below']->mean);
    }

    public function testTheSameSeedGivesTheSameYearAndEveryRegimeTheSameLuck(): void
    {
        $of = fn(int $seed, TopperRule $rule): YearAhead => YearAhead::of(
            $this->subject(0.3, 0.25),
            $this->regime($rule),
            $seed,
            60,
        );
        self::assertEquals($of(7, TopperRule::Reading), $of(7, TopperRule::Reading));
        self::assertNotEquals($of(7, TopperRule::Reading)->figures, $of(8, TopperRule::Reading)->figures);
        self::assertEquals(
            $of(7, TopperRule::Never)->figures['washes'],
            $of(7, TopperRule::EveryWash)->figures['washes'],
            'weather puts off the same visits',
        );
        self::assertCount(53, $of(7, TopperRule::Never)->band);
    }

    public function testDirtIsRefusedWhereTheMethodMayNotTouchIt(): void
    {
        $dirty = $this->subject(0.2, 0.25, soil: 0.4);
        $rinseless = YearAhead::of($dirty, $this->regime(TopperRule::Never, medium: 1.1, ceiling: 2), trials: 60);
        self::assertGreaterThan(20.0, $rinseless->figures['refused']->mean, 'a fortnight of grit is not for a bucket');
        self::assertSame(
            0.0,
            YearAhead::of($dirty, $this->regime(TopperRule::Never, ceiling: 5), trials: 60)->figures['refused']->high,
        );
        // A layer that repels keeps contact gentler.
        self::assertLessThan(
            YearAhead::of($dirty, $this->regime(TopperRule::Never), trials: 60)->figures['risk']->mean,
            YearAhead::of($dirty, $this->regime(TopperRule::EveryWash), trials: 60)->figures['risk']->mean,
        );
    }

    public function testASpreadHoldsNineInTen(): void
    {
        $values = [];
        for ($i = 1; $i < 1000; $i++) {
            $values[] = Normal::quantile($i / 1000);
        }
        $spread = Spread::of($values);
        self::assertEqualsWithDelta(0.0, $spread->mean, 1e-9);
        self::assertEqualsWithDelta(1.645, $spread->high, 0.01);
        $this->expectException(InvalidInput::class);
        $this->regime(TopperRule::Weeks, 0);
    }

    private function subject(float $between, float $each, float $soil = 0.15): Subject
    {
        return new Subject(
            8.0,
            $between,
            $each,
            array_fill(0, 365, 0.75 / 7 + 0.125 / 7),
            array_map(static fn(int $day): bool => $day < 60, range(0, 364)),
            0.0,
            $soil,
            1.0,
            0,
        );
    }

    private function regime(
        TopperRule $rule,
        float $weeks = 8,
        float $caution = 0.3,
        float $medium = 0.8,
        int $ceiling = 5,
    ): Regime {
        return new Regime(
            $rule->value,
            14,
            null,
            $rule,
            $weeks,
            $caution,
            1.0,
            false,
            $medium,
            $ceiling,
            ['wash' => 90, 'topper' => 15],
            ['wash' => 120, 'topper' => 20],
            ['wash' => 200, 'topper' => 60],
        );
    }
}
