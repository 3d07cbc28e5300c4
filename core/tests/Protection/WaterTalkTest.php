<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Cause;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Finding;
use Vicissa\Core\Protection\Part;
use Vicissa\Core\Protection\PartReadings;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WaterTalk;

final class WaterTalkTest extends TestCase
{
    use TestTrait;

    public function testAFlatRoofOverGoodSidesIsSunOrSpots(): void
    {
        $talk = $this->over(['after_wash' => ['top' => 'flat', 'sides' => 'good', 'low' => 'good']]);
        self::assertSame(Finding::Sound, $talk->diagnosis->verdict);
        self::assertSame(
            [[Part::Top, Cause::SunOrSpots]],
            array_map(static fn(array $one): array => [$one['part'], $one['cause']], $talk->parts),
        );
    }

    public function testLowPanelsThatFailAloneAreSalt(): void
    {
        $talk = $this->over([
            'after_wash' => ['whole' => 'good', 'top' => 'tight', 'sides' => 'good', 'low' => 'weak'],
        ]);
        self::assertSame(Cause::Salt, $talk->parts[0]['cause']);
        self::assertStringContainsString(
            'Pre-wash and rinse the lower third once more',
            Told::en($talk->parts[0]['now']),
        );
    }

    public function testWhereEverythingFailsNoPartIsBlamed(): void
    {
        self::assertSame(
            [],
            $this->over(['after_wash' => ['top' => 'flat', 'sides' => 'weak', 'low' => 'flat']])->parts,
        );
    }

    public function testNothingReadOnArrivalCondemnsALayer(): void
    {
        $behaviours = Generators::elements(
            array_map(static fn(Behaviour $one): string => $one->value, Behaviour::cases()),
        );
        $this->forAll($behaviours, $behaviours, $behaviours, Generators::elements(['beads', 'sheets']))->then(
            static function (string $top, string $sides, string $low, string $designed): void {
                $talk = WaterTalk::over(
                    new PartReadings([
                        'arrival' => [
                            'top' => Behaviour::from($top),
                            'sides' => Behaviour::from($sides),
                            'low' => Behaviour::from($low),
                        ],
                    ]),
                    Designed::from($designed),
                );
                self::assertContains($talk->diagnosis->verdict, [Finding::Sound, Finding::Unclear]);
                foreach ($talk->parts as $part) {
                    self::assertSame(Cause::UnevenDirt, $part['cause']);
                }
                self::assertStringNotContainsStringIgnoringCase(
                    'refresh',
                    implode('', Told::all([$talk->says, $talk->now, $talk->nextTime])),
                );
            },
        );
    }

    public function testTheMiddlePartSpeaksForTheWhole(): void
    {
        $read /** @param array<string, string> $parts */ = static fn(array $parts): ?Behaviour => (new PartReadings([
            'after_wash' => array_map(Behaviour::from(...), $parts),
        ]))->overall(Stage::AfterWash);
        self::assertSame(Behaviour::Good, $read(['top' => 'flat', 'sides' => 'good', 'low' => 'tight']));
        self::assertSame(Behaviour::Weak, $read(['sides' => 'tight', 'low' => 'weak']), 'of two the worse');
        self::assertSame(
            Behaviour::Tight,
            $read(['whole' => 'tight', 'low' => 'flat']),
            'what was said of the whole stands',
        );
    }

    public function testWithoutATopperItIsTheBaseThatIsTired(): void
    {
        $talk = WaterTalk::over(
            new PartReadings(['after_decon' => ['whole' => Behaviour::Flat]]),
            Designed::Beads,
            topper: false,
        );
        self::assertStringContainsString('the base itself', Told::en($talk->says));
    }

    public function testASlowerSheetIsSaid(): void
    {
        $read = new PartReadings(['after_wash' => ['whole' => Behaviour::Sheeting]]);
        self::assertStringContainsString(
            '34 seconds to leave, 21 last time',
            Told::en(WaterTalk::over($read, Designed::Sheets, sheetsS: 34.0, sheetedS: 21.0)->says),
        );
        self::assertStringNotContainsString(
            'seconds',
            Told::en(WaterTalk::over($read, Designed::Sheets, sheetsS: 24.0, sheetedS: 21.0)->says),
        );
    }

    public function testNothingReadIsAnError(): void
    {
        $this->expectException(InvalidInput::class);
        WaterTalk::over(new PartReadings([]), Designed::Beads);
    }

    /** @param array<string, array<string, string>> $read */
    private function over(array $read): WaterTalk
    {
        return WaterTalk::over(
            new PartReadings(
                array_map(static fn(array $parts): array => array_map(Behaviour::from(...), $parts), $read),
            ),
            Designed::Beads,
        );
    }
}
