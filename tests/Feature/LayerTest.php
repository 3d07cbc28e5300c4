<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\RebuildProtection;
use App\Shelf\Product;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\OwnShelf;
use Tests\TestCase;

/** What lies on a vehicle, derived from what was written down, and the dates that follow. */
final class LayerTest extends TestCase
{
    private User $owner;

    private Workspace $workspace;

    private Vehicle $vehicle;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->owner, $this->workspace] = $this->business();
        $this->vehicle = $this->vehicle($this->workspace, 'ceramic', '2026-06-01');
        $this->actingAs($this->owner);
    }

    public function testANewBaseEndsTheOldOneAndTheTopperOnIt(): void
    {
        $this->visit('2026-09-01', ['topper']);
        $this->postJson("/api/v1/vehicles/{$this->vehicle->id}/layers", [
            'zone' => 'paint',
            'kind' => 'base',
            'family' => 'wax',
            'name' => 'Paste',
            'on' => '2026-10-10',
        ])->assertCreated();
        self::assertSame(
            [
                ['base', 'ceramic', '2026-10-10', 'renewed'],
                ['topper', 'silica-spray', '2026-10-10', 'renewed'],
                ['base', 'wax', null, null],
            ],
            $this->stack(),
        );
    }

    public function testALayerWrittenDownLateFallsIntoItsPlace(): void
    {
        $this->postJson("/api/v1/vehicles/{$this->vehicle->id}/layers", [
            'zone' => 'paint',
            'kind' => 'base',
            'family' => 'polymer',
            'on' => '2026-02-01',
        ])->assertCreated();
        self::assertSame(
            [['base', 'polymer', '2026-06-01', 'renewed'], ['base', 'ceramic', null, null]],
            $this->stack(),
        );
    }

    public function testAnotherZoneHasAStackOfItsOwn(): void
    {
        $this->postJson("/api/v1/vehicles/{$this->vehicle->id}/layers", [
            'zone' => 'wheels',
            'kind' => 'base',
            'family' => 'polymer',
            'on' => '2026-11-01',
        ])->assertCreated();
        $ribbons = $this->getJson("/api/v1/vehicles/{$this->vehicle->id}/film")
            ->assertOk()
            ->json('ribbons');
        self::assertSame(['wheels', 'paint'], array_column($ribbons, 'zone'), 'The more urgent zone first.');
        self::assertCount(1, $this->getJson('/api/v1/film')->json('ribbons'), 'The film shows the paint.');
    }

    public function testAResetTakesOffWaxAndTopperButNotACoating(): void
    {
        $strip = $this->inside($this->workspace, fn() => Product::query()->create(OwnShelf::STRIP));
        $this->visit('2026-09-01', ['topper']);
        $this->postJson(
            "/api/v1/vehicles/{$this->vehicle->id}/turns",
            $this->turn([
                'worked_at' => '2026-10-05T09:00:00Z',
                'purpose' => 'reset',
                'products' => [['product_id' => $strip->id, 'zone' => 'paint']],
            ]),
        )->assertCreated();
        self::assertSame(
            [['base', 'ceramic', null, null], ['topper', 'silica-spray', '2026-10-05', 'stripped']],
            $this->stack(),
        );
    }

    public function testADeclaredLayerIsCorrectedByTagAndTakenBack(): void
    {
        $layer = $this->getJson("/api/v1/vehicles/{$this->vehicle->id}")->json('layers.0');
        $path = "/api/v1/layers/{$layer['id']}";
        $this->assertProblem($this->patchJson($path, ['on' => '2026-05-01']), 428, 'If-Match');
        $moved = $this->patchJson($path, ['on' => '2026-03-01'], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertHeader('ETag', '"2"')
            ->json();
        self::assertSame('2026-03-01', $moved['on']);
        self::assertLessThan($layer['forecast']['due_on'], $moved['forecast']['due_on']);
        $this->assertProblem($this->patchJson($path, ['on' => '2026-05-01'], ['If-Match' => '"1"']), 412, 'still here');
        $this->deleteJson($path)->assertNoContent();
        self::assertSame([], $this->stack());
    }

    public function testALayerFromATurnIsCorrectedThroughTheTurn(): void
    {
        $this->visit('2026-09-01', ['topper']);
        $id = $this->inside($this->workspace, static fn() => Layer::query()->where('kind', 'topper')->sole()->id);
        $this->assertProblem($this->deleteJson("/api/v1/layers/{$id}"), 409, 'Correct that turn');
        $this->assertProblem(
            $this->patchJson("/api/v1/layers/{$id}", ['name' => 'x'], ['If-Match' => '"1"']),
            409,
            'Correct that turn',
        );
    }

    /**
     * A turn that is saved reads only what it may have changed. Whatever is written and corrected, in whatever order: all of it
     * read again comes to the same.
     */
    public function testRebuildingChangesNothingTheSecondTime(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(8));
        $one = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $facts = fn(): array => $this->turn([
            'worked_at' => CarbonImmutable::parse('2026-06-02T09:00:00Z')
                ->addDays($random->getInt(0, 170))
                ->toIso8601String(),
            'products' => array_map(
                fn(string $role): array => [
                    'product_id' => $this->product($this->workspace, $role)->id,
                    'zone' => 'paint',
                ],
                $one([['topper'], ['topper'], ['topper', 'iron'], [], ['prewash']]),
            ),
            'readings' => array_map(
                static fn(string $says): array => ['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => $says],
                $one([['tight'], ['good'], ['weak'], ['flat'], []]),
            ),
        ]);
        $all = fn(): array => $this->inside(
            $this->workspace,
            static fn() => Layer::query()->orderBy('id')->get()->map->getAttributes()->all(),
        );
        $turns = [];
        for ($i = 0; $i < 26; $i++) {
            if ($i > 12) {
                $id = $one(array_keys($turns));
                $this->postJson(
                    "/api/v1/turns/{$id}/corrections",
                    [...$facts(), 'reason' => 'On another day'],
                    ['If-Match' => '"' . $turns[$id]++ . '"'],
                )->assertSuccessful();
            } else {
                $turns[
                    $this->postJson("/api/v1/vehicles/{$this->vehicle->id}/turns", $facts())
                        ->assertCreated()
                        ->json('id')
                ] = 1;
            }
            $before = $all();
            $changed = $this->inside(
                $this->workspace,
                fn() => app(RebuildProtection::class)(Vehicle::query()->findOrFail($this->vehicle->id)),
            );
            self::assertSame([], $changed);
            self::assertSame($before, $all());
        }
        self::assertGreaterThan(4, count(array_filter(array_column($all(), 'ended_at'))), 'some layers have ended');
    }

    public function testAShortLivedBaseKeepsItsDateUnderATopper(): void
    {
        $waxed = $this->vehicle($this->workspace, 'wax', '2026-10-01', 'Waxed');
        $due = fn(): array => array_column(
            (array) $this->getJson("/api/v1/vehicles/{$waxed->id}")->json('layers'),
            'forecast',
            'kind',
        );
        self::assertNotNull($due()['base']);
        $this->postJson(
            "/api/v1/vehicles/{$waxed->id}/turns",
            $this->turn([
                'worked_at' => '2026-11-01T09:00:00Z',
                'products' => [
                    ['product_id' => $this->product($this->workspace, 'topper', 'wax')->id, 'zone' => 'paint'],
                ],
            ]),
        )->assertCreated();
        self::assertNotNull($due()['base'], 'shown as everywhere');
        self::assertNotNull($due()['topper']);
    }

    /** @return iterable<string, array{list<string>, string, int}> */
    public static function regimens(): iterable
    {
        yield 'an alkaline pre-wash brings it nearer' => [['prewash'], 'multi-towel', -1];
        yield 'an iron remover brings it nearer' => [['iron'], 'multi-towel', -1];
        yield 'touchless puts it off' => [[], 'touchless', 1];
        yield 'a drying aid of its kind puts it off' => [['drying-aid'], 'multi-towel', 1];
    }

    /** @param list<string> $roles */
    #[DataProvider('regimens')]
    public function testHowItIsWashedMovesTheDate(array $roles, string $method, int $direction): void
    {
        [$plain, $other] = [$this->dueWashed('plain', [], 'multi-towel'), $this->dueWashed('other', $roles, $method)];
        self::assertSame($direction, $other <=> $plain, "{$plain} became {$other}");
    }

    /** @param list<string> $roles */
    private function dueWashed(string $name, array $roles, string $method): string
    {
        $vehicle = $this->vehicle($this->workspace, 'silica-spray', '2026-10-28', $name);
        foreach (['2026-11-04', '2026-11-11'] as $day) {
            $this->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn([
                    'worked_at' => "{$day}T09:00:00Z",
                    'method' => $method,
                    'products' => array_map(
                        fn(string $role): array => [
                            'product_id' => $this->product($this->workspace, $role)->id,
                            'zone' => 'paint',
                        ],
                        $roles,
                    ),
                ]),
            )->assertCreated();
        }

        return (string) $this->getJson("/api/v1/vehicles/{$vehicle->id}")->json('layers.0.forecast.due_on');
    }

    /** @param list<string> $roles */
    private function visit(string $day, array $roles, ?string $reading = null): void
    {
        $this->postJson(
            "/api/v1/vehicles/{$this->vehicle->id}/turns",
            $this->turn([
                'worked_at' => "{$day}T09:00:00Z",
                'products' => array_map(
                    fn(string $role): array => [
                        'product_id' => $this->product($this->workspace, $role, 'silica')->id,
                        'zone' => 'paint',
                    ],
                    $roles,
                ),
                'readings' =>
                    $reading === null ? [] : [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => $reading]],
            ]),
        )->assertCreated();
    }

    /** @return array<array-key, array{mixed, mixed, mixed, mixed}> kind, family, end and its cause, oldest first */
    private function stack(): array
    {
        return array_map(
            static fn(array $layer): array => [
                $layer['kind'],
                $layer['family'],
                $layer['ended_on'],
                $layer['ended_by'],
            ],
            $this->getJson("/api/v1/vehicles/{$this->vehicle->id}")
                ->assertOk()
                ->json('layers'),
        );
    }
}
