<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/** The shelf at the desk: what fits what, a product from its label, files in and out, schools. */
final class ShelfTest extends BrowserTestCase
{
    public function testTheFitTableIsReadWithTheKeyboard(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press('Shelf');
        $this->press('What fits what');
        $mark = $this->see('//button[starts-with(@aria-label, "Merrow Wax Soap on ceramic coating: ruled out")]');
        $this->browser->executeScript('arguments[0].focus()', [$mark]);
        self::assertStringContainsString('masks-layer', $this->see('//div[contains(@class, "told")]')->getText());
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ARROW_RIGHT);
        self::assertStringContainsString(
            'Merrow Wax Soap on synthetic sealant: fits',
            $this->see('//div[contains(@class, "told")]')->getText(),
        );
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ARROW_DOWN);
        self::assertStringContainsString(
            'on synthetic sealant',
            $this->see('//div[contains(@class, "told")]')->getText(),
        );
        $this->assertAccessible('What fits what');
        $this->assertQuietConsole();
    }

    public function testAProductIsTypedFromItsLabelPreviewedCopiedAndRestocked(): void
    {
        $name = 'Gale ' . bin2hex(random_bytes(3));
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/shelf/new');
        $this->field('Name')->sendKeys($name);
        $this->fill('Used as', 'Topper');
        $this->fill('Leaves behind', 'Wax');
        $this->seeText('of your 24 vehicles');
        // Wax on its coating is refused.
        $this->see('//section[h2[contains(., "What it would fit")]]/p[contains(., "Hearse")]');
        $this->field('In the spray bottle')->sendKeys('1 fl oz per gal');
        $this->seeText('1 US fluid ounce of product into 1 US gallon of water');
        $this->field('In the bucket')->sendKeys('3:4');
        $this->seeText('Which side is the product?');
        $this->field('In the bucket')->clear();
        $this->fill('In the bucket', '');
        $this->assertAccessible('A new product');
        $this->press('Save');
        $this->press($name);
        $this->press('Restock');
        $this->fill('How much came in', '750');
        $this->press('Add it');
        $this->until(fn(): bool => $this->field('Left')->getAttribute('value') === '750');
        $this->press('Another like it');
        $this->until(fn(): bool => $this->field('Name')->getAttribute('value') === "{$name} (another)");
        self::assertSame('0', $this->field('Left')->getAttribute('value'));
        $this->assertQuietConsole('status of 422');
    }

    public function testAFileIsLookedAtBeforeItIsTakenAndWithOneWrongRowItIsNot(): void
    {
        $name = 'Harbour ' . bin2hex(random_bytes(3));
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/shelf/files');
        $this->see('//h1[contains(., "Shelf: import and export")]');
        $this->chooseFile("name;role;surfaces;ph\n{$name};soap;paint;7\nGale Off;lather;paint;15");
        $this->seeText('1 of 2 rows are wrong');
        $this->seeText('It is used as one of: prewash');
        $this->assertAccessible('A file with a wrong row');
        $this->chooseFile("name;role;surfaces;ph\n{$name};soap;paint;7");
        $this->press('Put them on the shelf (1)');
        $this->seeText('1 added');
        $this->press('Shelf');
        $this->press($name);
        $this->press('Put it away');
        $this->see('//button[contains(., "Take it out again")]');
        $this->assertQuietConsole();
    }

    public function testSchoolsAreTakenAndAVehicleMayDiffer(): void
    {
        $email = 'school-' . bin2hex(random_bytes(4)) . '@example.test';
        $this->visit('/register');
        foreach (
            ['Your name' => 'Ola', 'The business' => 'Ola’s drive', 'E-mail' => $email, 'Password' => 'sea-pink-tide']
            as $label => $value
        ) {
            $this->field($label)->sendKeys($value);
        }
        $this->press('Begin');
        $this->see('//h1[normalize-space(.) = "Three questions"]');
        $this->visit('/workspace');
        $this->press('Schools');
        $this->see('//h1[normalize-space(.) = "Schools"]');
        $this->choose('What touches the paint', 'One mitt');
        $this->choose('How tyres are left', 'Gloss');
        $this->assertAccessible('Schools');
        $this->press('Save');
        $this->see('//button[normalize-space(.) = "Save" and not(@disabled)]');
        $this->browser->navigate()->refresh();
        $this->see('//h1[normalize-space(.) = "Schools"]');
        self::assertTrue($this->isChosen('What touches the paint', 'One mitt'));
        self::assertTrue($this->isChosen('Wheels first or paint first', 'Wheels first'));
        $this->visit('/bench');
        $this->see('//h2[starts-with(normalize-space(.), "One mitt") or contains(., "Not here")]');
        $this->assertQuietConsole();
    }
}
