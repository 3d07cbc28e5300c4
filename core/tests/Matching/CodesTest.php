<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Code;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** The whole space of compatibility, against the table of the domain read line by line. */
final class CodesTest extends TestCase
{
    public function testEveryRoleOnEveryFamilyLeavingEverything(): void
    {
        $seen = 0;
        foreach (Role::cases() as $role) {
            foreach (Family::cases() as $family) {
                foreach (Leaves::cases() as $leaves) {
                    foreach (Strips::cases() as $strips) {
                        foreach (Purpose::cases() as $purpose) {
                            foreach ([true, false] as $bareFace) {
                                $codes = $this->codes(
                                    new ProductTraits(
                                        $role,
                                        7.0,
                                        $leaves,
                                        $strips,
                                        false,
                                        [Zone::Paint],
                                        null,
                                        null,
                                        0.0,
                                        true,
                                        false,
                                    ),
                                    new Surface(Zone::Paint, $family),
                                    new Circumstances(purpose: $purpose, bareFace: $bareFace),
                                );
                                self::assertSame(
                                    $this->table($role, $family, $leaves, $strips, $purpose, $bareFace),
                                    $codes,
                                    "{$role->value} on {$family->value}, leaves {$leaves->value}, strips {$strips->value}",
                                );
                                $seen++;
                            }
                        }
                    }
                }
            }
        }
        self::assertSame(15 * 7 * 5 * 3 * 2 * 2, $seen);
    }

    public function testAcidMeetsWhatItEats(): void
    {
        foreach (Family::cases() as $family) {
            foreach (WheelFinish::cases() as $wheel) {
                foreach ([Zone::Paint, Zone::Wheels] as $zone) {
                    $blocked =
                        in_array($family, [Family::Film, Family::Wrap], true) ||
                        ($zone === Zone::Wheels &&
                            in_array($wheel->value, ['bare-metal', 'anodised', 'polished', 'chrome'], true));
                    $codes = $this->codes(
                        $this->plain(3.9, surfaces: [$zone]),
                        new Surface($zone, $family, [], $wheel),
                        new Circumstances(),
                    );
                    self::assertSame($blocked ? ['acid-on-sensitive' => 'block'] : [], $codes);
                    self::assertSame(
                        [],
                        $this->codes(
                            $this->plain(4.0, surfaces: [$zone]),
                            new Surface($zone, $family, [], $wheel),
                            new Circumstances(),
                        ),
                    );
                }
            }
        }
    }

    public function testSolventMeetsFilmAndDecals(): void
    {
        $solvent = $this->plain(7.0, solvent: true);
        self::assertSame(
            ['solvent-on-film' => 'block'],
            $this->codes($solvent, new Surface(Zone::Paint, Family::Wrap), new Circumstances()),
        );
        self::assertSame(
            ['solvent-on-film' => 'block'],
            $this->codes($solvent, new Surface(Zone::Paint, Family::Film, [Finish::Decals]), new Circumstances()),
        );
        self::assertSame(
            ['solvent-on-film' => 'warn'],
            $this->codes($solvent, new Surface(Zone::Paint, Family::Wax, [Finish::Decals]), new Circumstances()),
        );
        self::assertSame([], $this->codes($solvent, new Surface(Zone::Paint, Family::Ceramic), new Circumstances()));
    }

    public function testFinishAndMomentAreHeeded(): void
    {
        self::assertSame(
            ['alkaline-on-single-stage' => 'warn'],
            $this->codes(
                $this->plain(10.1),
                new Surface(Zone::Paint, Family::Bare, [Finish::SingleStage]),
                new Circumstances(),
            ),
        );
        self::assertSame(
            [],
            $this->codes(
                $this->plain(10.0),
                new Surface(Zone::Paint, Family::Bare, [Finish::SingleStage]),
                new Circumstances(),
            ),
        );
        self::assertSame(
            ['not-for-matte' => 'block'],
            $this->codes(
                $this->plain(7.0, leaves: Leaves::Oils),
                new Surface(Zone::Paint, Family::Wrap, [Finish::Matte]),
                new Circumstances(),
            ),
        );
        self::assertSame(
            ['needs-water' => 'block', 'out-of-stock' => 'warn'],
            $this->codes(
                $this->plain(7.0, rinse: true),
                new Surface(Zone::Paint, Family::Bare),
                new Circumstances(water: Water::None, inStock: false),
            ),
        );
        self::assertSame(
            ['wrong-surface' => 'block'],
            $this->codes($this->plain(7.0), new Surface(Zone::Glass, Family::Bare), new Circumstances()),
        );
    }

    public function testEveryCodeHasItsSentence(): void
    {
        foreach (Code::cases() as $code) {
            self::assertMatchesRegularExpression('/^[A-Z].{10,}\.$/u', Told::en($code->says()));
        }
    }

    public function testBodiesHaveTheAreasOfTheDomain(): void
    {
        foreach ([Body::Small, Body::Hatch, Body::Saloon, Body::Estate, Body::Tourer, Body::Suv] as $car) {
            self::assertGreaterThanOrEqual(9.0, $car->paintM2());
            self::assertLessThanOrEqual(14.0, $car->paintM2());
        }
        self::assertEqualsWithDelta(2 * 8.4 * 3.0 * 0.8 + 2.4 * (8.4 + 3.0), Body::Coach->paintM2(), 1e-9);
    }

    /** @return array<string, string> */
    private function table(
        Role $role,
        Family $family,
        Leaves $leaves,
        Strips $strips,
        Purpose $purpose,
        bool $bareFace,
    ): array {
        $codes = [];
        if (
            in_array($leaves->value, ['wax', 'oils'], true) &&
            in_array($family->value, ['ceramic', 'silica-spray'], true) &&
            in_array($role->value, ['soap', 'foam', 'drying-aid', 'topper', 'rinseless', 'waterless'], true)
        ) {
            $codes['masks-layer'] = $bareFace ? 'block' : 'warn';
        }
        if ($family === Family::Wax && $leaves === Leaves::Silica && $role === Role::Topper) {
            $codes['no-bond'] = 'block';
        } elseif (
            $family === Family::Wax &&
            (($leaves === Leaves::Silica && $role === Role::DryingAid) ||
                ($leaves === Leaves::Polymer && in_array($role, [Role::DryingAid, Role::Topper], true)))
        ) {
            $codes['no-bond'] = 'warn';
        }
        if ($purpose === Purpose::Maintain && $strips === Strips::Strong) {
            if (in_array($family->value, ['wax', 'polymer', 'silica-spray'], true)) {
                $codes['strips-layer'] = 'block';
            } elseif (in_array($family->value, ['ceramic', 'film', 'wrap'], true)) {
                $codes['strips-layer'] = 'warn';
            }
        } elseif (
            $purpose === Purpose::Maintain &&
            $strips === Strips::Slight &&
            in_array($family->value, ['wax', 'silica-spray'], true)
        ) {
            $codes['strips-layer'] = 'warn';
        }
        ksort($codes);

        return $codes;
    }

    /** @param list<Zone> $surfaces */
    private function plain(
        float $ph,
        Leaves $leaves = Leaves::Nothing,
        bool $solvent = false,
        bool $rinse = false,
        array $surfaces = [Zone::Paint],
    ): ProductTraits {
        return new ProductTraits(
            Role::Soap,
            $ph,
            $leaves,
            Strips::None,
            $solvent,
            $surfaces,
            null,
            null,
            0.0,
            true,
            $rinse,
        );
    }

    /** @return array<string, string> severity by code */
    private function codes(ProductTraits $product, Surface $surface, Circumstances $now): array
    {
        return array_column(
            array_map(
                static fn(Remark $remark): array => [
                    $remark->code->value,
                    $remark->severity === Severity::Block ? 'block' : 'warn',
                ],
                Verdict::of($product, $surface, $now)->remarks,
            ),
            1,
            0,
        );
    }
}
