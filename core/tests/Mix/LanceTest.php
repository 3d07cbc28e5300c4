<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Mix;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Mix\Doses\DosePlan;
use Vicissa\Core\Mix\Doses\Fill;
use Vicissa\Core\Mix\Doses\Vessel;
use Vicissa\Core\Mix\Doses\VesselKind;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Mix\LanceRange;
use Vicissa\Core\Tests\Matching\Scene;

/** The lance there and back, and what to mix for a turn. */
final class LanceTest extends TestCase
{
    use TestTrait;

    public function testThereAndBackIsTheSameStrength(): void
    {
        $this->limitTo(80)
            ->forAll(
                Generators::choose(40, 140),
                Generators::choose(300, 1500),
                Generators::choose(30, 400),
                Generators::choose(1, 80),
            )
            ->then(function (int $washer, int $bottle, int $empties, int $target): void {
                $lance = Lance::calibrated($washer / 10, $bottle, $empties);
                self::assertGreaterThan(0.0, $lance->carry);
                self::assertLessThan(1.0, $lance->carry);
                $mix = $lance->forPanel($target / 1000);
                self::assertSame($target / 1000 <= $lance->carry, $mix->reachable());
                if ($mix->reachable()) {
                    self::assertEqualsWithDelta(
                        $target / 1000,
                        $lance->forBottle($mix->bottleShare)->panelShare,
                        1e-12,
                    );
                    $fill = $mix->fill(1000.0);
                    self::assertEqualsWithDelta(1000.0, array_sum($fill ?? []), 1e-9);
                } else {
                    self::assertNull($mix->fill(1000.0));
                }
                // Emptying more slowly, the same bottle must be stronger for the same panel.
                self::assertGreaterThan(
                    $mix->bottleShare,
                    Lance::calibrated($washer / 10, $bottle, $empties + 10)->forPanel($target / 1000)->bottleShare,
                );
            });
    }

    public function testALanceNobodyCalibratedGivesASpanThatHoldsEveryOrdinaryOne(): void
    {
        $range = new LanceRange();
        $span = $range->bottleFor(0.01);
        foreach ([[11.0, 1000, 180], [8.0, 1000, 75], [6.0, 600, 45]] as [$washer, $bottle, $empties]) {
            $share = Lance::calibrated($washer, $bottle, $empties)->forPanel(0.01)->bottleShare;
            self::assertTrue($share > $span['low'] && $share < $span['high'], (string) $share);
        }
        self::assertEqualsWithDelta(0.01, $range->panelFrom($span['low'])['high'], 1e-12);
    }

    /** @return iterable<string, array{float, float, float, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'no flow' => [0.0, 1000.0, 100.0, 'washer_l_min', 'lance.washer'];
        yield 'a fire hose' => [400.0, 1000.0, 100.0, 'washer_l_min', 'lance.washer'];
        yield 'a bottle of nothing' => [8.0, 0.0, 100.0, 'bottle_ml', 'lance.bottle'];
        yield 'empty in no time' => [8.0, 1000.0, 0.0, 'empties_s', 'lance.time'];
        yield 'faster than the washer' => [6.0, 1000.0, 3.0, 'empties_s', 'lance.too-much'];
        yield 'not a number' => [NAN, 1000.0, 100.0, 'washer_l_min', 'lance.washer'];
    }

    #[DataProvider('nonsense')]
    public function testNonsenseGetsASentence(
        float $washer,
        float $bottle,
        float $empties,
        string $field,
        string $says,
    ): void {
        try {
            Lance::calibrated($washer, $bottle, $empties);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertSame($says, $e->says->code);
        }
    }

    public function testATurnIsMixedInTheOrderOfFillingIntoWhatIsAtHand(): void
    {
        $match = TurnMatch::of(Scene::of(['soil' => 4, 'due' => -1]), Schools::of());
        $vessels = [
            new Vessel('Small bottle', VesselKind::Bottle, 500.0),
            new Vessel('Large bottle', VesselKind::Bottle, 1000.0),
            new Vessel('Sprayer', VesselKind::Sprayer, 1500.0),
            new Vessel('Pail', VesselKind::Bucket, 15000.0),
            new Vessel('Lance', VesselKind::Lance, 1000.0),
        ];
        $plan = DosePlan::of($match, 12.5, $vessels, Lance::calibrated(8.0, 1000.0, 120.0));
        self::assertSame(
            ['bucket', 'bucket'],
            array_slice(array_map(static fn(Fill $fill): string => $fill->kind->value, $plan->fills), 0, 2),
        );
        self::assertSame('Plain water', Told::en($plan->fills[0]->product), 'The rinse bucket first.');
        $mixed = array_values(array_filter($plan->fills, static fn(Fill $fill): bool => !$fill->isNeat()));
        self::assertSame('lance', $mixed[count($mixed) - 1]->kind->value, 'The lance last of what is mixed.');
        self::assertSame(
            $mixed,
            array_slice($plan->fills, 0, count($mixed)),
            'What goes on as it comes is laid ready after that.',
        );
        $used = array_filter(array_map(static fn(Fill $fill): ?string => $fill->vessel, $plan->fills));
        self::assertSame(count($used), count(array_unique($used)), 'No vessel holds two mixes.');
        $by = array_column(
            array_map(static fn(Fill $fill): array => [Told::en($fill->product), $fill], $plan->fills),
            1,
            0,
        );
        self::assertEqualsWithDelta(30.0, $by['Bare Soap']->productMl, 1e-9, '1:500 in 15 litres');
        self::assertSame('Sprayer', $by['Lifter']->vessel);
        self::assertEqualsWithDelta(((1000.0 * 12.5) / 11.5) * 1.1 * 0.0625, $by['Lifter']->productMl, 1e-9);
        // Six litres and a margin at the panel, at 1.2 %: what goes through the lance holds just that.
        $panel = ((6000.0 * 12.5) / 11.5) * 1.1;
        self::assertEqualsWithDelta($panel * 0.012, $by['Snow']->times * $by['Snow']->productMl, 1e-6);
        self::assertNull($by['Karst Veil']->vessel, 'Out of its own bottle.');
        self::assertSame('Small bottle', $by['Karst Drift']->vessel, 'The smallest that holds it.');
        foreach ($plan->fills as $fill) {
            self::assertTrue(
                $fill->vesselMl === null || $fill->mixMl <= $fill->vesselMl + 1e-6,
                Told::en($fill->product),
            );
            self::assertGreaterThanOrEqual(0.0, $fill->waterMl() ?? 0.0);
        }
        self::assertEqualsWithDelta(30.0, $plan->productMl['Bare Soap'], 1e-9);
    }

    public function testWithoutCalibrationOnlyASpanIsPromisedAndOutOfReachIsSaid(): void
    {
        $match = TurnMatch::of(Scene::of(['soil' => 3]), Schools::of());
        $foam = static fn(DosePlan $plan): Fill => array_values(
            array_filter($plan->fills, static fn(Fill $fill): bool => $fill->product === 'Snow'),
        )[0];
        $unknown = $foam(DosePlan::of($match, 12.5, [], null));
        self::assertNull($unknown->productMl);
        self::assertNotNull($unknown->productSpan);
        self::assertStringContainsString('never been calibrated', Told::en($unknown->says));
        $weak = $foam(DosePlan::of($match, 12.5, [], Lance::calibrated(12.0, 500.0, 300.0)));
        self::assertStringContainsString('pump sprayer', Told::en($weak->says));
    }

    public function testNothingIsMixedForATurnThatIsNotPossible(): void
    {
        $plan = DosePlan::of(TurnMatch::of(Scene::of(['water' => 'none', 'soil' => 4]), Schools::of()), 12.5, [], null);
        self::assertSame([[], []], [$plan->fills, $plan->productMl]);
    }
}
