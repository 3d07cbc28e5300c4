<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Mix;

use Eris\Generator\ChooseGenerator;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InvalidDilution;

final class DilutionReaderTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, float}> */
    public static function dialects(): iterable
    {
        yield 'capitals and no spaces' => ['1:15', 1 / 16];
        yield 'thousands with a space' => ['1 : 1 800', 1 / 1801];
        yield 'thousands with an apostrophe' => ["1'200 to 1", 1 / 1201];
        yield 'a decimal comma' => ['2,5 %', 0.025];
        yield 'a fraction sign' => ['1½ oz per gal', 1.5 / 129.5];
        yield 'a written fraction' => ['1/2 oz per gal', 0.5 / 128.5];
        yield 'words around it' => ['1 part product to 10 parts water', 1 / 11];
        yield 'dotted units' => ['2 Fl. Oz. per Gal.', 2 / 130];
        yield 'centilitres into litres' => ['5 cl into 1 litre', 50 / 1050];
        yield 'the unit alone is one of it' => ['30 ml per litre', 30 / 1030];
        yield 'units beside a colon' => ['10 ml : 1 l', 10 / 1010];
    }

    #[DataProvider('dialects')]
    public function testReadsLabelsAsPeopleWriteThem(string $text, float $share): void
    {
        self::assertEqualsWithDelta($share, (new DilutionReader())->read($text)->share, 1e-9);
    }

    public function testALongerDoseNeverLowersTheShare(): void
    {
        $this->forAll(new ChooseGenerator(1, 400), new ChooseGenerator(1, 400), new ChooseGenerator(1, 50))->then(
            static function (int $dose, int $more, int $litres): void {
                $reader = new DilutionReader();
                self::assertGreaterThan(
                    $reader->read("{$dose} ml per {$litres} l")->share,
                    $reader->read($dose + $more . " ml per {$litres} l")->share,
                );
            },
        );
    }

    public function testWhatIsPouredAddsUpToTheContainer(): void
    {
        $this->forAll(new ChooseGenerator(1, 2000), new ChooseGenerator(1, 20000))->then(static function (
            int $parts,
            int $fill,
        ): void {
            $poured = (new DilutionReader())->read("1:{$parts}")->fill((float) $fill);
            self::assertEqualsWithDelta($fill, $poured['product_ml'] + $poured['water_ml'], 1e-6);
            self::assertEqualsWithDelta($parts, $poured['water_ml'] / $poured['product_ml'], 1e-6 * $parts);
        });
    }

    public function testWhicheverSideTheOneStandsOnItIsTheProduct(): void
    {
        $this->forAll(new ChooseGenerator(1, 5000))->then(static function (int $parts): void {
            self::assertSame(
                (new DilutionReader())->read("1:{$parts}")->share,
                (new DilutionReader())->read("{$parts} to 1")->share,
            );
        });
    }

    #[DataProvider('nonsense')]
    public function testRefusesAndSaysWhy(string $text, string $code): void
    {
        $this->expectException(InvalidDilution::class);
        $this->expectExceptionMessageMatches('/^' . preg_quote($code) . '$/');
        (new DilutionReader())->read($text);
    }

    /** @return iterable<array{string, string}> */
    public static function nonsense(): iterable
    {
        yield ['', 'dilution.as-on-the-label'];
        yield ['5-10 %', 'dilution.one-value'];
        yield ['1:0', 'dilution.nothing-on-a-side'];
        yield ['999999999999:1', 'dilution.large'];
        yield ['3 spoons per l', 'dilution.unit'];
        yield ['2 caps per l', 'dilution.cap'];
        yield ['1/0 oz per gal', 'dilution.fraction'];
        yield ['150 %', 'dilution.above-all'];
        yield ['un à dix', 'dilution.unread'];
    }

    public function testACapOfNoSizeIsRefusedByName(): void
    {
        try {
            new DilutionReader(capMl: 0.0);
            self::fail('A cap of nothing was accepted.');
        } catch (InvalidInput $e) {
            self::assertSame('cap_ml', $e->field);
        }
    }
}
