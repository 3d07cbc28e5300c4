<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Crew;
use App\Book\Forecast;
use App\Book\Layer;
use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Shelf\Product;
use App\Standins\OutboxMessage;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use App\Weeks\Proposal;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\OwnShelf;
use Tests\TestCase;

/**
 * For each condition of a query or a rule, the one thing it keeps out. The clock stands at noon, Wednesday 25 November
 * 2026.
 */
final class MustNotCountTest extends TestCase
{
    private User $owner;

    private Workspace $workspace;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->owner, $this->workspace] = $this->business();
        $this->actingAs($this->owner);
    }

    public function testWhatIsPutAwayIsPlannedSuggestedAndDrawnNowhere(): void
    {
        $kept = $this->vehicle($this->workspace, 'ceramic', '2025-05-01', 'Kept');
        $gone = $this->vehicle($this->workspace, 'ceramic', '2025-05-01', 'Gone');
        $crew = $this->crew();
        $old = $this->postJson('/api/v1/crews', [
            'name' => 'The old van',
            'minutes' => ['1' => 480, '2' => 480, '3' => 480, '4' => 480, '5' => 480],
        ])
            ->assertCreated()
            ->json('id');
        $this->inside($this->workspace, static fn() => $gone->update(['archived_at' => now()]));
        $this->inside(
            $this->workspace,
            static fn() => Crew::query()
                ->whereKey($old)
                ->update(['archived_at' => now()]),
        );
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $weeks = $this->getJson('/api/v1/weeks')->json();
        self::assertSame(
            [[$kept->id], [$kept->id], [$crew]],
            [
                array_column($weeks['vehicles'], 'id'),
                array_values(array_unique(array_column($weeks['visits'], 'vehicle_id'))),
                array_values(array_unique(array_column($weeks['visits'], 'crew_id'))),
            ],
        );
        self::assertSame([$crew], array_column($weeks['crews'], 'id'));
        self::assertSame(
            ['Kept'],
            array_column($this->getJson('/api/v1/round?on=2026-11-25')->json('suggested'), 'name'),
        );
        self::assertSame(
            [$kept->id],
            array_values(array_unique(array_column($this->getJson('/api/v1/film')->json('ribbons'), 'vehicle_id'))),
        );
    }

    public function testABottlePutAwayIsNeverTaken(): void
    {
        $car = $this->vehicle($this->workspace);
        $this->inside(
            $this->workspace,
            static fn() => Product::query()
                ->where('role', 'soap')
                ->update(['archived_at' => now()]),
        );
        $match = $this->match($car);
        self::assertNotContains(
            'soap',
            array_column(array_filter(array_column($match['products'], 'product')), 'role'),
        );
        self::assertNotContains('soap', array_column($match['passed'], 'role'), 'nor spoken of');
        $plan = $this->postJson('/api/v1/sheets', ['vehicle_id' => $car->id, 'on' => '2026-11-25'])
            ->assertCreated()
            ->json('plan');
        self::assertNotContains(
            'soap',
            array_column(array_merge(...array_column($plan['steps'], 'portions')), 'role'),
            'on no sheet either',
        );
    }

    public function testWhatIsSeenOfTheDirtySurfaceSaysNothingOfTheLayer(): void
    {
        $car = $this->vehicle($this->workspace);
        $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn(['readings' => [['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'flat']]]),
        )->assertCreated();
        $layer = $this->inside($this->workspace, static fn() => Layer::query()->where('vehicle_id', $car->id)->sole());
        self::assertSame(
            [null, null, null, null],
            [$layer->held, $layer->failed, $layer->failed_at, $layer->suspect_at],
        );
        $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-25T10:00:00Z',
                'readings' => [['stage' => 'arrival', 'zone' => 'paint', 'behaviour' => 'tight']],
            ]),
        )->assertCreated();
        self::assertNull(
            $this->inside($this->workspace, static fn() => Layer::query()->where('vehicle_id', $car->id)->sole())->held,
            'nor good beads on dirt',
        );
    }

    public function testAReadingOfAnotherZoneSaysNothingOfThePaint(): void
    {
        $car = $this->vehicle($this->workspace);
        $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn([
                'readings' => [
                    ['stage' => 'after_wash', 'zone' => 'glass', 'behaviour' => 'flat'],
                    ['stage' => 'after_decon', 'zone' => 'glass', 'behaviour' => 'flat'],
                ],
            ]),
        )->assertCreated();
        self::assertNull(
            $this->inside(
                $this->workspace,
                static fn() => Layer::query()->where('vehicle_id', $car->id)->where('zone', 'paint')->sole(),
            )->failed_at,
        );
    }

    #[TestWith(['wax', true])]
    #[TestWith(['polymer', true])]
    #[TestWith(['silica-spray', true])]
    #[TestWith(['ceramic', false])]
    #[TestWith(['film', false])]
    #[TestWith(['wrap', false])]
    public function testAResetTakesOffWhatItCan(string $family, bool $goes): void
    {
        $car = $this->vehicle($this->workspace, $family, '2026-09-01');
        $strip = $this->inside($this->workspace, static fn() => Product::query()->create(OwnShelf::STRIP));
        $reset = ['products' => [['product_id' => $strip->id, 'zone' => 'paint']]];
        $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn(['worked_at' => '2026-10-01T09:00:00Z', ...$reset]),
        )->assertCreated();
        self::assertFalse($this->ended($car), 'the same bottle without the purpose wears it, and takes nothing off');
        $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn(['worked_at' => '2026-10-15T09:00:00Z', 'purpose' => 'reset', ...$reset]),
        )->assertCreated();
        self::assertSame($goes, $this->ended($car));
    }

    #[TestWith(['ceramic', true])]
    #[TestWith(['film', true])]
    #[TestWith(['wrap', true])]
    #[TestWith(['wax', false])]
    #[TestWith(['polymer', false])]
    #[TestWith(['silica-spray', false])]
    public function testWhatLastsYearsIsLookedOver(string $family, bool $looked): void
    {
        $car = $this->vehicle($this->workspace, $family, '2026-06-01');
        self::assertSame(
            $looked,
            $this->getJson("/api/v1/vehicles/{$car->id}")->json('layers.0.forecast.look_on') !== null,
        );
        $weeks = $this->getJson('/api/v1/weeks')->json('vehicles.0');
        self::assertSame(
            [$looked, !$looked],
            [$weeks['inspection'] !== null, $weeks['base'] !== null],
            'and what lasts weeks is renewed',
        );
    }

    public function testClayWearsMoreThanAWash(): void
    {
        $due = function (string $name, array $more): string {
            $car = $this->vehicle($this->workspace, 'silica-spray', '2026-10-28', $name);
            foreach (['2026-11-04', '2026-11-11'] as $day) {
                $this->postJson(
                    "/api/v1/vehicles/{$car->id}/turns",
                    $this->turn(['worked_at' => "{$day}T09:00:00Z", ...$more]),
                )->assertCreated();
            }

            return (string) $this->getJson("/api/v1/vehicles/{$car->id}")->json('layers.0.forecast.due_on');
        };
        self::assertLessThan($due('Washed', []), $due('Clayed', ['clay' => true]));
    }

    public function testALayerIsNoEvidenceForItself(): void
    {
        $car = $this->vehicle($this->workspace, 'ceramic', '2026-01-10');
        $topper = $this->product($this->workspace, 'topper', 'silica');
        $turn = fn(string $on, array $more): TestResponse => $this->postJson(
            "/api/v1/vehicles/{$car->id}/turns",
            $this->turn(['worked_at' => "{$on}T09:00:00Z", ...$more]),
        )->assertCreated();
        $turn('2026-10-01', ['products' => [['product_id' => $topper->id, 'zone' => 'paint']]]);
        $turn('2026-11-10', ['readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'tight']]]);
        $evidence = fn(): array => $this->inside(
            $this->workspace,
            static fn() => Forecast::query()
                ->join('layers', 'layers.id', '=', 'forecasts.layer_id')
                ->where('layers.kind', 'topper')
                ->orderBy('layers.on_at')
                ->get(['evidence_own', 'evidence_others'])
                ->map(
                    static fn(Forecast $one): array => [
                        (int) $one->getAttribute('evidence_own'),
                        (int) $one->getAttribute('evidence_others'),
                    ],
                )
                ->all(),
        );
        self::assertSame([[0, 0]], $evidence(), 'what holds tells of itself by holding, and of nothing else yet');
        $turn('2026-11-20', ['products' => [['product_id' => $topper->id, 'zone' => 'paint']]]);
        self::assertContains([1, 0], $evidence(), 'the one after it has it to go by');
    }

    public function testALetterThatHasNotGoneOutIsAnsweredByNobody(): void
    {
        $car = $this->vehicle($this->workspace, 'ceramic', '2025-05-01', 'Hearse');
        $client = $this->postJson('/api/v1/clients', ['name' => 'Isles', 'email' => 'owner@isles.example'])
            ->assertCreated()
            ->json('id');
        $this->inside(
            $this->workspace,
            static fn() => Vehicle::query()
                ->whereKey($car->id)
                ->update(['client_id' => $client]),
        );
        $this->crew();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $visit = $this->inside($this->workspace, static fn() => PlannedVisit::query()->orderBy('on')->firstOrFail());
        $this->clock->modify('2026-11-25 22:30:00');
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit->id]])->assertOk();
        $proposal = $this->inside($this->workspace, static fn() => Proposal::query()->sole());
        self::assertSame(
            [0, 'waiting'],
            [$this->inside($this->workspace, static fn() => OutboxMessage::query()->count()), $proposal->status],
        );
        $link = "/api/v1/answers/{$proposal->id}/{$proposal->signature()}";
        Auth::forgetGuards();
        $this->getJson($link)->assertNotFound();
        $this->postJson($link, ['accept' => true])->assertNotFound();
        self::assertFalse(
            $this->inside($this->workspace, static fn() => PlannedVisit::query()->findOrFail($visit->id))->locked,
        );
    }

    public function testAPictureThatWouldFillTheMemoryIsNotOpened(): void
    {
        $car = $this->vehicle($this->workspace);
        // A head that says 20 000 by 20 000, and next to nothing behind it.
        $head = "\x89PNG\r\n\x1a\n" . pack('N', 13) . 'IHDR' . pack('NN', 20_000, 20_000) . "\x08\x02\x00\x00\x00";
        $file = UploadedFile::fake()->createWithContent(
            'a.png',
            $head . pack('N', crc32(substr($head, 12))) . pack('N', 0) . 'IEND' . pack('N', crc32('IEND')),
        );
        $this->assertProblem($this->sendPhoto($car->id, $file), 422, 'larger than any photo', '/file');
    }

    private function crew(): string
    {
        return (string) $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 420],
        ])
            ->assertCreated()
            ->json('id');
    }

    private function ended(Vehicle $car): bool
    {
        return $this->inside(
            $this->workspace,
            static fn() => Layer::query()
                ->where('vehicle_id', $car->id)
                ->where('kind', 'base')
                ->where('zone', 'paint')
                ->whereNotNull('ended_at')
                ->exists(),
        );
    }

    /** @return array<string, mixed> */
    private function match(Vehicle $car): array
    {
        return $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $car->id,
            'seen' => ['soil' => 2],
            'place' => ['water' => 'tap'],
            'weather' => ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100],
        ])
            ->assertOk()
            ->json();
    }
}
