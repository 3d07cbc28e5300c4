<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** The water answers while it is read; what was read moves the date; the ribbon can be asked and played with. */
final class WaterTest extends BrowserTestCase
{
    public function testReadingsAnswerAndMoveTheDate(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $id = $this->aVehicle('Lighthouse runabout');
        $this->visit("/vehicles/{$id}/turn");
        $this->choose('How dirty?', 'Light dust');
        $this->choose('How was it washed?', 'Many towels');
        $this->choose('Water on the dirty paint', 'Lies flat');
        $this->seeText('Flat water on a dirty car is not a dead coating');
        $this->choose('Water on the clean paint', 'Good beads');
        $this->seeText('It was only dirt');
        $this->click($this->see('(//button[contains(., "Go round")])[last()]'));
        $this->choose('Roof and bonnet', 'Lies flat');
        $this->choose('Sides', 'Good beads');
        $this->seeText('Roof and bonnet fail while the sides hold: sun, or water that dried on them.');
        $this->assertAccessible('Readings with their answer');
        // What was read survives a reload before it is saved.
        $this->browser->navigate()->refresh();
        $this->seeText('Roof and bonnet fail while the sides hold');
        // The clean water fails after all: clogged or spent, which a decontamination will tell.
        $this->choose('Water on the clean paint', 'Lies flat');
        $this->seeText('decontaminate a panel and read it again');
        $this->press('Save the turn');
        $this->see('//h1[starts-with(normalize-space(.), "Saved:")]');
        $this->seeText('Decontaminate one panel, rinse, and read it again');
        $this->seeText('Next by its rhythm');
        $this->visit("/vehicles/{$id}");
        $this->seeText('Clogged or spent?');
        $this->assertQuietConsole();
    }

    public function testTheRibbonIsAskedAndPlayedWithByKeys(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $id = $this->aVehicle('The vet’s pickup');
        $this->visit("/vehicles/{$id}");
        $this->seeText('Press anywhere on the ribbon');
        // It lies over the drawing and is not seen itself.
        $slider = $this->browser->findElement(WebDriverBy::cssSelector('.probe input[type=range]'));
        $this->browser->executeScript('arguments[0].focus()', [$slider]);
        $this->browser->getKeyboard()->sendKeys([WebDriverKeys::ARROW_LEFT, WebDriverKeys::ARROW_LEFT]);
        $this->seeText('left of its likely life');
        self::assertStringContainsString('left of its likely life', (string) $slider->getAttribute('aria-valuetext'));
        $this->press('What if a wash or the topper moved?');
        $this->seeText('the risk is more than you accept');
        $topper = $this->see('//button[starts-with(@aria-label, "Topper on")]');
        $before = (string) $topper->getAttribute('aria-label');
        $risk = $this->see('//li[contains(., "such layers would be spent")]')->getText();
        $this->browser->executeScript('arguments[0].focus()', [$topper]);
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->until(
            fn(): bool => $this->see('//button[starts-with(@aria-label, "Topper on")]')->getAttribute('aria-label') !==
                $before,
        );
        $this->until(fn(): bool => $this->see('//li[contains(., "such layers would be spent")]')->getText() !== $risk);
        $this->assertAccessible('What if');
        $this->press('Without a topper');
        $this->seeText('as without the change');
        $this->assertQuietConsole();
    }

    private function aVehicle(string $name): string
    {
        /** @var string $id */
        $id = $this->browser->executeAsyncScript(
            'const [name, done] = arguments; fetch("/api/v1/film").then((answer) => answer.json()).then((film) => done(film.ribbons.find((one) => one.name === name).vehicle_id))',
            [$name],
        );

        return $id;
    }
}
