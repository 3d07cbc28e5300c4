<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\PlacedVisit;
use Vicissa\Core\Planning\PlanCheck;
use Vicissa\Core\Planning\PlanCrew;
use Vicissa\Core\Planning\PlanSite;
use Vicissa\Core\Planning\PlanVehicle;

/** Each hard rule broken once: whoever checks a plan must see it. */
final class PlanCheckTest extends TestCase
{
    private const DAY = Instances::START;

    /** @return iterable<string, array{list<array{0: int, 1?: int, 2?: string, 3?: string}>, list<string>}> */
    public static function plans(): iterable
    {
        yield 'all is kept' => [[[0], [7, 1], [14, 8]], []];
        yield 'of nobody’s vehicle' => [[[0, 0, 'ghost']], ['nobody’s']];
        yield 'by nobody' => [[[0, 0, 'van', 'ghosts']], ['nobody’s']];
        yield 'before the plan' => [[[-1]], ['nobody’s']];
        yield 'after the plan' => [[[28]], ['nobody’s']];
        yield 'the last day is one' => [[[27]], []];
        yield 'twice on a day' => [[[0], [0, 1]], ['twice']];
        yield 'on a day it is away' => [[[3]], ['can’t be visited']];
        yield 'a lock overrules that it is away' => [[[4]], []];
        yield 'a lock that holds something else' => [[[4, 1]], ['something else']];
        yield 'what the day has no step for' => [[[1, 1]], ['nothing but a wash']];
        yield 'what nobody asked for' => [[[0, 2]], ['not asked for']];
        yield 'a place that bars this crew' => [[[8]], ['may not go']];
        yield 'more minutes than there are' => [[[2, 1]], ['has 40 minutes', 'is given 115']];
        yield 'as many as may be over' => [[[2]], []];
        yield 'a day on which nobody works' => [[[5]], ['has 0 minutes']];
        yield 'too soon' => [[[9], [14]], ['only 5 days']];
        yield 'at the least there has to be' => [[[9], [15]], []];
    }

    /**
     * @param list<array{0: int, 1?: int, 2?: string, 3?: string}> $visits  day, kinds, vehicle, crew
     * @param list<string> $says
     */
    #[DataProvider('plans')]
    public function testWhatIsBrokenIsSaid(array $visits, array $says): void
    {
        $broken = PlanCheck::broken(
            self::weeks(),
            array_map(
                static fn(array $visit): PlacedVisit => new PlacedVisit(
                    $visit[2] ?? 'van',
                    self::DAY + $visit[0],
                    $visit[3] ?? 'crew',
                    $visit[1] ?? 0,
                ),
                $visits,
            ),
        );
        self::assertCount($says === [] ? 0 : 1, $broken, implode(' ', $broken));
        foreach ($says as $part) {
            self::assertStringContainsString($part, $broken[0]);
        }
    }

    private static function weeks(): Instance
    {
        $day = self::DAY;
        $minutes = array_fill_keys(range($day, $day + 27), 400);
        [$minutes[$day + 2], $minutes[$day + 5]] = [40, 0];
        $cycle = new Cycle($day, $day + 7, $day + 14, 28);

        return new Instance(
            $day,
            28,
            [new PlanCrew('crew', $minutes)],
            [],
            [new PlanSite('depot', 20, barred: ['crew' => [$day + 8 => true]])],
            [
                new PlanVehicle(
                    'van',
                    'depot',
                    ['wash' => 80, 'topper' => 15, 'decon' => 40, 'base' => 20],
                    6,
                    14,
                    28,
                    $day - 6,
                    topper: $cycle,
                    closed: [$day + 3 => true, $day + 4 => true],
                    locks: [$day + 4 => 0],
                    base: $cycle,
                    without: [$day + 1 => 1],
                ),
            ],
        );
    }
}
