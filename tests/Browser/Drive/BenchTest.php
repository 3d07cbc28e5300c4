<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Tests\Browser\BrowserTestCase;

/** Three contrasting vehicles on the bench: what is chosen, what is refused, and why. */
final class BenchTest extends BrowserTestCase
{
    protected array $size = [1280, 1000];

    public function testACoatedBlackHearseWithGrimeAndHardWater(): void
    {
        $this->onTheBench('Hearse');
        // It starts from the dirt of the last time and from what the van brings along.
        self::assertTrue($this->isChosen('Water at', 'Treated water'));
        $this->choose('How dirty', 'Road film');
        $this->see('//h2[contains(., "Many towels, after a rinse and foam")]');
        $this->choose('How dirty', 'Grime');
        $this->choose('What sits on it?', 'Insects');
        $this->see('//section[@aria-label = "The match"]//h3[normalize-space(.) = "Soften"]');
        $this->assertUses('Wash', 'Merrow Plain');
        $this->assertUses('Foam', 'Vell Lather');
        $this->assertUses('Dry', 'Ostrand Drift');
        $this->assertRuledOut('Merrow Wax Soap', 'over a layer that should work bare');
        $this->assertRuledOut('Merrow Driftwax', 'over a layer that should work bare');
        $this->choose('Water at', 'Tap water');
        $this->seeText('The tap leaves marks one sees');
        $this->choose('Water at', 'Treated water');
        $this->seeText('Treated water leaves nothing that shows');
        $this->assertAccessible('Bench');

        $this->press('What would change if');
        $two = '//article[h3[contains(., "Two mitts")]]';
        self::assertStringContainsString(
            'Upper and lower mitt',
            $this->see("{$two}//dd[span[contains(., \"Upper\")]]")->getText(),
        );
        $this->assertAccessible('What would change if');
        $this->click($this->see("{$two}//button"));
        $this->see('//h2[contains(., "Two mitts, after a rinse and foam")]');
        $this->seeText('The paint is soft: many towels would carry');
        $this->press('back to your schools');
        $this->see('//h2[contains(., "Many towels, after a rinse and foam")]');

        $this->press('Take it into a turn');
        $this->see('//h1[normalize-space(.) = "Record a turn"]');
        self::assertTrue($this->isChosen('How dirty?', 'Grime'));
        self::assertTrue($this->isChosen('How was it washed?', 'Many towels'));
        self::assertStringContainsString(
            'Merrow Plain',
            $this->see('//details[contains(@class, "pick")]/summary[.//span[normalize-space(.) = "Soap"]]')->getText(),
        );
        $this->press('Begin again');
        $this->assertQuietConsole();
    }

    public function testAWaxedSingleStageTourerAndItsReset(): void
    {
        $this->onTheBench('The ivory tourer');
        $this->assertUses('Wash', 'Merrow Wax Soap');
        $this->assertUses('Dry', 'Merrow Driftwax');
        $this->seeText('Your school renews when a clean reading fails');
        $this->assertUses('Topper', 'Merrow Ivory');
        $this->assertRuledOut('Ostrand Hood', 'doesn’t bond to wax');
        $this->assertRuledOut('Glint Quick', 'show shine');
        $this->seeText('Single-stage paint gives colour to the mitt');
        // Washed and failing: not yet a topper.
        $this->click($this->see('//summary[contains(., "Already washed?")]'));
        $this->choose('On the clean paint', 'Weak beads');
        $this->seeText('decontaminate, read again, then decide');
        $this->choose('After decontamination', 'Weak beads');
        $this->seeText('It still fails after decontamination');

        $this->click($this->see('//label[contains(., "A reset")]'));
        $this->assertUses('Pre-wash spray', 'Vell Reset');
        $this->assertUses('Wash', 'Merrow Plain');
        $this->assertRuledOut('Merrow Wax Soap', 'A reset wants a bare surface');
        $this->seeText('the new base goes on first');
        $this->assertQuietConsole();
    }

    public function testAMatteWrapWhereThereIsNoWater(): void
    {
        $this->onTheBench('Observatory estate');
        $this->choose('How dirty', 'Light dust');
        $this->see('//h2[normalize-space(.) = "Rinseless"]');
        $this->assertUses('Wash', 'Merrow Bucket');
        $this->seeText('There is no water for a hose');
        $this->choose('How dirty', 'Heavy');
        $this->see('//h2[contains(., "Not here, not today")]');
        $this->seeText('Soil 4 is over its ceiling of 2');
        $this->seeText('Bring a tank');
        $this->assertAccessible('Bench without a turn');
        $this->choose('Water at', 'Treated water');
        $this->see('//h2[contains(., "Many towels, after a rinse, a pre-wash and foam")]');
        $this->seeText('Matte: air and blot');
        $this->assertRuledOut('Merrow Wax Soap', 'shine patches on matte');
        $this->choose('What sits on it?', 'Tar');
        $this->assertRuledOut('Vell Tarlift', 'Solvent marks film, wrap and decals');
        $this->seeText('A tar remover that suits paint');
        $this->assertQuietConsole();
    }

    public function testAVehicleOfNoBookIsDescribedAndBadFiguresAreSaid(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->atFilm();
        $this->press('Bench');
        $this->see('//h2[normalize-space(.) = "Describe it"]');
        $this->fill('On the paint', 'Nobody knows');
        $this->seeText('Nobody knows what lies on the paint: only what suits');
        $this->seeText('Ask whoever sold or treated it');
        $this->fill('Humidity', '130');
        $this->seeText('Humidity lies between 0 and 1');
        $this->fill('Humidity', '70');
        $this->see('//section[@aria-label = "The match"]//h2');
        $this->assertAccessible('Bench for a described vehicle');
        $this->assertQuietConsole('status of 422');
    }

    /** The vehicle on a mild grey morning, whatever the season outside. */
    private function onTheBench(string $vehicle): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $this->press($vehicle);
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->click($this->see('//a[contains(@class, "beside")][normalize-space(.) = "Bench"]'));
        $this->calm();
        $this->choose('Wheels', 'Filmed');
        $this->see('//section[@aria-label = "The match" and @aria-busy = "false"]');
    }

    private function assertUses(string $step, string $product): void
    {
        $this->see(
            sprintf(
                '//ol[contains(@class, "steps")]/li[.//h3[normalize-space(.) = %s]]//p[contains(@class, "product")]/strong[normalize-space(.) = %s]',
                self::quoted($step),
                self::quoted($product),
            ),
        );
    }

    private function assertRuledOut(string $product, string $why): void
    {
        $this->see(
            sprintf(
                '//div[contains(@class, "out")]//li[.//s[normalize-space(.) = %s]][contains(., %s)]',
                self::quoted($product),
                self::quoted($why),
            ),
        );
    }
}
