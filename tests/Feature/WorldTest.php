<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\InterfacePlaces;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** Open to the world: names, proxies, headers and addresses as strangers try them. */
final class WorldTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function addresses(): iterable
    {
        yield 'behind TLS, as docs/operations.md says' => ['https://wash.example', 'https://wash.example'];
        yield 'behind TLS at another port' => ['https://wash.example:8443', 'https://wash.example:8443'];
        yield 'the machine by its name' => ['https://wash.example', 'http://localhost:8680'];
        yield 'with a port' => ['http://127.0.0.1:8680', 'http://127.0.0.1:8680'];
    }

    #[DataProvider('addresses')]
    public function testSigningInWorksFromWhateverAddressPeopleType(string $url, string $origin): void
    {
        config(['app.url' => $url]);
        [$owner] = $this->business();
        $from = ['Origin' => $origin, 'Referer' => "{$origin}/sign-in"];
        $this->postJson(
            "{$origin}/api/v1/auth/sign-in",
            ['email' => $owner->email, 'password' => 'sea-pink-tide'],
            $from,
        )->assertNoContent();
        $this->getJson("{$origin}/api/v1/me", $from)->assertOk();
    }

    /** What came in from elsewhere, or from nowhere, is told so: it was a fault before. */
    #[TestWith(['auth/sign-in'])]
    #[TestWith(['auth/register'])]
    #[TestWith(['auth/join'])]
    public function testOnlyThePageItselfSignsIn(string $path): void
    {
        $this->flushHeaders();
        foreach ([[], ['Origin' => 'https://elsewhere.example']] as $from) {
            $this->assertProblem($this->postJson("/api/v1/{$path}", ['token' => 'x'], $from), 403, 'page itself');
        }
    }

    #[TestWith(['other.example'])]
    #[TestWith(['wash.example.other.example'])]
    public function testNothingIsAnsweredUnderAnotherName(string $host): void
    {
        config(['app.url' => 'https://wash.example']);
        $this->assertProblem($this->getJson("http://{$host}/api/v1/me"), 421, 'under this name');
        $this->get("http://{$host}/")
            ->assertStatus(421)
            ->assertHeader('Content-Security-Policy');
        $this->get('https://wash.example/')->assertOk();
    }

    /** Each of many guesses claims another address; only a proxy that is named is believed. */
    #[TestWith(['', 429])]
    #[TestWith(['127.0.0.1', 422])]
    public function testWhoIsCountedIsNobodysToChoose(string $proxies, int $seventh): void
    {
        config(['trustedproxy.proxies' => array_filter(explode(',', $proxies))]);
        [$owner] = $this->business();
        for ($try = 0; $try < 7; $try++) {
            $this->postJson(
                '/api/v1/auth/sign-in',
                ['email' => $owner->email, 'password' => "guess {$try}"],
                [
                    'Origin' => config()->string('app.url'),
                    'X-Forwarded-For' => "203.0.113.{$try}",
                    'X-Forwarded-Host' => 'firm.on-forge.com',
                ],
            )->assertStatus($try < 6 ? 422 : $seventh);
        }
    }

    public function testPrivateAnswersAreKeptNowhereAndForNobodyElse(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $this->getJson('/api/v1/me', ['Origin' => 'https://elsewhere.example'])
            ->assertOk()
            ->assertHeader('Cache-Control', 'no-store, private')
            ->assertHeaderMissing('Access-Control-Allow-Origin')
            ->assertHeaderMissing('Strict-Transport-Security');
        config(['app.url' => 'https://wash.example']);
        $this->getJson('https://wash.example/api/v1/me')->assertHeader('Strict-Transport-Security', 'max-age=31536000');
    }

    public function testWhatIsNotThereSaysSo(): void
    {
        foreach (
            ['/metrics', '/wp-login.php', '/sheets.map.js', '/favicon.ico', '/backup.sql', '/nowhere/at/all']
            as $path
        ) {
            $this->get($path)->assertNotFound();
        }
        $this->getJson('/api/v1/nowhere')->assertNotFound();
        foreach (['/', '/weeks', '/sheets/12', '/workspace/archive'] as $path) {
            $this->get($path)->assertOk();
        }
    }

    public function testEveryPlaceOfTheInterfaceHasAnAddressHere(): void
    {
        $written =
            file_get_contents(base_path('resources/ui/router.ts')) .
            file_get_contents(base_path('resources/ui/routes.ts'));
        preg_match_all("~path: '/([a-z-]+)~", $written, $found);
        $first = array_values(array_unique($found[1]));
        sort($first);
        self::assertSame(InterfacePlaces::FIRST, $first);
    }
}
