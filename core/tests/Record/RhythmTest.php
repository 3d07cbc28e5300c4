<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Record;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Cycle;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\NextStep;
use Vicissa\Core\Record\Foreseen;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\NextVisit;
use Vicissa\Core\Record\Rhythm;
use Vicissa\Core\Record\Used;

/** When what is renewed now and then comes due again, and what the next visit should hold. */
final class RhythmTest extends TestCase
{
    public function testEverySoManyDays(): void
    {
        self::assertEquals(new Cycle(114, 120, 130, 20), Rhythm::every(100, 20));
        self::assertEquals(new Cycle(114, 121, 131, 21), Rhythm::every(100, 21), 'whole days, the earlier one');
    }

    public function testATopperByRhythmByForecastOrBecauseItHasAlwaysHadOne(): void
    {
        $on = new Foreseen(Family::SilicaSpray, 80, 110, 120, 130);
        self::assertEquals(Rhythm::every(80, 28), Rhythm::topper(28, $on, true, 100));
        self::assertEquals(
            Rhythm::every(72, 28),
            Rhythm::topper(28, null, true, 100),
            'where none is on, due on the first day',
        );
        self::assertEquals(new Cycle(110, 120, 130, 40), Rhythm::topper(null, $on, true, 100));
        self::assertNull(
            Rhythm::topper(null, new Foreseen(Family::SilicaSpray, 80), true, 100),
            'one without a forecast waits for it',
        );
        self::assertEquals(new Cycle(100, 100, 114, 42), Rhythm::topper(null, null, true, 100));
        self::assertNull(Rhythm::topper(null, null, false, 100));
    }

    public function testWhatLastsShorterThanAWeekIsNotPlannedWeekly(): void
    {
        self::assertEquals(new Cycle(101, 103, 103, 7), (new Foreseen(Family::SilicaSpray, 100, 101, 103))->asTopper());
    }

    public function testOnlyShortLivedBasesAreRenewedInPassing(): void
    {
        foreach (Family::cases() as $family) {
            $cycle = (new Foreseen($family, 50, 140, 150, 170))->asBase();
            self::assertEquals(
                in_array($family, [Family::Wax, Family::Polymer, Family::SilicaSpray], true)
                    ? new Cycle(140, 150, 198, 100)
                    : null,
                $cycle,
                $family->value,
            );
        }
        self::assertNull((new Foreseen(Family::Wax, 50))->asBase());
        self::assertEquals(new Cycle(55, 55, 83, 14), (new Foreseen(Family::Wax, 50, null, 55))->asBase());
    }

    public function testEverySoManyWashesWhereThatComesBeforeItsDate(): void
    {
        // Four washes, one done since, fourteen days apart: three more after day 100.
        self::assertEquals(new Cycle(135, 142, 170, 56), Rhythm::orByWashes(null, 4, 1, 14, 100));
        self::assertEquals(
            new Cycle(107, 114, 142, 56),
            Rhythm::orByWashes(null, 4, 9, 14, 100),
            'overdue: at the next wash',
        );
        $soon = new Cycle(120, 130, 140, 90);
        self::assertEquals(
            new Cycle(120, 130, 140, 56),
            Rhythm::orByWashes($soon, 4, 1, 14, 100),
            'its date comes first',
        );
        self::assertEquals(
            new Cycle(135, 142, 200, 56),
            Rhythm::orByWashes(new Cycle(150, 160, 200, 90), 4, 1, 14, 100),
            'late is late by the forecast',
        );
        self::assertEquals(
            new Cycle(120, 142, 160, 40),
            Rhythm::orByWashes(new Cycle(120, 142, 160, 40), 4, 1, 14, 100),
        );
    }

    public function testWashesAreCountedSinceTheLastTopperOfThatZone(): void
    {
        $turn = static fn(Zone ...$topped): LoggedTurn => new LoggedTurn(
            't',
            1,
            Method::TwoMitts,
            false,
            false,
            false,
            array_map(
                static fn(Zone $zone): Used => new Used(
                    'p',
                    $zone,
                    Role::Topper,
                    7.0,
                    Strips::None,
                    Leaves::Silica,
                    false,
                ),
                array_values($topped),
            ),
            [],
        );
        self::assertSame(0, Rhythm::washesSinceTopper([], Zone::Paint));
        self::assertSame(2, Rhythm::washesSinceTopper([$turn(), $turn()], Zone::Paint));
        self::assertSame(1, Rhythm::washesSinceTopper([$turn(), $turn(Zone::Paint), $turn(Zone::Wheels)], Zone::Paint));
        self::assertSame(0, Rhythm::washesSinceTopper([$turn(), $turn(Zone::Paint)], Zone::Paint));
    }

    public function testWhatWasLeftOutStandsOpenAgain(): void
    {
        self::assertEquals(new Cycle(99, 100, 128, 365), Rhythm::reopened(null, 100, 14, 28));
        self::assertEquals(new Cycle(99, 100, 128, 40), Rhythm::reopened(new Cycle(110, 115, 130, 40), 100, 14, 28));
        $soon = new Cycle(110, 114, 130, 40);
        self::assertSame($soon, Rhythm::reopened($soon, 100, 14, 28), 'its rhythm brings it by the next visit anyway');
    }

    public function testWhatTheNextVisitHolds(): void
    {
        $names = static fn(array $says, bool $topper = false, bool $look = false): array => array_column(
            NextVisit::kinds($says, $topper, $look),
            'value',
        );
        self::assertSame(['wash'], $names([]));
        self::assertSame(['wash'], $names([NextStep::None, NextStep::WashAndRetest, NextStep::TopperOptional]));
        self::assertSame(['wash', 'topper'], $names([], topper: true));
        self::assertSame(['wash', 'topper'], $names([NextStep::ApplyTopper]));
        self::assertSame(
            ['wash', 'decon'],
            $names([NextStep::DecontaminateAndRetest], topper: true),
            'whether it needs a topper is known when it has been read again',
        );
        self::assertSame(
            ['wash', 'topper', 'decon'],
            $names([NextStep::ApplyTopper, NextStep::DecontaminateAndRetest]),
        );
        self::assertSame(['wash', 'inspection'], $names([NextStep::InspectBase]));
        self::assertSame(['wash', 'topper', 'inspection'], $names([], true, true));
        self::assertSame(Kind::Wash, NextVisit::kinds([], true, true)[0]);
    }
}
