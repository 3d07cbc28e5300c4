<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Tests\Browser\BrowserTestCase;

/** Each reads the sheet in their own language; a client reads what they are sent in theirs. */
final class LanguageTest extends BrowserTestCase
{
    protected array $size = [390, 844];

    public function testASheetIsReadInGermanAndTheOtherReadsItInEnglish(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->visit('/workspace');
        $this->choose('What you read sheets in', 'Deutsch');
        $sheet = $this->laid();
        $this->visit("/sheets/{$sheet}");
        $this->see('//button[normalize-space(.) = "Besuch beginnen"]');
        self::assertSame('de', $this->browser->executeScript('return document.documentElement.lang'));
        $this->assertAccessible('A sheet in German');
        foreach (['Verstanden', 'Besuch beginnen'] as $says) {
            $this->browser->executeScript(
                'for (const one of document.querySelectorAll("button")) if (one.textContent.trim() === arguments[0]) one.click()',
                [$says],
            );
        }
        $this->see('//article//h2[normalize-space(.) = "Ankommen und schauen"]');
        $this->press('Alle ');
        $this->see('//main//li[contains(., "Übergeben, aufschreiben")]');
        $german = (string) $this->see('//main')->getText();
        // What is English in it would be a word of ours that nobody has translated; names are the demo's.
        foreach (['Rinse', 'Wheels', 'Dry', 'minutes', 'towel', 'Done', 'Begin'] as $word) {
            self::assertStringNotContainsString($word, $german);
        }
        $this->ask('return call("PATCH", "me", { language: "en" })');
        $this->visit("/sheets/{$sheet}");
        $this->see('//article//h2[normalize-space(.) = "Arrive and look"]');
        self::assertSame('en', $this->browser->executeScript('return document.documentElement.lang'));
        $this->assertQuietConsole();
    }

    public function testAGuestReadsARecordAsTheirBrowserDoes(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $link = (string) $this->ask(
            <<<'JS'
            const [first] = (await call('GET', 'vehicles?limit=50')).data
            const made = await call('POST', `vehicles/${first.id}/record-links`, { kind: 'year' })
            return new URL(made.url).pathname
            JS
            ,
        );
        $this->browser = self::cleared(...$this->size);
        self::tell($this->browser, 'Network.setUserAgentOverride', [
            'userAgent' => (string) $this->browser->executeScript('return navigator.userAgent'),
            'acceptLanguage' => 'de-AT,de;q=0.9,en;q=0.5',
        ]);
        $this->visit($link);
        $this->see('//p[contains(., "Ein Jahr Pflege")]');
        $this->see('//a[normalize-space(.) = "Als PDF"]');
        $this->assertAccessible('A record in German');
        self::assertSame('de', $this->browser->executeScript('return document.documentElement.lang'));
        $this->assertQuietConsole();
    }

    /** A sheet of a vehicle and a day that nobody else takes along. */
    private function laid(): string
    {
        return (string) $this->ask(
            <<<'JS'
            const all = (await call('GET', 'vehicles?limit=50')).data
            const hatch = all.find((one) => one.name.includes('small car')) ?? all[0]
            const facts = { seen: { soil: 3, grit: false, on: ['salt'] }, place: { water: 'tap', tap_tds: 240, pressure: true, power: true, shade: true, bay: false }, weather: { air_c: 14, rh: 0.7, wind_m_s: 2, sun_w_m2: 100, rain: false }, panel_c: 15 }
            return (await call('POST', 'sheets', { vehicle_id: hatch.id, on: new Date(Date.now() + 25 * 86400000).toISOString().slice(0, 10), crew: 1, facts })).id
            JS
            ,
        );
    }
}
