<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Client;
use App\Record\Sheet;
use App\Record\TurnEntry;
use App\Says\Language;
use App\Says\Teller;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use MessageFormatter;
use PhpParser\Node;
use PhpParser\Node\Expr\MethodCall;
use PhpParser\Node\Expr\StaticCall;
use PhpParser\Node\Identifier;
use PhpParser\Node\Name;
use PhpParser\Node\Scalar\String_;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use Tests\TestCase;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Units\Measures;

/** The rules speak in codes; words come from one catalogue, in the language of whoever reads. */
final class SaysTest extends TestCase
{
    public function testEveryCodeIsSaidAndNothingIsSaidThatNobodySays(): void
    {
        $codes = [];
        $parser = (new ParserFactory())->createForHostVersion();
        $finder = new NodeFinder();
        foreach (['app', 'core/src'] as $folder) {
            foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(base_path($folder))) as $file) {
                if (!str_ends_with((string) $file, '.php')) {
                    continue;
                }
                $source = (string) file_get_contents((string) $file);
                $calls =
                    str_contains($source, 'Said::of') || str_contains($source, 'say(')
                        ? $finder->find($parser->parse($source) ?? [], $this->saysSomething(...))
                        : [];
                /** @var StaticCall|MethodCall $call */
                foreach ($calls as $call) {
                    // Either of two codes may stand there.
                    $codes = [
                        ...$codes,
                        ...array_map(
                            static fn(String_ $one): string => $one->value,
                            $finder->findInstanceOf([$call->args[0]], String_::class),
                        ),
                    ];
                }
            }
        }
        preg_match_all(
            "/say\\((?:\\$\\w+ \\? )?'([a-z-]+\\.[a-z-]+)'(?: : '([a-z-]+\\.[a-z-]+)')?/",
            implode('', array_map(file_get_contents(...), glob(resource_path('views/print/*.blade.php')) ?: [])),
            $printed,
        );
        $codes = [...$codes, ...$printed[1], ...array_filter($printed[2])];
        $codes = preg_grep('/^[a-z][a-z-]*\./', array_unique($codes)) ?: [];
        self::assertGreaterThan(800, count($codes));
        $english = Teller::catalogue(Language::English);
        $german = Teller::catalogue(Language::German);
        // 'volume.' . $unit: whatever begins so.
        $known = static fn(string $code): bool => str_ends_with($code, '.')
            ? array_filter(array_keys($english), static fn(string $one): bool => str_starts_with($one, $code)) !== []
            : isset($english[$code]);
        self::assertSame([], array_values(array_filter($codes, static fn(string $code): bool => !$known($code))));
        self::assertSame([], array_keys(array_diff_key($german, $english)));
        self::assertSame([], array_keys(array_diff_key($english, $german)));
    }

    /** Words stand in the catalogue and nowhere else: whoever writes a sentence into the code is found here. */
    public function testNoSentenceStandsInTheCode(): void
    {
        $parser = (new ParserFactory())->createForHostVersion();
        $finder = new NodeFinder();
        $found = [];
        foreach (['app', 'core/src'] as $folder) {
            foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(base_path($folder))) as $file) {
                // The console and the API document speak to developers; so does the check of a plan.
                if (
                    preg_match('~(?<!Console/Commands|Http/Schemas)/[^/]+(?<!PlanCheck)\.php$~', (string) $file) !== 1
                ) {
                    continue;
                }
                $tree = $parser->parse((string) file_get_contents((string) $file)) ?? [];
                $silent = $finder->find(
                    $tree,
                    static fn(Node $node): bool => $node instanceof Node\Attribute ||
                        ($node instanceof Node\Expr\New_ &&
                            $node->class instanceof Name &&
                            preg_match('/(Logic|Runtime|InvalidArgument)Exception$/', $node->class->toString()) === 1),
                );
                $unheard = array_map(spl_object_id(...), $finder->find($silent, static fn(): bool => true));
                foreach (
                    $finder->find(
                        $tree,
                        static fn(Node $node): bool => $node instanceof String_ ||
                            $node instanceof Node\InterpolatedStringPart,
                    )
                    as $text
                ) {
                    /** @var String_|Node\InterpolatedStringPart $text */
                    if (
                        !in_array(spl_object_id($text), $unheard, true) &&
                        preg_match('/^[^=]*\p{L}{2,} \p{L}+ [^=]*[.?!:]\s*$/su', $text->value) === 1
                    ) {
                        $found[] = basename((string) $file) . ': ' . $text->value;
                    }
                }
            }
        }
        self::assertSame([], $found);
    }

    private function saysSomething(Node $node): bool
    {
        return ($node instanceof StaticCall &&
            $node->class instanceof Name &&
            $node->class->getLast() === 'Said' &&
            $node->name instanceof Identifier &&
            $node->name->name === 'of') ||
            ($node instanceof MethodCall && $node->name instanceof Identifier && $node->name->name === 'say');
    }

    /** A fact that is counted in one place and only named in another breaks a sentence when it is said, not before. */
    public function testEveryPatternCanBeSaid(): void
    {
        $broken = [];
        foreach (['en', 'de'] as $language) {
            foreach (require base_path("lang/{$language}/says.php") as $code => $pattern) {
                preg_match_all('/\{(\w+)[,}]/', $pattern, $facts);
                $formatter = new MessageFormatter($language, $pattern);
                if ($formatter->format(array_fill_keys($facts[1], 2)) === false) {
                    $broken[] = "{$language} {$code}: " . $formatter->getErrorMessage();
                }
            }
        }
        self::assertSame([], $broken);
    }

    public function testEveryPatternTakesTheSameFactsInEveryLanguage(): void
    {
        $english = Teller::catalogue(Language::English);
        foreach (Language::cases() as $language) {
            foreach (Teller::catalogue($language) as $code => $pattern) {
                $formatter = MessageFormatter::create($language->locale(), $pattern);
                self::assertNotNull($formatter, "{$language->value} {$code}");
                // What a pattern is not given stands there as its name in braces.
                preg_match_all('/\{(\w+)(?=[,}])/', (string) $formatter->format([]), $open);
                preg_match_all('/\{\'?\}?(\w+)(?=[,}\'])/', $english[$code], $named);
                self::assertSame([], array_diff($open[1], $named[1]), "{$language->value} {$code}");
            }
        }
    }

    public function testPluralsNumbersUnitsAndDaysAreThoseOfTheLanguage(): void
    {
        $en = new Teller(Language::English, Measures::Us);
        $de = new Teller(Language::German);
        self::assertSame('1 day', $en->say('topper-choice.days', days: 1));
        self::assertSame('3 Tagen', $de->say('topper-choice.days', days: 3));
        self::assertSame('20 mg/l, trocken 1,5 mg/m²', $de->say('final-rinse.amount', tds: 20, dried: 1.5));
        $hot = Said::of(
            'method-choice.the-panel-is-at-and-above',
            temperature: Amount::temperature(62.0),
            limit: Amount::temperature(50.0),
        );
        self::assertStringContainsString('at 144 °F, and above 122 °F', $en->tell($hot));
        self::assertStringContainsString('hat 62 °C, und über 50 °C', $de->tell($hot));
        self::assertSame(['20 Nov 2026', '20.11.2026'], [$en->day('2026-11-20'), $de->day('2026-11-20')]);
        self::assertSame('Dry', $en->say('ending.dry-go', mark: null));
        // Within another sentence English begins small; a German noun stays as it is.
        $none = Said::of('choice.none', for: Said::written('X'), none: Said::clause(Said::written('Eimer fehlt.')));
        self::assertSame(['X: eimer fehlt.', 'X: Eimer fehlt.'], [$en->tell($none), $de->tell($none)]);
    }

    public function testWhatWasKeptComesBackAsItWas(): void
    {
        $said = Said::after(
            Said::of('clash.lies', id: Said::of('step.wash'), minutes: 3),
            Said::list([
                'a',
                Said::of('urge.in-the-shade-the-panels', spoilt: null, temperature: Amount::temperature(3.5)),
            ]),
            null,
        );
        $kept = json_decode((string) json_encode($said), true);
        self::assertEquals($said, Said::kept($kept));
        $teller = new Teller(Language::German);
        self::assertSame($teller->tell($said), $teller->everywhere($kept));
        self::assertSame('In words, as it was once.', $teller->everywhere('In words, as it was once.'));
        self::assertEquals(Said::written('Old.'), Said::kept('Old.'));
    }

    public function testASheetIsReadByEachInTheirLanguageAndKeptInNone(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-06-01');
        $this->product($workspace, 'soap');
        $german = $this->reads($this->technician($workspace), 'de');
        $id = $this->as($german)
            ->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => '2026-11-26', 'crew' => 1])
            ->assertCreated()
            ->json('id');
        $names = fn(User $user): array => array_column(
            $this->as($user)
                ->getJson("/api/v1/sheets/{$id}")
                ->assertOk()
                ->json('plan.steps'),
            'name',
        );
        self::assertContains('Ankommen und schauen', $names($german));
        self::assertContains('Arrive and look', $names($owner));
        $this->inside($workspace, static function () use ($id): void {
            $plan = (string) json_encode(Sheet::query()->whereKey($id)->firstOrFail()->plan);
            self::assertStringContainsString('sequence.arrive-and-look', $plan);
            self::assertStringNotContainsString('Ankommen', $plan);
        });
        // A phone gives back what was kept off in the words it showed; what is written down are the codes.
        $this->as($german)
            ->postJson("/api/v1/sheets/{$id}/finish", [
                ...$this->turn(['worked_at' => '2026-11-25T09:00:00Z']),
                'refused' => [['what' => 'Ohne Wasser', 'why' => 'Da ist Sand.']],
            ])
            ->assertCreated();
        $this->inside($workspace, static function (): void {
            self::assertStringNotContainsString(
                'Da ist Sand',
                (string) json_encode(TurnEntry::query()->firstOrFail()->refused),
            );
        });
        self::assertStringStartsWith(
            '%PDF-',
            (string) $this->as($german)
                ->get("/api/v1/vehicles/{$vehicle->id}/record?kind=history", ['Accept' => 'application/pdf'])
                ->assertOk()
                ->getContent(),
        );
    }

    public function testAPhotoSaysWhenItWasTakenAndOfWhat(): void
    {
        $says = static fn(Language $language): array => array_map(
            static fn(string $stage): string => (new Teller($language))->say(
                'record.photo',
                stage: $stage,
                zone: 'wheels',
                note: '',
            ),
            ['before', 'during', 'after'],
        );
        self::assertSame(['before, wheels', 'during, wheels', 'after, wheels'], $says(Language::English));
        self::assertSame(['vorher, Räder', 'dabei, Räder', 'nachher, Räder'], $says(Language::German));
    }

    public function testWhatAnybodyPutInThatFormIsGivenBackAsItIs(): void
    {
        $teller = new Teller();
        foreach (
            [
                ['@said' => 'nobody.says-this'],
                ['@said' => 'written', 'text' => ['x']],
                ['@said' => 'choice.let-it-sit', 'time' => ['@amount' => 'furlongs', 'value' => 3]],
                ['@said' => 'day', 'on' => 'never'],
                ['@said' => 'after', 'each' => [['@said' => 'nobody.says-this']]],
            ]
            as $put
        ) {
            self::assertSame(['a' => $put], $teller->everywhere(['a' => $put]));
            $object = json_decode((string) json_encode($put));
            self::assertEquals($object, $teller->everywhere($object));
        }
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-06-01');
        $this->product($workspace, 'soap');
        $this->actingAs($owner);
        $id = $this->postJson('/api/v1/sheets', ['vehicle_id' => $vehicle->id, 'on' => '2026-11-26', 'crew' => 1])
            ->assertCreated()
            ->json('id');
        $this->postJson("/api/v1/sheets/{$id}/events", [
            'events' => [
                [
                    'id' => Str::uuid7()->toString(),
                    'device' => Str::uuid7()->toString(),
                    'seq' => 1,
                    'kind' => 'note',
                    'facts' => ['@said' => 'nobody.says-this', 'deep' => ['@said' => 'day', 'on' => '']],
                    'at' => '2026-11-26T09:00:00Z',
                ],
            ],
        ])->assertOk();
        $sheet = $this->getJson("/api/v1/sheets/{$id}")->assertOk();
        self::assertSame('Arrive and look', $sheet->json('plan.steps.0.name'));
        self::assertSame('nobody.says-this', $sheet->json('events.0.facts')['@said']);
    }

    public function testARecordIsReadInTheClientsLanguageAndTheHousesUnits(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2026-06-01');
        $this->actingAs($owner);
        $client = $this->postJson('/api/v1/clients', ['name' => 'Quayle', 'language' => 'de'])->json('id');
        $this->patchJson(
            "/api/v1/vehicles/{$vehicle->id}",
            ['client_id' => $client],
            ['If-Match' => '"' . $vehicle->version . '"'],
        )->assertOk();
        $this->inside($workspace, static fn() => $workspace->update(['units' => 'us']));
        // As a sheet keeps it: in codes.
        $hot = Said::of(
            'method-choice.the-panel-is-at-and-above',
            temperature: Amount::temperature(62.0),
            limit: Amount::temperature(50.0),
        );
        $turn = $this->inside(
            $workspace,
            fn(): string => app(FinishTurn::class)($vehicle->refresh(), $owner, [
                ...$this->turn(),
                'refused' => [['what' => Said::of('method.waterless'), 'why' => $hot]],
            ])->id,
        );
        $link = $this->postJson("/api/v1/vehicles/{$vehicle->id}/record-links", ['kind' => 'turn', 'turn_id' => $turn])
            ->assertCreated()
            ->json('url');
        Auth::forgetGuards();
        $record = $this->getJson('/api/v1/records/' . basename((string) $link), ['Accept-Language' => 'en'])
            ->assertOk()
            ->json();
        self::assertSame('de', $record['language']);
        self::assertSame('Viele Tücher', $record['turns'][0]['method']);
        self::assertStringContainsString('hat 144 °F', (string) $record['turns'][0]['refused'][0]['why']);
        // Of a client who has said nothing it is in that of the browser.
        $this->inside($workspace, static fn() => Client::query()->update(['language' => null]));
        $methods = fn(string $wish): mixed => $this->getJson('/api/v1/records/' . basename((string) $link), [
            'Accept-Language' => $wish,
        ])->json('turns.0.method');
        self::assertSame(['Viele Tücher', 'Many towels'], [$methods('de-AT,en;q=0.5'), $methods('en-GB')]);
    }

    public function testWhoeverIsInHasChosenAndAGuestReadsAsTheirBrowserDoes(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        self::assertNull($this->getJson('/api/v1/me')->assertOk()->json('language'));
        $schools = fn(): string => (string) json_encode(
            $this->getJson('/api/v1/schools', ['Accept-Language' => 'de-AT,en;q=0.5'])
                ->assertOk()
                ->json(),
            JSON_UNESCAPED_UNICODE,
        );
        // A desk that is half in one language and half in another helps nobody who did not ask for it.
        self::assertStringContainsString('Wheels first', $schools());
        $this->patchJson('/api/v1/me', ['language' => 'de'])->assertOk();
        self::assertStringContainsString('Räder zuerst', $schools());
        $this->assertProblem($this->patchJson('/api/v1/me', ['language' => 'fr']), 422, '', '/language');
        self::assertSame(
            [Language::German, Language::English, Language::English],
            [Language::among(['fr', 'de_AT']), Language::among(['en_US', 'de']), Language::among([])],
        );
        self::assertNotSame('', $workspace->id);
    }

    private function as(User $user): self
    {
        Auth::forgetGuards();
        $this->actingAs($user, 'web');

        return $this;
    }

    private function reads(User $user, string $language): User
    {
        $user->update(['language' => $language]);

        return $user;
    }
}
