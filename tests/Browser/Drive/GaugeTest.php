<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** The bead gauge on the samples that ship, whose angles are known. */
final class GaugeTest extends BrowserTestCase
{
    public function testADropIsMeasuredByMouseAndByKeys(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/bench/gauge');
        $this->press('a good one');
        // Until it has come, the one before it lies there.
        $this->see(
            '//*[local-name() = "svg"][@role = "application"]/*[local-name() = "image"][contains(@href, "/good")]',
        );
        // By mouse: the feet and the top of the middle drop, found in the picture itself.
        [$left, $right, $top] = $this->outline();
        foreach ([$left, $right, $top] as [$x, $y]) {
            $this->tap($x, $y);
        }
        $this->seeText('±');
        self::assertEqualsWithDelta(93.0, $this->angle(), 6.0);
        $this->assertAccessible('The bead gauge');
        // By keys: the top ten pixels higher makes it tighter.
        $before = $this->angle();
        $this->see('//button[starts-with(normalize-space(.), "Top")]')->sendKeys([
            WebDriverKeys::SHIFT,
            WebDriverKeys::ARROW_UP,
        ]);
        $this->until(fn(): bool => $this->angle() > $before + 3.0);
        // Seen from above it reads less, and one is told.
        $before = $this->angle();
        $this->press('Near edge');
        $this->tap(($left[0] + $right[0]) / 2, $left[1] + (0.3 * ($right[0] - $left[0])) / 2);
        $this->seeText('The camera looks down by 17°');
        self::assertNotEquals($before, $this->angle());
        $this->press('Another drop');
        $this->see('//button[starts-with(normalize-space(.), "2 Left foot")]');
        $this->press('Read it');
        $this->seeText('the reading goes into the record');
        $this->assertQuietConsole();
    }

    private function angle(): float
    {
        // In one go: the answer is drawn anew whenever a mark moves.
        return (float) $this->browser->executeScript(
            'return parseFloat(document.querySelector(".answer strong")?.textContent ?? "0")',
        );
    }

    private function tap(float $x, float $y): void
    {
        $this->browser->executeScript(
            <<<'JS'
            const [x, y] = arguments
            const board = document.querySelector('svg.board')
            board.scrollIntoView({ block: 'center' })
            const at = new DOMPoint(x, y).matrixTransform(board.getScreenCTM())
            board.dispatchEvent(new PointerEvent('pointerdown', { clientX: at.x, clientY: at.y, bubbles: true, pointerId: 1 }))
            JS
            ,
            [$x, $y],
        );
        usleep(150_000);
    }

    /** @return list<array{float, float}> left foot, right foot, top of the middle drop, as the darkroom drew it */
    private function outline(): array
    {
        $image = imagecreatefromjpeg('resources/ui/places/turns/gauge/samples/good.jpg');
        self::assertNotFalse($image);
        // The drop stands out from the ground behind it; along the foot line and up the middle one sees where it ends.
        $differs = static function (int $x, int $y) use ($image): bool {
            $light = static fn(int $at): int => ((int) imagecolorat($image, $at, $y) >> 8) & 255;

            return abs($light($x) - $light(10)) > 16;
        };
        $foot = 396;
        $left = $right = 480;
        while ($differs($left, $foot)) {
            $left--;
        }
        while ($differs($right, $foot)) {
            $right++;
        }
        $top = $foot;
        while ($differs(480, $top)) {
            $top--;
        }

        return [[(float) $left, 400.0], [(float) $right, 400.0], [480.0, (float) $top]];
    }
}
