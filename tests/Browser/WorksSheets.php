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
                const reading = arguments[1] && name === 'Read the water again' && does === 'Begin'
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
}
