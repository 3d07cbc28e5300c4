<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Kit;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Kit\Batches;
use Vicissa\Core\Kit\Laundry;
use Vicissa\Core\Kit\Retirement;
use Vicissa\Core\Kit\Shortage;

final class KitTest extends TestCase
{
    use TestTrait;

    public function testWhatIsTakenAlongAndWhatIsBought(): void
    {
        $of = Shortage::of(500, 800, 250, 1000);
        self::assertSame(
            [600.0, 0.0, 0, 300.0],
            [$of->takeMl, $of->missingMl, $of->packs, $of->leftMl],
            'enough, and above the reorder level afterwards',
        );
        $of = Shortage::of(700, 800, 250, 1000);
        self::assertSame([840.0, 40.0, 1, 1000.0], [round($of->takeMl), round($of->missingMl), $of->packs, $of->buyMl]);
        self::assertSame(150.0, Shortage::of(700, 800, 250)->buyMl, 'without a pack size, the millilitres');
        self::assertSame(3, Shortage::of(2500, 0, 0, 1000)->packs, '3.0 l in packs of a litre are three');
        $this->expectException(InvalidInput::class);
        Shortage::of(-1, 0);
    }

    public function testAfterBuyingThereIsEnoughAndNoPackTooMuch(): void
    {
        $this->limitTo(200)
            ->forAll(
                Generators::choose(0, 5000),
                Generators::choose(0, 5000),
                Generators::choose(0, 1000),
                Generators::choose(100, 5000),
            )
            ->then(static function (int $need, int $stock, int $reorder, int $pack): void {
                $of = Shortage::of($need, $stock, $reorder, $pack);
                $enough = static fn(float $has): bool => $has >= $of->takeMl - 1e-6 && $has - $need >= $reorder - 1e-6;
                self::assertTrue($enough($stock + $of->buyMl));
                self::assertTrue($of->packs === 0 || !$enough($stock + $of->buyMl - $pack));
            });
    }

    public function testTheOldestBatchGoesFirst(): void
    {
        $in = static fn(float $ml, ?string $batch, ?string $expires = null): array => [
            'ml' => $ml,
            'batch' => $batch,
            'expires' => $expires,
        ];
        $batches = Batches::of([
            $in(1000, 'A1', '2027-01-01'),
            $in(-400, null),
            $in(500, 'B7', '2027-06-01'),
            $in(-700, null),
        ]);
        self::assertSame([['batch' => 'B7', 'expires' => '2027-06-01', 'ml' => 400.0]], $batches->left);
        self::assertSame('B7', $batches->inUse());
        self::assertSame([], $batches->expiring('2027-05-31'));
        self::assertCount(1, $batches->expiring('2027-06-01'));
        self::assertNull(Batches::of([$in(100, 'A'), $in(-5000, null)])->inUse(), 'less than nothing is nothing');
    }

    public function testEveryDayHasItsCleanTowelsWashedAsLateAsCanBe(): void
    {
        $of = Laundry::of(10, 2, ['2027-03-02' => 5, '2027-03-01' => 4, '2027-03-04' => 6]);
        self::assertSame(
            [['before' => '2027-03-02', 'pieces' => 6], ['before' => '2027-03-04', 'pieces' => 5]],
            $of->washes,
        );
        self::assertSame([0, 4, 6], [$of->short, $of->cleanAtEnd, $of->dirtyAtEnd]);
        self::assertSame(3, Laundry::of(5, 5, ['2027-03-01' => 8])->short, 'more than there are');
        $this->limitTo(100)
            ->forAll(Generators::choose(1, 30), Generators::choose(0, 30), Generators::seq(Generators::choose(0, 12)))
            ->then(static function (int $pieces, int $dirty, array $needs): void {
                $by = [];
                foreach ($needs as $i => $need) {
                    $by[gmdate('Y-m-d', 1_800_000_000 + 86400 * $i)] = $need;
                }
                $of = Laundry::of($pieces, min($dirty, $pieces), $by);
                self::assertSame($pieces, $of->cleanAtEnd + $of->dirtyAtEnd);
                self::assertSame(
                    max(0, ...[0, ...array_values($by)]) > $pieces,
                    $of->short > 0,
                    'only a day that needs more than all is short',
                );
            });
    }

    public function testAWheelTowelNeverReturnsToPaint(): void
    {
        foreach (['wash', 'large', 'medium', 'catch', 'topper', 'sills', 'jambs'] as $clean) {
            self::assertFalse(Retirement::allows('wheels', $clean));
            self::assertTrue(Retirement::allows($clean, 'wheels'));
            self::assertTrue(Retirement::allows($clean, null));
        }
        self::assertSame(
            ['sills', 'wheels', null],
            [Retirement::after('wash'), Retirement::after('sills'), Retirement::after('wheels')],
        );
        self::assertSame(['cycles' => 82.5, 'of' => 80, 'due' => true], Retirement::of('wash', 20, 1650));
        self::assertFalse(Retirement::of('wash', 0, 100)['due']);
    }

    public function testEachMillilitreIsInOneBatchUntilItIsGone(): void
    {
        $this->limitTo(150)
            ->forAll(Generators::seq(Generators::choose(-60, 60)))
            ->then(static function (array $steps): void {
                /** @var list<int> $steps */
                $moves = $drops = [];
                foreach ($steps as $i => $step) {
                    $moves[] = [
                        'ml' => (float) $step,
                        'batch' => $step > 0 ? "B{$i}" : null,
                        'expires' => $step > 0 ? gmdate('Y-m-d', 1_800_000_000 + 86400 * (($i * 37) % 90)) : null,
                    ];
                    // Millilitre by millilitre, in a queue.
                    $drops = $step > 0 ? [...$drops, ...array_fill(0, $step, "B{$i}")] : array_slice($drops, -$step);
                }
                $batches = Batches::of($moves);
                $left = [];
                foreach ($batches->left as $one) {
                    $left[(string) $one['batch']] = (int) round($one['ml']);
                }
                self::assertSame(array_count_values($drops), $left);
                self::assertSame($drops[0] ?? null, $batches->inUse());
                self::assertLessThanOrEqual(count($batches->left), count($batches->expiring('2027-03-01')));
            });
    }

    public function testWashedADayLaterSomebodyWouldStandThereWithoutATowel(): void
    {
        $this->limitTo(150)
            ->forAll(Generators::choose(1, 30), Generators::choose(0, 30), Generators::seq(Generators::choose(0, 14)))
            ->then(static function (int $pieces, int $dirty, array $needs): void {
                $dirty = min($dirty, $pieces);
                $by = [];
                foreach ($needs as $i => $need) {
                    $by[gmdate('Y-m-d', 1_800_000_000 + 86400 * $i)] = min($need, $pieces);
                }
                $washes = array_column(Laundry::of($pieces, $dirty, $by)->washes, 'pieces', 'before');
                $clean = $pieces - $dirty;
                foreach ($by as $date => $need) {
                    if (isset($washes[$date])) {
                        self::assertLessThan($need, $clean, 'it was needed on that very day');
                        self::assertSame($pieces - $clean, $washes[$date], 'and then everything goes in');
                        $clean = $pieces;
                    }
                    self::assertGreaterThanOrEqual($need, $clean);
                    $clean -= $need;
                }
            });
    }
}
