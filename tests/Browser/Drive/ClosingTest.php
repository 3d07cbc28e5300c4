<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Tests\Browser\BrowserTestCase;
use Tests\Browser\WorksSheets;

/** What was planned is ticked or told why not: on the phone, from the first step to the record. */
final class ClosingTest extends BrowserTestCase
{
    use WorksSheets;

    protected array $size = [390, 844];

    public function testAnInspectionIsTickedWithWhatWasSeen(): void
    {
        $this->begin('Our van', ['wash', 'inspection']);
        $this->work(until: 'Look the base over');
        $this->press('Close early');
        $this->click($this->see('//label[contains(., "That is so")]'));
        $this->see('//fieldset[legend[contains(., "The base, as it was seen")]]');
        self::assertNotNull(
            $this->see('//button[@type = "submit"][contains(., "Close the turn")]')->getAttribute('disabled'),
            'not before somebody says what was seen',
        );
        $this->press('Thin');
        $this->assertAccessible('Closing with an inspection');
        $this->press('Close the turn');
        $this->see('//h2[normalize-space(.) = "The turn is closed"]');
        $this->seeText('Everything has been sent.');
        $this->inTheRecord('Our van', 'thin in places');
    }

    public function testADecontaminationThatIsLeftOutAsksWhyAndIsPlannedAgain(): void
    {
        $this->begin('Postmistress’s hatch', ['wash', 'decon']);
        $this->work(until: 'Mix');
        $this->press('Close early');
        $this->click($this->see('//label[contains(., "That is so")]'));
        $this->see('//fieldset[legend[contains(., "was planned and left out. Why?")]]');
        self::assertNotNull(
            $this->see('//button[@type = "submit"][contains(., "Close the turn")]')->getAttribute('disabled'),
        );
        $this->press('No time left');
        $this->assertAccessible('Closing with something left out');
        $this->press('Close the turn');
        $this->see('//h2[normalize-space(.) = "The turn is closed"]');
        $this->seeText('Everything has been sent.');
        $this->inTheRecord('Postmistress’s hatch', 'No time left');
        $this->visit('/weeks');
        $this->see('//*[contains(normalize-space(.), "visits in eight weeks.")]');
        $planned = fn(): bool => (bool) $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const weeks = await (await fetch('/api/v1/weeks', { headers: { Accept: 'application/json' } })).json()
            const car = weeks.vehicles.find((one) => one.name.startsWith('Postmistress'))
            done(weeks.visits.some((one) => one.vehicle_id === car.id && one.kinds.includes('decon')))
            JS
            ,
        );
        $this->until($planned, 'It is not planned again.');
        $this->assertQuietConsole();
    }

    public function testOnAFullPhoneATapCountsOnlyWhenItIsKept(): void
    {
        $this->begin('Bakery van', ['wash', 'inspection']);
        $this->work(until: 'Mix');
        $this->press('How this phone works along');
        $this->press('Done begins the next');
        $this->press('Understood');
        $this->until(fn(): bool => $this->waiting() === 0, 'What was confirmed is told.');
        $this->full(true);
        $this->press('Begin');
        $this->seeText('No room on this phone');
        self::assertSame('Begin', $this->act());
        $this->assertAccessible('A full phone');
        $this->full(false);
        $this->press('Begin');
        $this->until(fn(): bool => $this->act() !== 'Begin');
        $this->browser->navigate()->refresh();
        $this->until(fn(): bool => $this->act() !== 'Begin', 'What was kept is there again.');
        $this->assertQuietConsole();
        // Nobody goes on with it.
        $this->ask(
            "await call('DELETE', `sheets/\${given[0]}`)",
            basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH)),
        );
    }

    /** While this phone had no signal, somebody else closed the same sheet: both are told what became of it. */
    public function testWhatIsClosedAgainIsKeptBeside(): void
    {
        $this->begin('Observatory estate', ['wash', 'inspection']);
        $this->work(until: 'Mix');
        $this->until(fn(): bool => $this->waiting() === 0, 'What was done is told.');
        $id = basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));
        $this->signal(false);
        $this->press('Close early');
        $this->click($this->see('//label[contains(., "That is so")]'));
        $this->press('No time left');
        $this->press('Close the turn');
        $this->see('//h2[normalize-space(.) = "The turn is closed"]');
        $mine = $this->browser;
        $this->browser = self::cleared(1280, 800);
        try {
            $this->signIn('tam@marram-sedge.example');
            $this->visit('/round');
            $this->see('//h1');
            $this->ask(
                <<<'JS'
                const at = new Date().toISOString()
                const turn = { worked_at: at, soil: 1, method: 'multi-towel', water: 'tap', left_out: [{ kind: 'inspection', why: 'no-time' }] }
                return call('POST', `sheets/${given[0]}/finish`, { ...turn, steps: [] })
                JS
                ,
                $id,
            );
        } finally {
            $this->browser = $mine;
        }
        $this->signal(true);
        $this->seeText('kept beside');
        $this->assertAccessible('Kept beside');
        $this->assertQuietConsole('ERR_INTERNET_DISCONNECTED');
    }

    private function signal(bool $there): void
    {
        $this->browser->executeCustomCommand('/session/:sessionId/chromium/network_conditions', 'POST', [
            'network_conditions' => [
                'offline' => !$there,
                'latency' => 0,
                'download_throughput' => $there ? 1e8 : 0,
                'upload_throughput' => $there ? 1e8 : 0,
            ],
        ]);
    }

    /**
     * What the button of the step says.
     *
     * @phpstan-impure
     */
    private function act(): string
    {
        return $this->see('//article//*[contains(@class, "do")]//button[contains(@class, "act")]')->getText();
    }

    /** Errands that are still on the phone. */
    private function waiting(): int
    {
        return (int) $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0], asked = indexedDB.open('vicissa')
            asked.onsuccess = () => {
                const count = asked.result.transaction('errands').objectStore('errands').count()
                count.onsuccess = () => { asked.result.close(); done(count.result) }
            }
            JS
            ,
        );
    }

    /** A browser looks at its room now and then only: a full disk is stood in for by what it then does. */
    private function full(bool $full): void
    {
        $this->browser->executeScript(
            <<<'JS'
            const kept = (window.kept ??= IDBObjectStore.prototype.add)
            IDBObjectStore.prototype.add = arguments[0]
                ? function (...what) {
                    const asked = kept.apply(this, what)
                    this.transaction.abort()
                    return asked
                }
                : kept
            JS
            ,
            [$full],
        );
    }

    private function inTheRecord(string $vehicle, string $says): void
    {
        $this->visit('/book');
        $this->press($vehicle);
        $this->see('//h2[normalize-space(.) = "Record"]');
        $this->click($this->see('(//ol//a)[1]'));
        $this->seeText($says);
    }
}
