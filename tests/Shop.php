<?php

declare(strict_types=1);

namespace Tests;

use App\Door\FoundWorkspace;
use App\Tenancy\Tenancy;
use Illuminate\Support\Str;

/** An own business, from nothing: its own shelf and gear, filled over HTTP as its owner would. */
trait Shop
{
    private const MILD = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];

    /** @var array<string, string> ids by role */
    private array $shelf = [];

    /** @param list<string> $bottles  roles of the own shelf; all when left out */
    private function shop(?array $bottles = null): void
    {
        [$owner] = app(FoundWorkspace::class)(
            [
                'name' => 'Isa Merrick',
                'email' => Str::lower(Str::random(8)) . '@example.test',
                'password' => 'sea-pink-tide',
            ],
            ['name' => 'Merrick'],
            starterShelf: false,
        );
        app(Tenancy::class)->leave();
        $this->actingAs($owner);
        foreach ($bottles ?? array_keys(OwnShelf::BOTTLES) as $role) {
            $this->shelf[$role] = $this->bottle(OwnShelf::BOTTLES[$role]);
        }
        foreach (OwnShelf::GEAR as $gear) {
            $this->postJson('/api/v1/gear', $gear)->assertCreated();
        }
    }

    /** @param array<string, mixed> $facts */
    private function bottle(array $facts): string
    {
        $made = $this->postJson('/api/v1/products', [
            'stock_ml' => 5000,
            'pack_ml' => 1000,
            'price_minor' => 1200,
            ...$facts,
        ]);
        self::assertSame(201, $made->getStatusCode(), (string) $made->getContent());

        return (string) $made->json('id');
    }

    /** @param array<string, mixed> $facts */
    private function site(array $facts = []): string
    {
        return (string) $this->postJson('/api/v1/sites', [
            'name' => 'Yard',
            'water' => 'tap',
            'tds_mg_l' => 300,
            'power' => true,
            'pressure' => true,
            'shade' => true,
            'travel_min' => 10,
            ...$facts,
        ])
            ->assertCreated()
            ->json('id');
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private function car(array $facts = []): array
    {
        return $this->postJson('/api/v1/vehicles', ['name' => 'Car', 'body' => 'saloon', 'paint_m2' => 10, ...$facts])
            ->assertCreated()
            ->json();
    }

    /** @param array<string, mixed> $facts */
    private function layer(string $vehicle, array $facts): void
    {
        $this->postJson("/api/v1/vehicles/{$vehicle}/layers", [
            'zone' => 'paint',
            'kind' => 'base',
            ...$facts,
        ])->assertCreated();
    }

    /**
     * A sheet for what is seen here and now.
     *
     * @param array<string, mixed> $more  of the sheet: crew, scope, on
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private function sheet(string $vehicle, array $facts = [], array $more = []): array
    {
        return $this->postJson('/api/v1/sheets', [
            'vehicle_id' => $vehicle,
            'on' => '2026-11-25',
            ...$more,
            'facts' => [
                'seen' => ['soil' => 2, 'grit' => false, 'on' => [], ...$facts['seen'] ?? []],
                'place' => [
                    'water' => 'tap',
                    'tap_tds_mg_l' => 300,
                    'pressure' => true,
                    'power' => true,
                    'shade' => true,
                    ...$facts['place'] ?? [],
                ],
                'weather' => self::MILD,
                ...array_diff_key($facts, ['seen' => 1, 'place' => 1]),
            ],
        ])
            ->assertCreated()
            ->json();
    }

    /**
     * @param array<string, mixed> $facts
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    private function plan(string $vehicle, array $facts = [], array $more = []): array
    {
        return $this->sheet($vehicle, $facts, $more)['plan'];
    }

    /**
     * @param array<string, mixed> $plan
     * @return list<array<string, mixed>> steps whose id begins so
     */
    private static function steps(array $plan, string $id): array
    {
        return array_values(
            array_filter($plan['steps'], static fn(array $step): bool => str_starts_with($step['id'], $id)),
        );
    }

    /** @param array<string, mixed> $plan */
    private static function assertInOrder(array $plan, string ...$ids): void
    {
        $starts = [];
        foreach ($ids as $id) {
            $found = self::steps($plan, $id);
            self::assertNotSame(
                [],
                $found,
                "there is a step {$id} among " . implode(', ', array_column($plan['steps'], 'id')),
            );
            $starts[] = $found[0]['start'];
        }
        $sorted = $starts;
        sort($sorted);
        self::assertSame($sorted, $starts, implode(' before ', $ids));
    }

    /** @param array<string, mixed> $plan */
    private static function said(array $plan): string
    {
        return implode(
            "\n",
            array_merge(
                array_column($plan['steps'], 'name'),
                ...array_column($plan['steps'], 'how'),
                ...array_map(static fn(array $step): array => array_column($step['cautions'], 'says'), $plan['steps']),
                ...[
                    $plan['problems'] ?? [],
                    array_column($plan['remedies'] ?? [], 'says'),
                    array_column($plan['urges'] ?? [], 'says'),
                ],
            ),
        );
    }
}
