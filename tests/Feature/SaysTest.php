<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Record\Sheet;
use App\Record\TurnEntry;
use App\Says\Language;
use App\Says\Teller;
use App\Tenancy\User;
use Illuminate\Support\Facades\Auth;
use MessageFormatter;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use Tests\TestCase;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Units\Measures;

/** The rules speak in codes; words come from one catalogue, in the language of whoever reads. */
final class SaysTest extends TestCase
{
    /** What only the desk sees is in English as yet. */
    private const DESK = '/^(numbers|alternatives|reasons|drill)\./';

    public function testEveryCodeIsSaidAndNothingIsSaidThatNobodySays(): void
    {
        $codes = [];
        foreach (['app', 'core/src', 'resources/views'] as $folder) {
            foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(base_path($folder))) as $file) {
                if (str_ends_with((string) $file, '.php')) {
                    preg_match_all(
                        "/(?:Said::of|\\bsay)\\(\\s*(?:\\\$\\w+ \\? )?'([a-z-]+\\.[a-zA-Z0-9-]+)'(?:\\s*:\\s*'([a-z-]+\\.[a-z-]+)')?/",
                        (string) file_get_contents((string) $file),
                        $found,
                    );
                    $codes = [...$codes, ...$found[1], ...array_filter($found[2])];
                }
            }
        }
        $codes = array_values(array_unique($codes));
        self::assertGreaterThan(800, count($codes));
        $english = Teller::catalogue(Language::English);
        $german = Teller::catalogue(Language::German);
        self::assertSame([], array_values(array_diff($codes, array_keys($english))));
        self::assertSame([], array_keys(array_diff_key($german, $english)));
        self::assertSame(
            [],
            array_values(
                array_filter(
                    array_keys(array_diff_key($english, $german)),
                    static fn(string $code): bool => preg_match(self::DESK, $code) !== 1,
                ),
            ),
        );
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
            $plan = (string) json_encode(Sheet::query()->findOrFail($id)->plan);
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

    public function testWhoHasNotChosenReadsAsTheirBrowserDoes(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        self::assertNull($this->getJson('/api/v1/me')->assertOk()->json('language'));
        $schools = fn(string $wish): mixed => $this->getJson('/api/v1/schools', ['Accept-Language' => $wish])
            ->assertOk()
            ->json();
        self::assertStringContainsString(
            'Räder zuerst',
            (string) json_encode($schools('de-AT,en;q=0.5'), JSON_UNESCAPED_UNICODE),
        );
        self::assertStringContainsString('Wheels first', (string) json_encode($schools('fr'), JSON_UNESCAPED_UNICODE));
        $this->patchJson('/api/v1/me', ['language' => 'de'])->assertOk();
        self::assertStringContainsString('Räder zuerst', (string) json_encode($schools('en'), JSON_UNESCAPED_UNICODE));
        $this->assertProblem($this->patchJson('/api/v1/me', ['language' => 'fr']), 422, '', '/language');
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
