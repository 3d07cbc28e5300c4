<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Shelf\Product;
use Illuminate\Support\Facades\Auth;
use Tests\TestCase;

/** The match over HTTP: for a vehicle of the book, for a described one, under other schools, with bad facts. */
final class BenchTest extends TestCase
{
    private const MILD = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];

    public function testAVehicleOfTheBookIsMatchedWithItsStackItsForecastAndTheShelf(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, since: '2026-10-01');
        $match = $this->actingAs($owner)
            ->postJson('/api/v1/bench/match', $this->asked($vehicle, ['soil' => 3]))
            ->assertOk()
            ->json();
        self::assertTrue($match['possible']);
        self::assertSame('two-mitts', $match['method']['chosen']);
        self::assertSame(['rinse', 'foam'], array_column($match['method']['stages'], 'stage'));
        $named = array_column(
            array_map(
                static fn(array $choice): array => [$choice['key'], $choice['product']['name'] ?? null],
                $match['products'],
            ),
            1,
            0,
        );
        self::assertSame('Neutral soap (unnamed)', $named['soap paint']);
        self::assertSame('Silica drying aid (unnamed)', $named['drying-aid paint']);
        self::assertSame('apply', $match['topper']['decision']);
        self::assertStringContainsString('due', $match['topper']['why']);
        $wax = array_values(
            array_filter($match['passed'], static fn(array $row): bool => $row['name'] === 'Spray wax (unnamed)'),
        )[0];
        self::assertSame(['masks-layer'], array_column($wax['codes'], 'code'));
        self::assertFalse($wax['allowed']);
    }

    public function testSchoolsComeFromTheWorkspaceThenTheVehicleThenTheMoment(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $side = fn(array $more = []): string => $this->actingAs($owner)
            ->postJson('/api/v1/bench/match', [...$this->asked($vehicle), ...$more])
            ->assertOk()
            ->json('schools.method');
        self::assertSame('two-mitts', $side());
        $this->patchJson('/api/v1/workspace', ['schools' => ['method' => 'multi-towel']], ['If-Match' => '"1"'])
            ->assertOk()
            ->assertJsonPath('schools.method', 'multi-towel')
            ->assertJsonPath('schools.tyre', 'satin');
        self::assertSame('multi-towel', $side());
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['schools' => ['method' => 'one-mitt']],
            ['If-Match' => '"1"'],
        )
            ->assertOk()
            ->assertJsonPath('schools', ['method' => 'one-mitt']);
        self::assertSame('one-mitt', $side());
        self::assertSame('touchless', $side(['schools' => ['method' => 'touchless']]));
        $this->patchJson("/api/v1/vehicles/{$vehicle->id}", ['schools' => []], ['If-Match' => '"2"'])->assertOk();
        self::assertSame('multi-towel', $side());
        $this->assertProblem(
            $this->patchJson('/api/v1/workspace', ['schools' => ['method' => 'wishful']], ['If-Match' => '"2"']),
            422,
            'Its sides are touchless',
            '/schools/method',
        );
        $this->assertProblem(
            $this->patchJson(
                "/api/v1/vehicles/{$vehicle->id}",
                ['schools' => ['shine' => 'yes']],
                ['If-Match' => '"3"'],
            ),
            422,
            'no school called',
        );
    }

    public function testAVehiclesOwnCautionMovesItsOwnDatesOnly(): void
    {
        [$owner, $workspace] = $this->business();
        [$careful, $other] = [$this->vehicle($workspace), $this->vehicle($workspace, name: 'The other')];
        $due = fn(Vehicle $vehicle): string => (string) $this->actingAs($owner)
            ->getJson("/api/v1/vehicles/{$vehicle->id}")
            ->json('layers.0.forecast.due_on');
        [$before, $theirs] = [$due($careful), $due($other)];
        $this->patchJson(
            "/api/v1/vehicles/{$careful->id}",
            ['schools' => ['caution' => '10']],
            ['If-Match' => '"1"'],
        )->assertOk();
        self::assertLessThan($before, $due($careful));
        self::assertSame($theirs, $due($other));
    }

    public function testWhatWouldChangeIfIsToldSchoolBySchoolAndForShadeAndATank(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $others = $this->actingAs($owner)
            ->postJson('/api/v1/bench/match', [...$this->asked($vehicle), 'scope' => 'full', 'compare' => true])
            ->assertOk()
            ->json('otherwise');
        $by = array_column(
            array_map(static fn(array $one): array => ["{$one['school']} {$one['side']}", $one['changes']], $others),
            1,
            0,
        );
        self::assertSame(['tyres'], array_column($by['tyre gloss'], 'part'));
        self::assertSame(['order'], array_column($by['wheels paint-first'], 'part'));
        self::assertContains('method', array_column($by['method multi-towel'], 'part'));
        self::assertArrayHasKey(' shade', $by);
        self::assertContains('final-rinse', array_column($by[' tank'], 'part'));
    }

    public function testADescribedVehicleNeedsNoRowAndLeavesNone(): void
    {
        [$owner] = $this->business();
        $match = $this->actingAs($owner)
            ->postJson('/api/v1/bench/match', [
                'vehicle' => [
                    'paint_m2' => 11.5,
                    'tone' => 'black',
                    'finish' => ['matte'],
                    'stacks' => ['paint' => ['base' => ['family' => 'wrap']]],
                ],
                'seen' => ['soil' => 2, 'wheel_soil' => 1],
                'place' => ['water' => 'none'],
                'weather' => self::MILD,
            ])
            ->assertOk()
            ->json();
        self::assertSame('rinseless', $match['method']['chosen']);
        self::assertSame(0, Vehicle::query()->count());
    }

    public function testAnUnknownBaseIsSaidAndOnlyWhatSuitsAllIsLetOnIt(): void
    {
        [$owner, $workspace] = $this->business();
        $id = $this->actingAs($owner)
            ->postJson('/api/v1/start', ['name' => 'Bought last week', 'body' => 'hatch', 'family' => 'unknown'])
            ->assertCreated()
            ->json('id');
        $vehicle = $this->inside($workspace, static fn(): Vehicle => Vehicle::query()->whereKey($id)->firstOrFail());
        self::assertTrue($vehicle->base_unknown);
        Auth::forgetGuards();
        $match = $this->actingAs($owner, 'web')
            ->postJson('/api/v1/bench/match', $this->asked($vehicle))
            ->assertOk()
            ->json();
        self::assertStringContainsString('Nobody knows', implode(' ', $match['assumed']));
        self::assertContains('What lies on the paint.', array_column($match['missing'], 'says'));
        self::assertNull($match['topper']['product'], 'Neither the silica nor the wax suits whatever it may be.');
        // A declared base settles it.
        $this->inside(
            $workspace,
            static fn() => Layer::query()->create([
                'vehicle_id' => $id,
                'zone' => 'paint',
                'kind' => 'base',
                'family' => 'ceramic',
                'on_at' => '2026-11-01 12:00:00+00',
            ]),
        );
        $known = $this->postJson('/api/v1/bench/match', $this->asked($vehicle))->assertOk()->json();
        self::assertStringNotContainsString('Nobody knows', implode(' ', $known['assumed']));
    }

    public function testOtherBusinessesVehiclesAndShelvesStayOut(): void
    {
        [$owner, $workspace] = $this->business();
        [$stranger, $elsewhere] = $this->business('Elsewhere');
        $this->inside(
            $elsewhere,
            static fn() => Product::query()->create([
                'name' => 'Strange soap',
                'role' => 'soap',
                'surfaces' => ['paint'],
                'stock_ml' => 1,
            ]),
        );
        $vehicle = $this->vehicle($workspace);
        $names = array_column(
            $this->actingAs($owner)
                ->postJson('/api/v1/bench/match', $this->asked($vehicle))
                ->assertOk()
                ->json('passed'),
            'name',
        );
        self::assertNotContains('Strange soap', $names);
        Auth::forgetGuards();
        $this->assertProblem(
            $this->actingAs($stranger, 'web')->postJson('/api/v1/bench/match', $this->asked($vehicle)),
            422,
            'no such vehicle',
            '/vehicle_id',
        );
    }

    public function testBadFactsNameTheirField(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $asked = $this->asked($this->vehicle($workspace));
        foreach (
            [
                [['seen' => ['soil' => 6]], 'between 0 and 5', '/seen/soil'],
                [['seen' => ['soil' => 2, 'on' => ['glitter']]], 'insects', '/seen/on'],
                [
                    ['seen' => ['soil' => 2, 'readings' => ['paint' => ['arrival' => 'wet']]]],
                    'tight',
                    '/seen/readings/paint/arrival',
                ],
                [['weather' => [...self::MILD, 'rh' => 70]], '0.65 for 65 %', '/rh'],
                [['place' => ['water' => 'sea']], 'none, tap, treated', '/place/water'],
                [['schools' => ['foam' => 'blue']], 'thick, thin', '/schools/foam'],
            ]
            as [$wrong, $says, $pointer]
        ) {
            $this->assertProblem($this->postJson('/api/v1/bench/match', [...$asked, ...$wrong]), 422, $says, $pointer);
        }
    }

    public function testTheWeatherIsTheSameForTheSameQuestionAndLessSureAhead(): void
    {
        [$owner] = $this->business();
        $ask = fn(string $from): array => $this->actingAs($owner)
            ->getJson("/api/v1/weather?from={$from}&hours=24")
            ->assertOk()
            ->json('data');
        self::assertSame($ask('2026-11-26T00:00:00Z'), $ask('2026-11-26T00:00:00Z'));
        $near = $ask('2026-11-25T12:00:00Z');
        $far = $ask('2026-12-05T12:00:00Z');
        self::assertGreaterThan($far[0]['sureness'], $near[0]['sureness']);
        self::assertLessThan($far[0]['air_off_k'], $near[0]['air_off_k']);
        self::assertSame(0, $near[12]['sun_w_m2'], 'It is night.');
        foreach ([...$near, ...$far] as $hour) {
            self::assertTrue(
                $hour['rh'] > 0.4 && $hour['rh'] < 1 && $hour['wind_m_s'] >= 0 && abs($hour['air_c']) < 30,
            );
        }
        $this->assertProblem($this->getJson('/api/v1/weather?from=2031-01-01'), 422, 'year or so');
    }

    public function testATokenThatMayReadMayMatch(): void
    {
        [$owner, $workspace] = $this->business();
        $token = $this->actingAs($owner)
            ->postJson('/api/v1/tokens', ['name' => 'Wall screen', 'abilities' => ['read']])
            ->assertCreated()
            ->json('secret');
        $vehicle = $this->vehicle($workspace);
        Auth::forgetGuards();
        $this->withToken($token)->postJson('/api/v1/bench/match', $this->asked($vehicle))->assertOk();
    }

    /**
     * @param array<string, mixed> $seen
     * @return array<string, mixed>
     */
    private function asked(Vehicle $vehicle, array $seen = []): array
    {
        return [
            'vehicle_id' => $vehicle->id,
            'seen' => ['soil' => 2, 'wheel_soil' => 2, ...$seen],
            'place' => ['water' => 'tap', 'tap_tds_mg_l' => 280],
            'weather' => self::MILD,
            'panel_c' => 15,
        ];
    }
}
