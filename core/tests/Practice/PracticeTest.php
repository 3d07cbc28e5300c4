<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Practice;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Practice\Standing;

final class PracticeTest extends TestCase
{
    use TestTrait;

    public function testItGetsHarderWhereOneIsRightAndComesBackToWhatWasWrong(): void
    {
        $right = ['method' => true, 'soap' => true, 'drying' => true, 'topper' => true];
        self::assertSame(
            [1, 1],
            [Standing::of([])->of['method']['level'], Standing::of([$right, $right])->of['method']['level']],
        );
        self::assertSame(2, Standing::of(array_fill(0, 3, $right))->of['method']['level']);
        self::assertSame(Standing::HARDEST, Standing::of(array_fill(0, 40, $right))->of['soap']['level']);
        $standing = Standing::of([...array_fill(0, 6, $right), [...$right, 'topper' => false]]);
        self::assertSame(Judgement::Topper, $standing->focus());
        self::assertSame(2, $standing->of['topper']['level'], 'one step back, not to the beginning');
        self::assertSame(
            ['asked' => 7, 'right' => 6],
            array_intersect_key($standing->of['topper'], ['asked' => 1, 'right' => 1]),
        );
        // Long ago counts less than lately.
        $better = Standing::of([...array_fill(0, 5, ['method' => false]), ...array_fill(0, 9, ['method' => true])]);
        self::assertGreaterThan(0.9, $better->of['method']['lately']);
        // What nobody asked yet comes before what one knows.
        self::assertSame(
            Judgement::Drying,
            Standing::of(array_fill(0, 4, ['method' => true, 'soap' => true, 'topper' => true]))->focus(),
        );
    }

    public function testTheSameSeedDrawsTheSameDayAndHardOnesLieNearTheLines(): void
    {
        self::assertEquals(CaseDraw::of(42, Judgement::Method, 3), CaseDraw::of(42, Judgement::Method, 3));
        $soils = static fn(int $level): array => array_map(
            static fn(int $seed): int => CaseDraw::of($seed, Judgement::Method, $level)->soil,
            range(1, 200),
        );
        self::assertSame([], array_diff($soils(1), [0, 4]));
        self::assertGreaterThan(50, count(array_filter($soils(4), static fn(int $soil): bool => $soil === 2)));
        $dry = static fn(int $level): int => count(
            array_filter(
                range(1, 200),
                static fn(int $seed): bool => CaseDraw::of($seed, Judgement::Method, $level)->place['water'] === 'none',
            ),
        );
        self::assertSame(0, $dry(1));
        self::assertGreaterThan(20, $dry(4));
        foreach (range(1, 100) as $seed) {
            $case = CaseDraw::of($seed, Judgement::Topper, 4);
            self::assertTrue($case->soil > 0 || !$case->grit, 'no grit on what is clean');
        }
        $this->expectException(InvalidInput::class);
        CaseDraw::of(1, Judgement::Soap, 9);
    }

    public function testWhateverOneAnswersTheLevelStaysWithinAndAWrongAnswerNeverMakesItHarder(): void
    {
        $this->limitTo(150)
            ->forAll(Generators::seq(Generators::elements([true, false])), Generators::elements(Judgement::cases()))
            ->then(static function (array $answers, Judgement $one): void {
                $list = array_map(static fn(bool $right): array => [$one->value => $right], array_values($answers));
                $standing = Standing::of($list)->of[$one->value];
                self::assertContains($standing['level'], range(1, Standing::HARDEST));
                self::assertSame(
                    [count($list), count(array_filter($answers))],
                    [$standing['asked'], $standing['right']],
                );
                self::assertTrue($standing['lately'] >= 0.0 && $standing['lately'] <= 1.0);
                $wrong = Standing::of([...$list, [$one->value => false]])->of[$one->value];
                $right = Standing::of([...$list, [$one->value => true]])->of[$one->value];
                self::assertLessThanOrEqual($standing['level'], $wrong['level']);
                self::assertGreaterThanOrEqual($standing['level'], $right['level']);
                self::assertTrue($wrong['lately'] <= $standing['lately'] && $standing['lately'] <= $right['lately']);
                // What one was never asked is not touched by what one was.
                foreach (Judgement::cases() as $other) {
                    self::assertSame(
                        $other === $one ? count($list) : 0,
                        Standing::of($list)->of[$other->value]['asked'],
                    );
                }
            });
    }
}
