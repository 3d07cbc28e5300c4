<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** Not a test of anything: draws the pictures of the README (bin/screenshots). Its name keeps it out of the suites. */
final class Screenshots extends BrowserTestCase
{
    use WorksSheets;

    public function testDraw(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->see('//a[contains(@class, "row")]');
        $this->shoot('film');
        $this->press('The vet’s pickup');
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->press('What if a wash or the topper moved?');
        $this->seeText('the risk is more than you accept');
        $this->browser->executeScript('window.scrollTo(0, 0)');
        $this->shoot('vehicle');
        $vehicle = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
        $this->click($this->see('(//ol//a)[1]'));
        $this->see('//h2[normalize-space(.) = "What was done"]');
        $this->visit("{$vehicle}/turn");
        $this->choose('How dirty?', 'Grime');
        $this->choose('Water on the dirty paint', 'Lies flat');
        $this->choose('Water on the clean paint', 'Good');
        $this->click($this->see('(//button[contains(., "Go round")])[last()]'));
        $this->choose('Sides', 'Good beads');
        $this->choose('Low panels', 'Weak beads');
        $this->seeText('The low panels fail');
        $this->browser->executeScript(
            'document.querySelector(".talk").scrollIntoView({ block: "end" }); window.scrollBy(0, 40)',
        );
        $this->shoot('record');
        $this->visit('/bench?vehicle=' . basename($vehicle));
        $this->see('//section[@aria-label = "The match"]//h2');
        $this->choose('How dirty', 'Heavy');
        $this->choose('What sits on it?', 'Insects');
        foreach (
            ['Air' => '14', 'Humidity' => '70', 'Wind' => '2', 'Sun' => '100', 'Panel' => '15']
            as $label => $value
        ) {
            $this->fill($label, $value);
        }
        $rain = $this->see('//label[contains(., "It rains")]');
        if ($rain->findElement(WebDriverBy::tagName('input'))->isSelected()) {
            $this->click($rain);
        }
        $this->seeText('it may meet soil 4');
        $this->see('//section[@aria-label = "The match" and @aria-busy = "false"]');
        $this->browser->executeScript('window.scrollTo(0, 0)');
        $this->shoot('bench');
        foreach (
            ['/round' => 'round', '/bench/water' => 'water', '/shelf' => 'shelf', '/proof' => 'proof']
            as $path => $name
        ) {
            $this->visit($path);
            $this->see('//h1');
            // Nothing says any more that it is still looking.
            $this->until(
                fn(): bool => $this->browser->findElements(
                    WebDriverBy::xpath('//main//*[@role = "status"][contains(., "…")]'),
                ) === [],
            );
            $path === '/proof' && $this->seeText('Were we right?');
            $this->shoot($name);
        }
        $this->visit('/weeks');
        $this->see('//button[contains(@class, "mark")]');
        $this->shoot('weeks');
        $this->visit('/bench/gauge');
        $this->press('a good one');
        $this->see('//*[local-name() = "svg"][@role = "application"]');
        $this->browser->executeScript('document.querySelector("svg.board").scrollIntoView({ block: "end" })');
        $this->shoot('gauge');
        $this->visit('/bench/mix');
        $this->field('Dilution')->sendKeys('1.2 %');
        $this->fill('Into', 'Short lance, 1 l');
        $this->fill('Through a lance', 'Short lance');
        $this->seeText('at the panel:');
        $this->shoot('mix');
        $this->visit('/');
        $this->see('//a[contains(@class, "row")]');
        $this->click($this->see('//button[@aria-label = "Dark theme"]'));
        $this->see('//button[@aria-label = "Light theme"]');
        $this->shoot('film-dark');
        $this->click($this->see('//button[@aria-label = "Light theme"]'));
        $this->see('//button[@aria-label = "Dark theme"]');
        $this->account();
        $this->office($vehicle);
        $this->onAPhone();
        self::assertFileExists('docs/screenshots/film.png');
    }

    private function account(): void
    {
        $this->visit('/workspace/account');
        $form = '//section[.//h2[normalize-space(.) = "A code beside the password"]]';
        $this->see("{$form}//input")->sendKeys('sea-pink-tide');
        $this->press('Set it up');
        $this->see("{$form}//code");
        $this->browser->executeScript('document.querySelector("svg[role=img]").closest("section").scrollIntoView()');
        $this->browser->executeScript('window.scrollBy(0, -70)');
        $this->shoot('account');
    }

    private function office(string $vehicle): void
    {
        $this->visit("{$vehicle}/year");
        $this->seeText('Weeks without a good layer');
        $this->browser->executeScript('document.querySelector(".tools").scrollIntoView({ block: "start" })');
        $this->shoot('year');
        $this->visit('/bench/drill');
        $this->choose('How is it washed?', 'Two mitts');
        foreach (['With what?', 'How does the water come off?', 'And the topper?'] as $group) {
            $this->click($this->see(sprintf('(//fieldset[legend[contains(., "%s")]]//label)[1]', $group)));
        }
        $this->press('That is what I would do');
        $this->see('//section[@aria-label = "What the rules say"]');
        $this->browser->executeScript('window.scrollTo(0, 0)');
        $this->shoot('practice');
        $this->visit('/book/money');
        $this->seeText('turns since');
        $this->shoot('money');
        $this->visit($vehicle);
        $this->click($this->see('//button[contains(@aria-label, "The last twelve months: make a link")]'));
        $address = $this->see('//section[@aria-label = "For the client"]//code')->getText();
        $this->visit((string) parse_url($address, PHP_URL_PATH));
        $this->seeText('Due next');
        $this->shoot('client-record');
    }

    private function onAPhone(): void
    {
        $desk = $this->browser;
        $this->browser = self::cleared(390, 844);
        try {
            $this->signIn('tam@marram-sedge.example');
            $this->atFilm();
            $this->see('//a[contains(@class, "row")]');
            $this->visit('/round/load');
            $this->seeText('in the van');
            $this->shoot('load-phone');
            $this->onASheet();
        } finally {
            $this->browser = $desk;
        }
    }

    private function onASheet(): void
    {
        $this->visit('/round');
        $this->fill('Crew', 'two');
        $this->press('Take the round along');
        $this->click($this->see('//section[@aria-label = "Sheets"]//a[contains(., "Doctor’s estate")]'));
        $this->seeText('To fill, in this order');
        $this->press('Begin the visit');
        $this->choose('Water on the dirty paint', 'Weak beads');
        $this->work('Foam');
        $this->see('//*[@role = "timer"]');
        $this->browser->executeScript('scrollTo(0, 0)');
        $this->shoot('sheet-step');
    }

    private function shoot(string $name): void
    {
        usleep(700_000);
        $this->browser->takeScreenshot("docs/screenshots/{$name}.png");
    }
}
