<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** Kit, money, records, files and practice: what happens around the washing. */
final class OfficeTest extends BrowserTestCase
{
    public function testTheVanIsLoadedOnAPhoneAndTicksOutliveAReload(): void
    {
        $this->browser = self::cleared(390, 844);
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/round/load');
        // The whole week: today's sheets may be closed by now.
        $this->press('The whole week');
        $this->seeText('in the van');
        $this->see('//section[@aria-label = "Products"]//li');
        $this->assertAccessible('Load list');
        $tick = fn() => $this->see('(//section[@aria-label = "Products"]//li//label)[1]');
        $name = $this->see('(//section[@aria-label = "Products"]//li//strong)[1]')->getText();
        $this->click($tick());
        $this->see(
            '//section[@aria-label = "Products"]//li[contains(@class, "in")]//strong[normalize-space(.) = "' .
                $name .
                '"]',
        );
        // Told to the server, it is there for the other phone as well.
        $this->until(fn(): bool => $this->browser->executeScript('return localStorage.getItem("load-ticks")') === '{}');
        $this->browser->executeScript('localStorage.clear()');
        $this->browser->navigate()->refresh();
        $this->press('The whole week');
        $this->see(
            '//section[@aria-label = "Products"]//li[contains(@class, "in")]//strong[normalize-space(.) = "' .
                $name .
                '"]',
        );
        $this->click($tick());
        $this->seeText('To buy');
        $this->assertQuietConsole();
    }

    public function testAYearIsOfferedAndItsPriceListKept(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/book/money');
        $this->seeText('turns since');
        $this->assertAccessible('Money');
        $this->press('Price list and rates');
        $this->fill('Saloon, wash', '61.50');
        $this->assertAccessible('Prices');
        $this->press('Save the prices');
        $this->seeText('Prices saved.');
        // Somebody else asks more for a van meanwhile: that stands, and so does what is typed here.
        $this->ask(
            <<<'JS'
            const { prices } = await call('GET', 'prices')
            const van = (one) => one.body === 'van' && one.kind === 'wash' && one.programme_id === null
            return call('PUT', 'prices', { prices: prices.map((one) => (van(one) ? { ...one, minor: 12345 } : one)) })
            JS
            ,
        );
        $this->fill('Saloon, wash', '62.50');
        $this->press('Save the prices');
        $this->seeText('changed by someone else');
        $this->until(fn(): bool => $this->field('Van, wash')->getAttribute('value') === '123.45');
        self::assertSame('62.50', $this->field('Saloon, wash')->getAttribute('value'));
        $this->press('Save the prices');
        $this->seeText('Prices saved.');
        $this->press('Quotes');
        $this->press('Offer a year');
        $this->fill('Title', 'A year for the taxis');
        $this->assertAccessible('A year to offer');
        $this->pick('Add a vehicle', 'Taxi seven');
        $this->see('//li//strong[normalize-space(.) = "Taxi seven"]');
        $this->press('Reckon it');
        $this->see('//section[@aria-label = "A year for the taxis"]//h3[normalize-space(.) = "Taxi seven"]');
        $this->seeText('62.50');
        $this->seeText('What this takes for granted');
        $this->see('//a[contains(., "As PDF for the client")]');
        $this->assertQuietConsole('412');
    }

    public function testAClientReadsOneRecordUntilItIsRevoked(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press('The ivory tourer');
        $this->see('//section[@aria-label = "For the client"]');
        $this->click($this->see('//button[contains(@aria-label, "The whole history: make a link")]'));
        $address = $this->see('//section[@aria-label = "For the client"]//code')->getText();
        $this->browser->manage()->deleteAllCookies();
        $this->browser->get($address);
        $this->see('//h1[normalize-space(.) = "The ivory tourer"]');
        $this->seeText('Due next');
        self::assertGreaterThan(10, count($this->browser->findElements(WebDriverBy::cssSelector('article'))));
        self::assertStringNotContainsString('Hearse', $this->browser->getPageSource());
        self::assertSame(
            [],
            $this->browser->findElements(WebDriverBy::cssSelector('nav.places')),
            'nothing else of the house',
        );
        $this->assertAccessible('A record behind its link');
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press('The ivory tourer');
        $this->press('revoke');
        $this->until(
            fn(): bool => $this->browser->findElements(
                WebDriverBy::xpath('//h3[contains(., "Links that lead somewhere")]'),
            ) === [],
        );
        $this->browser->get($address);
        $this->seeText('This record is not shown any more');
        self::assertSame([], $this->browser->findElements(WebDriverBy::tagName('h1')));
        $this->assertQuietConsole('status of 404', 'status of 401');
    }

    public function testATableWithBadRowsIsShownRowByRowAndNothingIsTaken(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/book/files');
        $this->choose('Which', 'Vehicles');
        $name = 'Gig ' . bin2hex(random_bytes(3));
        $this->chooseFile(
            "name;body;client;base;base_since\n{$name};saloon;;wax;2026-05-01\nOther;rowing boat;Nobody;;",
        );
        $this->seeText('1 of 2 rows are wrong');
        $this->seeText('There is no client “Nobody” in the book.');
        $this->assertAccessible('A table with a wrong row');
        $this->chooseFile("name;body;client;base;base_since\n{$name};saloon;;wax;2026-05-01");
        $this->press('Take them into the book (1)');
        $this->seeText('1 added');
        $this->visit('/workspace/archive');
        $this->see('//summary[contains(., "created vehicle")]/strong[normalize-space(.) = "' . $name . '"]');
        $this->assertAccessible('Export or import everything');
        // It is put away again, so that other tests find the book they know.
        $this->visit('/book');
        $this->press($name);
        $this->see('//h1[normalize-space(.) = "' . $name . '"]');
        $this->ask('return call("DELETE", `vehicles/${location.pathname.split("/")[2]}`)');
        $this->assertQuietConsole('status of 422');
    }

    public function testTheDrillAnswersWithWhy(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/bench/drill');
        $this->see('//legend[contains(., "How is it washed?")]');
        $this->assertAccessible('The drill');
        $this->choose('How is it washed?', 'Two mitts');
        foreach (['With what?', 'How does the water come off?', 'And the topper?'] as $group) {
            $this->click($this->see(sprintf('(//fieldset[legend[contains(., "%s")]]//label)[1]', $group)));
        }
        $this->press('That is what I would do');
        $this->see('//section[@aria-label = "What the rules say"]//h3[starts-with(., "Method: ")]');
        $this->assertAccessible('What the rules say');
        $this->seeText('Who practises');
        // Something has changed in the workspace, and the page has heard of it: what was asked still stands.
        $asked = fn(string $path): int => (int) $this->browser->executeScript(
            'return performance.getEntriesByType("resource").filter(({ name }) => new URL(name).pathname === arguments[0]).length',
            ["/api/v1/{$path}"],
        );
        [$pulses, $drills] = [$asked('pulse'), $asked('drill')];
        $this->until(static fn(): bool => $asked('pulse') >= $pulses + 2);
        self::assertSame($drills, $asked('drill'));
        $this->press('Another one');
        $this->see('//legend[contains(., "How is it washed?")]');
        $this->assertQuietConsole();
    }

    public function testAYearAheadIsLivedThroughSideBySide(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press('Hearse');
        $this->press('A year ahead, side by side');
        $this->seeText('Weeks without a good layer');
        $this->see('//section[@aria-label = "By forecast"]');
        $this->press('Another way beside');
        $this->press('Live through it');
        $this->see('//section[@aria-label = "When it fails"]');
        $this->assertAccessible('A year ahead');
        $this->assertQuietConsole();
    }

    /** A choice out of many, found by typing. */
    private function pick(string $label, string $option): void
    {
        $field = $this->field($label);
        $this->click($field);
        $field->sendKeys($option);
        $this->see(sprintf('//*[@role = "option"][contains(normalize-space(.), "%s")]', $option));
        $field->sendKeys(WebDriverKeys::ARROW_DOWN . WebDriverKeys::ENTER);
    }
}
