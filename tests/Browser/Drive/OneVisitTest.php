<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;

/**
 * What belongs to a visit: its scope changed on the drive, what is planned told beside it, and a visit called off by a
 * button.
 */
final class OneVisitTest extends BrowserTestCase
{
    protected array $size = [1280, 900];

    public function testScopeIsChangedOnTheDriveAndSaysWhatThatSaves(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $id = (string) $this->ask(
            <<<'JS'
            const weeks = await call('GET', 'weeks')
            const visit = weeks.visits.find((one) => one.scope === 'usual' && one.kinds.length > 1 && !one.problem)
            return (await call('POST', 'sheets', { vehicle_id: visit.vehicle_id, on: visit.on })).id
            JS
            ,
        );
        $this->visit("/sheets/{$id}");
        $this->seeText('Planned beside the wash');
        $this->seeText('Nine times in ten within');
        $minutes = fn(): int => (int) preg_replace(
            '/\D+/',
            '',
            $this->see('//p[contains(@class, "sum")]/strong')->getText(),
        );
        $before = $minutes();
        $this->see('//button[contains(., "Quick: paint and glass")][contains(., "saves")]');
        $this->assertAccessible('A sheet with its scopes');
        $this->press('Quick: paint and glass');
        $this->see('//button[contains(., "Quick: paint and glass")][@aria-pressed = "true"]');
        $this->until(static fn(): bool => $minutes() < $before);
        $this->assertQuietConsole();
    }

    public function testAVisitIsCancelledByAButton(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/weeks');
        $this->seeText('visits in eight weeks.');
        $first = '(//button[contains(@class, "mark")][starts-with(@aria-label, "The vet’s pickup")])[1]';
        $name = (string) $this->see($first)->getAttribute('aria-label');
        $this->browser->executeScript('arguments[0].focus()', [$this->see($first)]);
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->press('Cancel it');
        $this->fill('Who calls it off', 'The client');
        $this->fill('Why', 'Away on the mainland');
        $this->assertAccessible('A visit to be cancelled');
        $this->press('Cancel the visit');
        $this->until(
            fn(): bool => $this->browser->findElements(
                WebDriverBy::xpath(
                    sprintf('//button[contains(@class, "mark")][@aria-label = %s]', self::quoted($name)),
                ),
            ) === [],
        );
        $this->assertQuietConsole();
    }
}
