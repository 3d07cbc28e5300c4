<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Record;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Record\EndedBy;
use Vicissa\Core\Record\Endurance;
use Vicissa\Core\Record\LaidLayer;
use Vicissa\Core\Record\LayerEnd;
use Vicissa\Core\Record\LayerKind;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Record\LoggedTurn;
use Vicissa\Core\Record\SeenClean;
use Vicissa\Core\Record\Used;

/** What the record says of layers: what ends them, what was felt by them, and since when one no longer holds. */
final class LayersTest extends TestCase
{
    /** @return iterable<string, array{list<LaidLayer>, list<LoggedTurn>, list<string|null>}> */
    public static function stacks(): iterable
    {
        $base = static fn(int $on, Family $family = Family::Ceramic, bool $removed = false): LaidLayer => new LaidLayer(
            LayerKind::Base,
            $family,
            $on,
            $removed,
        );
        $topper = static fn(int $on): LaidLayer => new LaidLayer(LayerKind::Topper, Family::SilicaSpray, $on);
        yield 'nothing happens' => [[$base(1), $topper(2)], [], [null, null]];
        yield 'a topper ends with the next' => [[$base(1), $topper(2), $topper(5)], [], [null, '5 renewed', null]];
        yield 'a base ends with the next, and takes its topper along' => [
            [$base(1), $topper(2), $base(5)],
            [],
            ['5 renewed', '5 renewed', null],
        ];
        yield 'a topper never ends a base' => [
            [$base(1), $topper(2), $topper(3), $topper(4)],
            [],
            [null, '3 renewed', '4 renewed', null],
        ];
        yield 'a reset takes the topper, not a cured base' => [
            [$base(1), $topper(2)],
            [self::reset(6)],
            [null, '6 stripped'],
        ];
        foreach ([Family::Wax, Family::Polymer, Family::SilicaSpray] as $family) {
            yield "a reset takes {$family->value}" => [[$base(1, $family)], [self::reset(6)], ['6 stripped']];
        }
        foreach ([Family::Ceramic, Family::Film, Family::Wrap] as $family) {
            yield "a reset leaves {$family->value}" => [[$base(1, $family)], [self::reset(6)], [null]];
        }
        yield 'stripped and laid anew in one turn' => [
            [$base(1, Family::Wax), $base(6, Family::Wax)],
            [self::reset(6)],
            ['6 stripped', null],
        ];
        yield 'renewed before it was stripped' => [
            [$base(1, Family::Wax), $base(4, Family::Wax)],
            [self::reset(6)],
            ['4 renewed', '6 stripped'],
        ];
        yield 'the reset it was laid after' => [[$base(6, Family::Wax)], [self::reset(6)], [null]];
        yield 'the first reset counts' => [[$topper(1)], [self::reset(3), self::reset(6)], ['3 stripped']];
        yield 'a reset of the wheels' => [[$topper(1)], [self::reset(3, Zone::Wheels)], [null]];
        yield 'a reset with something mild' => [[$topper(1)], [self::reset(3, strips: Strips::Slight)], [null]];
        yield 'something strong, but no reset' => [
            [$topper(1)],
            [self::turn(3, [self::used(Role::Soap, strips: Strips::Strong)])],
            [null],
        ];
        yield 'a person’s word stands' => [
            [$base(1, Family::Wax, true), $base(5, Family::Wax)],
            [self::reset(3)],
            [null, null],
        ];
    }

    /**
     * @param list<LaidLayer> $stack
     * @param list<LoggedTurn> $turns
     * @param list<string|null> $ends
     */
    #[DataProvider('stacks')]
    public function testWhatEndsALayer(array $stack, array $turns, array $ends): void
    {
        self::assertSame(
            $ends,
            array_map(
                static fn(?LayerEnd $end): ?string => $end === null ? null : "{$end->at} {$end->by->value}",
                LayerEnd::ofStack($stack, $turns, Zone::Paint),
            ),
        );
    }

    /** Property: of one kind only the last is on, whatever was laid; and nothing ends before it began. */
    public function testOfAKindTheLastIsOn(): void
    {
        mt_srand(14);
        for ($i = 0; $i < 400; $i++) {
            $stack = $turns = [];
            for ($at = 1; $at <= 12; $at++) {
                if (mt_rand(0, 2) > 0) {
                    $stack[] = new LaidLayer(
                        mt_rand(0, 2) > 0 ? LayerKind::Topper : LayerKind::Base,
                        Family::cases()[mt_rand(0, 5)],
                        $at,
                    );
                }
                if (mt_rand(0, 4) === 0) {
                    $turns[] = self::reset($at);
                }
            }
            $ends = LayerEnd::ofStack($stack, $turns, Zone::Paint);
            foreach (LayerKind::cases() as $kind) {
                $on = array_filter(
                    $stack,
                    static fn(LaidLayer $layer, int $at): bool => $layer->kind === $kind && $ends[$at] === null,
                    ARRAY_FILTER_USE_BOTH,
                );
                self::assertLessThanOrEqual(1, count($on));
                $all = array_filter($stack, static fn(LaidLayer $layer): bool => $layer->kind === $kind);
                self::assertTrue($on === [] || array_key_last($on) === array_key_last($all));
            }
            foreach ($stack as $at => $layer) {
                self::assertTrue(
                    $ends[$at] === null || ($ends[$at]->at > $layer->on && $ends[$at]->by !== EndedBy::Removed),
                );
            }
        }
    }

    /**
     * @return iterable<string, array{list<array{float, string, bool}>, array{float|null, float|null, int|null,
     *     int|null}}>
     */
    public static function readings(): iterable
    {
        yield 'nothing read' => [[], [null, null, null, null]];
        yield 'it holds, and then still' => [[[1.0, 'tight', false], [3.0, 'good', false]], [3.0, null, null, null]];
        yield 'weak after a wash is a doubt' => [[[1.0, 'tight', false], [3.0, 'weak', false]], [1.0, null, null, 1]];
        yield 'the next one bears it out, as of the first' => [
            [[1.0, 'tight', false], [3.0, 'weak', false], [5.0, 'flat', false]],
            [1.0, 3.0, 1, null],
        ];
        yield 'the next one clears it' => [
            [[1.0, 'tight', false], [3.0, 'weak', false], [5.0, 'good', false]],
            [5.0, null, null, null],
        ];
        yield 'after decontamination there is no doubt' => [
            [[1.0, 'good', false], [3.0, 'flat', true]],
            [1.0, 3.0, 1, null],
        ];
        yield 'a doubt, borne out by decontamination' => [
            [[2.0, 'flat', false], [2.5, 'flat', true]],
            [null, 2.0, 0, null],
        ];
        yield 'failed and failed again' => [[[2.0, 'flat', true], [4.0, 'flat', true]], [null, 2.0, 0, null]];
        yield 'failed, and then it held after all' => [
            [[2.0, 'flat', true], [4.0, 'good', false]],
            [4.0, null, null, null],
        ];
        yield 'read twice on one day' => [[[2.0, 'good', false], [2.0, 'flat', false]], [2.0, null, null, null]];
    }

    /**
     * @param list<array{float, string, bool}> $seen
     * @param array{float|null, float|null, int|null, int|null} $known
     */
    #[DataProvider('readings')]
    public function testSinceWhenItNoLongerHolds(array $seen, array $known): void
    {
        $found = Endurance::of(
            array_map(
                static fn(array $one, int $at): SeenClean => new SeenClean(
                    $at,
                    $one[0],
                    Behaviour::from($one[1]),
                    $one[2],
                ),
                $seen,
                array_keys($seen),
            ),
            Designed::Beads,
        );
        self::assertSame($known, [$found->held, $found->failed, $found->failedAt, $found->suspectAt()]);
    }

    public function testWhatIsMadeToSheetHoldsWhenItSheets(): void
    {
        $seen = [new SeenClean(1, 1.0, Behaviour::Sheeting, true)];
        self::assertSame(1.0, Endurance::of($seen, Designed::Sheets)->held);
        self::assertSame(1.0, Endurance::of($seen, Designed::Beads)->failed);
    }

    public function testOnlyACleanSurfaceTellsOfALayer(): void
    {
        /** @param array<string, string> $stages */
        $read = static fn(array $stages): LoggedTurn => self::turn(
            1,
            [],
            [
                'paint' => array_map(
                    static fn(string $behaviour): array => [
                        'whole' => ['behaviour' => $behaviour, 'angle_deg' => null, 'sheets_s' => null],
                    ],
                    $stages,
                ),
            ],
        );
        self::assertNull($read(['arrival' => 'flat'])->cleanReading(Zone::Paint));
        self::assertNull($read(['after_topper' => 'tight'])->cleanReading(Zone::Paint));
        self::assertSame(
            Behaviour::Weak,
            $read(['arrival' => 'flat', 'after_wash' => 'weak', 'after_topper' => 'tight'])->cleanReading(Zone::Paint),
        );
        self::assertSame(
            Behaviour::Good,
            $read(['after_wash' => 'weak', 'after_decon' => 'good'])->cleanReading(Zone::Paint),
        );
        self::assertNull($read(['after_wash' => 'weak'])->cleanReading(Zone::Wheels));
    }

    public function testWhatALayerFeltOfATurn(): void
    {
        $felt = static fn(LoggedTurn $turn, Zone $zone = Zone::Paint): array => array_values(
            array_diff(array_column($turn->traits($zone), 'value'), [WashTrait::Contact->value]),
        );
        self::assertSame([], $felt(self::turn(1, [])));
        self::assertSame(['clay'], $felt(self::turn(1, [], clay: true)));
        self::assertSame([], $felt(self::turn(1, [], clay: true), Zone::Wheels), 'clay is for the paint');
        self::assertSame(['iron-remover'], $felt(self::turn(1, [self::used(Role::Iron)])));
        self::assertSame([], $felt(self::turn(1, [self::used(Role::Iron, Zone::Wheels)])));
        self::assertSame(['alkaline-prewash'], $felt(self::turn(1, [self::used(Role::Prewash, ph: 10.1)])));
        self::assertSame([], $felt(self::turn(1, [self::used(Role::Prewash, ph: 10.0)])), 'at the limit it is none');
        self::assertSame(['stripping-cleaner'], $felt(self::turn(1, [self::used(Role::Soap, strips: Strips::Strong)])));
        self::assertTrue(self::turn(1, [], clay: true)->decontaminates());
        self::assertTrue(self::turn(1, [self::used(Role::Iron)])->decontaminates());
        self::assertFalse(self::turn(1, [self::used(Role::Iron, Zone::Wheels)])->decontaminates());
        self::assertTrue(
            self::turn(1, [self::used(Role::DryingAid, leaves: Leaves::Silica)])->dryingAidFor(
                Zone::Paint,
                Family::Ceramic,
            ),
        );
        self::assertFalse(
            self::turn(1, [self::used(Role::DryingAid, leaves: Leaves::Wax)])->dryingAidFor(
                Zone::Paint,
                Family::Ceramic,
            ),
        );
    }

    public function testWhatWasLaidAsBaseIsNoTopper(): void
    {
        $turn = self::turn(1, [self::used(Role::Topper, asBase: true), self::used(Role::Topper, Zone::Wheels)]);
        self::assertSame(['topper', null], [$turn->baseOn(Zone::Paint), $turn->topperOn(Zone::Paint)]);
        self::assertSame([null, 'topper'], [$turn->baseOn(Zone::Wheels), $turn->topperOn(Zone::Wheels)]);
        self::assertSame('base', self::turn(1, [self::used(Role::Base)])->baseOn(Zone::Paint));
    }

    public function testTheTurnThatRenewedALayerWashedItFirst(): void
    {
        $span = new LayerSpan('v', Zone::Paint, Family::Wax, 10, 20);
        self::assertSame([false, true, true, false], array_map($span->wasOnWhen(...), [10, 11, 20, 21]));
        self::assertTrue((new LayerSpan('v', Zone::Paint, Family::Wax, 10, null))->wasOnWhen(PHP_INT_MAX));
    }

    private static function used(
        Role $role,
        Zone $zone = Zone::Paint,
        float $ph = 7.0,
        Strips $strips = Strips::None,
        Leaves $leaves = Leaves::Nothing,
        bool $asBase = false,
    ): Used {
        return new Used($role->value, $zone, $role, $ph, $strips, $leaves, $asBase);
    }

    private static function reset(int $at, Zone $zone = Zone::Paint, Strips $strips = Strips::Strong): LoggedTurn
    {
        return self::turn($at, [self::used(Role::Soap, $zone, strips: $strips)], reset: true);
    }

    /**
     * @param list<Used> $uses
     * @param array<string, array<string, array<string, array{behaviour: string, angle_deg: float|null,
     *     sheets_s: float|null}>>> $readings
     */
    private static function turn(
        int $at,
        array $uses,
        array $readings = [],
        bool $clay = false,
        bool $reset = false,
    ): LoggedTurn {
        return new LoggedTurn("t{$at}", $at, Method::TwoMitts, $reset, $clay, false, $uses, $readings);
    }
}
