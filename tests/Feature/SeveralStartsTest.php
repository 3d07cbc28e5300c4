<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Weeks\SeveralStarts;
use Illuminate\Support\Facades\Process;
use Tests\TestCase;
use Vicissa\Core\Planning\FoundPlan;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Tests\Planning\Instances;

/** A plan searched for by several processes at once: the best counts, none is left behind. */
final class SeveralStartsTest extends TestCase
{
    private const SHAKES = 61;

    public function testTheBestOfTheStartsCounts(): void
    {
        config(['vicissa.limits.plan_starts' => 3]);
        // Weeks whose first start is not the best by itself.
        for ($draw = 717; ; $draw++) {
            $instance = Instances::draw($draw, 12, 28, 1, 3, true);
            $alone = array_map(
                static fn(int $seed): float => self::missed(Planner::plan($instance, self::SHAKES, $seed)),
                [1, 2, 3],
            );
            if (min($alone) < $alone[0]) {
                break;
            }
        }

        $heard = [];
        $found = (new SeveralStarts(120.0))($instance, self::SHAKES, static function (float $share) use (
            &$heard,
        ): bool {
            $heard[] = $share;

            return true;
        });

        $rising = $heard;
        sort($rising);
        self::assertSame($rising, $heard, 'How far it is goes back.');
        self::assertLessThan(1.0, end($heard), 'All done, and it still waits for others.');
        self::assertSame(min($alone), self::missed($found));
        self::assertEquals(
            $found->visits,
            Planner::again($instance, $found->visits)->visits,
            'Planned again, something moves.',
        );
        self::assertSame('', $this->left());
    }

    public function testWhoeverStopsLeavesNobodySearching(): void
    {
        config(['vicissa.limits.plan_starts' => 2]);
        $asked = 0;
        $found = (new SeveralStarts())(Instances::draw(718, 40, 56, 2), 1_000_061, static function () use (
            &$asked,
        ): bool {
            return ++$asked < 3;
        });

        self::assertNotSame([], $found->visits);
        self::assertSame('', $this->left('1000061'));
    }

    public function testAStartThatComesToNothingTakesNothingAway(): void
    {
        config(['vicissa.limits.plan_starts' => 2]);
        Process::fake(['*' => Process::result(output: 'out of memory', exitCode: 255)]);
        $instance = Instances::draw(719, 10, 28, 1);

        $found = (new SeveralStarts())($instance, self::SHAKES, static fn(): bool => true);

        self::assertEquals(Planner::plan($instance, self::SHAKES), $found);
        Process::assertRan(
            static fn($process): bool => in_array('vicissa:start-search', (array) $process->command, true),
        );
    }

    public function testNobodyWhoDoesNotWaitStartsAny(): void
    {
        config(['vicissa.limits.plan_starts' => 4]);
        Process::fake();

        (new SeveralStarts())(Instances::draw(719, 10, 28, 1), self::SHAKES);

        Process::assertNothingRan();
    }

    private static function missed(FoundPlan $plan): float
    {
        return round(
            $plan->cost->total + 1e6 * count(array_filter($plan->unmet, static fn($one): bool => $one->binding)),
            3,
        );
    }

    /** What still searches. */
    private function left(string $shakes = '61'): string
    {
        usleep(200_000);

        return trim((string) shell_exec("pgrep -f 'vicissa:start-search [0-9]+ {$shakes}$'"));
    }
}
