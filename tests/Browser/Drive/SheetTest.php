<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;
use Tests\Browser\BrowserTestCase;
use Tests\Browser\Wire;
use Tests\Browser\WorksSheets;

/** A whole visit for two on a phone, without signal from the middle on, and with the browser killed on the way. */
final class SheetTest extends BrowserTestCase
{
    use WorksSheets;

    protected array $size = [390, 844];

    private Wire $wire;

    private string $profile;

    private RemoteWebDriver $desk;

    private RemoteWebDriver $phone;

    protected function setUp(): void
    {
        $this->profile = sys_get_temp_dir() . '/vicissa-phone-' . bin2hex(random_bytes(4));
        $this->wire = Wire::to(self::url());
        $this->base = $this->wire->url();
        $this->browser = $this->phone = self::open(390, 844, $this->profile);
        $this->desk = self::cleared(1280, 800);
    }

    protected function tearDown(): void
    {
        try {
            $this->phone->quit();
        } catch (WebDriverException) {
            // It had been killed.
        }
        $this->wire->cut();
        (new Filesystem())->remove($this->profile);
    }

    public function testAVisitForTwoOutlivesALostNetworkAndAKilledBrowser(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/round');
        $this->press('Another day, or who else goes');
        $day = $this->demoDay();
        $this->fill('Day', $day);
        $this->fill('Crew', 'two');
        $this->press('Take the round along');
        $this->see('//li[contains(., "Ferrymaster’s saloon")][contains(., "on this phone")]');
        $this->see('//button[normalize-space(.) = "Take the round along"][not(@disabled)]');
        $this->assertAccessible('Round with its sheets');
        $this->press('Ferrymaster’s saloon');
        $this->seeText('To fill, in this order');
        $this->assertAccessible('A sheet before it begins');
        $path = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
        $this->browser->executeAsyncScript(
            'const done = arguments[0]; navigator.serviceWorker.ready.then(() => done())',
        );
        $this->atTheDesk($day);

        $this->wire->cut();
        $this->visit($path);
        $this->seeText('To fill, in this order');
        $this->choose('Who holds this phone?', 'Both on this phone');
        $this->press('Begin the visit');
        $this->choose('Water on the dirty paint', 'Weak beads');
        $this->work(until: 'Mix');
        $this->see('//button[contains(., "No signal")]');
        $this->assertAccessible('A step');

        // More dirt than expected, and insects: the rest of the visit follows, out of what was taken along.
        $this->press('Found');
        $this->choose('How dirty is it really?', 'Heavy');
        $this->choose('What sits on it?', 'Insects');
        $this->assertAccessible('Something found');
        $this->press('Take it in');
        $this->seeText('The rest of the visit has changed.');
        $this->seeText('Soften what sits fast');
        $this->press('Read');
        $this->photograph('Before');
        $this->work(until: 'Foam');
        $this->see('//*[@role = "timer"][contains(., "Foam")][contains(., "until")]');

        // The battery dies. What was noted is on the disk, and the timer goes by the clock.
        $done = $this->browser
            ->findElement(
                WebDriverBy::xpath('//nav[@aria-label = "Sheet"]//button[starts-with(normalize-space(.), "All")]'),
            )
            ->getText();
        $this->kill();
        $this->browser = $this->phone = self::open(390, 844, $this->profile);
        $this->visit($path);
        $this->see('//*[@role = "timer"][contains(., "Foam")]');
        self::assertSame(
            $done,
            $this->see('//nav[@aria-label = "Sheet"]//button[starts-with(normalize-space(.), "All")]')->getText(),
        );
        $this->press('All');
        $this->seeText('waits for');
        $this->assertAccessible('All steps');
        $this->press('Now');

        $this->work(until: 'Read the water again', reading: 'Tight beads');
        $this->press('Stop a while');
        $this->seeText('The visit stands still.');
        $this->press('Go on');
        $this->work(until: 'Hand over, write it down');
        $this->photograph('After');
        $this->press('Now');
        $this->press('Close the turn');
        // Whichever it was: in July another than in January.
        $used = $this->see('(//fieldset[legend[normalize-space(.) = "Used"]]//label)[1]')->getText();
        $this->fill($used, '21');
        $this->field('Noticed')->sendKeys('Chip on the left sill, shown to him.');
        $this->assertAccessible('Closing');
        $this->press('Close the turn');
        $this->seeText('wait for a signal');
        $this->visit('/round');
        $this->see('//li[contains(., "Ferrymaster’s saloon")][contains(., "closed")]');
        $noted = $this->kept(basename($path));
        self::assertGreaterThan(50, count($noted['events']));

        $this->wire->mend();
        $this->visit($path);
        // The browser died so soon after signing in that it had not kept the session; the work it had.
        if (
            $this->browser
                ->wait(15, 200)
                ->until(
                    fn() => $this->browser->findElements(
                        WebDriverBy::xpath(
                            '//h1[normalize-space(.) = "Sign in"] | //h2[normalize-space(.) = "The turn is closed"]',
                        ),
                    ),
                )[0]
                ->getText() === 'Sign in'
        ) {
            $this->field('E-mail')->sendKeys('tam@marram-sedge.example');
            $this->field('Password')->sendKeys('sea-pink-tide');
            $this->press('Sign in');
        }
        $this->seeText('Everything has been sent.');
        self::assertSame([], $this->kept(basename($path))['errands']);

        // The desk has not been touched since: it saw the turn come in.
        $this->browser = [$this->desk, ($this->desk = $this->browser)][0];
        $this->base = null;
        $this->see('//li[contains(., "Ferrymaster’s saloon")][contains(., "closed")]');
        $this->checkWhatArrived(basename($path), $noted['events'], (string) strstr($used, ',', true));
        $this->assertQuietConsole();
    }

    private function atTheDesk(string $day): void
    {
        $phone = $this->browser;
        $base = $this->base;
        [$this->browser, $this->base] = [$this->desk, null];
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/round');
        $this->fill('Day', $day);
        $this->see('//li[contains(., "Ferrymaster’s saloon")][contains(., "ready")]');
        [$this->browser, $this->base] = [$phone, $base];
    }

    private function photograph(string $when): void
    {
        $this->press('Photo');
        $this->choose('When', $when);
        $image = imagecreatetruecolor(1800, 1200);
        self::assertNotFalse($image);
        imagefilledrectangle(
            $image,
            0,
            0,
            1800,
            1200,
            (int) imagecolorallocate($image, $when === 'Before' ? 120 : 30, 110, 130),
        );
        $file = "{$this->profile}-{$when}.jpg";
        imagejpeg($image, $file);
        $input = $this->browser->findElement(WebDriverBy::xpath('//label[contains(., "Choose one")]/input'));
        $input->setFileDetector(new LocalFileDetector())->sendKeys($file);
        $this->see(sprintf('//li[contains(., "%s")]/img', lcfirst($when)));
        unlink($file);
        if ($when === 'Before') {
            $this->press('Now');
        }
    }

    /** As a dead battery would: no farewell. */
    private function kill(): void
    {
        (new Process(['pkill', '-9', '-f', "user-data-dir={$this->profile}"]))->run();
        usleep(500_000);
        array_map(unlink(...), glob("{$this->profile}/Singleton*") ?: []);
    }

    /** @return array{events: list<string>, errands: list<mixed>} what lies on the phone of a sheet, and all that waits */
    private function kept(string $sheet): array
    {
        /** @var array{events: list<string>, errands: list<mixed>} */
        return $this->browser->executeAsyncScript(
            <<<'JS'
            const [sheet, done] = arguments
            const open = indexedDB.open('vicissa')
            open.onsuccess = () => {
              const tx = open.result.transaction(['events', 'errands'])
              const events = tx.objectStore('events').index('sheet').getAllKeys(sheet)
              const errands = tx.objectStore('errands').getAll()
              tx.oncomplete = () => { open.result.close(); done({ events: events.result, errands: errands.result.map((one) => one.kind) }) }
            }
            JS
            ,
            [$sheet],
        );
    }

    /**
     * @param list<string> $noted  ids of the events on the phone
     * @param string $used         the product whose amount was corrected
     */
    private function checkWhatArrived(string $sheet, array $noted, string $used): void
    {
        /**
         * @var array{events: list<string>, twice: int, stages: list<string>, note: string, corrected: bool, soil: int,
         *     steps: int, url: string} $arrived
         */
        $arrived = $this->browser->executeAsyncScript(
            <<<'JS'
            const [sheet, used, done] = arguments
            const ask = (path) => fetch(path, { headers: { Accept: 'application/json' } }).then((answer) => answer.json())
            ask(`/api/v1/sheets/${sheet}`).then(async (laid) => {
              const turn = await ask(`/api/v1/turns/${laid.turn_id}`)
              const turns = await ask(`/api/v1/vehicles/${laid.vehicle.id}/turns?limit=5`)
              const entry = turn.entries[0]
              done({
                events: laid.events.map((event) => event.id),
                twice: turns.data.filter((one) => one.worked_at === turn.worked_at).length,
                stages: turn.photos.map((photo) => photo.stage),
                note: entry.note,
                corrected: entry.products.some((use) => use.name === used && use.quantity_ml === 21),
                soil: entry.soil,
                steps: entry.steps.filter((step) => !step.skipped).length,
                url: `/turns/${turn.id}`,
              })
            })
            JS
            ,
            [$sheet, $used],
        );
        self::assertEqualsCanonicalizing($noted, $arrived['events'], 'everything arrived, and once');
        self::assertSame(1, $arrived['twice']);
        self::assertSame(['before', 'after'], $arrived['stages']);
        self::assertSame('Chip on the left sill, shown to him.', $arrived['note']);
        self::assertTrue($arrived['corrected']);
        self::assertSame(4, $arrived['soil']);
        self::assertGreaterThan(20, $arrived['steps']);
        $this->visit($arrived['url']);
        $this->see('//h2[normalize-space(.) = "Before and after"]');
        $this->assertAccessible('A turn with photos');
    }
}
