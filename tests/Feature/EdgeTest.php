<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Site;
use App\Shelf\Product;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The edge of the application: what it takes, what it refuses and how it says so, for every kind of row. */
final class EdgeTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function rows(): iterable
    {
        yield 'clients' => ['clients', ['name' => 'Lunn', 'phone' => '01700 47'], ['phone' => '01700 48']];
        yield 'sites' => [
            'sites',
            ['name' => 'Yard', 'water' => 'none', 'certificate_expires_on' => '2027-01-31'],
            ['tds_mg_l' => 312.5, 'hours' => '10:40–13:20'],
        ];
        yield 'vehicles' => [
            'vehicles',
            ['name' => 'Van', 'body' => 'van'],
            ['finish' => ['decals'], 'hardness' => 'soft'],
        ];
        yield 'products' => [
            'products',
            [
                'name' => 'Soap',
                'role' => 'soap',
                'surfaces' => ['paint'],
                'dilutions' => ['bucket' => '2 caps per 10 l'],
            ],
            ['stock_ml' => 420.5, 'cautions' => ['Slippery.']],
        ];
    }

    /**
     * @param array<string, mixed> $new
     * @param array<string, mixed> $change
     */
    #[DataProvider('rows')]
    public function testARowIsMadeReadChangedListedAndPutAway(string $kind, array $new, array $change): void
    {
        [$owner] = $this->business();
        $made = $this->actingAs($owner)
            ->postJson("/api/v1/{$kind}", $new, ['Idempotency-Key' => "make-{$kind}"])
            ->assertCreated()
            ->assertHeader('ETag', '"1"')
            ->json();
        self::assertSame(
            $made,
            $this->postJson("/api/v1/{$kind}", $new, ['Idempotency-Key' => "make-{$kind}"])
                ->assertHeader('ETag', '"1"')
                ->json(),
        );
        $path = "/api/v1/{$kind}/{$made['id']}";
        $changed = $this->patchJson($path, $change, ['If-Match' => '"1"'])
            ->assertOk()
            ->json();
        foreach ([...$new, ...$change] as $field => $value) {
            self::assertEquals($value, $changed[$field], $field);
        }
        self::assertSame($changed, $this->getJson($path)->assertOk()->json());
        self::assertContains(
            $made['id'],
            array_column($this->getJson("/api/v1/{$kind}?limit=200")->json('data'), 'id'),
        );
        $this->deleteJson($path)->assertNoContent();
        self::assertNotContains(
            $made['id'],
            array_column($this->getJson("/api/v1/{$kind}?limit=200")->json('data'), 'id'),
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function nonsense(): iterable
    {
        $product = ['name' => 'X', 'role' => 'soap', 'surfaces' => ['paint']];
        yield 'a nameless client' => ['clients', ['name' => '  '], '/name', 'required'];
        yield 'hard water beyond the sea' => [
            'sites',
            ['name' => 'Y', 'tds_mg_l' => -3],
            '/tds_mg_l',
            'between 0 and 5000',
        ];
        yield 'a certificate until never' => [
            'sites',
            ['name' => 'Y', 'certificate_expires_on' => '2027-02-31'],
            '/certificate_expires_on',
            'not a date that exists',
        ];
        yield 'an unknown body' => ['vehicles', ['name' => 'Z', 'body' => 'airship'], '/body', 'invalid'];
        yield 'a vehicle of the future' => [
            'vehicles',
            ['name' => 'Z', 'body' => 'van', 'in_service_on' => '2028-01-01'],
            '/in_service_on',
            'before',
        ];
        yield 'a rhythm out of order' => [
            'vehicles',
            ['name' => 'Z', 'body' => 'van', 'cadence_min' => 30],
            '/cadence_target',
            'between the shortest and the longest',
        ];
        yield 'pH of nothing known' => ['products', [...$product, 'ph' => 15], '/ph', 'between 0 and 14'];
        yield 'a life that ends before it begins' => [
            'products',
            [...$product, 'label_low_weeks' => 10, 'label_high_weeks' => 4],
            '/label_high_weeks',
            'shorter than the shortest',
        ];
        yield 'a panel colder than cold' => [
            'products',
            [...$product, 'min_c' => 30, 'max_c' => 5],
            '/max_c',
            'warmer than the hottest',
        ];
        yield 'an absurd dilution' => [
            'products',
            [...$product, 'dilutions' => ['bucket' => '150 %']],
            '/dilutions/bucket',
            'not a mix',
        ];
        yield 'made for nothing' => [
            'products',
            [...$product, 'surfaces' => []],
            '/surfaces',
            'Say what it is made for',
        ];
        yield 'a way that is none' => [
            'products',
            [...$product, 'dilutions' => ['teapot' => '1:4']],
            '/dilutions',
            'Ways of use are',
        ];
        yield 'nobody’s layer' => [
            'start',
            ['name' => 'Q', 'body' => 'van', 'family' => 'butter'],
            '/family',
            'invalid',
        ];
        yield 'an id that is none' => ['sites', ['name' => 'Y', 'client_id' => 'x'], '/client_id', 'not an id'];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('nonsense')]
    public function testNonsenseIsRefusedWhereItStands(string $kind, array $body, string $pointer, string $says): void
    {
        [$owner] = $this->business();
        $response = $this->actingAs($owner)
            ->postJson("/api/v1/{$kind}", $body)
            ->assertUnprocessable();
        $this->assertProblem($response, 422, '', $pointer);
        $said = array_column(
            array_filter(
                (array) $response->json('errors'),
                static fn(array $error): bool => $error['pointer'] === $pointer,
            ),
            'detail',
        );
        self::assertStringContainsString($says, implode(' ', $said));
    }

    public function testTheHealthPageFetchesNothingFromElsewhere(): void
    {
        $page = (string) $this->get('/up')->assertOk()->getContent();
        self::assertDoesNotMatchRegularExpression('#(https?:)?//#', $page);
    }

    public function testTheDatabaseItselfKnowsTheRules(): void
    {
        [, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $impossible = [
            'two bases at once' => static fn() => DB::statement(
                "insert into layers (id, workspace_id, vehicle_id, zone, kind, family, on_at) values (gen_random_uuid(), ?, ?, 'paint', 'base', 'wax', now())",
                [$workspace->id, $vehicle->id],
            ),
            'an end before the start' => static fn() => DB::table('layers')->update(['ended_at' => '2020-01-01']),
            'a drop that folds over' => static fn() => DB::table('layers')->update(['failed' => 1, 'held' => 2]),
            'an unknown water' => static fn() => Site::query()->create(['name' => 'Y', 'water' => 'wine']),
            'a label of no length' => static fn() => Product::query()->create([
                'name' => 'P',
                'role' => 'soap',
                'surfaces' => ['paint'],
                'label_low_weeks' => 0,
                'label_high_weeks' => 0,
            ]),
        ];
        $this->inside($workspace, function () use ($impossible): void {
            foreach ($impossible as $what => $attempt) {
                DB::unprepared('savepoint attempt');
                try {
                    $attempt();
                    DB::unprepared('set constraints all immediate');
                    self::fail("The database took {$what}.");
                } catch (QueryException $e) {
                    DB::unprepared('rollback to savepoint attempt');
                    self::assertContains((string) $e->getCode(), ['23514', '23P01'], $what);
                }
            }
        });
    }

    public function testErrorsOfEveryKindAreProblems(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $this->assertProblem($this->getJson('/api/v1/nowhere'), 404, 'no such address');
        $this->assertProblem($this->deleteJson('/api/v1/film'), 405, 'does not take that kind');
        $this->assertProblem($this->postJson('/api/v1/reckon/shine', []), 404, 'no such address');
        $this->assertProblem(
            $this->call(
                'POST',
                '/api/v1/reckon/bead',
                [],
                [],
                [],
                ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
                '{broken',
            ),
            422,
            'JSON object',
        );
        $this->assertProblem($this->postJson('/api/v1/reckon/bead', array_fill(0, 2001, [])), 422, 'At most 2000');
        $this->assertProblem(
            $this->postJson('/api/v1/clients', ['name' => 'x'], ['Idempotency-Key' => str_repeat('k', 101)]),
            422,
            '100 characters',
        );
    }

    public function testThePageTellsTheBrowserToTrustNobodyElse(): void
    {
        $this->withoutVite();
        $response = $this->get('/')->assertOk();
        $policy = (string) $response->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'self'", $policy);
        self::assertStringContainsString("frame-ancestors 'none'", $policy);
        self::assertStringNotContainsString('http', $policy);
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
    }

    public function testAnIdempotencyKeyIsAPersonsOwn(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner)
            ->postJson('/api/v1/clients', ['name' => 'One'], ['Idempotency-Key' => 'same'])
            ->assertCreated();
        Auth::forgetGuards();
        $this->actingAs($this->technician($workspace), 'web')
            ->postJson('/api/v1/clients', ['name' => 'Two'], ['Idempotency-Key' => 'same'])
            ->assertCreated()
            ->assertJsonPath('name', 'Two');
        $this->clock->modify('+8 days');
        self::assertSame(0, Artisan::call('vicissa:prune'));
        self::assertSame(0, $this->inside($workspace, static fn() => DB::table('idempotency_keys')->count()));
    }

    public function testTheDayPassingMovesADateThatAWashDidNotReach(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'silica-spray', '2026-11-24');
        $due = fn(): string => (string) $this->actingAs($owner)
            ->getJson("/api/v1/vehicles/{$vehicle->id}")
            ->json('layers.0.forecast.due_on');
        $before = $due();
        $this->clock->modify('+14 days');
        self::assertSame(0, Artisan::call('vicissa:reforecast'));
        // A fortnight without the wash that was expected: it has worn less.
        self::assertGreaterThan($before, $due());
    }
}
