<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Water;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Residue;
use Vicissa\Core\Water\Resin;
use Vicissa\Core\Water\Tank;

/** The tank against a plain clockwork, and the books of water that have to balance. */
final class TankTest extends TestCase
{
    use TestTrait;

    public function testItAgreesWithAClockworkOfSmallStepsAndItsBooksBalance(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$tank, $start, $draws, $horizon] = self::round($seed);
                $run = $tank->run($start, $draws, $horizon);
                [$level, $short, $made, $min] = self::clockwork($tank, $start, $draws, $horizon);
                self::assertEqualsWithDelta($level, $run->endL, 0.15);
                self::assertEqualsWithDelta($short, $run->shortL, 0.15);
                self::assertEqualsWithDelta($made, $run->madeL, 0.15);
                self::assertEqualsWithDelta($min, $run->minL, 0.15);
                self::assertGreaterThanOrEqual(0.0, $run->minL);
                self::assertLessThanOrEqual($tank->tankL, max(array_column($run->points, 'l')));
                $asked = array_sum(
                    array_map(
                        static fn(Draw $draw): float => $draw->lMin *
                            max(0.0, min($horizon, $draw->startMin + $draw->minutes) - $draw->startMin),
                        $draws,
                    ),
                );
                self::assertEqualsWithDelta(
                    $run->endL,
                    $start + $run->madeL - ($asked - $run->shortL),
                    1e-6,
                    'what came in, less what went out, is what is left',
                );
                self::assertEqualsWithDelta($run->madeL, $run->feedL * $tank->recovery, 1e-6);
                self::assertSame($run->emptyAt === null, $run->shortL <= 1e-9);
            });
    }

    public function testMoreMadeNeverLeavesLess(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$tank, $start, $draws, $horizon] = self::round($seed);
                $more = (new Tank($tank->tankL, $tank->onBelowL, $tank->makeLMin + 1.0, $tank->recovery))->run(
                    $start,
                    $draws,
                    $horizon,
                );
                self::assertLessThanOrEqual($tank->run($start, $draws, $horizon)->shortL + 1e-6, $more->shortL);
            });
    }

    public function testTheSwitchWaitsUntilTheLevelHasFallen(): void
    {
        $tank = new Tank(100.0, 60.0, 5.0, 0.5);
        self::assertSame(0.0, $tank->run(80.0, [], 30.0)->madeL, 'above the switch nothing is made');
        $full = $tank->run(60.0, [], 30.0);
        self::assertSame([100.0, 40.0], [$full->endL, $full->madeL], 'once on it fills to the top');
        self::assertEqualsWithDelta(8.0, $full->points[1]['min'], 1e-9);
    }

    public function testResinByItsFormulaAndItsWarning(): void
    {
        $resin = new Resin(5.0, 12.0);
        self::assertEqualsWithDelta((5.0 * 12.0 * 1000.0) / 30.0, $resin->litresLeft(30.0), 1e-9);
        self::assertEqualsWithDelta(1000.0, $resin->litresLeft(30.0, 30.0), 1e-9);
        self::assertSame([false, true], [$resin->warns(50.0), $resin->warns(51.0)]);
        self::assertSame(0.0, $resin->litresLeft(30.0, 90.0), 'never less than nothing');
    }

    /** @return iterable<string, array{callable(): mixed, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'a tank of nothing' => [static fn() => new Tank(0.0, 0.0, 1.0, 0.5), 'tank_l', 'fault.tank'];
        yield 'a switch above the rim' => [
            static fn() => new Tank(100.0, 120.0, 1.0, 0.5),
            'on_below_l',
            'fault.lies-between',
        ];
        yield 'more made than fed' => [static fn() => new Tank(100.0, 50.0, 1.0, 1.4), 'recovery', 'fault.recovery'];
        yield 'a level below nought' => [
            static fn() => (new Tank(100.0, 50.0, 1.0, 0.5))->run(-3.0, [], 10.0),
            'start_l',
            'fault.lies-between',
        ];
        yield 'a draw backwards' => [static fn() => new Draw(5.0, -2.0, 4.0), 'minutes', 'fault.lies-between'];
        yield 'resin without water' => [
            static fn() => (new Resin(5.0, 12.0))->litresLeft(0.0),
            'tds_mg_l',
            'fault.resin-feed',
        ];
        yield 'solids below nought' => [
            static fn() => Residue::of(-1.0, 0.05, false),
            'tds_mg_l',
            'fault.lies-between',
        ];
    }

    /** @param callable(): mixed $work */
    #[DataProvider('nonsense')]
    public function testNonsenseGetsASentence(callable $work, string $field, string $says): void
    {
        try {
            $work();
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertSame($says, $e->says->code);
        }
    }

    /** @return array{Tank, float, list<Draw>, float} */
    private static function round(int $seed): array
    {
        mt_srand($seed);
        $holds = (float) mt_rand(40, 300);
        $draws = [];
        $at = 0.0;
        for ($i = mt_rand(0, 6); $i > 0; $i--) {
            $at += mt_rand(0, 20);
            $draws[] = new Draw($at, ($minutes = (float) mt_rand(1, 18)), mt_rand(10, 120) / 10);
            $at += $minutes * (mt_rand(1, 5) === 1 ? 0.5 : 1.0);
        }

        return [
            new Tank($holds, ($holds * mt_rand(20, 100)) / 100, mt_rand(0, 60) / 10, mt_rand(2, 9) / 10),
            ($holds * mt_rand(0, 100)) / 100,
            $draws,
            $at + mt_rand(0, 40),
        ];
    }

    /**
     * @param list<Draw> $draws
     * @return array{float, float, float, float} level, short, made, least
     */
    private static function clockwork(Tank $tank, float $level, array $draws, float $horizon): array
    {
        [$short, $made, $least, $filling, $dt] = [0.0, 0.0, $level, $level <= $tank->onBelowL, 0.002];
        for ($t = 0.0; $t < $horizon - 1e-9; $t += $dt) {
            $make = $filling ? $tank->makeLMin * $dt : 0.0;
            $want =
                array_sum(
                    array_map(static fn(Draw $draw): float => $draw->at($t + $dt / 2) ? $draw->lMin : 0.0, $draws),
                ) * $dt;
            $made += $make;
            $level += $make - $want;
            if ($level < 0.0) {
                $short -= $level;
                $level = 0.0;
            }
            $least = min($least, $level);
            if ($filling && $level >= $tank->tankL) {
                [$filling, $level] = [false, $tank->tankL];
            } elseif (!$filling && $level <= $tank->onBelowL) {
                $filling = true;
            }
        }

        return [$level, $short, $made, $least];
    }
}
