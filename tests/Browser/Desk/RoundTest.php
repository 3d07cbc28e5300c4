<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

/** What somebody on the spot says of the weather counts, until it is taken back. */
final class RoundTest extends BrowserTestCase
{
    public function testItRainsHereNow(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/round');
        $this->press('It rains here now');
        $this->seeText('By hand: rain');
        $this->press('The day’s weather by hand');
        $this->fill('Coldest', '3');
        $this->assertAccessible('The day’s weather by hand');
        $this->fill('Warmest', '6');
        $this->press('Save');
        $this->seeText('By hand: 3 °C to 6 °C, rain');
        $this->press('The rain has stopped');
        $this->see('//button[normalize-space(.) = "It rains here now"]');
        $this->press('Back to the forecast');
        $said = WebDriverBy::xpath('//*[contains(., "By hand: ")][@role = "status"]');
        $this->until(fn(): bool => $this->browser->findElements($said) === []);
    }
}
