<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Tests\Browser\BrowserTestCase;

/** A new user: three answers, a first date, a turn that moves it, a mistake corrected. */
final class FirstDateTest extends BrowserTestCase
{
    public function testFromNothingToAMovedDateAndACorrection(): void
    {
        $email = 'first-' . bin2hex(random_bytes(4)) . '@example.test';
        $this->visit('/register');
        $this->field('Your name')->sendKeys('Ola');
        $this->field('The business')->sendKeys('Ola’s drive');
        $this->field('E-mail')->sendKeys($email);
        $this->field('Password')->sendKeys('short');
        $this->press('Begin');
        $this->seeText('At least 12 characters');
        self::assertSame('Ola’s drive', $this->field('The business')->getAttribute('value'), 'What was typed stays.');
        $this->field('Password')->sendKeys('-but-longer-now');
        $this->assertAccessible('Begin');
        $this->press('Begin');

        $this->see('//h1[normalize-space(.) = "Three questions"]');
        $this->assertAccessible('Three questions');
        $this->field('What do you call it?')->sendKeys('The blue estate');
        $this->fill('Its body', 'Estate');
        $this->choose('Its colour', 'Dark');
        $this->choose('The layer that should last', 'Silica spray');
        $this->fill('The day it went on', date('Y-m-d', time() + 9 * 86400));
        $this->press('When is it due?');
        $this->seeText('That day is still to come');
        $this->fill('The day it went on', date('Y-m-d', time() - 14 * 86400));
        $this->press('When is it due?');
        $this->see('//h1[contains(., "The blue estate: renew by")]');
        $this->seeText('rests on the label');
        $first = $this->see('//h1//span[@class="due"]')->getText();
        $this->assertAccessible('First date');

        $this->press('Open the vehicle');
        $this->seeText('No turn yet');
        $this->press('Record a turn');
        $this->see('//h1[normalize-space(.) = "Record a turn"]');
        $this->choose('How dirty?', 'Road film');
        $this->choose('Water on the dirty paint', 'Lies flat');
        $this->choose('How was it washed?', 'Many towels');
        $this->choose('Drying aid on paint', 'Silica drying aid');
        $this->choose('Water on the clean paint', 'Tight beads');
        self::assertStringContainsString(
            'over a layer that should work bare',
            $this->see('//details[contains(@class, "pick")][.//span[normalize-space(.) = "Topper"]]')->getText(),
        );
        $this->assertAccessible('Record a turn');
        $this->press('Save the turn');

        $this->see('//h1[starts-with(normalize-space(.), "Saved:")]');
        $this->seeText('It was only dirt: clean, the layer works.');
        $this->seeText('later than before');
        $this->seeText('Next by its rhythm');
        $this->assertAccessible('A saved turn');

        $this->press('Correct it');
        $this->choose('How dirty?', 'Heavy');
        $this->press('Save the correction');
        $this->seeText('why the record is corrected');
        $this->field('Why is it corrected?')->sendKeys('It was far dirtier');
        $this->press('Save the correction');
        $this->see('//h2[normalize-space(.) = "As it was before"]');
        self::assertSame('Road film', $this->see('//article//s[contains(., "Road film")]')->getText());
        $this->assertAccessible('A corrected turn');

        $this->press('Back to The blue estate');
        $this->seeText('corrected');
        self::assertNotSame($first, $this->see('//*[contains(@class, "says")]//span[@class="due"]')->getText());
        $this->assertAccessible('Vehicle');
        $this->assertQuietConsole('status of 422');
    }

    public function testAForgottenPasswordAsksNothingAndTellsNothing(): void
    {
        $this->visit('/sign-in');
        $this->field('E-mail')->sendKeys('rhona@marram-sedge.example');
        $this->field('Password')->sendKeys('not it');
        $this->press('Sign in');
        $this->seeText('belong together');
        $this->assertAccessible('Sign in');
        $this->press('Forgotten the password?');
        // The page before has a field of that name as well.
        $this->see('//h1[normalize-space(.) = "Forgotten password"]');
        $this->field('E-mail')->sendKeys('nobody@example.test');
        $this->press('Send the link');
        $this->seeText('If nobody@example.test signs in here');
        $this->assertQuietConsole('status of 422');
    }
}
