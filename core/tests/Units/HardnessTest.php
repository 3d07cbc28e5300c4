<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Units;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Units\Hardness;

final class HardnessTest extends TestCase
{
    /** What tables of conversion print: one of each in mg/l of CaCO₃. */
    public function testEachUnitIsWhatTablesSay(): void
    {
        self::assertEqualsWithDelta(17.848, Hardness::German->mgL(), 0.0005);
        self::assertEqualsWithDelta(14.254, Hardness::English->mgL(), 0.0005);
        self::assertEqualsWithDelta(17.118, Hardness::Grains->mgL(), 0.0005);
        self::assertSame(10.0, Hardness::French->mgL());
        self::assertEqualsWithDelta(1.7848, Hardness::German->mgL() / Hardness::French->mgL(), 5e-5);
        self::assertEqualsWithDelta(1.2522, Hardness::German->mgL() / Hardness::English->mgL(), 5e-5);
    }

    #[DataProvider('said')]
    public function testItIsReadAsReportsSayIt(string $text, float $mgL): void
    {
        self::assertEqualsWithDelta($mgL, Hardness::MilligramsPerLitre->read($text), 0.05);
    }

    /** @return iterable<string, array{string, float}> */
    public static function said(): iterable
    {
        foreach (
            [
                '214.2' => 214.2,
                '214,2 mg/l' => 214.2,
                '180ppm' => 180.0,
                '150 mg/l as CaCO3' => 150.0,
                '12 °dH' => 214.2,
                '12 dH' => 214.2,
                '12° dH' => 214.2,
                '12 ° d.H.' => 214.2,
                '21,4 °fH' => 214.0,
                '21.4 °f' => 214.0,
                '15 °e' => 213.8,
                '15 ° Clark' => 213.8,
                '12.5 gpg' => 214.0,
                '12.5 grains per gallon' => 214.0,
                '0' => 0.0,
            ]
            as $text => $mgL
        ) {
            yield (string) $text => [(string) $text, $mgL];
        }
    }

    public function testABareNumberIsInTheUnitAskedFor(): void
    {
        self::assertEqualsWithDelta(178.5, Hardness::German->read('10'), 0.05);
        self::assertSame(10.0, Hardness::German->read('10 ppm'));
    }

    #[DataProvider('nonsense')]
    public function testNothingIsGuessed(string $text): void
    {
        $this->expectException(InvalidInput::class);
        Hardness::MilligramsPerLitre->read($text);
    }

    /** @return iterable<string, array{string}> */
    public static function nonsense(): iterable
    {
        foreach (['', 'hard', '-3 °dH', '12 °dX', '12 13', '1e3', '3..4', '12 mg', '999 °dH', "12\xff"] as $text) {
            yield json_encode($text, JSON_INVALID_UTF8_SUBSTITUTE) ?: $text => [$text];
        }
    }
}
