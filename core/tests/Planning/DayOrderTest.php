<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Planning;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Planning\DayOrder;

final class DayOrderTest extends TestCase
{
    use TestTrait;

    public function testNoOtherOrderIsBetter(): void
    {
        $this->limitTo(40)
            ->forAll(Generators::choose(0, 1_000_000), Generators::choose(1, 6))
            ->then(function (int $seed, int $n): void {
                [$stops, $travel] = $this->day($seed, $n);
                $found = DayOrder::of($stops, $travel, 480);
                self::assertTrue($found->exact);
                $least = min(
                    INF,
                    ...array_map(
                        static fn(array $order): float => DayOrder::cost($stops, $travel, 480, $order),
                        $this->orders(range(0, $n - 1)),
                    ),
                );
                self::assertEqualsWithDelta(
                    $least,
                    DayOrder::cost($stops, $travel, 480, $found->order),
                    1e-9,
                    "seed {$seed}",
                );
            });
    }

    public function testAGateThatShutsAtNoonComesFirst(): void
    {
        $stop = static fn(int $opens, int $closes): array => [
            'minutes' => 120,
            'opens' => $opens,
            'closes' => $closes,
            'hot' => [],
        ];
        $order = DayOrder::of([$stop(0, 1440), $stop(540, 720)], [[0, 5, 30], [5, 0, 25], [30, 25, 0]], 480);
        self::assertSame([1, 0], $order->order);
        self::assertSame(
            [['arrive' => 510, 'begin' => 540, 'end' => 660], ['arrive' => 685, 'begin' => 685, 'end' => 805]],
            $order->times,
        );
        self::assertSame([60, 30, 0], [$order->travel, $order->waits, $order->shut]);
    }

    public function testTheHotHoursAreLeftToTheOneInTheShade(): void
    {
        $hot = array_fill_keys([11, 12, 13], true);
        $stop = static fn(array $hot): array => ['minutes' => 120, 'opens' => 0, 'closes' => 1440, 'hot' => $hot];
        self::assertSame(
            [1, 0],
            DayOrder::of([$stop([]), $stop($hot)], [[0, 10, 10], [10, 0, 10], [10, 10, 0]], 530)->order,
        );
    }

    public function testManyStopsAreOrderedOnceEach(): void
    {
        [$stops, $travel] = $this->day(5, 14);
        $found = DayOrder::of($stops, $travel, 480);
        self::assertFalse($found->exact);
        $sorted = $found->order;
        sort($sorted);
        self::assertSame(range(0, 13), $sorted);
        self::assertLessThanOrEqual(
            DayOrder::cost($stops, $travel, 480, range(0, 13)),
            DayOrder::cost($stops, $travel, 480, $found->order),
        );
        self::assertSame([], DayOrder::of([], [[0]], 480)->order);
    }

    /** @return array{list<array{minutes: int, opens: int, closes: int, hot: array<int, bool>}>, list<list<int>>} */
    private function day(int $seed, int $n): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $stops = $places = [];
        for ($i = 0; $i <= $n; $i++) {
            $places[] = [$random->getInt(0, 60), $random->getInt(0, 60)];
        }
        for ($i = 0; $i < $n; $i++) {
            $opens = $random->getInt(0, 3) === 0 ? $random->getInt(400, 900) : 0;
            $stops[] = [
                'minutes' => $random->getInt(30, 120),
                'opens' => $opens,
                'closes' => $opens > 0 ? $opens + 240 : 1440,
                'hot' => $random->getInt(0, 2) === 0 ? [12 => true, 13 => true] : [],
            ];
        }

        return [
            $stops,
            array_map(
                static fn(array $a): array => array_map(
                    static fn(array $b): int => abs($a[0] - $b[0]) + abs($a[1] - $b[1]),
                    $places,
                ),
                $places,
            ),
        ];
    }

    /**
     * @param list<int> $items
     * @return list<list<int>>
     */
    private function orders(array $items): array
    {
        if (count($items) < 2) {
            return [$items];
        }
        $all = [];
        foreach ($items as $i => $item) {
            $rest = $items;
            array_splice($rest, $i, 1);
            foreach ($this->orders($rest) as $order) {
                $all[] = [$item, ...$order];
            }
        }

        return $all;
    }
}
