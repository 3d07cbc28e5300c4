<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;

/** On a phone, on the drive: what is typed survives, and two people don't overwrite each other. */
final class DriveTest extends BrowserTestCase
{
    protected array $size = [390, 844];

    public function testADraftSurvivesAReloadARefusalAndALostSignal(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->atFilm();
        $this->assertAccessible('Film on a phone');
        self::assertLessThanOrEqual(
            390,
            (int) $this->browser->executeScript('return document.documentElement.scrollWidth'),
            'Nothing runs off the side.',
        );
        $this->press('Organist');
        $this->press('Record a turn');
        $this->choose('How dirty?', 'Grime');
        $this->choose('How was it washed?', 'Two mitts');
        $this->choose('Water on the clean paint', 'Good beads');
        $this->field('What was noticed')->sendKeys('Gull on the roof');
        $this->browser->navigate()->refresh();
        self::assertSame('Gull on the roof', $this->field('What was noticed')->getAttribute('value'));
        $this->assertAccessible('Record a turn on a phone');
        self::assertLessThanOrEqual(
            390,
            (int) $this->browser->executeScript('return document.documentElement.scrollWidth'),
        );

        $this->fill('When', date('Y-m-d\TH:i', time() + 3 * 86400));
        $this->press('Save the turn');
        $this->seeText('still to come');
        $this->fill('When', date('Y-m-d\TH:i', time() - 3600));
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/network_conditions', 'POST', [
            'network_conditions' => [
                'offline' => true,
                'latency' => 0,
                'download_throughput' => 0,
                'upload_throughput' => 0,
            ],
        ]);
        $this->press('Save the turn');
        $this->seeText('What you typed stays here');
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/network_conditions', 'POST', [
            'network_conditions' => [
                'offline' => false,
                'latency' => 0,
                'download_throughput' => 1e8,
                'upload_throughput' => 1e8,
            ],
        ]);
        $this->press('Save the turn');
        $this->see('//h1[starts-with(normalize-space(.), "Saved:")]');
        $this->seeText('Gull on the roof');
        $this->assertAccessible('A saved turn on a phone');
        $this->assertQuietConsole('status of 422', 'ERR_INTERNET_DISCONNECTED');
    }

    public function testTwoEditorsSeeEachOther(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->atFilm();
        $this->press('Postmistress');
        $this->press('Change');
        $this->field('Model');
        $other = self::cleared(1280, 800);
        [$mine, $this->browser] = [$this->browser, $other];
        try {
            $this->signIn('rhona@marram-sedge.example');
            $this->visit((string) parse_url($mine->getCurrentURL(), PHP_URL_PATH));
            $this->fill('Colour', 'Sun-bleached red');
            $this->press('Save');
            $this->see('//h2[normalize-space(.) = "Record"]');
        } finally {
            $this->browser = $mine;
        }
        $this->fill('Model', 'Wren Mark II');
        $this->press('Save');
        $this->seeText('Someone else was faster');
        self::assertStringContainsString('Sun-bleached red', $this->see('//table')->getText());
        self::assertSame('Wren Mark II', $this->field('Model')->getAttribute('value'));
        $this->assertAccessible('A conflict');
        $this->press('Take what is saved');
        $this->until(fn(): bool => $this->field('Colour')->getAttribute('value') === 'Sun-bleached red');
        self::assertCount(0, $this->browser->findElements(WebDriverBy::cssSelector('[role=alert]')));
        $this->assertQuietConsole('status of 412');
    }
}
