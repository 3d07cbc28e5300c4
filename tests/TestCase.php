<?php

declare(strict_types=1);

namespace Tests;

use App\Book\Vehicle;
use App\Door\FoundWorkspace;
use App\Film\StartVehicle;
use App\Shelf\Product;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as FrameworkTestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\HttpFoundation\Response;

/** Runs against real PostgreSQL as the application's own role, each test in a transaction that is rolled back. */
abstract class TestCase extends FrameworkTestCase
{
    use DatabaseTransactions;

    /** A page of ours asks, and has a session. */
    protected const FROM_PAGE = ['Origin' => 'http://127.0.0.1:8680'];

    /** So many tests between two looks for what is no longer used. */
    private const SWEEP_EACH = 20;

    private static int $since = 0;

    protected MockClock $clock;

    protected function setUp(): void
    {
        // PHP would look again and again through all that four hundred applications left behind: half of the time.
        gc_disable();
        if (++self::$since % self::SWEEP_EACH === 0) {
            gc_collect_cycles();
        }
        parent::setUp();
        if (getenv('VICISSA_TEST_REDIS') === '1') {
            config(['cache.default' => 'redis', 'session.driver' => 'redis-listed']);
            app('redis')->connection()->command('flushdb');
        }
        $this->withHeaders(self::FROM_PAGE);
        $this->clock = new MockClock('2026-11-25 12:00:00 UTC');
        $this->app->instance(ClockInterface::class, $this->clock);
        $this->travelTo($this->clock->now());
    }

    /** Another person begins with a session of their own. */
    public function actingAs(Authenticatable $user, $guard = null): static
    {
        Auth::forgetGuards();
        $this->flushSession();

        return parent::actingAs($user, $guard ?? 'web');
    }

    /** @return array{User, Workspace} a new business with its owner, nobody's workspace entered */
    protected function business(string $name = 'Marram'): array
    {
        [$owner, $workspace] = app(FoundWorkspace::class)(
            [
                'name' => "{$name} owner",
                'email' => Str::lower(Str::random(8)) . '@example.test',
                'password' => 'sea-pink-tide',
            ],
            ['name' => $name],
        );
        app(Tenancy::class)->leave();

        return [$owner, $workspace];
    }

    protected function technician(Workspace $workspace): User
    {
        $user = User::query()->create([
            'name' => 'Tam',
            'email' => Str::lower(Str::random(8)) . '@example.test',
            'password' => 'sea-pink-tide',
        ]);
        $this->inside(
            $workspace,
            static fn() => Membership::query()->create(['user_id' => $user->id, 'role' => 'technician']),
        );

        return $user;
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    protected function inside(Workspace $workspace, callable $work): mixed
    {
        $tenancy = app(Tenancy::class);
        $tenancy->enter($workspace->id);
        try {
            return $work();
        } finally {
            $tenancy->leave();
        }
    }

    protected function vehicle(
        Workspace $workspace,
        string $family = 'silica-spray',
        string $since = '2026-10-28',
        string $name = 'The blue estate',
    ): Vehicle {
        return $this->inside(
            $workspace,
            static fn(): Vehicle => app(StartVehicle::class)([
                'name' => $name,
                'body' => 'estate',
                'family' => $family,
                'since' => $since,
            ])->refresh(),
        );
    }

    protected function product(Workspace $workspace, string $role, ?string $leaves = null): Product
    {
        return $this->inside(
            $workspace,
            static fn(): Product => Product::query()
                ->where('role', $role)
                ->when($leaves !== null, static fn($query) => $query->where('leaves', $leaves))
                ->orderBy('name')
                ->firstOrFail(),
        );
    }

    /** @return array<string, mixed> a programme that comes every other week, with a topper every eighth */
    protected function fortnight(): array
    {
        return $this->postJson('/api/v1/programmes', [
            'name' => 'Fortnight',
            'cadence_min' => 7,
            'cadence_target' => 14,
            'cadence_max' => 28,
            'topper_weeks' => 8,
        ])
            ->assertCreated()
            ->json();
    }

    /**
     * A turn with what matters overridden.
     *
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    protected function turn(array $facts = []): array
    {
        return [
            'worked_at' => '2026-11-25T09:00:00Z',
            'soil' => 2,
            'method' => 'multi-towel',
            'water' => 'tap',
            ...$facts,
        ];
    }

    /**
     * Asserts a problem document: its status, a sentence in it, and where it points.
     *
     * @param TestResponse<Response> $response
     */
    protected function assertProblem(TestResponse $response, int $status, string $says, ?string $pointer = null): void
    {
        $response->assertStatus($status)->assertHeader('Content-Type', 'application/problem+json');
        self::assertStringContainsString($says, (string) $response->json('detail'));
        if ($pointer !== null) {
            self::assertContains($pointer, array_column($response->json('errors') ?? [], 'pointer'));
        }
    }

    /**
     * A photo of a vehicle's paint, as a phone sends it.
     *
     * @return TestResponse<Response>
     */
    protected function sendPhoto(string $vehicle, UploadedFile $file): TestResponse
    {
        return $this->post(
            "/api/v1/vehicles/{$vehicle}/photos",
            [
                'file' => $file,
                'id' => Str::uuid7()->toString(),
                'zone' => 'paint',
                'stage' => 'before',
                'taken_at' => '2026-11-25T09:00:00Z',
            ],
            ['Accept' => 'application/json'],
        );
    }
}
