<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Practice;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Practice\Standing;

final class PracticeTest extends TestCase
{
    public function testItGetsHarderWhereOneIsRightAndComesBackToWhatWasWrong(): void
    {
        $right = ['method' => true, 'soap' => true, 'drying' => true, 'topper' => true];
        self::assertSame([1, 1], [Standing::of([])->of['method']['level'], Standing::of([$right, $right])->of['method']['level']]);
        self::assertSame(2, Standing::of(array_fill(0, 3, $right))->of['method']['level']);
        self::assertSame(Standing::HARDEST, Standing::of(array_fill(0, 40, $right))->of['soap']['level']);
        $standing = Standing::of([...array_fill(0, 6, $right), [...$right, 'topper' => false]]);
        self::assertSame(Judgement::Topper, $standing->focus());
        self::assertSame(2, $standing->of['topper']['level'], 'one step back, not to the beginning');
        self::assertSame(['asked' => 7, 'right' => 6], array_intersect_key($standing->of['topper'], ['asked' => 1, 'right' => 1]));
        // Long ago counts less than lately.
        $better = Standing::of([...array_fill(0, 5, ['method' => false]), ...array_fill(0, 9, ['method' => true])]);
        self::assertGreaterThan(0.9, $better->of['method']['lately']);
        // What nobody asked yet comes before what one knows.
        self::assertSame(Judgement::Drying, Standing::of(array_fill(0, 4, ['method' => true, 'soap' => true, 'topper' => true]))->focus());
    }

    public function testTheSameSeedDrawsTheSameDayAndHardOnesLieNearTheLines(): void
    {
        self::assertEquals(CaseDraw::of(42, Judgement::Method, 3), CaseDraw::of(42, Judgement::Method, 3));
        $soils = static fn(int $level): array => array_map(static fn(int $seed): int => CaseDraw::of($seed, Judgement::Method, $level)->soil, range(1, 200));
        self::assertSame([], array_diff($soils(1), [0, 4]));
        self::assertGreaterThan(50, count(array_filter($soils(4), static fn(int $soil): bool => $soil === 2)));
        $dry = static fn(int $level): int => count(array_filter(range(1, 200), static fn(int $seed): bool => CaseDraw::of($seed, Judgement::Method, $level)->place['water'] === 'none'));
        self::assertSame(0, $dry(1));
        self::assertGreaterThan(20, $dry(4));
        foreach (range(1, 100) as $seed) {
            $case = CaseDraw::of($seed, Judgement::Topper, 4);
            self::assertTrue($case->soil > 0 || ! $case->grit, 'no grit on what is clean');
        }
        $this->expectException(InvalidInput::class);
        CaseDraw::of(1, Judgement::Soap, 9);
    }
}
