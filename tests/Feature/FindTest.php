<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Client;
use App\Book\PlannedVisit;
use Tests\TestCase;

/** One search over everything, and the vehicles as a table. */
final class FindTest extends TestCase
{
    public function testEverythingThatHasANameIsFoundByAPartOfItAndNothingOfOthers(): void
    {
        [, $elsewhere] = $this->business('Elsewhere');
        $this->vehicle($elsewhere, name: 'Gull of somebody else');
        [$owner, $workspace] = $this->business();
        $gull = $this->vehicle($workspace, name: 'Gull grey van');
        $this->vehicle($workspace, name: 'The old seagull');
        $this->actingAs($owner);
        $client = $this->postJson('/api/v1/clients', ['name' => 'Gullhaven Ferries'])
            ->assertCreated()
            ->json('id');
        $other = $this->vehicle($workspace, name: 'Tender');
        $this->inside($workspace, static fn() => $other->update(['client_id' => $client]));
        $this->postJson('/api/v1/sites', ['name' => '100% gull yard'])->assertCreated();
        $crew = $this->postJson('/api/v1/crews', ['name' => 'Van', 'minutes' => [1 => 420]])->json('id');
        $this->inside(
            $workspace,
            static fn() => PlannedVisit::query()->create([
                'vehicle_id' => $gull->id,
                'crew_id' => $crew,
                'on' => '2026-11-30',
                'kinds' => ['wash'],
            ]),
        );
        $found = $this->getJson('/api/v1/find?text=GULL')->assertOk()->json('data');
        self::assertSame(
            [
                ['vehicle', 'Gull grey van'],
                ['vehicle', 'Tender'],
                ['vehicle', 'The old seagull'],
                ['visit', 'Gull grey van'],
                ['client', 'Gullhaven Ferries'],
                ['site', '100% gull yard'],
            ],
            array_map(static fn(array $one): array => [$one['kind'], $one['name']], $found),
        );
        self::assertSame('Gullhaven Ferries', $found[1]['beside']);
        self::assertSame('2026-11-30', $found[3]['on']);
        self::assertSame(
            ['100% gull yard'],
            array_column($this->getJson('/api/v1/find?text=0%25 g')->json('data'), 'name'),
        );
        self::assertSame([], $this->getJson('/api/v1/find?text=_____')->json('data'), 'A mark means only itself.');
        $this->getJson('/api/v1/find')->assertStatus(422);
        $this->getJson('/api/v1/find?text=' . str_repeat('a', 101))->assertStatus(422);
    }

    public function testTheTableIsSortedWithWhatIsNotKnownLast(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $this->vehicle($workspace, 'silica-spray', '2026-10-20', 'Later');
        $this->vehicle($workspace, 'silica-spray', '2026-08-20', 'Sooner');
        $bare = $this->postJson('/api/v1/vehicles', ['name' => 'bare', 'body' => 'van'])
            ->assertCreated()
            ->json('id');
        $client = $this->inside($workspace, static fn() => Client::query()->create(['name' => 'Zephyr']));
        $this->inside(
            $workspace,
            static fn() => $client
                ->vehicles()
                ->getRelated()
                ->newQuery()
                ->whereKey($bare)
                ->update([
                    'client_id' => $client->id,
                ]),
        );
        $names = fn(string $query): array => array_column(
            $this->getJson("/api/v1/vehicle-list?{$query}")
                ->assertOk()
                ->json('data'),
            'name',
        );
        self::assertSame(['Sooner', 'Later', 'bare'], $names('sort=due'));
        self::assertSame(['Later', 'Sooner', 'bare'], $names('sort=-due'));
        self::assertSame(['bare', 'Later', 'Sooner'], $names('sort=name'));
        self::assertSame(['bare', 'Later', 'Sooner'], $names('sort=client'));
        self::assertSame(['Later'], $names('sort=name&skip=1&limit=1'));
        self::assertSame(['bare'], $names('search=zephyr'));
        $film = $this->getJson('/api/v1/film')->json('ribbons');
        $listed = $this->getJson('/api/v1/vehicle-list?sort=due')->assertJsonPath('count', 3)->json('data');
        self::assertSame(array_column($film, 'name'), array_column($listed, 'name'), 'As in the film.');
        self::assertSame(
            strtotime((string) $film[0]['due_at']),
            strtotime((string) $listed[0]['due_at']),
            'Due when the film says.',
        );
        $this->getJson('/api/v1/vehicle-list?sort=plate')->assertStatus(422);
    }
}
