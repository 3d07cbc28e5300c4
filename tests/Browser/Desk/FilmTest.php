<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** The home screen with the demo's year on it, by eye, by key and by screen reader. */
final class FilmTest extends BrowserTestCase
{
    public function testAllRibbonsByKeyboardSearchAndTable(): void
    {
        $this->signInByHand('rhona@marram-sedge.example');
        $this->see('//a[contains(@class, "row")]');
        // What is in sight comes first, all others a moment after it.
        $all = fn(): bool => count($this->browser->findElements(WebDriverBy::cssSelector('a.row'))) === 24;
        $this->until($all);
        $this->visit('/');
        $this->until($all);
        // What was asked for before the page's code was there has been taken up, and not asked for again.
        self::assertSame(0, $this->browser->executeScript('return early.size'));
        // Drawn, not only listed: every worn layer has a body, and the due ones a bracket.
        self::assertGreaterThan(20, count($this->browser->findElements(WebDriverBy::cssSelector('.ribbon .body'))));
        self::assertGreaterThan(5, count($this->browser->findElements(WebDriverBy::cssSelector('.ribbon .bracket'))));
        self::assertMatchesRegularExpression(
            '/.+ Renew by .+ Next wash/s',
            (string) $this->see('(//a[contains(@class, "row")])[1]')->getDomProperty('textContent'),
        );
        $this->assertAccessible('Film');

        $keys = $this->browser->getKeyboard();
        $keys->sendKeys('/');
        $this->see('//dialog//input');
        $keys->sendKeys('taxi seven');
        $this->see('//*[@role = "option"][contains(., "Taxi seven")][contains(., "Vehicle")]');
        $this->assertAccessible('Finding anything');
        $this->press('Close');
        $this->until(fn(): bool => $this->browser->findElements(WebDriverBy::cssSelector('dialog[open]')) === []);
        $this->see('//div[contains(@class, "page")]//input[@type="search"]')->sendKeys('taxi');
        $this->until(fn(): bool => count($this->browser->findElements(WebDriverBy::cssSelector('a.row'))) === 2);
        $this->see('//div[contains(@class, "page")]//input[@type="search"]')->sendKeys(WebDriverKeys::ESCAPE);
        $this->until($all);
        $keys->sendKeys(WebDriverKeys::ARROW_DOWN);
        $keys->sendKeys(WebDriverKeys::ARROW_DOWN);
        $keys->sendKeys(WebDriverKeys::ARROW_DOWN);
        $third = (string) $this->see('(//a[contains(@class, "row")])[3]')->getAttribute('href');
        self::assertSame($third, $this->browser->switchTo()->activeElement()->getAttribute('href'));

        $this->press('As a table');
        $this->see('//table');
        self::assertCount(24, $this->browser->findElements(WebDriverBy::cssSelector('tbody tr')));
        $this->assertAccessible('Film as a table');
        $this->press('As a table');
        $this->see('(//a[contains(@class, "row")])[3]')->sendKeys(WebDriverKeys::ENTER);
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->assertAccessible('Vehicle of the demo');
        $this->click($this->see('//button[@aria-label = "Dark theme"]'));
        $this->see('//button[@aria-label = "Light theme"]');
        $this->assertAccessible('Vehicle in the dark');
        $this->click($this->see('//button[@aria-label = "Light theme"]'));
        $this->see('//button[@aria-label = "Dark theme"]');
        $this->assertQuietConsole();
    }

    public function testALabelIsReadBackAndAnAmbiguousOneIsAsked(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/shelf/new');
        $this->field('In the bucket')->sendKeys('1,5 oz per gal');
        $this->seeText('1.5 US fluid ounces of product into 1 US gallon of water.');
        $this->field('In the pump sprayer')->sendKeys('3:7');
        $this->seeText('Which side is the product?');
        $this->assertQuietConsole();
    }
}
