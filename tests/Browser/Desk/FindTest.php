<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** By keys alone to anywhere; the first week; a list of somebody else's; the day as one line. */
final class FindTest extends BrowserTestCase
{
    public function testAnywhereByKeysAndWhatWasSeenLatelyIsThere(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/book');
        $this->see('//table//a[normalize-space(.) = "Bakery van"]');
        $this->assertAccessible('The book as a table');
        $by = '//thead//button[starts-with(normalize-space(.), "Vehicle")]';
        $this->click($this->see($by));
        $this->see('//th[@aria-sort = "ascending"][contains(., "Vehicle")]');
        $first = fn(): string => $this->see('(//tbody//th//a)[1]')->getText();
        $ascending = $first();
        $this->click($this->see($by));
        $this->until(fn(): bool => $first() !== $ascending, 'The other way round.');

        $keys = $this->browser->getKeyboard();
        $keys->sendKeys('?');
        $this->see('//dialog[@open]//h2[. = "Keys"]');
        $this->assertAccessible('The list of keys');
        $keys->sendKeys(WebDriverKeys::ESCAPE);
        $keys->sendKeys('g');
        $keys->sendKeys('s');
        $this->see('//h1[normalize-space(.) = "Shelf"]');
        $keys->sendKeys([WebDriverKeys::CONTROL, 'k']);
        $this->see('//dialog[@open]//input');
        $keys->sendKeys('bakery');
        $this->see('//*[@role = "option"][contains(., "Bakery van")][contains(., "Visit")]');
        $keys->sendKeys(WebDriverKeys::ENTER);
        $this->see('//h1[normalize-space(.) = "Bakery van"]');
        $keys->sendKeys('/');
        $this->see('//dialog[@open]//*[@role = "option"][contains(., "Bakery van")]');
        $keys->sendKeys('csv clients');
        $this->see('//*[@role = "option"][contains(., "Book: import and export")]');
        $keys->sendKeys(WebDriverKeys::ENTER);
        $this->see('//h1[normalize-space(.) = "Book: import and export"]');
        $this->assertQuietConsole();
    }

    public function testAListOfSomebodyElsesIsMatchedMendedAndTaken(): void
    {
        $this->visit('/register');
        $this->field('Your name')->sendKeys('Isla');
        $this->field('The business')->sendKeys('Sound Wash');
        $this->field('E-mail')->sendKeys('isla-' . bin2hex(random_bytes(4)) . '@example.test');
        $this->field('Password')->sendKeys('oyster-catcher');
        $this->press('Begin');
        $this->see('//h1[normalize-space(.) = "Three questions"]');
        $this->visit('/');
        $this->see('//h2[contains(., "The first week")]');
        $this->assertAccessible('An empty film with its first week');
        $this->press('The list you have');
        $this->see('//h1[normalize-space(.) = "Book: import and export"]');
        $this->choose('Which', 'Vehicles');
        $file = tempnam(sys_get_temp_dir(), 'list') . '.csv';
        file_put_contents(
            $file,
            "Fahrzeug;Kennzeichen;Art;Beschichtung;Umsatz\nGrey van;SK 12;van;bare;100\nBlue boat;SK 13;airship;bare;5\n",
        );
        $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($file);
        $this->seeText('Which column is which?');
        $this->fill('name', 'Fahrzeug');
        $this->seeText('Grey van, Blue boat');
        $this->seeText('Left out: Umsatz');
        $this->assertAccessible('Columns being matched');
        $this->press('Look at the rows');
        $this->seeText('1 of 2 rows are wrong');
        $this->press('Mend');
        $form = '//form[@aria-label = "Mend the row"]';
        $body = $this->see("{$form}//input[@id = {$form}//label[starts-with(normalize-space(.), 'body')]/@for]");
        $body->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $body->sendKeys('van');
        $this->assertAccessible('A row being mended');
        $this->press('Look again');
        $this->press('Take them into the book (2)');
        $this->seeText('2 added');
        unlink($file);
        $this->visit('/book');
        $this->see('//table//a[normalize-space(.) = "Blue boat"]');
        $this->assertQuietConsole();
    }

    public function testTheDayIsOneLineThatKeysReorderAndWhatItCostsIsSaid(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/round');
        // The demo's own day: a run that began before midnight looks at it after.
        $this->fill('Day', $this->demoDay());
        $stops = fn(): array => array_map(
            static fn($one): string => $one->getText(),
            $this->browser->findElements(WebDriverBy::cssSelector('.line .stop')),
        );
        $this->see('(//*[@aria-label = "The day as a line of time"]//button)[2]');
        $before = $stops();
        $this->assertAccessible('A day as a line');
        $this->see('(//*[@aria-label = "The day as a line of time"]//button)[1]')->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->until(fn(): bool => $stops() === [$before[1], $before[0], ...array_slice($before, 2)]);
        $this->see('//p[@role = "status"]//button[normalize-space(.) = "Undo"]');
        $this->press('Undo');
        $this->until(fn(): bool => $stops() === $before, 'As it was.');
        // On paper: what is read, without what is pressed.
        self::tell($this->browser, 'Emulation.setEmulatedMedia', ['media' => 'print']);
        self::assertSame(
            ['none', 'none', true],
            $this->browser->executeScript(
                <<<'JS'
                const shown = (what) => getComputedStyle(document.querySelector(what)).display
                return [shown('header.band'), shown('.order .beside'), document.querySelector('.stops li').offsetHeight > 20]
                JS
                ,
            ),
        );
        self::tell($this->browser, 'Emulation.setEmulatedMedia', ['media' => '']);
        $this->browser = self::cleared(390, 844);
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/round');
        $this->press('More');
        $this->see('//nav[@aria-label = "Places"]//a[normalize-space(.) = "Shelf"]');
        $this->assertAccessible('A round on a phone with more places');
        $this->press('Shelf');
        $this->see('//h1[normalize-space(.) = "Shelf"]');
        $this->assertQuietConsole();
    }
}
