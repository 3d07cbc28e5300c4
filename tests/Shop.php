<?php

declare(strict_types=1);

namespace Tests;

use App\Actions\FoundWorkspace;
use App\Tenancy\Tenancy;
use Illuminate\Support\Str;

/** An own business, from nothing: its own shelf and gear, filled over HTTP as its owner would. */
trait Shop
{
    private const MILD = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];

    /** Bottles an own shelf begins with. */
    private const BOTTLES = [
        'prewash' => ['name' => 'Quern Loosen', 'role' => 'prewash', 'surfaces' => ['paint', 'wheels'], 'ph' => 9.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'dilutions' => ['sprayer' => '1:10'], 'applied' => null, 'min_c' => 0, 'max_c' => 35],
        'foam' => ['name' => 'Quern Fleece', 'role' => 'foam', 'surfaces' => ['paint', 'glass', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 180, 'dwell_max_s' => 480, 'dilutions' => ['lance' => '1.5 %'], 'min_c' => 0, 'max_c' => 35],
        'soap' => ['name' => 'Quern Plain', 'role' => 'soap', 'surfaces' => ['paint', 'glass', 'trim', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dilutions' => ['bucket' => '2 capfuls in 10 l'], 'min_c' => 0, 'max_c' => 40],
        'rinseless' => ['name' => 'Quern Spare', 'role' => 'rinseless', 'surfaces' => ['paint', 'glass', 'trim', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => false, 'may_dry' => false, 'dilutions' => ['bucket' => '1:256', 'sprayer' => '1:128'], 'min_c' => 2, 'max_c' => 35],
        'wheel' => ['name' => 'Quern Hub', 'role' => 'wheel', 'surfaces' => ['wheels'], 'ph' => 7.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 60, 'dwell_max_s' => 600, 'dilutions' => ['wheel' => '1:2'], 'min_c' => 0, 'max_c' => 35],
        'iron' => ['name' => 'Quern Rust', 'role' => 'iron', 'surfaces' => ['paint', 'wheels'], 'ph' => 6.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'dilutions' => ['bottle' => 'neat'], 'min_c' => 5, 'max_c' => 30],
        'drying-aid' => ['name' => 'Quern Glide', 'role' => 'drying-aid', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'silica', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => '1:4'], 'applied' => 'drying-aid', 'min_c' => 2, 'max_c' => 35],
        'topper' => ['name' => 'Quern Hood', 'role' => 'topper', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'silica', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'applied' => 'wet-rinse', 'family' => 'silica-spray', 'label_low_weeks' => 8, 'label_high_weeks' => 12, 'dwell_min_s' => 30, 'dwell_max_s' => 120, 'dilutions' => ['bottle' => 'neat'], 'min_c' => 5, 'max_c' => 30],
        'glass' => ['name' => 'Quern Pane', 'role' => 'glass', 'surfaces' => ['glass'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => 'neat']],
        'tyre' => ['name' => 'Quern Tread', 'role' => 'tyre', 'surfaces' => ['tyres'], 'leaves' => 'polymer', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => 'neat']],
    ];

    private const GEAR = [
        ['kind' => 'washer', 'name' => 'Washer', 'facts' => ['l_min' => 8]], ['kind' => 'lance', 'name' => 'Lance', 'facts' => ['ml' => 1000]], ['kind' => 'bucket', 'name' => 'Bucket one', 'facts' => ['ml' => 15000]], ['kind' => 'bucket', 'name' => 'Bucket two', 'facts' => ['ml' => 15000]],
        ['kind' => 'sprayer', 'name' => 'Sprayer', 'facts' => ['ml' => 1500]], ['kind' => 'bottle', 'name' => 'Bottle', 'facts' => ['ml' => 1000]], ['kind' => 'blower', 'name' => 'Dryer', 'facts' => ['w' => 900]],
        ['kind' => 'towel', 'name' => 'Wash towels', 'facts' => ['count' => 30, 'use' => 'wash']], ['kind' => 'towel', 'name' => 'Upper mitts', 'facts' => ['count' => 4, 'use' => 'upper-mitt']], ['kind' => 'towel', 'name' => 'Lower mitts', 'facts' => ['count' => 4, 'use' => 'lower-mitt']],
        ['kind' => 'towel', 'name' => 'Large towels', 'facts' => ['count' => 8, 'use' => 'large']], ['kind' => 'towel', 'name' => 'Medium towels', 'facts' => ['count' => 12, 'use' => 'medium']],
    ];

    /** @var array<string, string> ids by role */
    private array $shelf = [];

    /** @param list<string> $bottles  roles of the own shelf; all when left out */
    private function shop(?array $bottles = null): void
    {
        [$owner] = app(FoundWorkspace::class)(['name' => 'Isa Merrick', 'email' => Str::lower(Str::random(8)).'@example.test', 'password' => 'sea-pink-tide'], ['name' => 'Merrick'], starterShelf: false);
        app(Tenancy::class)->leave();
        $this->actingAs($owner);
        foreach ($bottles ?? array_keys(self::BOTTLES) as $role) {
            $this->shelf[$role] = $this->bottle(self::BOTTLES[$role]);
        }
        foreach (self::GEAR as $gear) {
            $this->postJson('/api/v1/gear', $gear)->assertCreated();
        }
    }

    /** @param array<string, mixed> $facts */
    private function bottle(array $facts): string
    {
        $made = $this->postJson('/api/v1/products', ['stock_ml' => 5000, 'pack_ml' => 1000, 'price_minor' => 1200, ...$facts]);
        self::assertSame(201, $made->getStatusCode(), (string) $made->getContent());

        return (string) $made->json('id');
    }

    /** @param array<string, mixed> $facts */
    private function site(array $facts = []): string
    {
        return (string) $this->postJson('/api/v1/sites', ['name' => 'Yard', 'water' => 'tap', 'tds_mg_l' => 300, 'power' => true, 'pressure' => true, 'shade' => true, 'travel_min' => 10, ...$facts])->assertCreated()->json('id');
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private function car(array $facts = []): array
    {
        return $this->postJson('/api/v1/vehicles', ['name' => 'Car', 'body' => 'saloon', 'paint_m2' => 10, ...$facts])->assertCreated()->json();
    }

    /** @param array<string, mixed> $facts */
    private function layer(string $vehicle, array $facts): void
    {
        $this->postJson("/api/v1/vehicles/{$vehicle}/layers", ['zone' => 'paint', 'kind' => 'base', ...$facts])->assertCreated();
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
        return $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle, 'on' => '2026-11-25', ...$more, 'facts' => [
            'seen' => ['soil' => 2, 'grit' => false, 'on' => [], ...($facts['seen'] ?? [])], 'place' => ['water' => 'tap', 'tap_tds_mg_l' => 300, 'pressure' => true, 'power' => true, 'shade' => true, ...($facts['place'] ?? [])],
            'weather' => self::MILD, ...array_diff_key($facts, ['seen' => 1, 'place' => 1]),
        ]])->assertCreated()->json();
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
        return array_values(array_filter($plan['steps'], static fn(array $step): bool => str_starts_with($step['id'], $id)));
    }

    /** @param array<string, mixed> $plan */
    private static function assertInOrder(array $plan, string ...$ids): void
    {
        $starts = [];
        foreach ($ids as $id) {
            $found = self::steps($plan, $id);
            self::assertNotSame([], $found, "there is a step {$id} among ".implode(', ', array_column($plan['steps'], 'id')));
            $starts[] = $found[0]['start'];
        }
        $sorted = $starts;
        sort($sorted);
        self::assertSame($sorted, $starts, implode(' before ', $ids));
    }

    /** @param array<string, mixed> $plan */
    private static function said(array $plan): string
    {
        return implode("\n", array_merge(array_column($plan['steps'], 'name'), ...array_column($plan['steps'], 'how'), ...array_map(static fn(array $step): array => array_column($step['cautions'], 'says'), $plan['steps']), ...[$plan['problems'] ?? [], array_column($plan['remedies'] ?? [], 'says'), array_column($plan['urges'] ?? [], 'says')]));
    }
}
