<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

/** Keeping house: people, units, the shelf, layers put on and taken back. Each in a business of its own. */
final class HouseTest extends BrowserTestCase
{
    public function testUnitsAreShownAndTypedAsTheWorkspaceCountsThem(): void
    {
        $this->begin('US ounces, °F');
        $this->visit('/shelf/new');
        $this->field('Name')->sendKeys('Bay soap');
        $this->field('In the bucket')->sendKeys('1 oz per 3 gal');
        $this->seeText('1 US fluid ounce of product into 3 US gallons of water.');
        $this->fill('Panel to', '95');
        $this->fill('Left', '8');
        $this->press('Save');
        $this->see('//a[contains(@class, "bottle")][contains(., "Bay soap")]');
        self::assertStringContainsString(
            '8 fl oz',
            $this->see('//a[contains(@class, "bottle")][contains(., "Bay soap")]')->getText(),
        );
        $this->press('Bay soap');
        self::assertSame('95', $this->field('Panel to')->getAttribute('value'));
        self::assertSame('8', $this->field('Left')->getAttribute('value'));

        $this->visit('/workspace');
        $this->choose('Units', 'Metric');
        $this->press('Save');
        $this->seeText('Saved.');
        $this->visit('/shelf');
        self::assertStringContainsString(
            '237 ml',
            $this->see('//a[contains(@class, "bottle")][contains(., "Bay soap")]')->getText(),
        );
        // A label half typed is not yet a label.
        $this->assertQuietConsole('status of 422');
    }

    public function testSomeoneIsInvitedJoinsAndWorks(): void
    {
        $this->begin('Litres, °C');
        $this->visit('/workspace');
        $email = 'tam-' . bin2hex(random_bytes(4)) . '@example.test';
        $this->field('Invite by e-mail')->sendKeys($email);
        $this->press('Invite');
        $this->seeText("An invitation for {$email}");
        $this->click($this->see('//summary[contains(., "invites you")]'));
        $link = strstr($this->see('//details//pre')->getText(), '/join?token=');
        self::assertIsString($link);
        $this->assertAccessible('Workspace with an invitation');
        $this->click($this->see('//button[@aria-label = "Sign out"]'));
        $this->field('Password');

        $this->visit(trim($link));
        $this->see('//h1[contains(., "Join")]');
        $this->assertAccessible('Join');
        $this->field('Your name')->sendKeys('Tam');
        $this->field('A password')->sendKeys('oyster-catcher');
        $this->press('Join');
        $this->seeText('Every vehicle becomes a ribbon here');
        $this->visit('/workspace');
        $this->seeText('technician');
        self::assertCount(
            0,
            $this->browser->findElements(WebDriverBy::xpath('//h2[normalize-space(.) = "Tokens for scripts"]')),
            'The owner’s business stays the owner’s.',
        );
        $this->assertQuietConsole();
    }

    /** The page of whoever runs it: nobody signs in, a token opens it. */
    public function testWhoRunsItLooksInWithItsToken(): void
    {
        $this->visit('/operator');
        $this->field('Token')->sendKeys('sea-pink');
        $this->press('Look in');
        $this->see('//*[@role = "alert"][contains(., "not the token")]');
        $this->assertAccessible('The operator’s door');
        $this->field('Token')->sendKeys('-watch');
        $this->press('Look in');
        $this->see('//h1[contains(., "This installation")]');
        $this->seeText('Usual work');
        $this->see('//h2[. = "Vault"]');
        $this->assertAccessible('The operator’s page');
        $this->press('Forget the token');
        $this->field('Token');
        $this->assertQuietConsole('status of 404');
    }

    public function testALayerIsPutOnTakenBackAndPutOnAgain(): void
    {
        $this->begin('Litres, °C');
        $this->visit('/start');
        $this->field('What do you call it?')->sendKeys('The grey van');
        $this->fill('Its body', 'Van');
        $this->choose('The layer that should last', 'Nothing');
        $this->press('Save the vehicle');
        $this->seeText('only makes sense on something to maintain');
        $this->press('Open the vehicle');
        $this->seeText('There is nothing on the paint to maintain');

        $this->press('Add a layer');
        $this->seeText('A topper of the same line goes before others.');
        $this->assertAccessible('A layer being put on');
        $this->fill('Family', 'Synthetic sealant');
        $this->fill('Since', date('Y-m-d', time() + 86400 * 3));
        $this->press('Put it on');
        $this->seeText('still to come');
        $this->fill('Since', date('Y-m-d', time() - 86400 * 20));
        $this->press('Put it on');
        $this->seeText('Renew Synthetic sealant by');
        $this->assertAccessible('A vehicle with its layer');
        $this->press('take back');
        $this->seeText('was taken back');
        $this->seeText('There is nothing on the paint to maintain');
        $this->press('Undo');
        $this->seeText('Renew Synthetic sealant by');

        $this->press('Change');
        $this->press('Put the vehicle away');
        $this->seeText('nothing of its record is lost');
        $this->visit('/');
        $this->seeText('Every vehicle becomes a ribbon here');
        $this->assertQuietConsole('status of 422');
    }

    /** Begins a business and leaves the browser signed in as its owner. */
    private function begin(string $units): void
    {
        $this->visit('/register');
        $this->field('Your name')->sendKeys('Ola');
        $this->field('The business')->sendKeys('Ola’s drive');
        $this->field('E-mail')->sendKeys('house-' . bin2hex(random_bytes(5)) . '@example.test');
        $this->field('Password')->sendKeys('marram-and-sedge');
        $this->choose('Units', $units);
        $this->press('Begin');
        $this->see('//h1[normalize-space(.) = "Three questions"]');
    }
}
