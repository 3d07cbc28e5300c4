<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/**
 * Sunday evening: the next eight weeks, moved by keys, locked, planned again, taken back; a deadline that can't be kept
 * is said.
 */
final class WeeksTest extends BrowserTestCase
{
    public function testAVisitIsMovedByKeysAtAPriceOneSeesFirst(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        // What the tests before wrote down may move visits yet.
        $this->atRest();
        $this->visit('/weeks');
        $this->seeText('visits in eight weeks.');
        $this->see('//button[contains(@class, "mark")]');
        $this->assertAccessible('Weeks');
        // In one breath: the page may be drawn afresh between two questions.
        $marks = fn(): array => (array) $this->browser->executeScript(
            'return [...document.querySelectorAll(".mark")].map((mark) => mark.getAttribute("aria-label"))',
        );
        $before = $marks();
        $mark = $this->see('(//button[contains(@class, "mark")][starts-with(@aria-label, "Doctor’s estate")])[1]');
        $name = (string) $mark->getAttribute('aria-label');
        $this->browser->executeScript('arguments[0].focus()', [$mark]);
        $keys = $this->browser->getKeyboard();
        $keys->sendKeys(WebDriverKeys::ENTER);
        $this->seeText('days after the visit before');
        $this->assertAccessible('A visit in hand');
        $keys->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->see('//p[@role = "status"][contains(., "worse") or contains(., "better") or contains(., "as good")]');
        // What its protection makes of that day is drawn over its ribbon, and said.
        $this->seeText('more risk than');
        self::assertNotEmpty($this->browser->findElements(WebDriverBy::cssSelector('.lane .ahead .middle')));
        $keys->sendKeys(WebDriverKeys::ENTER);
        $moved = $this->see(
            '//button[contains(@class, "mark")][starts-with(@aria-label, "Doctor’s estate")][contains(@aria-label, ", locked")]',
        );
        self::assertNotSame($name . ', locked', $moved->getAttribute('aria-label'));
        $told = $this->see('//summary[contains(., "Doctor’s estate moved from")]');
        // Next to nobody else has to hear of it, and what a move must be worth stands beside.
        preg_match('/: (\d+) vehicles? changed/', (string) $told->getText(), $changed);
        self::assertContains((int) ($changed[1] ?? 0), range(1, 8), 'of 24, those told of a move by some days');
        $told->click();
        $this->seeText('moves only where that saves 3 points or more');
        // Planned again it stays where it was put.
        $this->press('Plan again');
        $this->until(fn(): bool => $this->canTakeBack() && !$this->toldAsMoved(), 'It was planned again.');
        $this->see(
            '//button[contains(@class, "mark")][starts-with(@aria-label, "Doctor’s estate")][contains(@aria-label, ", locked")]',
        );
        $this->press('Take back');
        $this->until(fn(): bool => $this->canTakeBack() && $this->toldAsMoved(), 'What was moved stands again.');
        $this->press('Take back');
        $this->until(static fn(): bool => $marks() === $before, 'All stands as before.');
        $this->press('As a list');
        $this->see('//ol[contains(@class, "days")]//h2');
        $this->assertAccessible('Weeks as a list');
        $this->assertQuietConsole();
    }

    private function canTakeBack(): bool
    {
        return $this->browser->findElements(
            WebDriverBy::xpath('//button[normalize-space(.) = "Take back"][not(@disabled)]'),
        ) !== [];
    }

    private function toldAsMoved(): bool
    {
        return $this->browser->findElements(
            WebDriverBy::xpath('//summary[contains(., "Doctor’s estate moved from")]'),
        ) !== [];
    }

    public function testADeadlineThatCantBeKeptIsSaid(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/weeks/setup');
        $this->seeText('Rhythms');
        $this->assertAccessible('Who works when');
        $this->visit('/');
        $this->press('Bakery van');
        $this->seeText('Deadlines and days away');
        $this->press('Set a deadline');
        // The next Sunday but one: nobody works on it.
        $sunday = date('Y-m-d', (int) strtotime('sunday next week'));
        $this->fill('It must shine on', $sunday);
        $this->fill('Washed at most', '0');
        $this->press('Set it');
        $this->see('//li[contains(., "washed at most 0 days before")]');
        $this->visit('/weeks');
        $this->seeText('can’t be kept.');
        $this->seeText('Nobody works on 1 day.');
        $this->assertQuietConsole();
    }
}
