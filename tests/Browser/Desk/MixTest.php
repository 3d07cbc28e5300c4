<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

/**
 * The arithmetic at the tap: a lance calibrated, a mix by its label, a label printed, water read, a round looked at.
 */
final class MixTest extends BrowserTestCase
{
    protected array $size = [1280, 1000];

    public function testALanceIsCalibratedAMixReadFromItsLabelAndALabelPrinted(): void
    {
        $this->begin();
        $this->visit('/shelf/gear');
        $this->see('//h1[normalize-space(.) = "Gear"]');
        foreach (
            ['Lances' => ['Short lance', 'Bottle holds', '1000'], 'Spray bottles' => ['Half litre', 'Holds', '500']]
            as $board => [$name, $label, $value]
        ) {
            $this->click(
                $this->see(
                    sprintf(
                        '//section[.//h2[normalize-space(.) = "%s"]]//button[normalize-space(.) = "Add one"]',
                        $board,
                    ),
                ),
            );
            $this->field('Name')->sendKeys($name);
            $this->fill($label, $value);
            $this->press('Save');
            $this->see(sprintf('//li//strong[normalize-space(.) = "%s"]', $name));
        }
        $this->seeText('Never calibrated: only a span is known');
        $this->assertAccessible('Gear');

        // Never calibrated: an honest span instead of a number.
        $this->visit('/bench/mix');
        $this->field('Dilution')->sendKeys('1 %');
        $this->fill('Through a lance', 'Short lance');
        $this->seeText('Only a span is honest');

        $this->visit('/shelf/gear');
        $this->press('Calibrate');
        $this->fill('Washer with the lance', '8');
        $this->fill('Empty after', '0');
        $this->press('That is its strength');
        $this->seeText('doesn’t empty in no time');
        $this->press('Start the watch');
        $this->press('Stop:');
        $this->fill('Empty after', '120');
        $this->press('That is its strength');
        $this->seeText('Brings 1 : 16 (5.88 %) of its bottle to the panel');

        $this->visit('/bench/mix');
        $this->fill('Into', 'Short lance, 1 l');
        $this->seeText('170 ml of product, 830 ml of water');
        $this->fill('Through a lance', 'no, straight from the vessel');
        $this->fill('Into', 'Half litre, 500 ml');
        $this->fill('Dilution', '1:9');
        $this->seeText('50 ml of product, 450 ml of water');
        $this->fill('Filled to', '8 oz');
        $this->seeText('= 237 ml');
        $this->seeText('24 ml of product, 213 ml of water');
        $this->fill('Filled to', 'a lot');
        $this->seeText('That is no amount');
        $this->fill('Filled to', '');
        $this->fill('Dilution', '1 in 10');
        $this->choose('“In” means', 'Parts of water');
        $this->seeText('45 ml of product, 455 ml of water');
        $this->fill('Dilution', '2 caps per 10 l');
        $this->fill('A cap holds', '20');
        $this->seeText('2 ml of product, 498 ml of water');
        $this->assertAccessible('Mix');

        $this->click($this->see('//summary[contains(., "What did I make?")]'));
        $this->fill('Product I put in', '50');
        $this->fill('Water I put in', '1/2 l');
        $this->seeText('1 : 10 (9.09 %)');

        $this->fill('Dilution', '1:9');
        $this->click($this->see('//summary[contains(., "A label for the bottle")]'));
        $this->field('What it is')->sendKeys('Pre-wash');
        $this->press('Make the labels');
        $this->see('//a[contains(., "Save the PDF")]');
        $folder = sys_get_temp_dir() . '/labels-' . bin2hex(random_bytes(4));
        mkdir($folder);
        self::tell($this->browser, 'Page.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $folder]);
        $this->press('Save the PDF');
        $this->until(static fn(): bool => is_file("{$folder}/labels.pdf"));
        self::assertStringStartsWith('%PDF-', (string) file_get_contents("{$folder}/labels.pdf"));
        unlink("{$folder}/labels.pdf");
        rmdir($folder);
        $this->assertQuietConsole('status of 422');
    }

    public function testWaterIsReadWithThePenAndTheTankIsRun(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/bench/water');
        $this->seeText('Mixed bed:');
        $this->seeText('It lasts: lowest');
        $this->fill('At', '60');
        $this->seeText('Dry after');
        $this->fill('At', '-3');
        $this->seeText('L min must lie between 0 and 200');
        $this->fill('At', '6');
        $this->fill('Where', 'Ferry yard');
        $this->press('Hold the pen in');
        $this->until(fn(): bool => (float) $this->field('Dissolved solids')->getAttribute('value') > 250.0);
        $this->press('Note it');
        $this->seeText('Noted:');
        $this->assertAccessible('Water');
        $this->assertQuietConsole('status of 422');
    }

    public function testTheRoundShowsTheDayAndTheTank(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press('Round');
        $this->click($this->field('Day'));
        $this->see('//*[contains(@class, "day-panel")][@aria-hidden = "false"][@aria-label = "Day"]//td');
        $this->assertAccessible('Round, its days open');
        $this->fill('Day', $this->demoDay());
        $this->see('//li[.//a[normalize-space(.) = "Hearse"]]');
        self::assertGreaterThan(
            3,
            count($this->browser->findElements(WebDriverBy::xpath('//ol[contains(@class, "stops")]/li'))),
        );
        $this->seeText('Van tank');
        $this->click($this->see('//button[@aria-label = "Hearse later"]'));
        $this->see('//ol[contains(@class, "stops")]/li[1][.//a[normalize-space(.) = "Limousine one"]]');
        $this->click($this->see('//button[@aria-label = "Hearse earlier"]'));
        $this->see('//ol[contains(@class, "stops")]/li[1][.//a[normalize-space(.) = "Hearse"]]');
        $this->assertAccessible('Round');
        // A summer's noon is not for black paint.
        $this->fill('Day', date('Y') . '-07-03');
        $this->seeText('Nobody is on the way that day');
        $this->assertQuietConsole();
    }

    public function testWhatToMixForAMatchStandsInTheVesselsAtHand(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->atFilm();
        $this->press('Doctor’s estate');
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->click($this->see('//a[contains(@class, "beside")][normalize-space(.) = "Bench"]'));
        $this->see('//section[@aria-label = "The match"]//h2');
        foreach (
            ['Air' => '14', 'Humidity' => '70', 'Wind' => '2', 'Sun' => '100', 'Panel' => '15']
            as $label => $value
        ) {
            $this->fill($label, $value);
        }
        $this->choose('How dirty', 'Heavy');
        $this->press('What to mix');
        $this->see('//li[.//strong[normalize-space(.) = "Vell Lather"]][contains(., "Short lance")]');
        $this->see(
            '//li[.//strong[normalize-space(.) = "Merrow Plain"]][contains(., "30 ml of product, water to 15 l")]',
        );
        $this->press('Aim the thermometer');
        $this->until(fn(): bool => !in_array($this->field('Panel')->getAttribute('value'), ['', '15'], true));
        $this->press('Hold the pen in the tap water');
        $this->until(fn(): bool => (float) $this->field('Tap water')->getAttribute('value') > 250.0);
        $this->assertQuietConsole();
    }

    private function begin(): void
    {
        $this->visit('/register');
        foreach (
            [
                'Your name' => 'Ola',
                'The business' => 'Ola’s drive',
                'E-mail' => 'mix-' . bin2hex(random_bytes(4)) . '@example.test',
                'Password' => 'sea-pink-tide',
            ]
            as $label => $value
        ) {
            $this->field($label)->sendKeys($value);
        }
        $this->press('Begin');
        $this->see('//h1[normalize-space(.) = "Three questions"]');
    }
}
