<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use PHPUnit\Framework\TestCase;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Code;
use Vicissa\Core\Matching\Fit;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\VerdictRules;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

final class VerdictTest extends TestCase
{
    public function testWhatIsUnknownBlocksNothing(): void
    {
        $verdict = Verdict::of(
            $this->product(),
            new Surface(Zone::Paint, Family::Ceramic),
            new Circumstances(panelC: null, workingS: null),
        );
        self::assertSame([], $verdict->remarks);
        self::assertTrue($verdict->allowed());
    }

    public function testTheSchoolDecidesHowHardWaxOnACoatingIsTaken(): void
    {
        $wax = $this->product(leaves: Leaves::Wax);
        $coated = new Surface(Zone::Paint, Family::Ceramic);
        self::assertFalse(Verdict::of($wax, $coated, new Circumstances(bareFace: true))->allowed());
        $tolerated = Verdict::of($wax, $coated, new Circumstances(bareFace: false));
        self::assertTrue($tolerated->allowed());
        self::assertSame(1, $tolerated->warnings());
    }

    public function testStrippingIsTheVeryPointOfAReset(): void
    {
        $strong = $this->product(strips: Strips::Strong);
        $waxed = new Surface(Zone::Paint, Family::Wax);
        self::assertFalse(Verdict::of($strong, $waxed, new Circumstances())->allowed());
        self::assertTrue(Verdict::of($strong, $waxed, new Circumstances(purpose: Purpose::Reset))->allowed());
    }

    public function testABoundaryBelongsToTheAllowedSide(): void
    {
        $product = $this->product(maxC: 30.0, minC: 5.0, dwell: 120.0, mayDry: false);
        $on = new Surface(Zone::Paint, Family::Ceramic);
        self::assertTrue(Verdict::of($product, $on, new Circumstances(panelC: 30.0, workingS: 120.0))->allowed());
        self::assertTrue(Verdict::of($product, $on, new Circumstances(panelC: 5.0))->allowed());
        self::assertSame(
            [Code::DriesFirst, Code::TooHot],
            array_map(
                static fn(Remark $remark): Code => $remark->code,
                Verdict::of($product, $on, new Circumstances(panelC: 30.1, workingS: 119.9))->remarks,
            ),
        );
    }

    public function testAWorkspaceMayHaveRulesOfItsOwn(): void
    {
        $rules = new VerdictRules(strips: ['slight' => ['ceramic' => Severity::Block]]);
        self::assertFalse(
            Verdict::of(
                $this->product(strips: Strips::Slight),
                new Surface(Zone::Paint, Family::Ceramic),
                new Circumstances(),
                $rules,
            )->allowed(),
        );
    }

    public function testFitRanksLineBeforeFamilyBeforeNothingAndChargesForCautions(): void
    {
        $on = new Surface(Zone::Paint, Family::Ceramic);
        $points = static fn(ProductTraits $product, ?string $line): int => Fit::of(
            Verdict::of($product, $on, new Circumstances(inStock: true, water: Water::Tap)),
            $product->leaves,
            $line,
            Family::Ceramic,
            'Ours',
        )->points;
        self::assertSame(5, $points($this->product(leaves: Leaves::Silica), 'Ours'));
        self::assertSame(2, $points($this->product(leaves: Leaves::Silica), 'Theirs'));
        self::assertSame(4, $points($this->product(), 'Ours'));
        self::assertSame(-2, $points($this->product(leaves: Leaves::Wax), null));
    }

    private function product(
        Leaves $leaves = Leaves::Nothing,
        Strips $strips = Strips::None,
        ?float $minC = null,
        ?float $maxC = null,
        float $dwell = 0.0,
        bool $mayDry = true,
    ): ProductTraits {
        return new ProductTraits(
            Role::Soap,
            7.0,
            $leaves,
            $strips,
            false,
            [Zone::Paint],
            $minC,
            $maxC,
            $dwell,
            $mayDry,
            true,
        );
    }
}
