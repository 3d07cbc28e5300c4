<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\House;

use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\House\House;
use Vicissa\Core\House\Numbers;
use Vicissa\Core\InvalidInput;

final class NumbersTest extends TestCase
{
    public function testWithoutOwnNumbersTheRulesAreTheDefaults(): void
    {
        $numbers = Numbers::of([]);
        self::assertEquals(new House(), $numbers->house());
    }

    public function testOwnNumbersReachTheRulesAndWhatIsTheDefaultIsNotKept(): void
    {
        $numbers = Numbers::of([
            'wear.road.salted' => 2.2,
            'wear.weather' => 0.5,
            'match.ceiling.rinseless' => 1,
            'plan.topper_late' => 12,
            'plan.overtime_most' => 30,
        ]);
        self::assertSame(
            ['match.ceiling.rinseless', 'plan.overtime_most', 'plan.topper_late', 'wear.road.salted'],
            array_keys($numbers->own),
        );
        $house = $numbers->house();
        self::assertSame(2.2, $house->wear->road['salted']);
        self::assertSame(1, $house->match->soilCeiling['rinseless']);
        self::assertSame([[12.0, 2.0], 30], [$house->plan->topper, $house->plan->overtimeMost]);
        self::assertFalse($numbers->wearsLike(Numbers::of([])));
        self::assertTrue(Numbers::of(['plan.travel' => 0.2])->wearsLike(Numbers::of([])));
    }

    public function testEveryNumberOfTheCatalogueStandsSomewhereWithinItsLimitsAndCanBeMoved(): void
    {
        $usual = new House();
        foreach (Numbers::catalogue() as $id => $number) {
            $default = $number->of($usual);
            self::assertGreaterThanOrEqual($number->low, $default, $id);
            self::assertLessThanOrEqual($number->high, $default, $id);
            $other = $number->whole
                ? ($default < $number->high
                    ? $default + 1.0
                    : $default - 1.0)
                : $default +
                    (0.5 *
                        (($default < ($number->low + $number->high) / 2.0 ? $number->high : $number->low) - $default)) /
                        100.0;
            self::assertEqualsWithDelta($other, $usual->with($number->path, $other)->get($number->path), 1e-12, $id);
            self::assertNotEquals($usual, $usual->with($number->path, $other), $id);
        }
    }

    public function testNonsenseIsRefusedByName(): void
    {
        foreach (
            [
                ['wear.moon', 1, 'no such number'],
                ['wear.weather', -1, 'has to lie between'],
                ['match.ceiling.two-mitts', 2.5, 'whole number'],
                ['plan.travel', 'much', 'number is needed'],
                ['beads.good', 150, 'don’t follow each other'],
            ]
            as [$id, $value, $says]
        ) {
            try {
                Numbers::of([$id => $value]);
                self::fail("{$id} was taken.");
            } catch (InvalidInput $e) {
                self::assertSame($id, $e->field);
                self::assertStringContainsString($says, Told::en($e->says));
            }
        }
    }
}
