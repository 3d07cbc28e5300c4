<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\House;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\House\Numbers;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Protection\WearFactors;

final class NumbersTest extends TestCase
{
    public function testWithoutOwnNumbersTheRulesAreTheDefaults(): void
    {
        $numbers = Numbers::of([]);
        self::assertEquals(new WearFactors, $numbers->wear());
        self::assertEquals(new MatchRules, $numbers->match());
        self::assertEquals(new PlanRules, $numbers->plan());
    }

    public function testOwnNumbersReachTheRulesAndWhatIsTheDefaultIsNotKept(): void
    {
        $numbers = Numbers::of(['wear.road.salted' => 2.2, 'wear.weather' => 0.5, 'match.ceiling.rinseless' => 1, 'plan.topper_late' => 12, 'plan.overtime_most' => 30]);
        self::assertSame(['match.ceiling.rinseless', 'plan.overtime_most', 'plan.topper_late', 'wear.road.salted'], array_keys($numbers->own));
        self::assertSame(2.2, $numbers->wear()->road['salted']);
        self::assertSame(1, $numbers->match()->soilCeiling['rinseless']);
        self::assertSame([[12.0, 2.0], 30], [$numbers->plan()->topper, $numbers->plan()->overtimeMost]);
        self::assertFalse($numbers->wearsLike(Numbers::of([])));
        self::assertTrue(Numbers::of(['plan.travel' => 0.2])->wearsLike(Numbers::of([])));
    }

    public function testNonsenseIsRefusedByName(): void
    {
        foreach ([['wear.moon', 1, 'no such number'], ['wear.weather', -1, 'has to lie between'], ['match.ceiling.two-mitts', 2.5, 'whole number'], ['plan.travel', 'much', 'number is needed']] as [$id, $value, $says]) {
            try {
                Numbers::of([$id => $value]);
                self::fail("{$id} was taken.");
            } catch (InvalidInput $e) {
                self::assertSame($id, $e->field);
                self::assertStringContainsString($says, $e->getMessage());
            }
        }
    }
}
