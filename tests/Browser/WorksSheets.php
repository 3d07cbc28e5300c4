<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** Works a sheet step by step, as a person with little time would. */
trait WorksSheets
{
    /** Works whatever step comes next, for whoever it is, until the one named is done. */
    private function work(string $until, ?string $reading = null): void
    {
        for ($i = 0; $i < 160; $i++) {
            foreach (
                $this->browser->findElements(WebDriverBy::xpath('//article//button[normalize-space(.) = "Understood"]'))
                as $button
            ) {
                $this->browser->executeScript('arguments[0].click()', [$button]);
                usleep(60_000);
            }
            $worked = $this->browser->executeScript(
                <<<'JS'
                const until = arguments[0]
                const button = [...document.querySelectorAll('article .do .act')].find((one) => !one.disabled)
                if (!button) return null
                const name = button.closest('article').getAttribute('aria-label')
                const does = button.textContent.trim()
                const reading = arguments[1] && name === 'Read the water again'
                if (reading) return 'read'
                button.click()
                return name === until && does === 'Done' ? 'over' : name
                JS
                ,
                [$until, $reading],
            );
            if ($worked === 'read') {
                $this->choose('Water on the clean paint', (string) $reading);
                $reading = null;
            }
            usleep(120_000);
            if ($worked === 'over') {
                return;
            }
        }
        self::fail("“{$until}” was never done.");
    }

    /** @param list<string> $kinds */
    private function begin(string $name, array $kinds): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $id = (string) $this->ask(
            <<<'JS'
            const [name, kinds] = given
            const vehicle = (await call('GET', 'weeks')).vehicles.find((one) => one.name === name).id
            for (const one of (await call('GET', 'sheets')).data) {
                if (one.vehicle_id === vehicle && one.status === 'begun') await call('DELETE', `sheets/${one.id}`)
            }
            const { place } = await call('GET', `bench/expected?vehicle=${vehicle}`)
            const weather = { air_c: 14, rh: 0.7, wind_m_s: 2, sun_w_m2: 100, rain: false }
            const facts = { seen: { soil: 1, grit: false, on: [] }, place: { ...place, water: 'treated', pressure: true, power: true, shade: true }, weather, kinds }
            return (await call('POST', 'sheets', { vehicle_id: vehicle, crew: 1, facts })).id
            JS
            ,
            $name,
            $kinds,
        );
        $this->visit("/sheets/{$id}");
        $this->seeText('Each is a step to tick');
        foreach (
            $this->browser->findElements(WebDriverBy::xpath('//ul[@aria-label = "What the place asks"]//button'))
            as $button
        ) {
            $this->click($button);
        }
        $this->press('Begin the visit');
    }
}
