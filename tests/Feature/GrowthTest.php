<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Six vehicles with up to three turns each ask the database no more often than two with one. */
final class GrowthTest extends TestCase
{
    private const SCREENS = [
        'film',
        'round?on=2026-11-26',
        'water',
        'proof',
        'weeks',
        'weeks/file',
        'load?from=2026-11-26&to=2026-12-05',
        'load/shopping?from=2026-11-26&to=2026-12-05',
        'money',
        'quotes',
        'gear',
        'days',
        'crews',
        'changes',
        'sheets?on=2026-11-26',
        'vehicles?limit=50',
        'clients',
        'sites',
        'products?limit=200',
        'book/vehicles',
        'book/turns',
        'book/readings',
        'vehicles/{vehicle}/turns',
        'vehicles/{vehicle}/film',
        'vehicles/{vehicle}/money',
        'vehicles/{vehicle}/record?kind=history',
        'drill/people',
        'pulse',
    ];

    public function testNoScreenAsksMoreForManyThanForFew(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $this->postJson('/api/v1/crews', [
            'name' => 'Van',
            'minutes' => [1 => 420, 2 => 420, 3 => 420, 4 => 420, 5 => 420],
        ])->assertCreated();
        $first = $this->worked($workspace, 1, 1);
        $this->worked($workspace, 2, 1);
        $all = fn(): array => array_combine(
            self::SCREENS,
            array_map(
                fn(string $path): array => $this->queries($owner, '/api/v1/' . str_replace('{vehicle}', $first, $path)),
                self::SCREENS,
            ),
        );
        // What is asked once and remembered is asked now.
        $all();
        $few = $all();
        foreach (range(3, 6) as $i) {
            $this->worked($workspace, $i, 3);
        }
        foreach (range(1, 2) as $i) {
            $this->postJson(
                "/api/v1/vehicles/{$first}/turns",
                $this->turn([
                    'worked_at' => "2026-11-2{$i}T09:00:00Z",
                    'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']],
                ]),
            )->assertCreated();
        }
        $all();
        foreach ($all() as $path => $queries) {
            self::assertLessThanOrEqual(
                count($few[$path]),
                count($queries),
                $path . ":\n" . implode("\n", array_unique(array_diff_assoc($queries, array_unique($queries)))),
            );
        }
    }

    /** A vehicle of a client at a place, washed some times, on the round of tomorrow, planned. */
    private function worked(Workspace $workspace, int $number, int $turns): string
    {
        $client = $this->postJson('/api/v1/clients', ['name' => "Client {$number}"])
            ->assertCreated()
            ->json('id');
        $site = $this->postJson('/api/v1/sites', ['name' => "Yard {$number}", 'client_id' => $client])
            ->assertCreated()
            ->json('id');
        $vehicle = $this->vehicle($workspace, name: "Vehicle {$number}");
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['client_id' => $client, 'site_id' => $site],
            ['If-Match' => '"' . $vehicle->version . '"'],
        )->assertOk();
        $topper = $this->product($workspace, 'topper', 'silica');
        foreach (range(1, $turns) as $i) {
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'worked_at' => "2026-11-1{$i}T09:00:00Z",
                    'minutes' => 80,
                    'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']],
                    'products' => [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 40]],
                ]),
            )->assertCreated();
        }
        $this->postJson('/api/v1/quotes', [
            'title' => "For {$number}",
            'vehicles' => [['vehicle_id' => $vehicle->id]],
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $stops = array_column($this->getJson('/api/v1/round?on=2026-11-26')->json('stops') ?? [], 'vehicle_id');
        $this->putJson('/api/v1/round', [
            'on' => '2026-11-26',
            'vehicle_ids' => array_values(array_unique([...$stops, $vehicle->id])),
        ])->assertOk();
        if ($number % 2 === 0) {
            $this->postJson('/api/v1/sheets', [
                'vehicle_id' => $vehicle->id,
                'on' => '2026-11-26',
                'crew' => 1,
            ])->assertCreated();
        }

        return $vehicle->id;
    }

    /** @return list<string> */
    private function queries(User $owner, string $address): array
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->actingAs($owner)
            ->get($address, ['Accept' => 'application/json'])
            ->assertOk();

        return array_column(DB::getQueryLog(), 'query');
    }
}
