<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use Closure;
use Vicissa\Core\Kit\Retirement;
use Vicissa\Core\Kit\Shortage;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Cost;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\IdleWear;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Protection\Proof\SurvivalCurve;
use Vicissa\Core\Protection\Road;
use Vicissa\Core\Protection\Storage;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\WearingTurns;
use Vicissa\Core\Tests\Matching\Scene;
use Vicissa\Core\Tests\Visit\Days;
use Vicissa\Core\Units\Measures;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\PaceBook;
use Vicissa\Core\Visit\Remedies;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\WhatIf;

/** What is asked of turns where it is hardest: hot and windy, large, alone, half done, with things left out. */
final class QuestionsOfTurns
{
    /** @return array<string, Closure(): iterable<array-key, Closure(): mixed>> */
    public static function all(): array
    {
        return ['hard' => self::hard(...), 'record' => self::record(...), 'small' => self::small(...)];
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function hard(): iterable
    {
        for ($seed = 1; $seed <= 240; $seed++) {
            [$facts, $schools, $outfit] = Days::draw(70_000_000 + $seed);
            $facts['weather'] = [
                (float) (16 + ($seed % 19)),
                0.25 + ($seed % 5) / 10,
                ($seed % 9) / 1.5,
                350.0 + 60.0 * ($seed % 10),
            ];
            $facts['shade'] = $seed % 4 === 0;
            $facts['panel'] = $seed % 3 === 0 ? 30.0 + ($seed % 25) : null;
            $facts['soil'] = 1 + ($seed % 5);
            if ($seed % 2 === 0) {
                $facts['kinds'] = array_map(
                    static fn(Kind $kind): string => $kind->value,
                    array_values(
                        array_filter(
                            Kind::cases(),
                            static fn(Kind $kind): bool => $kind === Kind::Wash || (($seed >> 1) & $kind->bit()) !== 0,
                        ),
                    ),
                );
            }
            $situation = Scene::of($facts);
            $visit = Visit::of($situation, $schools, $outfit);
            yield "visit {$seed}" => static fn(): array => [
                $visit->steps,
                $visit->totals,
                $visit->problems,
                $visit->clash,
                $visit->schedule,
                $visit->laying->sections,
            ];
            yield "lacks {$seed}" => static fn(): array => $visit->laying->lacks(Kind::cases());
            yield "remedies {$seed}" => static fn(): array => Remedies::for($visit, $situation, $schools, $outfit);
            if ($seed % 3 === 0) {
                $done = array_slice(array_map(static fn($step): string => $step->id, $visit->steps), 0, $seed % 12);
                yield "half done {$seed}" => static fn(): array => [
                    ($half = Visit::of($situation, $schools, $outfit, $done))->schedule,
                    $half->totals,
                    $half->problems,
                ];
            }
            if ($seed % 4 === 0) {
                $ids = array_map(
                    static fn($bottle): string => $bottle->id,
                    array_slice($situation->shelf, $seed % 5, 4),
                );
                yield "without {$seed}" => static fn(): array => Laying::of(
                    $situation->without($ids),
                    $schools,
                    $outfit,
                )->steps;
            }
            if ($seed % 6 === 0) {
                $here = Laying::of($situation, $schools, $outfit);
                yield "elsewhere {$seed}" => static fn(): array => [
                    WhatIf::elsewhere($situation, $schools, $outfit, $here),
                    WhatIf::otherwise($situation, $schools, $outfit, $here),
                ];
            }
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function record(): iterable
    {
        foreach ([0, 1_700_000_000] as $on) {
            foreach ([null, $on + 864_000] as $end) {
                $span = new LayerSpan('v', Zone::Paint, Family::Wax, $on, $end);
                yield "span {$on} " . ($end ?? 'open') => static fn(): array => [
                    array_map($span->day(...), [$on - 5, $on, $on + 43_200, $on + 864_000]),
                    array_map($span->moment(...), [0.0, 0.25, 10.0]),
                    array_map($span->wasOnWhen(...), [$on - 1, $on, $on + 1, $on + 864_000, $on + 864_001]),
                ];
            }
        }
        $turn = static fn(int $at, Method $method): LoggedTurn => new LoggedTurn(
            "t{$at}",
            $at,
            $method,
            false,
            false,
            false,
            [],
            [],
        );
        foreach ([0, 1, 6, 9] as $n) {
            $turns = new WearingTurns(
                array_map(
                    static fn(int $i): LoggedTurn => $turn(86_400 * $i, Method::cases()[$i % count(Method::cases())]),
                    $n === 0 ? [] : range(1, $n),
                ),
            );
            yield "wash of {$n}" => static fn(): float => $turns->usualWash(
                Zone::Paint,
                Family::Wax,
                new WearFactors(),
            );
        }
        foreach ([[3.0, null], [2.0, 5.0], [6.0, 9.0]] as $i => $of) {
            $lives = array_fill(0, 4 + $i, FailureInterval::of(...$of));
            yield "curve {$i}" => static fn(): array => [
                SurvivalCurve::of($lives),
                SurvivalCurve::of($lives, 2),
                SurvivalCurve::of($lives, band: false),
            ];
        }
        $model = new LifeModel(8.0, 20.0);
        foreach ([0.0, 6.0, 19.0, 40.0] as $worn) {
            $life = $model->forecast([], [FailureInterval::of(7.0, 11.0)], $worn);
            yield "life worn {$worn}" => static fn(): array => array_map($life->quantile(...), [
                1e-6,
                0.02,
                0.5,
                0.98,
                1.0 - 1e-6,
            ]);
        }
        foreach (['garage', 'outdoors'] as $storage) {
            $idle = IdleWear::of(Habits::of(Storage::from($storage), Road::Normal, 150.0, [12, 1, 2]), 1_790_000_000);
            yield "idle {$storage}" => static fn(): array => array_map(
                static fn(float $amount): array => [
                    $idle->reaches($amount, 0.0, 0.0, 0.0),
                    $idle->reaches($amount, 20.0, 0.01, 5.0),
                    $idle->reaches($amount, 100.0, 0.0, 140.0),
                ],
                [0.0, 0.5, 3.0, 20.0],
            );
        }
    }

    /** @return iterable<string, Closure(): mixed> */
    private static function small(): iterable
    {
        foreach (
            ['1970-01-01', '2024-02-29', '2027-03-01', '2027-12-31', '2099-06-30', '2027-02-29', '27-1-1']
            as $date
        ) {
            yield "day {$date}" => static fn(): array => [
                ($n = Day::number('date', $date)),
                Day::date($n),
                Day::date($n + 40_000),
            ];
        }
        foreach ([0.0, 9.0, 30.0, 89.9, 90.0, 119.0, 125.0, 131.0, 179.0, 180.0, 181.0, 195.0, 600.0] as $s) {
            yield "time {$s}" => static fn(): string => Measures::time($s);
        }
        foreach (array_keys(Retirement::CYCLES) as $use) {
            yield "retires {$use}" => static fn(): array => [
                Retirement::after((string) $use),
                Retirement::of((string) $use, 10, 395),
                Retirement::of((string) $use, 10, 900, 100),
                array_map(
                    static fn($to): bool => Retirement::allows((string) $use, (string) $to),
                    array_keys(Retirement::CYCLES),
                ),
            ];
        }
        foreach ([[900.0, 500.0], [100.0, 500.0], [100.0, 100.0], [0.0, 0.0]] as [$need, $stock]) {
            yield "short {$need} {$stock}" => static fn(): array => [
                Shortage::of($need, $stock),
                Shortage::of($need, $stock, 450.0, 500.0),
                Shortage::of($need, $stock, packMl: 80.0, margin: 0.0),
            ];
        }
        yield 'cost of nothing' => static fn(): Cost => new Cost(1.0, 2.0, 3.0, 4.0, 5.0, 6.0);
        foreach (
            [[10.0, 49.0], [10.0, 50.0], [10.0, 51.0], [10.0, 66.0], [10.0, 1.9], [10.0, 2.0], [0.0, 3.0]]
            as [$of, $took]
        ) {
            yield "pace {$of} {$took}" => static fn(): array => PaceBook::of([
                ['kind' => 'foam', 'person' => 'a', 'vehicle' => 'v', 'estimated' => $of, 'took' => $took],
                [
                    'kind' => null,
                    'person' => 'a',
                    'vehicle' => 'v',
                    'estimated' => 60.0,
                    'took' => 70.0,
                    'weight' => 4.0,
                ],
            ])->toKeep();
        }
        foreach (
            [[30.0, null], [61.0, 70.0], [170.0, 175.0], [119.0, 121.0], [0.0, 20.0], [60.0, 60.0]]
            as [$min, $max]
        ) {
            yield "wait {$min} " . ($max ?? 'on') => static fn(): array => (array) (new Wait('a', $min, $max))->dwell();
        }
        yield 'visits alike' => static fn(): PlacedVisit => new PlacedVisit(
            'v',
            Day::number('date', '2027-03-01'),
            'c',
            9,
        );
    }
}
