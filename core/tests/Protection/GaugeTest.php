<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Gauge\GaugeReading;
use Vicissa\Core\Protection\Gauge\MarkedDrop;
use Vicissa\Core\Says\Said;

/** What the two further marks of the bead gauge tell. */
final class GaugeTest extends TestCase
{
    private const HALF = 120.0;

    /** A cap is drawn point by point as a camera would see it that looks down so far. */
    #[TestWith([35.0, 12.0])]
    #[TestWith([60.0, 5.0])]
    #[TestWith([60.0, 20.0])]
    #[TestWith([90.0, 25.0])]
    #[TestWith([115.0, 15.0])]
    public function testALookFromAboveIsPutRight(float $angle, float $down): void
    {
        [$top, $near] = self::seen($angle, $down);
        $plain = self::marked(['top' => $top]);
        $right = self::marked(['top' => $top, 'near' => $near]);
        self::assertEqualsWithDelta($down, $right->looksDownDeg, 0.2);
        self::assertEqualsWithDelta($angle, $right->angleDeg, 0.5);
        if ($angle < 80.0 && $down > 10.0) {
            self::assertGreaterThan($angle + 2.0, $plain->angleDeg, 'unmarked it reads too steep');
        }
        self::assertSame($down > 12.0, in_array('gauge.looks-down', self::doubts($right), true));
    }

    public function testFromTooHighNothingIsTold(): void
    {
        [$top, $near] = self::seen(20.0, 30.0);
        $this->expectExceptionObject(InvalidInput::at('top', Said::of('fault.drop-from-above', degrees: 30.0)));
        self::marked(['top' => $top, 'near' => $near]);
    }

    /** In glossy paint the tops tell where the panel is, and feet that were marked elsewhere. */
    public function testFeetOnTheMirrorImageAreFound(): void
    {
        $height = self::HALF * tan(deg2rad(80.0) / 2.0);
        [$top, $mirror] = [[300.0, 400.0 - $height], [300.0, 400.0 + $height]];
        $true = self::marked(['top' => $top, 'mirror' => $mirror]);
        self::assertEqualsWithDelta(80.0, $true->angleDeg, 1e-9);
        self::assertLessThan(self::marked(['top' => $top])->uncertaintyDeg, $true->uncertaintyDeg);
        self::assertNotContains('gauge.mirror', self::doubts($true));
        // Marked ten pixels too low, as one does where the drop and its image run into each other.
        self::assertGreaterThan(84.0, self::marked(['top' => $top], 10.0)->angleDeg);
        $found = self::marked(['top' => $top, 'mirror' => $mirror], 10.0);
        self::assertEqualsWithDelta(80.0, $found->angleDeg, 0.1);
        self::assertContains('gauge.mirror', self::doubts($found));
    }

    /** @param array{float, float} $mark */
    #[TestWith(['near', [300.0, 380.0], 'fault.drop-below'])]
    #[TestWith(['mirror', [300.0, 300.0], 'fault.drop-below'])]
    #[TestWith(['near', [300.0, 519.0], 'fault.drop-near'])]
    public function testAMarkThatCantBeIsNamed(string $field, array $mark, string $says): void
    {
        $this->expectExceptionMessage($says);
        self::marked(['top' => [300.0, 320.0], $field => $mark]);
    }

    /** @param array<string, array{float, float}> $marks  beside the feet, which may have been marked too low */
    private static function marked(array $marks, float $low = 0.0): MarkedDrop
    {
        return MarkedDrop::at(
            ...[
                'left' => [300.0 - self::HALF, 400.0 + $low],
                'right' => [300.0 + self::HALF, 400.0 + $low],
                ...$marks,
            ],
        );
    }

    /** @return list<string> */
    private static function doubts(MarkedDrop $drop): array
    {
        return array_map(static fn(Said $one): string => $one->code, GaugeReading::of([$drop])->doubts);
    }

    /** @return array{array{float, float}, array{float, float}} the outline's top, the foot's nearest point */
    private static function seen(float $angle, float $down): array
    {
        [$theta, $alpha] = [deg2rad($angle), deg2rad($down)];
        $radius = self::HALF / sin($theta);
        $highest = -INF;
        for ($i = 0; $i <= 4000; $i++) {
            // Along the drop from its near foot over the top to the far one, in the camera's plane.
            $at = $theta * (-1.0 + (2.0 * $i) / 4000);
            $depth = $radius * sin($at);
            $height = $radius * (cos($at) - cos($theta));
            $highest = max($highest, $height * cos($alpha) + $depth * sin($alpha));
        }

        return [[300.0, 400.0 - $highest], [300.0, 400.0 + self::HALF * sin($alpha)]];
    }
}
