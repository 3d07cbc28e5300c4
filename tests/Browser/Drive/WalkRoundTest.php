<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

/** Two minutes round the car with a phone; what was seen outlives the phone. */
final class WalkRoundTest extends BrowserTestCase
{
    protected array $size = [390, 844];

    public function testRoundACarNobodyKnowsMuchAbout(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->atFilm();
        $this->press('Postmistress');
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->press('Walk round');
        $this->see('//h1[contains(., "Stand at the front")]');
        $this->choose('How dirty up here?', 'Road film');
        $this->assertAccessible('Walk round, upper body');
        $this->press('Next');
        $this->choose('And down here?', 'Heavy');
        $this->click($this->see('//label[contains(., "Grit: a fingertip")]'));
        $this->press('Next');
        $this->choose('What sits on it?', 'Insects');
        $this->assertAccessible('Walk round, what sits on it');

        // The battery dies; what was seen is still there.
        $this->browser->navigate()->refresh();
        $this->see('//h1[contains(., "Stand at the front")]');
        $this->click($this->see('//button[starts-with(@aria-label, "2:")]'));
        self::assertTrue($this->isChosen('And down here?', 'Heavy'));
        $this->click($this->see('//button[starts-with(@aria-label, "4:")]'));
        $this->choose('How dirty are they?', 'Baked');
        foreach (['Decals, film, trim', 'How does the water stand', 'Water, shade, panel'] as $title) {
            $this->press('Next');
            $this->see(sprintf('//h1[contains(., "%s")]', $title));
        }
        $this->choose('Water', 'Tap water');
        $this->field('Panel temperature')->sendKeys('14');
        $this->press('Next');
        $this->see('//h1[normalize-space(.) = "The match"]');
        $this->seeText('Many towels, after a rinse, a pre-wash and foam');
        $this->seeText('Nobody knows what lies on the paint');
        $this->assertAccessible('Walk round, the match');
        $this->press('Only write it down as a turn');
        $this->see('//h1[normalize-space(.) = "Record a turn"]');
        self::assertTrue($this->isChosen('How dirty?', 'Heavy'));
        $grit = $this->see('//label[contains(., "There is grit")]');
        self::assertTrue($grit->findElement(WebDriverBy::tagName('input'))->isSelected());
        $this->assertQuietConsole();
    }
}
