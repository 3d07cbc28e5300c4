<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\BrowserTestCase;
use Tests\Browser\WorksSheets;
use Tests\OwnShelf;

/**
 * Whole pieces of work by a person with an own shelf, own gear and an own vehicle: at the desk, on the drive, in the
 * record.
 */
final class WalksTest extends BrowserTestCase
{
    use WorksSheets;

    protected array $size = [1280, 1000];

    /** A dusty hatch at a door without a hose: the bench, the sheet and the record say one thing. */
    public function testAQuickWashWithoutAHose(): void
    {
        $car = $this->own(['body' => 'hatch', 'paint_m2' => 10]);
        $this->visit("/bench?vehicle={$car}");
        $this->calm();
        $this->choose('Water', 'No water');
        $this->choose('How dirty', 'Light dust');
        $this->fill('A visit takes in', 'Quick: paint and glass');
        $this->see('//h2[normalize-space(.) = "Rinseless"]');
        // The answer follows what is set, a moment later.
        $this->until(
            fn(): bool => $this->minutes() >= 15 && $this->minutes() <= 30,
            'a quick wash on dust takes 15 to 30 minutes',
        );
        $minutes = $this->minutes();
        $this->choose('How dirty', 'Heavy');
        $this->see('//h2[contains(., "Not here, not today")]');
        $this->seeText('Soil 4 is over its ceiling');
        $this->choose('How dirty', 'Light dust');
        $this->see('//h2[normalize-space(.) = "Rinseless"]');
        $this->press('Work it from a sheet');
        self::assertSame($minutes, $this->sheetMinutes(), 'the sheet says what the bench said');
        $this->press('Begin the visit');
        $this->work(until: 'Hand over, write it down');
        $this->press('Close the turn');
        $this->see('//h2 | //legend[normalize-space(.) = "Used"]');
        $this->click($this->see('//button[@type = "submit"][contains(., "Close the turn")][not(@disabled)]'));
        $this->see('//h2[normalize-space(.) = "The turn is closed"]');
        $this->seeText('Everything has been sent.');
        $this->visit("/vehicles/{$car}");
        $this->click($this->see('(//ol//a)[1]'));
        $this->seeText('Quick: paint and glass');
        $this->seeText('Rinseless');
    }

    /** A black, coated saloon at 46 °C: cooled first, and the bench and the sheet both say so. */
    public function testAHotPanelIsCooledFirst(): void
    {
        $car = $this->own(
            ['tone' => 'black', 'schools' => ['method' => 'touchless']],
            [['zone' => 'paint', 'kind' => 'base', 'family' => 'ceramic', 'on' => date('Y-m-d', time() - 150 * 86400)]],
        );
        $this->visit("/bench?vehicle={$car}");
        $this->calm();
        $this->choose('How dirty', 'Light dust');
        foreach (
            ['Air' => '24', 'Humidity' => '50', 'Wind' => '2', 'Sun' => '600', 'Panel' => '46']
            as $label => $value
        ) {
            $this->fill($label, $value);
        }
        $this->see('//h2[contains(., "Touchless")]');
        $this->see('//dt[normalize-space(.) = "First cool"]');
        $this->see('//section[@aria-label = "The match" and @aria-busy = "false"]');
        $minutes = $this->minutes();
        $this->press('Work it from a sheet');
        self::assertSame($minutes, $this->sheetMinutes());
        $this->press('Begin the visit');
        $this->press('All');
        $this->seeText('Cool the panels');
        self::assertSame(
            [],
            $this->browser->findElements(
                WebDriverBy::xpath('//main//li//strong[starts-with(normalize-space(.), "Wash")]'),
            ),
            'nothing touches it',
        );
    }

    /** An acid is offered; a person takes it, and its cautions come along. */
    public function testAnAcidIsTakenByHand(): void
    {
        $car = $this->own([], [], [OwnShelf::ACID]);
        $this->visit("/bench?vehicle={$car}");
        $this->calm();
        $this->choose('Wheels', 'Crusted');
        $this->see('//h3[contains(., "Offered, never chosen by itself")]');
        $this->press('Take Keel Sharp');
        $this->see('//section[@aria-label = "Taken by hand"]//li[contains(., "Keel Sharp")]');
        // What was chosen before stands among what may be had instead.
        $this->press('Take Quern Hub');
        $this->see('//section[@aria-label = "Taken by hand"]//li[contains(., "Quern Hub")]//button');
        $this->click($this->see('//section[@aria-label = "Taken by hand"]//li[contains(., "Quern Hub")]//button'));
        $this->until(
            fn(): bool => count(
                $this->browser->findElements(WebDriverBy::xpath('//section[@aria-label = "Taken by hand"]//li')),
            ) === 1,
        );
        $this->assertAccessible('An acid taken by hand');
        $this->press('Work it from a sheet');
        $this->seeText('To fill, in this order');
        $this->press('Begin the visit');
        $this->work(until: 'Mix');
        $this->see('//article[contains(., "Keel Sharp")]');
        $this->see('//article[contains(., "acid") or contains(., "goggles") or contains(., "eye protection")]');
    }

    /** How it is dried is chosen like a method, with why not beside what can't be had. */
    public function testTheWayOfDryingIsChosen(): void
    {
        $car = $this->own([]);
        $this->visit("/bench?vehicle={$car}");
        $this->calm();
        $this->click($this->see('//summary[contains(., "Other ways to dry it")]'));
        $this->press('Towels alone');
        $this->see(
            '//dt[normalize-space(.) = "Drying"]/following-sibling::dd[1]/strong[normalize-space(.) = "Towels alone"]',
        );
        $this->click($this->see('//label[contains(., "Power for air")]'));
        $this->see('//s[normalize-space(.) = "Warm air"]');
        $this->press('Work it from a sheet');
        $this->seeText('To fill, in this order');
        $this->press('Begin the visit');
        $this->press('All');
        $this->seeText('Dry');
    }

    /** Flat on a clean, coated bonnet: film, vehicle, bench say the same next step. */
    public function testClogged(): void
    {
        $car = $this->own(
            [],
            [['zone' => 'paint', 'kind' => 'base', 'family' => 'ceramic', 'on' => date('Y-m-d', time() - 60 * 86400)]],
        );
        $this->visit("/vehicles/{$car}/turn");
        $this->choose('How dirty?', 'Road film');
        $this->choose('How was it washed?', 'Two mitts');
        $this->choose('Water on the clean paint', 'Lies flat');
        $this->press('Save the turn');
        $this->see('//h1[starts-with(normalize-space(.), "Saved:")]');
        $this->seeText('econtaminate');
        $this->visit('/');
        $this->seeText('Clogged or spent?');
        $this->visit("/bench?vehicle={$car}");
        $this->calm();
        $this->see('//section[@aria-label = "The match"]//*[contains(., "Quern Rust")]');
        $this->assertQuietConsole();
    }

    /**
     * A new business with its own shelf and gear, and one vehicle.
     *
     * @param array<string, mixed> $vehicle
     * @param list<array<string, mixed>> $layers
     * @param list<array<string, mixed>> $bottles  beside those of the own shelf
     */
    private function own(array $vehicle, array $layers = [], array $bottles = []): string
    {
        $this->visit('/up');
        $this->see('//p');
        $id = $this->ask(
            <<<'JS'
            const [email, bottles, gear, vehicle, layers] = given
            await fetch('/sanctum/csrf-cookie')
            await call('POST', 'auth/register', { name: 'Isa Merrick', workspace: 'Merrick', email, password: 'sea-pink-tide', time_zone: 'UTC' })
            // The shelf one starts with is put away: this one is their own.
            for (const one of (await call('GET', 'products?limit=200')).data) await call('DELETE', `products/${one.id}`)
            for (const one of bottles) await call('POST', 'products', one)
            for (const one of gear) await call('POST', 'gear', one)
            const car = await call('POST', 'vehicles', vehicle)
            for (const one of layers) await call('POST', `vehicles/${car.id}/layers`, one)
            return car.id
            JS
            ,
            'walk-' . bin2hex(random_bytes(5)) . '@example.test',
            array_map(static fn(array $one): array => ['stock_ml' => 5000, ...$one], [
                ...array_values(OwnShelf::BOTTLES),
                ...$bottles,
            ]),
            OwnShelf::GEAR,
            [
                'name' => 'The car',
                'body' => 'saloon',
                'paint_m2' => 10,
                'in_service_on' => date('Y-m-d', time() - 400 * 86400),
                ...$vehicle,
            ],
            $layers,
        );
        self::assertMatchesRegularExpression('/^[0-9a-f-]{36}$/', (string) $id);

        return (string) $id;
    }

    private function minutes(): int
    {
        return (int) preg_replace(
            '/\D+/',
            '',
            $this->see('//dt[normalize-space(.) = "Takes"]/following-sibling::dd[1]/strong')->getText(),
        );
    }

    private function sheetMinutes(): int
    {
        return (int) preg_replace('/\D+/', '', $this->see('//p[contains(@class, "sum")]/strong')->getText());
    }
}
