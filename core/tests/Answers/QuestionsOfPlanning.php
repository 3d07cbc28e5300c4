<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use Closure;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Planning\Course;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Inspections;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Ledger;
use Vicissa\Core\Planning\Lure;
use Vicissa\Core\Planning\Parts;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\PlanCheck;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Tests\Planning\Instances;

/** What is asked of the parts of planning one by one: an answer that the whole would mend is seen here. */
final class QuestionsOfPlanning
{
    /** @return array<string, Closure(): iterable<array-key, Closure(): mixed>> */
    public static function all(): array
    {
        return ['courses' => self::courses(...), 'ledger' => self::ledger(...), 'rough' => self::rough(...)];
    }

    /**
     * One vehicle's cheapest days, whatever each day asks.
     *
     * @return iterable<string, Closure(): mixed>
     */
    private static function courses(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $instance = self::drawn($seed);
            $random = new Randomizer(new Xoshiro256StarStar(7000 + $seed));
            foreach ($instance->vehicles as $vehicle) {
                $course = new Course($instance, $vehicle);
                $prices = [];
                foreach ($course->days as $i => $day) {
                    $asks = [];
                    foreach ($random->getInt(0, 9) === 0 ? [] : $course->kinds[$i] as $bits) {
                        $asks[$bits] = (float) $random->getInt(0, 60) / 4.0;
                    }
                    $prices[] = $asks;
                }
                yield "{$seed} {$vehicle->id}" => static function () use ($course, $prices): array {
                    $best = $course->best($prices);

                    return [
                        $best,
                        $course->missed(
                            array_map(static fn(array $visit): int => $course->days[$visit[0]], $best['visits']),
                        ),
                    ];
                };
                yield "{$seed} {$vehicle->id} may" => static fn(): array => [
                    $course->days,
                    $course->kinds,
                    array_map($course->isLocked(...), array_keys($course->days)),
                ];
            }
        }
    }

    /**
     * How full days are, and what one visit more would cost.
     *
     * @return iterable<string, Closure(): mixed>
     */
    private static function ledger(): iterable
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $instance = self::drawn($seed);
            $random = new Randomizer(new Xoshiro256StarStar(9000 + $seed));
            $ledger = new Ledger($instance);
            $stands = [];
            for ($i = 0; $i < 3 * count($instance->vehicles); $i++) {
                $vehicle = $instance->vehicles[$random->getInt(0, count($instance->vehicles) - 1)];
                $crew = $random->getInt(0, count($instance->crews) - 1);
                $day = $instance->start + $random->getInt(0, $instance->days - 1);
                $bits = $random->getInt(0, 3);
                if (!$ledger->holds($vehicle, $crew, $day, $bits)) {
                    continue;
                }
                $ledger->add($vehicle, $crew, $day, $bits);
                $stands[] = [$vehicle, $crew, $day, $bits];
                if ($random->getInt(0, 4) === 0) {
                    $ledger->remove(...$stands[array_key_last($stands)]);
                    array_pop($stands);
                }
            }
            yield "{$seed}" => static fn(): array => [$ledger->cost, count($stands)];
            foreach (array_slice($instance->vehicles, 0, 4) as $vehicle) {
                yield "{$seed} {$vehicle->id}" => static function () use ($instance, $ledger, $vehicle): array {
                    $prices = [];
                    for ($day = $instance->start; $day < $instance->end; $day += 2) {
                        [$costs, $crews] = $ledger->pricesOn(
                            $vehicle,
                            [$day],
                            [[0, 1, 2, 3, 8]],
                            [4.0],
                            new Lure($day % 3 ? [] : [$day => 0.25]),
                        );
                        $prices[] = [$costs[0], $crews[0]];
                        foreach ($instance->crews as $c => $crew) {
                            $prices[] = [
                                $ledger->taken($c, $day),
                                $ledger->holds($vehicle, $c, $day, 3),
                                Parts::of($instance, $vehicle, $crew, $day, 3),
                            ];
                        }
                    }

                    return $prices;
                };
            }
        }
    }

    /**
     * Plans as they are before anything is made better, and the inspections that ride along.
     *
     * @return iterable<string, Closure(): mixed>
     */
    private static function rough(): iterable
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $instance = self::drawn($seed);
            $plan = Planner::plan($instance, 1, $seed, static fn(): bool => false);
            yield "{$seed}" => static fn(): array => [$plan->visits, $plan->cost];
            $some = array_values(
                array_filter($plan->visits, static fn(PlacedVisit $one): bool => $one->day % 4 !== $seed % 4),
            );
            yield "{$seed} rest" => static fn(): array => Planner::again(
                $instance,
                $some,
                (float) ($seed % 5),
                1,
                $seed,
                static fn(): bool => false,
            )->visits;
            yield "{$seed} few shakes" => static fn(): array => Planner::again(
                $instance,
                $some,
                (float) ($seed % 5),
                2,
                $seed,
            )->visits;
            $bare = array_map(
                static fn(PlacedVisit $one): PlacedVisit => new PlacedVisit(
                    $one->vehicle,
                    $one->day,
                    $one->crew,
                    $one->bits & ~4,
                ),
                $plan->visits,
            );
            yield "{$seed} looked over" => static fn(): array => Inspections::placed($instance, $bare);
            yield "{$seed} broken" => static fn(): array => PlanCheck::broken($instance, [
                ...$bare,
                ...array_slice($bare, 0, 2),
            ]);
        }
    }

    /** Weeks with everything in them: bases, long visits, days without, kinds that every visit holds. */
    private static function drawn(int $seed): Instance
    {
        $random = new Randomizer(new Xoshiro256StarStar(5000 + $seed));
        $instance = Instances::papered(
            Instances::draw($seed, 4 + ($seed % 11), 14 + 7 * ($seed % 3), 1 + ($seed % 3), locks: $seed % 2 === 0),
            $seed,
        );
        $vehicles = array_map(static function (PlanVehicle $of) use ($instance, $random): PlanVehicle {
            $due = $instance->start + $random->getInt(-5, $instance->days);
            $long = $random->getInt(0, 7) === 0;
            $more = [
                'base' => $random->getInt(0, 3) === 0 ? new Cycle($due - 7, $due, $due + 14, 45) : null,
                'minutes' => [
                    ...$of->minutes,
                    'base' => $random->getInt(30, 120),
                    'wash' => $long ? 500 : $of->minutes['wash'],
                ],
                'mayStay' => $long,
                'each' => $random->getInt(0, 5) === 0 ? 1 : 0,
                'without' => $random->getInt(0, 3) === 0 ? [$due => 1, $due + 1 => 3] : [],
            ];

            return new PlanVehicle(...[...get_object_vars($of), ...$more]);
        }, $instance->vehicles);

        return new Instance(
            $instance->start,
            $instance->days,
            $instance->crews,
            $instance->sky,
            array_values($instance->sites),
            $vehicles,
        );
    }
}
