<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Tenancy\Workspace;
use Illuminate\Support\Facades\DB;
use Tests\Furnishes;
use Tests\TestCase;

/** Whatever is removed comes back whole, for whoever removed it. */
final class RemovalTest extends TestCase
{
    use Furnishes;

    private const REMOVED = [
        'deadline' => 'deadlines',
        'closure' => 'closures',
        'programme' => 'programmes',
        'site' => 'sites',
        'client' => 'clients',
    ];

    public function testWhatIsRemovedComesBackWithAllThatHungOnIt(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $ids = $this->furnish($owner, $workspace, $vehicle);
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['client_id' => $ids['client'], 'site_id' => $ids['site'], 'programme_id' => $ids['programme']],
            ['If-Match' => '"' . $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('version') . '"'],
        )->assertOk();
        $this->patchJson(
            "/api/v1/sites/{$ids['site']}",
            ['by_register' => true, 'admissions' => [['crew_id' => $ids['crew'], 'person' => 'Rhona']]],
            ['If-Match' => '"1"'],
        )->assertOk();
        $this->postJson('/api/v1/closures', [
            'site_id' => $ids['site'],
            'from_on' => '2026-12-20',
            'to_on' => '2026-12-21',
        ])->assertCreated();
        $before = $this->everything($workspace);

        foreach (self::REMOVED as $what => $path) {
            $this->deleteJson("/api/v1/{$path}/{$ids[$what]}")->assertNoContent();
        }
        self::assertNull($this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('client'));
        self::assertNotSame($before, $this->everything($workspace));

        $this->actingAs($this->technician($workspace));
        $this->assertProblem(
            $this->postJson("/api/v1/removed/{$ids['client']}/restore"),
            404,
            'a quarter of an hour, for whoever removed it',
        );

        // Undone from the last, as one does; asked twice, as a phone may.
        $this->actingAs($owner);
        foreach (array_reverse(array_keys(self::REMOVED)) as $what) {
            $this->postJson("/api/v1/removed/{$ids[$what]}/restore")->assertNoContent();
            $this->postJson("/api/v1/removed/{$ids[$what]}/restore")->assertNoContent();
        }
        self::assertSame($before, $this->everything($workspace));

        $this->deleteJson("/api/v1/clients/{$ids['client']}")->assertNoContent();
        $this->travel(20)->minutes();
        $this->postJson("/api/v1/removed/{$ids['client']}/restore")->assertNotFound();
    }

    public function testWhatHasChangedMeanwhileStaysAndWhoIsForgottenStaysForgotten(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $ids = $this->furnish($owner, $workspace, $vehicle);
        $link = fn(array $to) => $this->patchJson("/api/v1/vehicles/{$vehicle->id}", $to, [
            'If-Match' => '"' . $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('version') . '"',
        ])->assertOk();
        $remove = fn(string $path) => $this->deleteJson("/api/v1/{$path}")->assertNoContent();
        $restore = fn(string $id) => $this->postJson("/api/v1/removed/{$id}/restore");

        $link(['client_id' => $ids['client'], 'site_id' => $ids['site']]);
        $remove("clients/{$ids['client']}");
        $other = (string) $this->postJson('/api/v1/clients', ['name' => 'Skua'])->json('id');
        $link(['client_id' => $other]);
        $restore($ids['client'])->assertNoContent();
        self::assertSame($other, $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('client.id'));

        // A place whose owner has gone as well comes back without one.
        $remove("sites/{$ids['site']}");
        $remove("clients/{$ids['client']}");
        $restore($ids['site'])->assertNoContent();
        self::assertNull($this->getJson("/api/v1/sites/{$ids['site']}")->json('client_id'));
        self::assertSame($ids['site'], $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('site.id'));

        $remove("sites/{$ids['site']}");
        $this->postJson("/api/v1/clients/{$other}/forget", ['name' => 'Skua'])->assertOk();
        $restore($ids['site'])->assertNotFound();
    }

    public function testCrewsAndGearAreTakenOutAgain(): void
    {
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        foreach (['crew' => 'crews', 'gear' => 'gear'] as $what => $path) {
            $listed = fn(): array => array_column((array) $this->getJson("/api/v1/{$path}")->json('data'), 'id');
            $this->deleteJson("/api/v1/{$path}/{$ids[$what]}")->assertNoContent();
            self::assertNotContains($ids[$what], $listed(), $path);
            $this->postJson("/api/v1/{$path}/{$ids[$what]}/restore")->assertNoContent();
            self::assertContains($ids[$what], $listed(), $path);
        }
    }

    /** @return array<string, list<string>> rows by table, but for who did what when */
    private function everything(Workspace $workspace): array
    {
        $tables = array_keys($this->rows($workspace));

        return $this->inside($workspace, static function () use ($tables): array {
            $all = [];
            foreach ($tables as $table) {
                if (!in_array($table, ['changes', 'memberships', 'state_marks'], true)) {
                    $all[$table] = array_values(
                        array_map(
                            strval(...),
                            DB::table($table)
                                ->selectRaw("(to_jsonb({$table}) - 'updated_at')::text as row")
                                ->orderBy('row')
                                ->pluck('row')
                                ->all(),
                        ),
                    );
                }
            }

            return $all;
        });
    }
}
