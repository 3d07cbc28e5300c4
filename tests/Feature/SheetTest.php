<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Vehicle;
use App\Record\Photo;
use App\Record\Sheet;
use App\Record\StepTime;
use App\Shelf\GearEvent;
use App\Shelf\Product;
use App\Shelf\StockMove;
use App\Tenancy\Workspace;
use GdImage;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** A visit from its laying out to the closed turn, as phones and desks do it over HTTP. */
final class SheetTest extends TestCase
{
    private const FACTS = [
        'seen' => ['soil' => 3, 'grit' => false, 'on' => []],
        'place' => ['water' => 'tap', 'tap_tds_mg_l' => 180],
        'weather' => ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100],
        'panel_c' => 15,
    ];

    public function testASheetIsLaidFromWhatWasSeen(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $sheet = $this->actingAs($owner)
            ->postJson(
                '/api/v1/sheets',
                ['vehicle_id' => $vehicle->id, 'crew' => 2, 'facts' => self::FACTS],
                ['Idempotency-Key' => 'lay'],
            )
            ->assertCreated()
            ->json();
        self::assertSame('2026-11-25', $sheet['on']);
        self::assertSame('laid', $sheet['status']);
        $steps = array_column($sheet['plan']['steps'], null, 'id');
        self::assertSame('foam', $steps['foam-rinse']['wait']['of']);
        self::assertGreaterThanOrEqual(
            $steps['foam']['end'] + ceil($steps['foam-rinse']['wait']['min_s'] / 60),
            $steps['foam-rinse']['start'],
        );
        self::assertSame($sheet['plan']['finish'], max([0, ...array_column($sheet['plan']['steps'], 'end')]));
        self::assertNotEmpty($sheet['plan']['windows']['films']['drained-foam']);
        self::assertSame(
            $sheet['id'],
            $this->postJson(
                '/api/v1/sheets',
                ['vehicle_id' => $vehicle->id, 'crew' => 2, 'facts' => self::FACTS],
                ['Idempotency-Key' => 'lay'],
            )->json('id'),
            'a repeat lays nothing more',
        );
        $expected = $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id])
            ->assertCreated()
            ->json();
        self::assertTrue($expected['facts']['expected'], 'nobody has looked: what is to be expected');
        self::assertSame(
            [$expected['id']],
            array_column($this->getJson('/api/v1/sheets')->assertOk()->json('data'), 'id'),
            'it stands for the visit now',
        );
        $this->assertProblem(
            $this->postJson('/api/v1/sheets', [
                'vehicle_id' => $vehicle->id,
                'facts' => [...self::FACTS, 'seen' => ['soil' => 9]],
            ]),
            422,
            'between 0 and 5',
        );
        [$stranger] = $this->business('Elsewhere');
        $this->actingAs($stranger)
            ->getJson("/api/v1/sheets/{$sheet['id']}")
            ->assertNotFound();
    }

    public function testThePackHoldsWhatElseMightBeFound(): void
    {
        $sheet = $this->laid()['sheet'];
        $pack = $this->getJson("/api/v1/sheets/{$sheet['id']}/pack")
            ->assertOk()
            ->json();
        self::assertEqualsCanonicalizing(
            [
                'soil:0',
                'soil:1',
                'soil:2',
                'soil:4',
                'soil:5',
                'grit',
                'on:insects',
                'on:bird-lime',
                'on:sap',
                'on:tar',
                'on:iron',
                'on:salt',
                'on:rough',
                'read:tight',
                'read:good',
                'read:weak',
                'read:sheeting',
                'read:flat',
                'scope:quick',
                'scope:full',
            ],
            array_keys($pack['otherwise']),
        );
        self::assertContains(
            'Soften what sits fast, and the lower third',
            array_column($pack['otherwise']['on:insects']['steps'], 'name'),
        );
        self::assertNotContains(
            'Soften what sits fast, and the lower third',
            array_column($pack['sheet']['plan']['steps'], 'name'),
        );
        self::assertContains('prewash', array_column($pack['otherwise']['soil:4']['steps'], 'kind'));
    }

    public function testWhatHappenedArrivesOnceAndInOrderHoweverOftenItIsSent(): void
    {
        ['sheet' => $sheet] = $this->laid();
        $device = Str::uuid7()->toString();
        $events = [
            $this->event($device, 1, 'start', 'look'),
            $this->event($device, 2, 'end', 'look', '09:04'),
            $this->event($device, 3, 'reading', 'look', '09:05', [
                'zone' => 'paint',
                'stage' => 'arrival',
                'behaviour' => 'weak',
            ]),
        ];
        $path = "/api/v1/sheets/{$sheet['id']}/events";
        $this->postJson($path, ['events' => array_slice($events, 0, 2)])->assertOk();
        $after = $this->postJson($path, ['events' => array_reverse($events)])
            ->assertOk()
            ->json();
        self::assertSame(['start', 'end', 'reading'], array_column($after['events'], 'kind'));
        self::assertSame('begun', $after['status']);
        self::assertSame('2026-11-25T09:00:00Z', $after['begun_at']);
        $this->assertProblem($this->postJson($path, ['events' => [$this->event($device, 9, 'dance')]]), 422, '');
        $other = $this->postJson($path, [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'end', 'look', '09:06')],
        ])
            ->assertOk()
            ->json('events');
        self::assertCount(4, $other, 'both are kept');
        self::assertStringContainsString(
            'had ended this step already, at 09:04',
            implode(' ', array_filter(array_column($other, 'conflict'))),
        );
    }

    public function testAVisitHasOneSheet(): void
    {
        ['sheet' => $first, 'vehicle' => $vehicle] = $this->laid();
        $day = fn(): array => array_column(
            $this->getJson("/api/v1/sheets?on={$first['on']}")
                ->assertOk()
                ->json('data'),
            'status',
            'id',
        );
        $second = $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => $first['on']])
            ->assertCreated()
            ->json();
        self::assertSame([$second['id'] => 'laid'], $day(), 'laid again, the one nobody has begun makes way');
        // A phone had taken the first along and begun it without a signal.
        $this->postJson("/api/v1/sheets/{$first['id']}/events", [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'start', 'look')],
        ])->assertOk();
        self::assertSame([$first['id'] => 'begun'], $day(), 'that work counts, and the other makes way');
        $this->assertProblem(
            $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => $first['on']])->assertJsonPath(
                'current.id',
                $first['id'],
            ),
            409,
            'Go on with that one',
        );
        // Two phones had both sheets along: what is done on the other is kept beside, and closes the visit once.
        $this->postJson("/api/v1/sheets/{$second['id']}/events", [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'start', 'look')],
        ])->assertOk();
        self::assertSame([$first['id'] => 'begun'], $day());
        self::assertStringContainsString(
            'begun on another sheet',
            $this->getJson("/api/v1/sheets/{$second['id']}")->json('events.0.conflict'),
        );
        $next = date('Y-m-d', (int) strtotime("{$first['on']} +1 day"));
        self::assertSame(
            [$first['id']],
            array_column($this->getJson("/api/v1/sheets?on={$next}")->json('data'), 'id'),
            'and is not lost at midnight',
        );
        $this->deleteJson("/api/v1/sheets/{$first['id']}");
        $this->postJson("/api/v1/sheets/{$first['id']}/events", [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'end', 'look')],
        ])->assertOk();
        self::assertArrayNotHasKey($first['id'], $day(), 'what somebody has dropped stays dropped');
    }

    /** One visit, two sheets on two phones: it comes to one turn, and what the other noted stands beside it. */
    public function testOneVisitOnTwoSheetsComesToOneTurn(): void
    {
        ['sheet' => $first, 'vehicle' => $vehicle] = $this->laid();
        $second = $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => $first['on']])
            ->assertCreated()
            ->json();
        foreach ([$first, $second] as $sheet) {
            $this->postJson("/api/v1/sheets/{$sheet['id']}/events", [
                'events' => [$this->event(Str::uuid7()->toString(), 1, 'start', 'look')],
            ])->assertOk();
        }
        $close = fn(array $sheet): array => $this->postJson(
            "/api/v1/sheets/{$sheet['id']}/finish",
            $this->closing(['id' => Str::uuid7()->toString()]),
        )
            ->assertSuccessful()
            ->json();
        // The one that made way is closed first: whoever has the other in hand then closes beside it.
        $one = $close($second);
        $two = $close($first);
        self::assertSame([false, true], [$one['twice'], $two['twice']]);
        self::assertSame($one['turn']['id'], $two['turn']['id']);
        self::assertCount(1, $this->getJson("/api/v1/vehicles/{$vehicle->id}/turns")->json('data'));
        self::assertStringContainsString(
            'closed',
            implode(' ', array_column($this->getJson("/api/v1/sheets/{$first['id']}")->json('events'), 'conflict')),
        );
        // Another visit on the same day is another visit.
        $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => $first['on']])->assertCreated();
    }

    public function testSomethingFoundLaysOutTheRestAnew(): void
    {
        ['sheet' => $sheet] = $this->laid();
        $again = $this->postJson("/api/v1/sheets/{$sheet['id']}/rematch", [
            'facts' => [...self::FACTS, 'seen' => ['soil' => 3, 'on' => ['insects']]],
            'done' => ['look', 'water', 'mix'],
        ])
            ->assertOk()
            ->json();
        $steps = array_column($again['plan']['steps'], null, 'id');
        self::assertArrayHasKey('soften', $steps);
        self::assertNull($steps['look']['start'], 'what is done is not laid out again');
        self::assertSame(['look', 'water', 'mix'], $again['plan']['done']);
        self::assertLessThan($sheet['plan']['finish'] + 10, $again['plan']['finish']);
        self::assertGreaterThan($sheet['version'], $again['version']);
    }

    public function testClosingWritesTheTurnMovesStockAndMeasuresThePace(): void
    {
        ['sheet' => $sheet, 'workspace' => $workspace, 'vehicle' => $vehicle] = $this->laid();
        $soap = $this->product($workspace, 'soap');
        $this->inside(
            $workspace,
            static fn() => Product::query()
                ->whereKey($soap->id)
                ->update(['stock_ml' => 500]),
        );
        $towels = $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'Large',
            'facts' => ['count' => 8, 'use' => 'large'],
        ])
            ->assertCreated()
            ->json();
        $tank = $this->postJson('/api/v1/gear', [
            'kind' => 'tank',
            'name' => 'Tank',
            'facts' => ['l' => 100, 'on_below_l' => 60],
        ])
            ->assertCreated()
            ->json();
        $this->postJson("/api/v1/gear/{$tank['id']}/events", [
            'kind' => 'level',
            'facts' => ['l' => 90],
        ])->assertCreated();
        $photo = $this->photo($vehicle->id, $sheet['id'])->assertCreated()->json();
        $facts = $this->closing([
            'products' => [['product_id' => $soap->id, 'zone' => 'paint', 'quantity_ml' => 42]],
            'textiles' => ['large' => 2],
            'water_l' => 61,
            'recommended' => 'A new base layer next spring.',
            'refused' => [['what' => 'Waterless', 'why' => 'Too dirty.']],
        ]);
        $closed = $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $facts, ['Idempotency-Key' => 'close'])
            ->assertCreated()
            ->json();
        self::assertSame(
            $closed['turn']['id'],
            $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $facts, ['Idempotency-Key' => 'close'])
                ->assertCreated()
                ->json('turn.id'),
        );
        self::assertFalse($closed['twice']);
        $turn = $this->getJson("/api/v1/turns/{$closed['turn']['id']}")
            ->assertOk()
            ->json();
        self::assertSame([$photo['id']], array_column($turn['photos'], 'id'));
        self::assertSame('A new base layer next spring.', $turn['entries'][0]['recommended']);
        self::assertSame(['look', 'wash'], array_column($turn['entries'][0]['steps'], 'id'));
        self::assertSame('finished', $this->getJson("/api/v1/sheets/{$sheet['id']}")->json('status'));
        $this->inside($workspace, static function () use ($soap, $towels): void {
            self::assertSame(458.0, Product::query()->whereKey($soap->id)->firstOrFail()->stock_ml);
            self::assertSame([-42.0], StockMove::query()->pluck('ml')->all());
            self::assertSame(
                [['count' => 2]],
                GearEvent::query()->where('gear_id', $towels['id'])->where('kind', 'used')->pluck('facts')->all(),
            );
            self::assertSame(
                [['look', 300.0], ['wash', 1860.0]],
                StepTime::query()
                    ->orderBy('kind')
                    ->get()
                    ->map(static fn(StepTime $time): array => [$time->kind, 60.0 * $time->took_min])
                    ->all(),
            );
        });
        $gear = array_column($this->getJson('/api/v1/gear')->json('data'), null, 'kind');
        self::assertSame(2, $gear['towel']['dirty']);
        self::assertSame(90, $gear['tank']['events'][0]['facts']['l'], 'this rinse came from the tap');
        $this->postJson("/api/v1/gear/{$towels['id']}/events", ['kind' => 'washed', 'facts' => ['count' => 2]])
            ->assertCreated()
            ->assertJsonPath('dirty', 0);
        // The next visit is estimated with the pace that was measured.
        $next = $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'facts' => self::FACTS])
            ->assertCreated()
            ->json('plan.steps');
        $washes = array_filter($next, static fn(array $step): bool => $step['kind'] === 'wash');
        self::assertSame([1], array_values(array_unique(array_column($washes, 'pace_from'))));
        self::assertGreaterThan(
            array_sum(array_column($washes, 'estimate_min')),
            array_sum(array_column($washes, 'minutes')),
            'they are slower than the rules say',
        );
        // A correction of the form keeps what the sheet wrote down, and moves the stock by the difference.
        $this->postJson(
            "/api/v1/turns/{$turn['id']}/corrections",
            [
                ...$this->turn(),
                'products' => [['product_id' => $soap->id, 'zone' => 'paint', 'quantity_ml' => 40]],
                'reason' => 'misread',
            ],
            ['If-Match' => '"1"'],
        )
            ->assertCreated()
            ->assertJsonPath('entries.0.recommended', 'A new base layer next spring.');
        self::assertSame(
            460.0,
            $this->inside($workspace, static fn() => Product::query()->whereKey($soap->id)->firstOrFail()->stock_ml),
        );
    }

    public function testASecondClosingIsKeptBesideTheFirst(): void
    {
        ['sheet' => $sheet, 'workspace' => $workspace] = $this->laid();
        $first = $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $this->closing(['note' => 'Mine']), [
            'Idempotency-Key' => 'a',
        ])
            ->assertCreated()
            ->json();
        $tam = $this->technician($workspace);
        Auth::forgetGuards();

        $second = $this->actingAs($tam, 'web')
            ->postJson("/api/v1/sheets/{$sheet['id']}/finish", $this->closing(['note' => 'Theirs']), [
                'Idempotency-Key' => 'b',
            ])
            ->assertCreated()
            ->json();
        self::assertSame([true, $first['turn']['id']], [$second['twice'], $second['turn']['id']]);
        $turn = $this->getJson("/api/v1/turns/{$first['turn']['id']}")->json();
        self::assertSame('Mine', $turn['entries'][0]['note']);
        self::assertSame(['finish', 'Theirs'], [$turn['conflicts'][0]['kind'], $turn['conflicts'][0]['facts']['note']]);
        $this->assertProblem(
            $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $this->closing(['soil' => 9])),
            422,
            'from 0 (clean) to 5',
        );
    }

    public function testAPhotoLeavesItsPlaceBehindAndIsShownToNobodyElse(): void
    {
        ['sheet' => $sheet, 'vehicle' => $vehicle, 'workspace' => $workspace] = $this->laid();
        $photo = $this->photo($vehicle->id, $sheet['id'])->assertCreated()->json();
        $this->photo($vehicle->id, $sheet['id'], $photo['id'])->assertCreated()->assertJsonPath('id', $photo['id']);
        self::assertSame(1, $this->inside($workspace, static fn(): int => Photo::query()->count()));
        $bytes = $this->get($photo['url'])->assertOk()->streamedContent();
        self::assertSame([1600, 800], array_slice((array) getimagesizefromstring($bytes), 0, 2), 'scaled down');
        self::assertStringNotContainsString('Exif', $bytes);
        self::assertStringNotContainsString('58.2N', $bytes);
        [$stranger] = $this->business('Elsewhere');
        $tam = $this->technician($workspace);
        Auth::forgetGuards();

        $this->actingAs($stranger)->getJson($photo['url'])->assertNotFound();
        Auth::forgetGuards();

        $this->actingAs($tam, 'web');
        foreach (
            [
                'not a picture' => 'no picture',
                "\xFF\xD8\xFF\xE0broken" => 'no picture',
                '<svg xmlns="http://www.w3.org/2000/svg"/>' => 'no picture',
            ]
            as $file => $says
        ) {
            $this->assertProblem(
                $this->sendPhoto($vehicle->id, UploadedFile::fake()->createWithContent('a.jpg', $file)),
                422,
                $says,
                '/file',
            );
        }
        $this->deleteJson($photo['url'])->assertNoContent();
        $this->inside(
            $workspace,
            static fn() => Storage::disk('photos')->assertMissing("{$workspace->id}/{$photo['id']}.jpg"),
        );
    }

    public function testWhatWasNotedCanNotBeRewritten(): void
    {
        ['sheet' => $sheet, 'workspace' => $workspace] = $this->laid();
        $this->postJson("/api/v1/sheets/{$sheet['id']}/events", [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'start', 'look')],
        ])->assertOk();
        $this->expectException(QueryException::class);
        $this->inside($workspace, static fn() => DB::table('sheet_events')->update(['kind' => 'end']));
    }

    public function testTheGateIsSaidBeforeAnybodyDrives(): void
    {
        ['sheet' => $sheet, 'vehicle' => $vehicle] = $this->laid();
        $site = $this->postJson('/api/v1/sites', [
            'name' => 'Ferry yard',
            'water' => 'tap',
            'hours' => '07:00–10:00',
            'access' => 'Sign the register at the lodge.',
            'certificate_expires_on' => '2026-11-20',
        ])
            ->assertCreated()
            ->json();
        $seen = $this->getJson("/api/v1/vehicles/{$vehicle->id}")->assertOk();
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['site_id' => $site['id']],
            ['If-Match' => (string) $seen->headers->get('ETag')],
        )->assertOk();
        $this->postJson("/api/v1/sheets/{$sheet['id']}/events", [
            'events' => [$this->event(Str::uuid7()->toString(), 1, 'start', 'look', '09:30')],
        ])->assertOk();
        $gate = $this->getJson("/api/v1/sheets/{$sheet['id']}")->json('gate');
        self::assertTrue($gate[0]['grave']);
        self::assertStringContainsString('ran out on 20 Nov 2026', $gate[0]['says']);
        self::assertStringContainsString('don’t fit', $gate[1]['says']);
        self::assertSame('Sign the register at the lodge.', $gate[2]['says']);
    }

    public function testTheDeskSeesThatSomethingHappened(): void
    {
        ['sheet' => $sheet] = $this->laid();
        $before = $this->getJson('/api/v1/pulse')->assertOk()->json('mark');
        self::assertSame($before, $this->getJson('/api/v1/pulse')->json('mark'));
        $this->postJson("/api/v1/sheets/{$sheet['id']}/finish", $this->closing())->assertCreated();
        self::assertNotSame($before, $this->getJson('/api/v1/pulse')->json('mark'));
        $this->deleteJson("/api/v1/sheets/{$sheet['id']}")->assertNoContent();
        self::assertSame(
            'finished',
            $this->getJson("/api/v1/sheets/{$sheet['id']}")->json('status'),
            'a closed sheet is not dropped',
        );
    }

    /** @return array{sheet: array<string, mixed>, workspace: Workspace, vehicle: Vehicle} */
    private function laid(): array
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);

        return [
            'sheet' => $this->actingAs($owner)
                ->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'facts' => self::FACTS])
                ->assertCreated()
                ->json(),
            'workspace' => $workspace,
            'vehicle' => $vehicle,
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private function event(
        string $device,
        int $seq,
        string $kind,
        ?string $step = null,
        string $at = '09:00',
        array $facts = [],
    ): array {
        return [
            'id' => Str::uuid7()->toString(),
            'device' => $device,
            'seq' => $seq,
            'kind' => $kind,
            'step' => $step,
            'facts' => (object) $facts,
            'at' => "2026-11-25T{$at}:00Z",
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, mixed>
     */
    private function closing(array $facts = []): array
    {
        return [
            ...$this->turn(['minutes' => 84]),
            'id' => Str::uuid7()->toString(),
            'steps' => [
                [
                    'id' => 'look',
                    'name' => 'Arrive and look',
                    'kind' => 'look',
                    'took_s' => 300,
                    'estimate_min' => 3.6,
                    'skipped' => false,
                ],
                [
                    'id' => 'wash',
                    'name' => 'Wash',
                    'kind' => 'wash',
                    'took_s' => 1860,
                    'estimate_min' => 24.0,
                    'skipped' => false,
                ],
            ],
            ...$facts,
        ];
    }

    /** @return TestResponse<Response> */
    private function photo(string $vehicle, string $sheet, ?string $id = null): TestResponse
    {
        $image = imagecreatetruecolor(2000, 1000);
        self::assertInstanceOf(GdImage::class, $image);
        ob_start();
        imagejpeg($image);
        $jpeg = (string) ob_get_clean();
        // As a camera would: where it was, in the file.
        $exif = "Exif\0\0GPS 58.2N 3.1W";
        $file = substr($jpeg, 0, 2) . "\xFF\xE1" . pack('n', strlen($exif) + 2) . $exif . substr($jpeg, 2);

        return $this->post(
            "/api/v1/vehicles/{$vehicle}/photos",
            [
                'file' => UploadedFile::fake()->createWithContent('a.jpg', $file),
                'id' => $id ?? Str::uuid7()->toString(),
                'zone' => 'paint',
                'stage' => 'before',
                'taken_at' => '2026-11-25T09:00:00Z',
                'sheet_id' => $sheet,
            ],
            ['Accept' => 'application/json'],
        );
    }
}
