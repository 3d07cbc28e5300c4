<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Planning;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;
use Vicissa\Core\Planning\Sky;

/** Weeks to plan: read from a vector, or drawn. */
final class Instances
{
    /** Monday, 1 March 2027. */
    public const START = 20878;

    /**
     * @param array{start: string, days: int, crews: list<array<string, mixed>>, weather: array<string, array<string,
     *     string>>, sites: list<array<string, mixed>>, vehicles: list<array<string, mixed>>} $input
     */
    public static function read(array $input): Instance
    {
        $day = static fn(string $date): int => Day::number('date', $date);
        $days = static fn(array $dates): array => array_fill_keys(array_map($day, $dates), true);
        $cycle = static fn(?array $of): ?Cycle => $of === null
            ? null
            : new Cycle(
                $day($of['from']),
                $day($of['due']),
                isset($of['late']) ? $day($of['late']) : null,
                $of['repeat_days'],
            );
        $byDay = static function (array $of, callable $as) use ($day): array {
            $by = [];
            foreach ($of as $date => $value) {
                $by[$day($date)] = $as($value);
            }

            return $by;
        };

        return new Instance(
            $day($input['start']),
            $input['days'],
            array_map(
                static fn(array $crew): PlanCrew => new PlanCrew(
                    $crew['id'],
                    $byDay($crew['minutes'], static fn(int $minutes): int => $minutes),
                ),
                $input['crews'],
            ),
            $byDay(
                $input['weather'],
                static fn(array $of): Sky => new Sky(
                    $of['wash'] !== 'no',
                    $of['wash'] === 'poor',
                    $of['topper'] !== 'no',
                ),
            ),
            array_map(
                static fn(array $site): PlanSite => new PlanSite($site['id'], $site['hop_min'], $days($site['closed'])),
                $input['sites'],
            ),
            array_map(static function (array $v) use ($day, $days, $cycle): PlanVehicle {
                $locks = $windows = [];
                foreach ($v['deadlines'] as $deadline) {
                    $windows[] = [$day($deadline['date']) - (int) $deadline['within'], $day($deadline['date'])];
                }
                foreach ($v['locks'] as $lock) {
                    $locks[$day($lock['date'])] = (int) array_sum(
                        array_map(static fn(string $kind): int => Kind::from($kind)->bit(), $lock['kinds']),
                    );
                }

                return new PlanVehicle(
                    $v['id'],
                    $v['site'],
                    $v['minutes'],
                    $v['cadence']['min'],
                    $v['cadence']['target'],
                    $v['cadence']['max'],
                    $day($v['last_wash']),
                    $cycle($v['topper']),
                    $cycle($v['decon']),
                    $days($v['closed']),
                    $windows,
                    $locks,
                );
            }, $input['vehicles']),
        );
    }

    /**
     * @param int $perSite  vehicles a site has in the mean
     */
    public static function draw(
        int $seed,
        int $vehicles,
        int $days,
        int $crews,
        int $perSite = 3,
        bool $locks = false,
        bool $toppers = true,
    ): Instance {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $one = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $some = static function (int $most) use ($random, $days): array {
            $taken = [];
            for ($i = $random->getInt(0, $most); $i > 0; $i--) {
                $taken[self::START + $random->getInt(0, $days - 1)] = true;
            }

            return $taken;
        };
        $sites = [];
        for ($s = 0; $s < max(1, intdiv($vehicles, $perSite)); $s++) {
            $sites[] = new PlanSite("s{$s}", $one([0, 15, 30, 60]), $some(3));
        }
        $sky = $crewsOf = [];
        for ($d = 0; $d < $days; $d++) {
            $luck = $random->getInt(0, 99);
            $sky[self::START + $d] = new Sky($luck > 5, $luck < 20, $luck > 14);
        }
        for ($c = 0; $c < $crews; $c++) {
            $minutes = [];
            for ($d = 0; $d < $days; $d++) {
                if ($d % 7 < 5) {
                    $minutes[self::START + $d] = $one([240, 300, 420]);
                }
            }
            $crewsOf[] = new PlanCrew("c{$c}", $minutes);
        }
        $fleet = [];
        for ($v = 0; $v < $vehicles; $v++) {
            $target = $one([7, 10, 14, 21]);
            $repeat = $one([21, 28, 42]);
            $due = self::START + $random->getInt(-10, $days + 10);
            $deadline = self::START + $random->getInt(3, max(4, $days - 1));
            $fleet[] = new PlanVehicle(
                "v{$v}",
                $one($sites)->id,
                ['wash' => $one([50, 70, 90, 140]), 'topper' => $one([15, 25, 40]), 'decon' => $one([45, 60])],
                max(1, intdiv($target, 2)),
                $target,
                intdiv(3 * $target, 2),
                self::START - $random->getInt(1, $target + 5),
                $toppers ? new Cycle($due - intdiv(3 * $repeat, 10), $due, $due + 14, $repeat) : null,
                $toppers && $random->getInt(0, 2) === 0 ? new Cycle($due - 20, $due + 5, $due + 35, 60) : null,
                $some(4),
                $random->getInt(0, 4) === 0 ? [[$deadline - 3, $deadline]] : [],
                $locks && $random->getInt(0, 3) === 0
                    ? [self::START + $random->getInt(0, $days - 1) => $toppers ? $one([0, 1]) : 0]
                    : [],
            );
        }

        return new Instance(self::START, $days, $crewsOf, $sky, $sites, $fleet);
    }

    /** The same weeks, with registers some crews are not on and bases to be looked over. */
    public static function papered(Instance $instance, int $seed): Instance
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $sites = array_map(static function (PlanSite $site) use ($instance, $random): PlanSite {
            $barred = [];
            foreach ($instance->crews as $crew) {
                if ($random->getInt(0, 2) === 0) {
                    $barred[$crew->id] = array_fill_keys(
                        range($instance->start + $random->getInt(0, $instance->days - 1), $instance->end - 1),
                        true,
                    );
                }
            }

            return new PlanSite($site->id, $site->hopMin, $site->closed, $barred);
        }, array_values($instance->sites));
        $vehicles = array_map(static function (PlanVehicle $v) use ($instance, $random): PlanVehicle {
            $due = $instance->start + $random->getInt(-20, $instance->days + 20);

            return new PlanVehicle(
                $v->id,
                $v->site,
                [...$v->minutes, 'inspection' => $random->getInt(10, 40)],
                $v->min,
                $v->target,
                $v->max,
                $v->lastWash,
                $v->topper,
                $v->decon,
                $v->closed,
                $v->deadlines,
                $v->locks,
                $random->getInt(0, 1) === 0 ? null : new Cycle($due - 30, $due, $due + 60, 365),
            );
        }, $instance->vehicles);

        return new Instance($instance->start, $instance->days, $instance->crews, $instance->sky, $sites, $vehicles);
    }
}
