<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Archive\ArchivedTables;
use App\Archive\ArchiveRun;
use App\Archive\BadArchive;
use App\Archive\Http\RequestRules;
use App\Archive\ReadArchive;
use App\Archive\WriteArchive;
use App\Book\Client;
use App\Book\Http\ClientRequest;
use App\Book\Http\SiteRequest;
use App\Book\Http\VehicleRequest;
use App\Book\Vehicle;
use App\Record\Photo;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use App\Turns\Http\TurnRequest;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Facades\Validator as ValidateAll;
use Illuminate\Support\Str;
use Illuminate\Validation\Rules\Exists;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\Furnishes;
use Tests\TestCase;
use ZipArchive;

/** Nothing locked in: everything comes out, and what comes out comes in again the same. */
final class ArchiveTest extends TestCase
{
    use Furnishes;

    /** @var array<string, mixed>|null */
    private static ?array $good = null;

    protected function setUp(): void
    {
        parent::setUp();
        // What a run before broke off is not this one's.
        array_map(unlink(...), glob(storage_path('app/archives/*')) ?: []);
    }

    public function testNoTableIsForgotten(): void
    {
        $all = array_column(
            DB::select(
                "select distinct table_name from information_schema.columns where table_schema = 'public' and column_name = 'workspace_id' order by 1",
            ),
            'table_name',
        );
        self::assertEqualsCanonicalizing($all, [...ArchivedTables::ALL, ...array_keys(ArchivedTables::LEFT)]);
    }

    /** To another installation, by whoever runs both: the owner there sets a password, and here it ends in a month. */
    public function testAWorkspaceMoves(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business('Movers');
        $this->fill($owner, $workspace, 2);
        $file = storage_path('app/moved.zip');
        Auth::forgetGuards();
        app(Tenancy::class)->leave();
        self::assertSame(0, Artisan::call('vicissa:move', ['way' => 'out', 'what' => $workspace->id, 'to' => $file]));
        $written = json_decode(Artisan::output(), true);
        self::assertSame(
            $this->clock->now()->modify('+30 days')->format('Y-m-d'),
            $this->inside($workspace, static fn(): ?string => Workspace::query()->sole()->ends_at?->format('Y-m-d')),
        );

        self::assertSame(
            0,
            Artisan::call('vicissa:move', ['way' => 'in', 'what' => $file, 'to' => 'moved@example.test']),
        );
        $taken = json_decode(Artisan::output(), true);
        self::assertSame([$written['rows'], $written['photos']], [$taken['rows'], $taken['photos']]);
        $there = new Workspace();
        $there->id = $taken['workspace'];
        self::assertEquals(
            $this->plain($this->inside($workspace, static fn(): array => app(WriteArchive::class)->data())),
            $this->plain($this->inside($there, static fn(): array => app(WriteArchive::class)->data())),
        );
        self::assertStringContainsString('/reset-password?token=', $taken['password']);

        // What is refused leaves nobody behind.
        file_put_contents($file, 'no zip');
        self::assertSame(
            1,
            Artisan::call('vicissa:move', ['way' => 'in', 'what' => $file, 'to' => 'other@example.test']),
        );
        self::assertFalse(User::query()->where('email', 'other@example.test')->exists());
        unlink($file);
    }

    public function testTheArchiveKeepsItsPublishedSchema(): void
    {
        $data = $this->filled(3);
        $json = json_decode((string) json_encode($data, JSON_PRESERVE_ZERO_FRACTION));
        $result = (new Validator())->validate(
            $json,
            (string) file_get_contents(base_path('docs/schemas/archive.schema.json')),
        );
        self::assertTrue($result->isValid(), (string) json_encode($result->error()?->args()));
        // And the schema is that of the tables there are.
        self::assertSame(0, Artisan::call('vicissa:archive-schema --check'), Artisan::output());
        unset($json->tables->clients);
        self::assertFalse(
            (new Validator())
                ->validate($json, (string) file_get_contents(base_path('docs/schemas/archive.schema.json')))
                ->isValid(),
        );
    }

    /** Property: out, in and out again is the same, up to the ids, for workspaces drawn by chance. */
    public function testOutAndInAgainIsTheSame(): void
    {
        Storage::fake('photos');
        foreach ([1, 2, 4] as $seed) {
            Auth::forgetGuards();
            [$owner, $workspace] = $this->business("Book {$seed}");
            $this->fill($owner, $workspace, $seed);
            $file = $this->inside($workspace, static fn(): string => app(WriteArchive::class)());
            Auth::forgetGuards();
            [$other, $empty] = $this->business("Copy of {$seed}");
            $this->actingAs($other, 'web');
            $taken = $this->post(
                '/api/v1/archive',
                ['file' => new UploadedFile($file, 'vicissa.zip', 'application/zip', null, true)],
                ['Accept' => 'application/json'],
            )
                ->assertStatus(202)
                ->assertJsonPath('status', 'done')
                ->json();
            $before = $this->inside($workspace, static fn(): array => app(WriteArchive::class)->data());
            $after = $this->inside($empty, static fn(): array => app(WriteArchive::class)->data());
            self::assertSame(
                array_map(count(...), $before['tables']),
                array_map(count(...), array_diff_key($after['tables'], [])),
                "seed {$seed}",
            );
            self::assertSame($taken['rows'], array_sum(array_map(count(...), $before['tables'])));
            self::assertEquals($this->plain($before), $this->plain($after), "seed {$seed}");
            self::assertEquals($before['workspace'], $after['workspace']);
            $photos = fn(Workspace $of): array => $this->inside(
                $of,
                static fn(): array => Photo::query()
                    ->orderBy('id')
                    ->get()
                    ->map(
                        static fn(Photo $photo): string => implode(
                            ' ',
                            array_slice(
                                getimagesizefromstring((string) Storage::disk('photos')->get($photo->path())) ?: [],
                                0,
                                2,
                            ),
                        ),
                    )
                    ->all(),
            );
            self::assertSame($photos($workspace), $photos($empty));
            // And what follows from it follows again.
            $due = fn(User $user): array => array_map(
                static fn(array $ribbon): array => [$ribbon['name'], $ribbon['due_at'], $ribbon['left']],
                $this->as($user)->getJson('/api/v1/film')->assertOk()->json('ribbons'),
            );
            self::assertSame($due($owner), $due($other));
            @unlink($file);
        }
    }

    public function testOnlyAnEmptyWorkspaceTakesOneAndNothingReachesElsewhere(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $data = $this->inside($workspace, static fn(): array => app(WriteArchive::class)->data());
        $this->inside($workspace, function () use ($data, $owner): void {
            $this->assertRefused($data, $owner, 'isn’t empty');
        });
        [$other, $empty] = $this->business('Elsewhere');
        $this->inside($empty, function () use ($data, $other, $vehicle): void {
            $this->assertRefused(['format' => 'something'], $other, 'no archive of this kind');
            // A layer of a vehicle that is somebody else's and isn't in the archive.
            $wrong = $data;
            $wrong['tables']['vehicles'] = [];
            $this->assertRefused($wrong, $other, 'refers to something that isn’t in the archive (vehicle_id)');
            $wrong = $data;
            $wrong['tables']['vehicles'][0]['cadence_target'] = -3;
            $this->assertRefused($wrong, $other, 'break a rule of the book');
            self::assertSame([], Vehicle::query()->pluck('id')->all(), 'nothing of it stays');
            self::assertNotSame('', $vehicle->id);
        });
        Auth::forgetGuards();
        $this->actingAs($other, 'web');
        $this->assertProblem(
            $this->post(
                '/api/v1/archive',
                ['file' => UploadedFile::fake()->createWithContent('a.zip', 'no zip')],
                ['Accept' => 'application/json'],
            ),
            422,
            'not a ZIP file',
            '/file',
        );
    }

    /** @return iterable<string, array{callable(array<string, mixed>): (array<string, mixed>|string), string}> */
    public static function hostile(): iterable
    {
        yield 'packed to burst' => [static fn(array $data): string => str_repeat(' ', 40_000_000), 'far larger'];
        yield 'rates that are none' => [self::setting('rates', 'abc'), 'setting in the archive can’t be read: rates'];
        yield 'rates of another kind' => [self::setting('rates', ['labour_minor_h' => 'many']), 'read: rates'];
        yield 'numbers out of bounds' => [self::setting('numbers', ['nothing' => 1e9]), 'read: numbers'];
        yield 'a school nobody knows' => [self::setting('schools', ['order' => 'sideways']), 'read: schools'];
        yield 'a month that is none' => [self::setting('salt_months', [13]), 'read: salt_months'];
        yield 'a name like a book' => [self::setting('name', str_repeat('a', 4000)), 'read: name'];
        yield 'a crowd' => [
            static fn(array $data): array => [
                ...$data,
                'people' => array_map(
                    static fn(int $n): array => ['id' => sprintf('00000000-0000-4000-8000-%012d', $n), 'name' => 'A'],
                    range(1, 501),
                ),
            ],
            'At most 500 people',
        ];
        yield 'nested without end' => [
            static fn(array $data): string => str_repeat('[', 5000) . str_repeat(']', 5000),
            'read',
        ];
    }

    /** @param callable(array<string, mixed>): (array<string, mixed>|string) $turn */
    #[DataProvider('hostile')]
    public function testAnArchiveIsHostileUntilProvenAndNothingOfItStays(callable $turn, string $says): void
    {
        Storage::fake('photos');
        $data = $turn(self::$good ??= $this->filled(2));
        [$other, $empty] = $this->business('Elsewhere');
        $people = User::query()->count();
        $file = (string) tempnam(sys_get_temp_dir(), 'hostile');
        $zip = new ZipArchive();
        $zip->open($file, ZipArchive::OVERWRITE);
        $zip->addFromString('archive.json', is_string($data) ? $data : (string) json_encode($data));
        $zip->close();
        $answer = $this->actingAs($other)->post(
            '/api/v1/archive',
            ['file' => new UploadedFile($file, 'a.zip', 'application/zip', null, true)],
            ['Accept' => 'application/json'],
        );
        self::assertStringContainsString($says, (string) json_encode($answer->json(), JSON_UNESCAPED_UNICODE));
        self::assertNotSame('done', $answer->json('status'));
        self::assertSame($people, User::query()->count(), 'nobody of it stays');
        $this->inside($empty, static function (): void {
            self::assertTrue(ReadArchive::isEmpty());
            self::assertSame('Elsewhere', DB::table('workspaces')->value('name'));
            self::assertSame(0, DB::table('photos')->count());
        });
        self::assertSame([], glob(storage_path('app/archives/*')) ?: []);
        $this->getJson('/api/v1/rates')->assertOk();
        @unlink($file);
    }

    /** @return array<string, mixed> what a workspace drawn by chance writes */
    private function filled(int $seed): array
    {
        [$owner, $workspace] = $this->business();
        $this->fill($owner, $workspace, $seed);

        return $this->inside($workspace, static fn(): array => app(WriteArchive::class)->data());
    }

    /** @return callable(array<string, mixed>): array<string, mixed> */
    private static function setting(string $name, mixed $value): callable
    {
        return static fn(array $data): array => [...$data, 'workspace' => [...$data['workspace'], $name => $value]];
    }

    /** A long table goes to the queue: all of it or nothing, as a short one. */
    public function testALongTableIsTakenInTheQueue(): void
    {
        [$owner, $workspace] = $this->business();
        $table = static fn(string $body): string => "name,body,base\n" .
            implode('', array_map(static fn(int $n): string => "Van {$n},van,bare\n", range(1, 60))) .
            "Last,{$body},bare\n";
        $this->actingAs($owner);
        $bad = $this->postJson('/api/v1/book/vehicles', ['text' => $table('airship'), 'commit' => true])
            ->assertStatus(202)
            ->json();
        self::assertSame('refused', $bad['status']);
        self::assertStringContainsString('One row is wrong', $bad['says']);
        self::assertSame(0, $this->inside($workspace, static fn(): int => Vehicle::query()->count()));
        $once = ['Idempotency-Key' => 'once'];
        $good = $this->postJson('/api/v1/book/vehicles', ['text' => $table('van'), 'commit' => true], $once)->json();
        $run = $this->getJson("/api/v1/archive/runs/{$good['id']}")->json();
        self::assertSame(['done', 61], [$run['status'], $run['result']['new']]);
        $this->postJson('/api/v1/book/vehicles', ['text' => $table('van'), 'commit' => true], $once)->assertStatus(202);
        self::assertSame(61, $this->inside($workspace, static fn(): int => Vehicle::query()->count()));
        $this->actingAs($this->technician($workspace))
            ->getJson("/api/v1/archive/runs/{$good['id']}")
            ->assertForbidden();
        self::assertSame([], glob(storage_path('app/archives/*')) ?: []);
    }

    /** A large book is written by the queue: the same file, fetched by its owners for a day, and not in a request. */
    public function testALargeBookIsWrittenInTheQueue(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $this->fill($owner, $workspace, 3);
        $this->actingAs($owner);
        $run = $this->postJson('/api/v1/archive/runs')
            ->assertStatus(202)
            ->assertJson(['kind' => 'out', 'status' => 'done'])
            ->json();
        $file = $this->get("/api/v1/archive/runs/{$run['id']}/file")->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $file);
        $zip = new ZipArchive();
        self::assertTrue($zip->open($file->getFile()->getPathname()));
        $json = json_decode((string) $zip->getFromName('archive.json'), true);
        $data = $this->inside($workspace, static fn(): array => app(WriteArchive::class)->data());
        self::assertEquals($data['tables'], $json['tables']);
        self::assertSame(array_sum(array_map(count(...), $json['tables'])), $run['rows']);
        self::assertSame(
            $run['rows'],
            $this->inside($workspace, static fn(): int => app(WriteArchive::class)->weight()),
        );
        self::assertSame($zip->numFiles - 1, $run['photos']);

        [$stranger] = $this->business('Elsewhere');
        $this->as($stranger)
            ->get("/api/v1/archive/runs/{$run['id']}/file")
            ->assertNotFound();
        $this->as($this->technician($workspace))
            ->get("/api/v1/archive/runs/{$run['id']}/file")
            ->assertForbidden();
        $this->as($owner);
        touch(storage_path("app/archives/{$run['id']}.zip"), $this->clock->now()->getTimestamp());
        $this->clock->modify('+25 hours');
        $this->get("/api/v1/archive/runs/{$run['id']}/file")->assertNotFound();
        $this->artisan('vicissa:prune');
        self::assertSame([], glob(storage_path('app/archives/*')) ?: []);

        $this->get('/api/v1/archive')->assertOk();
        config(['vicissa.limits.archive_rows' => $run['rows'] - 1]);
        $refused = $this->getJson('/api/v1/archive')->assertStatus(413)->json('detail');
        self::assertStringContainsString('/api/v1/archive/runs', $refused);
    }

    /** Pictures that are missing or no pictures are said before anything is taken in; whoever wants the rest says so. */
    public function testMissingPicturesAreSaidFirst(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        $file = $this->inside($workspace, static fn(): string => app(WriteArchive::class)());
        [$other, $empty] = $this->business('Elsewhere');
        $this->actingAs($other);
        $take = fn(array $more = []): array => $this->post(
            '/api/v1/archive',
            ['file' => new UploadedFile($file, 'a.zip', 'application/zip', null, true), ...$more],
            ['Accept' => 'application/json'],
        )
            ->assertStatus(202)
            ->json();
        foreach (['missing' => null, 'broken' => 'no picture'] as $how => $with) {
            $zip = new ZipArchive();
            $zip->open($file);
            $name = "photos/{$ids['photo']}.jpg";
            $with === null ? $zip->deleteName($name) : $zip->addFromString($name, $with);
            $zip->close();
            copy($file, "{$file}.kept");
            $run = $take();
            self::assertSame('refused', $run['status'], $how);
            self::assertStringContainsString($how === 'missing' ? 'one is missing' : 'one can’t be read', $run['says']);
            self::assertTrue($this->inside($empty, static fn(): bool => ReadArchive::isEmpty()), $how);
            rename("{$file}.kept", $file);
        }
        $run = $take(['despite' => '1']);
        self::assertSame(['done', 0], [$run['status'], $run['photos']]);
    }

    /** One at a time; what was lost with its worker stands in nobody's way. */
    public function testOneLongThingGoesOnAtATime(): void
    {
        [$owner, $workspace] = $this->business();
        $this->inside(
            $workspace,
            fn() => ArchiveRun::query()->create(['asked_by' => $owner->id, 'asked_at' => $this->clock->now()]),
        );
        $this->actingAs($owner);
        $this->assertProblem($this->postJson('/api/v1/archive/runs'), 409, 'worked on already');
        [$other] = $this->business('Elsewhere');
        $this->as($other)->postJson('/api/v1/archive/runs')->assertStatus(202);
        $this->clock->modify('+61 minutes');
        $this->as($owner)->postJson('/api/v1/archive/runs')->assertStatus(202)->assertJsonPath('status', 'done');
    }

    public function testWhoChangedWhatIsWrittenDownAndStays(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $client = $this->postJson('/api/v1/clients', ['name' => 'Garland'])
            ->assertCreated()
            ->json();
        $this->patchJson("/api/v1/clients/{$client['id']}", ['phone' => '01700 1'], ['If-Match' => '"1"'])->assertOk();
        $changes = $this->getJson("/api/v1/changes?row={$client['id']}")
            ->assertOk()
            ->json('data');
        self::assertSame(
            [
                ['changed', ['phone' => null], ['phone' => '01700 1'], $owner->name],
                ['created', [], ['name' => 'Garland'], $owner->name],
            ],
            array_map(
                static fn(array $one): array => [
                    $one['did'],
                    $one['before'],
                    array_intersect_key($one['after'], ['name' => 1, 'phone' => 1]),
                    $one['by'],
                ],
                $changes,
            ),
        );
        $this->expectException(QueryException::class);
        $this->inside($workspace, static fn() => DB::table('changes')->update(['name' => 'nobody']));
    }

    public function testAClientIsForgottenAndWhatStaysNamesNobody(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        $client = $this->postJson('/api/v1/clients', [
            'name' => 'Ansty Quillan',
            'email' => 'ansty@isles.example',
            'phone' => '01700 22',
        ])
            ->assertCreated()
            ->json('id');
        $site = $this->postJson('/api/v1/sites', [
            'name' => 'Quillan’s yard',
            'client_id' => $client,
            'address' => 'Chapel mews 3',
        ])
            ->assertCreated()
            ->json('id');
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['client_id' => $client, 'site_id' => $site, 'plate' => 'SK 1', 'name' => 'Ansty’s hearse'],
            ['If-Match' => '"' . $vehicle->version . '"'],
        )->assertOk();
        $turn = $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn(['note' => 'Ansty was at home']))
            ->assertCreated()
            ->json();
        $this->post("/api/v1/vehicles/{$vehicle->id}/photos", [
            'file' => UploadedFile::fake()->image('a.jpg', 64, 48),
            'id' => Str::uuid7()->toString(),
            'zone' => 'paint',
            'stage' => 'after',
            'taken_at' => '2026-11-25T10:00:00Z',
        ])->assertCreated();
        $link = $this->postJson("/api/v1/vehicles/{$vehicle->id}/record-links", ['kind' => 'history'])
            ->assertCreated()
            ->json('url');
        $told = $this->postJson("/api/v1/clients/{$client}/forget")
            ->assertOk()
            ->json();
        self::assertStringContainsString('1 turn of vehicles without a name', $told['stays'][0]);
        $this->getJson(str_replace('http://127.0.0.1:8680/r/', '/api/v1/records/', $link))->assertNotFound();
        $this->actingAs($owner, 'web');
        self::assertNull(
            $this->getJson("/api/v1/turns/{$turn['id']}")
                ->assertOk()
                ->json('entries.0.note'),
        );
        self::assertSame([], Storage::disk('photos')->allFiles());
        $all = (string) json_encode(
            $this->inside($workspace, static fn(): array => app(WriteArchive::class)->data()),
            JSON_UNESCAPED_UNICODE,
        );
        foreach (['Ansty', 'Quillan', 'Chapel mews', '01700 22', 'SK 1'] as $word) {
            self::assertStringNotContainsString($word, $all);
        }
        self::assertSame(0, $this->inside($workspace, static fn(): int => Client::query()->count()));
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web')
            ->postJson("/api/v1/clients/{$client}/forget")
            ->assertNotFound();
    }

    public function testTheNamesOfAForgottenClientStandInNoTable(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->vehicle($workspace, 'ceramic', '2026-01-01', 'Somebody else’s');
        $this->actingAs($owner);
        $post = fn(string $path, array $body): array => (array) $this->postJson("/api/v1/{$path}", $body, [
            'Idempotency-Key' => Str::uuid7()->toString(),
        ])
            ->assertSuccessful()
            ->json();
        $client = $post('clients', ['name' => 'Ansty Quillan', 'email' => 'ansty@isles.example'])['id'];
        $site = $post('sites', ['name' => 'Quillan’s yard', 'client_id' => $client, 'address' => 'Chapel mews 3'])[
            'id'
        ];
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['client_id' => $client, 'site_id' => $site, 'plate' => 'SK 1', 'name' => 'Ansty’s "hearse"'],
            ['If-Match' => '"' . $vehicle->version . '"'],
        )->assertOk();
        $post('crews', ['name' => 'Van', 'minutes' => [1 => 420, 2 => 420, 3 => 420, 4 => 420, 5 => 420]]);
        $post('deadlines', ['vehicle_id' => $vehicle->id, 'on' => '2026-12-18', 'note' => 'Quillan’s wedding']);
        $post('closures', [
            'site_id' => $site,
            'from_on' => '2026-12-24',
            'to_on' => '2026-12-26',
            'note' => 'Quillans away',
        ]);
        $post("vehicles/{$vehicle->id}/turns", $this->turn(['note' => 'Ansty was at home']));
        $post('quotes', ['title' => 'For Ansty', 'vehicles' => [['vehicle_id' => $vehicle->id]]]);
        $post('feeds', ['name' => 'Ansty’s calendar', 'vehicle_id' => $vehicle->id]);
        $sheet = $post('sheets', ['vehicle_id' => $vehicle->id, 'on' => '2026-11-25', 'crew' => 1])['id'];
        $post("sheets/{$sheet}/events", [
            'events' => [
                [
                    'id' => Str::uuid7()->toString(),
                    'device' => Str::uuid7()->toString(),
                    'seq' => 1,
                    'kind' => 'note',
                    'step' => null,
                    'facts' => ['text' => 'Quillan’s dog'],
                    'at' => '2026-11-25T10:00:00Z',
                ],
            ],
        ]);
        $post('weeks/plan', []);
        $visit = array_values(
            array_filter(
                $this->getJson('/api/v1/weeks')->json('visits'),
                static fn(array $one): bool => $one['vehicle_id'] === $vehicle->id,
            ),
        )[0];
        $post('weeks/proposals', ['visits' => [$visit['id']]]);
        $post("weeks/visits/{$visit['id']}/move", [
            'on' => CarbonImmutable::parse($visit['on'])->addWeekday()->toDateString(),
        ]);
        // A letter went to the old address, and the vehicle was called otherwise when it was moved.
        $this->patchJson(
            "/api/v1/clients/{$client}",
            ['email' => 'quillan@isles.example'],
            ['If-Match' => '"1"'],
        )->assertOk();
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['name' => 'The hearse'],
            ['If-Match' => '"' . ($vehicle->version + 1) . '"'],
        )->assertOk();
        $left = fn(): array => $this->inside($workspace, static function (): array {
            $found = [];
            foreach (
                DB::select(
                    "select distinct table_name from information_schema.columns where table_schema = 'public' and column_name = 'workspace_id'",
                )
                as $table
            ) {
                foreach (
                    DB::table($table->table_name . ' as t')
                        ->selectRaw('row_to_json(t)::text as all')
                        ->pluck('all')
                    as $row
                ) {
                    foreach (['Ansty', 'Quillan', 'quillan', 'ansty', 'Chapel mews', 'SK 1'] as $word) {
                        if (str_contains((string) $row, $word)) {
                            $found[$table->table_name][] = $word;
                        }
                    }
                }
            }

            return array_map(array_unique(...), $found);
        });
        self::assertEqualsCanonicalizing(
            [
                'changes',
                'clients',
                'closures',
                'deadlines',
                'feeds',
                'idempotency_keys',
                'outbox_messages',
                'plans',
                'quotes',
                'sheet_events',
                'sites',
                'turn_entries',
                'vehicles',
            ],
            array_keys($left()),
            'before',
        );
        $this->postJson("/api/v1/clients/{$client}/forget")->assertOk();
        self::assertSame([], $left());
        self::assertTrue(
            $this->inside(
                $workspace,
                static fn(): bool => DB::table('plans')
                    ->where('why->vehicle->@said', 'plan.forgotten-vehicle')
                    ->where('why->@said', 'plan.moved')
                    ->exists(),
            ),
            'that something was moved is still known',
        );
    }

    public function testTablesComeOutAndGoInAgainWithEveryRowSeenFirst(): void
    {
        [$owner, $workspace] = $this->business();
        $this->fill($owner, $workspace, 2);
        Auth::forgetGuards();
        [$other, $empty] = $this->business('Elsewhere');
        foreach (['clients', 'sites', 'vehicles', 'turns', 'readings'] as $kind) {
            $file = (string) $this->as($owner)
                ->get("/api/v1/book/{$kind}")
                ->assertOk()
                ->getContent();
            $rows = substr_count(trim($file), "\n");
            $this->as($other);
            $look = $this->postJson("/api/v1/book/{$kind}", ['text' => $file])
                ->assertOk()
                ->json();
            self::assertSame(
                [false, 0],
                [$look['done'], $look['wrong']],
                $kind . ': ' . json_encode(array_filter(array_column($look['rows'], 'errors')), JSON_UNESCAPED_UNICODE),
            );
            $done = $this->postJson("/api/v1/book/{$kind}", ['text' => $file, 'commit' => true])
                ->assertOk()
                ->json();
            self::assertTrue($done['done']);
            $again = $this->postJson("/api/v1/book/{$kind}", ['text' => $file, 'commit' => true])
                ->assertOk()
                ->json();
            self::assertSame([0, 0], [$again['new'], $again['changed']], "{$kind}: read twice it changes nothing");
            self::assertSame(
                $file,
                (string) $this->get("/api/v1/book/{$kind}")
                    ->assertOk()
                    ->getContent(),
                $kind,
            );
            self::assertGreaterThan(0, $rows);
        }
        self::assertNotSame($workspace->id, $empty->id);
    }

    /** Columns are judged by themselves, once for each thing they say: it must come to what a form says of all of them. */
    public function testRowsAreJudgedAsFormsAre(): void
    {
        [, $workspace] = $this->business();
        $random = new Randomizer(new Xoshiro256StarStar(11));
        $said = [
            '',
            null,
            '1',
            'van',
            'two-mitts',
            'tap',
            7,
            4000,
            -1,
            51.5,
            true,
            [],
            ['x'],
            '2026-03-01',
            str_repeat('a', 130),
        ];
        $this->inside($workspace, function () use ($random, $said): void {
            foreach (
                [
                    'client' => ClientRequest::class,
                    'site' => SiteRequest::class,
                    'vehicle' => VehicleRequest::class,
                    'turn' => TurnRequest::class,
                ]
                as $what => $form
            ) {
                $rules = app(RequestRules::class);
                $wrong = 0;
                for ($i = 0; $i < 150; $i++) {
                    $request = new $form();
                    $new = $random->getInt(0, 1) === 1;
                    $request->setMethod($new ? 'POST' : 'PATCH');
                    $of = array_map(
                        static fn(array $of): array => array_filter(
                            $of,
                            static fn(mixed $one): bool => !($one instanceof Exists),
                        ),
                        $request->rules(),
                    );
                    $roots = array_unique(
                        array_map(static fn(string $field): string => explode('.', $field)[0], array_keys($of)),
                    );
                    $facts = [];
                    foreach ($roots as $root) {
                        if ($random->getInt(0, 2) > 0) {
                            $facts[$root] = $said[$random->getInt(0, count($said) - 1)];
                        }
                    }
                    $whole = array_map(
                        static fn(array $sentences): string => $sentences[0],
                        ValidateAll::make($facts, $of, $request->messages())->errors()->toArray(),
                    );
                    $rows = $rules->errors($what, $facts, $new);
                    ksort($whole);
                    ksort($rows);
                    self::assertSame($whole, $rows, "{$what}: " . json_encode($facts));
                    $wrong += $whole === [] ? 0 : 1;
                }
                self::assertGreaterThan(20, $wrong);
            }
        });
    }

    public function testABadRowIsSaidByItsFieldAndNothingIsDone(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $clients = $this->postJson('/api/v1/book/clients', [
            'commit' => true,
            'text' =>
                "name;email;shoe size\r\nGarland;garland@isles.example;44\r\n;nobody@isles.example;\r\nQuayle;no address;\r\ngarland;again@isles.example;\r\n",
        ])
            ->assertOk()
            ->json();
        self::assertSame(['new', 'wrong', 'wrong', 'wrong'], array_column($clients['rows'], 'does'));
        self::assertSame(
            [[], ['name'], ['email'], ['name']],
            array_map(static fn(array $row): array => array_column($row['errors'], 'field'), $clients['rows']),
        );
        self::assertStringContainsString('row 2', $clients['rows'][3]['errors'][0]['says']);
        self::assertSame(['shoe size'], $clients['rows'][0]['unknown']);
        self::assertSame(
            [false, 0],
            [$clients['done'], $this->inside($workspace, static fn(): int => Client::query()->count())],
        );
        $vehicles = $this->postJson('/api/v1/book/vehicles', [
            'text' =>
                "name,body,client,base,cadence_target\nHearse,limousine,Nobody,ceramic,7\nBus,spaceship,,,\nTaxi,saloon,,wax,400\n",
        ])
            ->assertOk()
            ->json();
        self::assertSame(
            [['client'], ['body', 'base'], ['cadence_target']],
            array_map(static fn(array $row): array => array_column($row['errors'], 'field'), $vehicles['rows']),
        );
        $turns = $this->postJson('/api/v1/book/turns', [
            'text' =>
                "vehicle,worked_at,soil,method,water,products\nGhost,2026-05-01T08:00:00Z,2,two-mitts,tap,Nothing @ paint = 3 ml\n",
        ])
            ->assertOk()
            ->json();
        self::assertSame(['vehicle', 'products'], array_column($turns['rows'][0]['errors'], 'field'));
        $this->assertProblem(
            $this->postJson('/api/v1/book/clients', ['text' => "what,ever\n1,2\n"]),
            422,
            'means anything here',
            '/text',
        );
        $this->assertProblem(
            $this->postJson('/api/v1/book/clients', ['text' => "name\n" . str_repeat("x\n", 2002)]),
            422,
            'At most 1500 rows',
            '/text',
        );
        $this->postJson('/api/v1/book/secrets', ['text' => 'x'])->assertNotFound();
    }

    private function as(User $user): self
    {
        Auth::forgetGuards();

        return $this->actingAs($user, 'web');
    }

    /** @param array<string, mixed> $data */
    private function assertRefused(array $data, User $by, string $says): void
    {
        try {
            app(ReadArchive::class)->data($data, $by);
            self::fail('It was taken.');
        } catch (BadArchive $e) {
            self::assertStringContainsString($says, Teller::here()->tell($e->says));
        }
    }

    /** A book drawn by chance, through the same doors as everybody's. */
    private function fill(User $owner, Workspace $workspace, int $seed): void
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $one = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $this->as($owner);
        $this->patchJson(
            '/api/v1/workspace',
            ['time_zone' => $one(['Europe/Oslo', 'UTC', 'Pacific/Auckland']), 'salt_months' => [1, 2]],
            ['If-Match' => '"1"'],
        )->assertOk();
        $client = $this->postJson('/api/v1/clients', [
            'name' => "Kundin «{$seed}» ☂",
            'email' => "c{$seed}@isles.example",
        ])
            ->assertCreated()
            ->json('id');
        $crew = $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '3' => 300],
            'days' => [['on' => '2026-12-09', 'minutes' => 0]],
        ])
            ->assertCreated()
            ->json('id');
        $site = $this->postJson('/api/v1/sites', [
            'name' => 'Yard',
            'client_id' => $client,
            'by_register' => true,
            'admissions' => [['crew_id' => $crew, 'person' => 'Tam', 'valid_until' => '2027-01-01']],
        ])
            ->assertCreated()
            ->json('id');
        $programme = $this->postJson('/api/v1/programmes', [
            'name' => 'Fortnight',
            'cadence_min' => 7,
            'cadence_target' => 14,
            'cadence_max' => 28,
        ])
            ->assertCreated()
            ->json('id');
        $this->putJson('/api/v1/prices', [
            'prices' => [['programme_id' => $programme, 'body' => 'estate', 'kind' => 'wash', 'minor' => 6000]],
        ])->assertOk();
        $topper = $this->product($workspace, 'topper');
        $this->postJson("/api/v1/products/{$topper->id}/stock", [
            'kind' => 'buy',
            'ml' => 500.5,
            'batch' => "B{$seed}",
            'expires_on' => '2027-06-01',
        ])->assertCreated();
        $towels = $this->postJson('/api/v1/gear', [
            'kind' => 'towel',
            'name' => 'Wheels',
            'facts' => ['count' => 9, 'use' => 'wheels'],
        ])
            ->assertCreated()
            ->json('id');
        $vehicle = $this->vehicle($workspace, 'silica-spray', '2026-10-01', 'The first');
        for ($v = $random->getInt(1, 3); $v > 0; $v--) {
            $vehicle = $this->vehicle($workspace, $one(['ceramic', 'wax', 'polymer']), '2026-06-01', "Vehicle {$v}");
            $this->patchJson(
                "/api/v1/vehicles/{$vehicle->id}",
                [
                    'client_id' => $client,
                    'site_id' => $site,
                    'programme_id' => $programme,
                    'schools' => ['caution' => '10'],
                ],
                ['If-Match' => '"' . $vehicle->version . '"'],
            )->assertOk();
            $this->postJson('/api/v1/deadlines', [
                'vehicle_id' => $vehicle->id,
                'on' => '2026-12-20',
                'within_days' => 2,
            ])->assertCreated();
            for ($t = $random->getInt(1, 4); $t > 0; $t--) {
                $turn = $this->postJson(
                    "/api/v1/vehicles/{$vehicle->id}/turns",
                    $this->turn([
                        'worked_at' => sprintf(
                            '2026-%02d-%02dT0%d:30:00Z',
                            $random->getInt(7, 10),
                            $random->getInt(1, 28),
                            $random->getInt(6, 9),
                        ),
                        'minutes' => $random->getInt(40, 120),
                        'soil' => $random->getInt(0, 4),
                        'note' => $one([null, "Ein Kratzer, “tief”\nund lang"]),
                        'readings' => [
                            [
                                'stage' => 'after_wash',
                                'zone' => 'paint',
                                'behaviour' => $one(['tight', 'good', 'weak']),
                                'angle_deg' => $one([null, 87.5]),
                            ],
                        ],
                        'products' => $one([
                            [],
                            [['product_id' => $topper->id, 'zone' => 'paint', 'quantity_ml' => 33.3]],
                        ]),
                        'textiles' => ['wheels' => 1],
                    ]),
                )
                    ->assertCreated()
                    ->json();
                if ($random->getInt(0, 1) === 0) {
                    $this->postJson(
                        "/api/v1/turns/{$turn['id']}/corrections",
                        $this->turn(['worked_at' => $turn['worked_at'], 'soil' => 1, 'reason' => 'Mistyped']),
                        ['If-Match' => '"1"'],
                    )->assertCreated();
                }
            }
            $sheet = $this->postJson('/api/v1/sheets', [
                'vehicle_id' => $vehicle->id,
                'on' => '2026-11-26',
                'crew' => 1,
            ])
                ->assertCreated()
                ->json('id');
            $this->post(
                "/api/v1/vehicles/{$vehicle->id}/photos",
                [
                    'file' => UploadedFile::fake()->image('a.jpg', 64, 48),
                    'id' => Str::uuid7()->toString(),
                    'zone' => 'paint',
                    'stage' => 'before',
                    'taken_at' => '2026-11-25T10:00:00Z',
                    'sheet_id' => $sheet,
                ],
                ['Accept' => 'application/json'],
            )->assertCreated();
            $this->putJson('/api/v1/load/ticks', [
                'from' => '2026-11-26',
                'to' => '2026-11-26',
                'line' => "product:{$topper->id}",
                'ticked' => true,
            ])->assertNoContent();
        }
        $this->postJson("/api/v1/gear/{$towels}/events", [
            'kind' => 'bought',
            'facts' => ['count' => 3],
        ])->assertCreated();
        $this->postJson('/api/v1/water/readings', [
            'point' => 'tap',
            'site_id' => $site,
            'tds_mg_l' => 123.4,
        ])->assertCreated();
        $this->putJson('/api/v1/round', ['on' => '2026-11-27', 'vehicle_ids' => [$vehicle->id]])->assertOk();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $this->postJson('/api/v1/quotes', [
            'title' => 'A year',
            'client_id' => $client,
            'vehicles' => [['vehicle_id' => $vehicle->id]],
        ])->assertCreated();
    }

    /**
     * What an archive says, with each id named by where its row stands.
     *
     * @param array<string, mixed> $data
     */
    private function plain(array $data): mixed
    {
        $names = [];
        foreach ($data['tables'] as $table => $rows) {
            foreach ($rows as $i => $row) {
                if (isset($row['id'])) {
                    $names[$row['id']] = "{$table}#{$i}";
                }
            }
        }
        foreach ($data['people'] as $person) {
            $names[$person['id']] = 'person ' . $person['name'];
        }
        $text = (string) json_encode($data['tables'], JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);

        return json_decode(
            (string) preg_replace_callback(
                '/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/',
                static fn(array $m): string => $names[$m[0]] ?? $m[0],
                $text,
            ),
            true,
        );
    }
}
