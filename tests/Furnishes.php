<?php

declare(strict_types=1);

namespace Tests;

use App\Book\Vehicle;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Ramsey\Uuid\Uuid;

/** Fills a workspace over HTTP, as its owner would. */
trait Furnishes
{
    /**
     * A workspace with at least one of everything that has an address.
     *
     * @return array<string, string> ids by the name a route has for them
     */
    protected function furnish(User $owner, Workspace $workspace, ?Vehicle $vehicle = null): array
    {
        Storage::fake('photos');
        $vehicle ??= $this->vehicle($workspace);
        $this->actingAs($owner, 'web');
        $made = fn(string $path, array $body): string => (string) $this->postJson("/api/v1/{$path}", $body, [
            'Idempotency-Key' => md5($path . json_encode($body)),
        ])
            ->assertSuccessful()
            ->json('id');
        $ids = [
            'vehicle' => $vehicle->id,
            'product' => $this->product($workspace, 'soap')->id,
            'layer' => (string) $this->inside($workspace, static fn() => DB::table('layers')->value('id')),
        ];
        $ids['member'] = (string) $this->inside($workspace, static fn() => DB::table('memberships')->value('id'));
        $ids['client'] = $made('clients', ['name' => 'Odile']);
        $ids['site'] = $made('sites', ['name' => 'Yard', 'client_id' => $ids['client']]);
        $ids['crew'] = $made('crews', [
            'name' => 'Van',
            'minutes' => [1 => 420, 2 => 420, 3 => 420, 4 => 420, 5 => 420],
        ]);
        $ids['programme'] = $made('programmes', [
            'name' => 'Fortnight',
            'cadence_min' => 7,
            'cadence_target' => 14,
            'cadence_max' => 28,
        ]);
        $ids['closure'] = $made('closures', [
            'vehicle_id' => $vehicle->id,
            'from_on' => '2026-12-24',
            'to_on' => '2026-12-26',
        ]);
        $ids['deadline'] = $made('deadlines', ['vehicle_id' => $vehicle->id, 'on' => '2026-12-18']);
        $ids['gear'] = $made('gear', [
            'kind' => 'towel',
            'name' => 'Wheel towels',
            'facts' => ['count' => 3, 'use' => 'wheels'],
        ]);
        $ids['invitation'] = $made('invitations', ['email' => 'new@example.test', 'role' => 'technician']);
        $ids['message'] = (string) $this->inside($workspace, static fn() => DB::table('outbox_messages')->value('id'));
        $ids['feed'] = $made('feeds', ['name' => 'Everything', 'vehicle_id' => $vehicle->id]);
        $ids['turn'] = $made("vehicles/{$vehicle->id}/turns", $this->turn());
        $ids['link'] = $made("vehicles/{$vehicle->id}/record-links", ['kind' => 'history']);
        $ids['quote'] = $made('quotes', ['title' => 'A year', 'vehicles' => [['vehicle_id' => $vehicle->id]]]);
        $ids['sheet'] = $made('sheets', ['vehicle_id' => $vehicle->id, 'on' => '2026-11-26', 'crew' => 1]);
        $ids['photo'] = Uuid::uuid5($vehicle->id, 'photo')->toString();
        $this->post("/api/v1/vehicles/{$vehicle->id}/photos", [
            'file' => UploadedFile::fake()->image('a.jpg', 640, 480),
            'id' => $ids['photo'],
            'zone' => 'paint',
            'stage' => 'after',
            'taken_at' => '2026-11-25T10:00:00Z',
        ])->assertCreated();
        $ids['run'] = $made('weeks/plan', []);
        $ids['visit'] = (string) $this->getJson('/api/v1/weeks')->json('visits.0.id');
        $ids['removed'] = $made('clients', ['name' => 'Remedios']);
        $this->deleteJson("/api/v1/clients/{$ids['removed']}");
        self::assertNotContains('', $ids);

        return $ids;
    }

    /** @return array<string, int> rows by table, as the workspace sees them */
    protected function rows(Workspace $workspace): array
    {
        return $this->inside($workspace, static function (): array {
            $rows = [];
            foreach (
                DB::select(
                    "select distinct table_name from information_schema.columns where table_schema = 'public' and column_name = 'workspace_id' order by 1",
                )
                as $table
            ) {
                // Doors that are tried count; what is behind them must not change.
                if (!in_array($table->table_name, ['idempotency_keys', 'personal_access_tokens'], true)) {
                    $rows[$table->table_name] = (int) DB::table($table->table_name)->count();
                }
            }

            return $rows;
        });
    }
}
