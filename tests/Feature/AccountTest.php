<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Door\PasswordRules;
use App\Door\RedisSessions;
use App\Door\SessionBook;
use App\Door\TakeAway;
use App\Door\TimedCode;
use App\Letters\MailMessenger;
use App\Standins\Messenger;
use App\Tenancy\Membership;
use App\Tenancy\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** An account one can keep, and leave: what changes, what is asked again, what ends with what. */
final class AccountTest extends TestCase
{
    private const PASSWORD = 'sea-pink-tide';

    protected function setUp(): void
    {
        parent::setUp();
        // How often one may try is DoorTest's.
        config(['vicissa.limits.sign_in' => 1000]);
    }

    /** RFC 6238, appendix B: the last six of the eight digits there, SHA-1. */
    #[TestWith([59, '94287082'])]
    #[TestWith([1_111_111_109, '07081804'])]
    #[TestWith([1_111_111_111, '14050471'])]
    #[TestWith([1_234_567_890, '89005924'])]
    #[TestWith([2_000_000_000, '69279037'])]
    #[TestWith([20_000_000_000, '65353130'])]
    public function testCodesAreThoseOfTheStandard(int $time, string $code): void
    {
        self::assertSame($code, TimedCode::at('12345678901234567890', intdiv($time, TimedCode::STEP_S), 8));
        self::assertSame(
            intdiv($time, 30),
            TimedCode::step('12345678901234567890', substr($code, 2), $time, 0),
            'good now',
        );
        self::assertNull(
            TimedCode::step('12345678901234567890', substr($code, 2), $time, intdiv($time, 30)),
            'not twice',
        );
        self::assertNull(TimedCode::step('12345678901234567890', substr($code, 2), $time + 90, 0), 'nor late');
    }

    /** RFC 4648, section 10. */
    #[TestWith(['', ''])]
    #[TestWith(['f', 'MY'])]
    #[TestWith(['fo', 'MZXQ'])]
    #[TestWith(['foo', 'MZXW6'])]
    #[TestWith(['foob', 'MZXW6YQ'])]
    #[TestWith(['fooba', 'MZXW6YTB'])]
    #[TestWith(['foobar', 'MZXW6YTBOI'])]
    public function testSecretsAreWrittenAsAppsReadThem(string $bytes, string $text): void
    {
        self::assertSame($text, $bytes === '' ? '' : TimedCode::base32($bytes));
    }

    public function testACodeIsAskedForOnceItIsOnAndIsGoodOnce(): void
    {
        [$owner] = $this->business();
        [$secret, $codes] = $this->secondOf($owner);
        self::assertCount(8, $codes);
        self::assertStringNotContainsString($codes[0], (string) json_encode(DB::table('recovery_codes')->get()));
        $this->assertProblem($this->enter($owner), 422, 'authenticator app', '/code');
        $this->assertProblem($this->enter($owner, '000000'), 422, 'not good', '/code');
        $this->clock->sleep(60);
        $code = TimedCode::at($secret, intdiv($this->clock->now()->getTimestamp(), 30));
        $this->enter($owner, $code)->assertNoContent();
        $this->assertProblem($this->enter($owner, $code), 422, 'not good', '/code');
        $this->enter($owner, $codes[3])->assertNoContent();
        $this->assertProblem($this->enter($owner, $codes[3]), 422, 'not good', '/code');
        // The password alone is not enough to come in by an invitation either.
        self::assertSame(7, $this->actingAs($owner)->getJson('/api/v1/me/account')->json('recovery_left'));
        $this->assertProblem(
            $this->postJson('/api/v1/me/second/end', ['password' => 'guess']),
            422,
            'not your password',
        );
        $this->postJson('/api/v1/me/second/end', ['password' => self::PASSWORD])->assertJsonPath('second', false);
    }

    public function testAnotherPasswordEndsEverythingElse(): void
    {
        [$owner, $workspace] = $this->business();
        $this->sessionOf($owner, 'elsewhere');
        $this->actingAs($owner);
        $token = $this->postJson('/api/v1/tokens', ['name' => 'x', 'abilities' => ['read']])->json('secret');
        $change = fn(array $facts) => $this->postJson('/api/v1/me/password', [
            'current' => self::PASSWORD,
            'password' => 'kelp-and-barnacle',
            ...$facts,
        ]);
        $this->assertProblem($change(['current' => 'guess']), 422, 'not your password', '/current');
        $this->assertProblem($change(['password' => 'short-one']), 422, '12 characters', '/password');
        $this->assertProblem($change(['password' => 'Passw0rd12345!']), 422, 'what everybody takes', '/password');
        $change([])->assertNoContent();
        self::assertTrue(Hash::check('kelp-and-barnacle', $owner->refresh()->password));
        self::assertNotContains('elsewhere', $this->open($owner));
        self::assertSame(0, DB::table('personal_access_tokens')->where('workspace_id', $workspace->id)->count());
        Auth::forgetGuards();
        $this->flushHeaders()
            ->getJson('/api/v1/me', ['Authorization' => "Bearer {$token}"])
            ->assertUnauthorized();
    }

    public function testANewAddressIsConfirmedByWhoeverReadsIt(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $before = $owner->email;
        $letters = $this->letters();
        $this->assertProblem(
            $this->postJson('/api/v1/me/email', ['email' => 'new@example.test', 'password' => 'guess']),
            422,
            'not your password',
        );
        $this->postJson('/api/v1/me/email', ['email' => 'New@Example.test', 'password' => self::PASSWORD])->assertJson([
            'email' => $before,
            'new_email' => 'new@example.test',
        ]);
        self::assertSame(['new@example.test', $before], array_column($letters->sent, 0), 'the old one hears of it');
        preg_match('/token=(\w+)/', $letters->sent[0][2], $found);
        $this->assertProblem($this->postJson('/api/v1/auth/confirm-email', ['token' => 'x']), 422, 'run out');
        $this->postJson('/api/v1/auth/confirm-email', ['token' => $found[1] ?? ''])->assertNoContent();
        self::assertSame('new@example.test', $owner->refresh()->email);
        $this->assertProblem(
            $this->postJson('/api/v1/auth/confirm-email', ['token' => $found[1] ?? '']),
            422,
            'been used',
        );
    }

    public function testALostPhoneIsShutOut(): void
    {
        [$owner] = $this->business();
        $this->sessionOf($owner, 'phone');
        $this->sessionOf($owner, 'tablet');
        $this->actingAs($owner);
        $remembered = $owner->refresh()->getRememberToken();
        $open = $this->getJson('/api/v1/me/sessions')->json('data');
        self::assertStringNotContainsString('tablet', (string) json_encode(array_column($open, 'id')));
        $phone = substr(hash('sha256', 'phone'), 0, 24);
        $this->deleteJson("/api/v1/me/sessions/{$phone}")->assertNoContent();
        self::assertContains('tablet', $this->open($owner));
        self::assertNotContains('phone', $this->open($owner));
        self::assertNotSame($remembered, $owner->refresh()->getRememberToken(), 'it does not come back by itself');
        $this->deleteJson('/api/v1/me/sessions')->assertNoContent();
        self::assertNotContains('tablet', $this->open($owner));
        [$another] = $this->business('Another');
        $this->sessionOf($another, 'theirs');
        $this->actingAs($owner)->deleteJson('/api/v1/me/sessions/' . substr(hash('sha256', 'theirs'), 0, 24));
        self::assertSame(['theirs'], $this->open($another), 'one’s own only');
    }

    public function testWhoeverIsRemovedTakesAlongWhatTheyOpened(): void
    {
        [$owner, $workspace] = $this->business();
        $tam = $this->technician($workspace);
        $car = $this->vehicle($workspace);
        $this->actingAs($tam);
        $feed = $this->postJson('/api/v1/feeds', ['name' => 'Mine'])
            ->assertCreated()
            ->json('url');
        $link = $this->postJson("/api/v1/vehicles/{$car->id}/record-links", ['kind' => 'year'])
            ->assertCreated()
            ->json('url');
        $this->sessionOf($tam, 'tams-phone');
        $this->actingAs($owner);
        self::assertSame(
            [$tam->name],
            array_column($this->getJson('/api/v1/feeds')->assertOk()->json('data'), 'made_by'),
        );
        self::assertSame([$tam->name], array_column($this->getJson('/api/v1/record-links')->json('data'), 'made_by'));
        $member = $this->inside(
            $workspace,
            static fn(): string => (string) DB::table('memberships')->where('user_id', $tam->id)->value('id'),
        );
        $this->deleteJson("/api/v1/members/{$member}")->assertNoContent();
        $this->get((string) parse_url($feed, PHP_URL_PATH))->assertNotFound();
        $this->getJson('/api/v1/records/' . basename($link))->assertNotFound();
        self::assertSame([], $this->open($tam));
        $this->actingAs($tam)->getJson('/api/v1/me')->assertForbidden();
        $trail = $this->actingAs($owner)->getJson('/api/v1/trail')->json('data');
        self::assertContains('member-removed', array_column($trail, 'kind'));
        self::assertContains('feed-made', array_column($trail, 'kind'));
    }

    /** What is shown once is kept as only we can read it, and a repeat is told it again all the same. */
    public function testARepeatedAnswerKeepsNoSecretInPlainText(): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $this->actingAs($owner);
        foreach (
            [
                ['tokens', ['name' => 'x', 'abilities' => ['read']], 'secret'],
                ['feeds', ['name' => 'x'], 'url'],
                ["vehicles/{$car->id}/record-links", ['kind' => 'year'], 'url'],
            ]
            as [$path, $body, $shown]
        ) {
            $once = ['Idempotency-Key' => "once {$path}"];
            $secret = (string) $this->postJson("/api/v1/{$path}", $body, $once)
                ->assertCreated()
                ->json($shown);
            self::assertSame($secret, $this->postJson("/api/v1/{$path}", $body, $once)->json($shown), $path);
            $kept = $this->inside(
                $workspace,
                static fn(): string => (string) json_encode(DB::table('idempotency_keys')->get()),
            );
            self::assertStringNotContainsString(basename($secret), $kept, $path);
            self::assertStringNotContainsString(substr((string) strrchr("|{$secret}", '|'), 1), $kept, $path);
        }
    }

    /** Whatever is noted at the door has words in the trail. */
    public function testEverythingThatIsNotedCanBeTold(): void
    {
        $noted = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(app_path())) as $file) {
            if (str_ends_with((string) $file, '.php')) {
                preg_match_all("/->note\\(\\s*'([a-z-]+)'/", (string) file_get_contents((string) $file), $found);
                $noted = [...$noted, ...$found[1]];
            }
        }
        self::assertGreaterThan(20, count(array_unique($noted)));
        $words = require lang_path('en/says.php');
        foreach (array_unique($noted) as $kind) {
            self::assertArrayHasKey("trail.{$kind}", $words);
        }
    }

    public function testSigningOutClearsWhatTheBrowserKeeps(): void
    {
        [$owner] = $this->business();
        $this->enter($owner)->assertNoContent();
        $this->postJson('/api/v1/auth/sign-out')->assertNoContent()->assertHeader('Clear-Site-Data', '"cache"');
    }

    public function testOneAddressDoesNotBeginBusinessesWithoutEnd(): void
    {
        config(['vicissa.limits.registrations' => 2]);
        $begin = fn(int $n) => $this->postJson('/api/v1/auth/register', [
            'name' => 'A',
            'workspace' => 'A',
            'email' => "begin{$n}@example.test",
            'password' => self::PASSWORD,
        ]);
        $begin(1)->assertCreated();
        $begin(2)->assertCreated();
        $begin(3)->assertTooManyRequests();
    }

    public function testATokenEndsAndMakesNoOther(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $made = $this->postJson('/api/v1/tokens', [
            'name' => 'x',
            'abilities' => ['read', 'write'],
            'days' => 2,
        ])->json();
        self::assertSame('2026-11-27T12:00:00Z', $made['expires_at']);
        self::assertSame($owner->name, $made['made_by']);
        $this->assertProblem(
            $this->postJson('/api/v1/tokens', ['name' => 'x', 'abilities' => ['read'], 'days' => 4000]),
            422,
            '366',
        );
        Auth::forgetGuards();
        $as = ['Authorization' => "Bearer {$made['secret']}"];
        foreach ([[], self::FROM_PAGE] as $from) {
            $this->flushHeaders()->flushSession();
            $this->getJson('/api/v1/vehicles', [...$as, ...$from])->assertOk();
            foreach (['messages', 'invitations', 'tokens', 'me/account', 'me/sessions', 'trail'] as $path) {
                $this->assertProblem($this->getJson("/api/v1/{$path}", [...$as, ...$from]), 403, 'page itself');
            }
            $this->assertProblem(
                $this->postJson('/api/v1/tokens', ['name' => 'y', 'abilities' => ['write']], [...$as, ...$from]),
                403,
                'page itself',
            );
        }
        $this->travelTo($this->clock->now()->modify('+3 days'));
        Auth::forgetGuards();
        $this->getJson('/api/v1/vehicles', $as)->assertUnauthorized();
    }

    /** Without mail an owner hands on a link for a new password; never one that opens another's door too. */
    public function testAnOwnerHandsOnALinkForANewPassword(): void
    {
        [$owner, $workspace] = $this->business();
        $tam = $this->technician($workspace);
        $member = fn(User $user): string => $this->inside(
            $workspace,
            static fn(): string => Membership::query()->where('user_id', $user->id)->sole()->id,
        );
        $ask = fn(User $whose): TestResponse => $this->postJson("/api/v1/members/{$member($whose)}/reset-link");
        $this->actingAs($owner);
        $url = (string) $ask($tam)->assertCreated()->json('url');
        parse_str((string) parse_url($url, PHP_URL_QUERY), $with);
        $trail = $this->getJson('/api/v1/trail')->json('data.0');
        self::assertSame('Made a link for somebody’s new password', $trail['says']);
        self::assertIsString($with['token'] ?? null);
        self::assertStringNotContainsString($with['token'], (string) json_encode($trail));
        $this->assertProblem($ask($owner), 409, 'Your own password');
        $this->actingAs($tam);
        $ask($owner)->assertForbidden();
        Auth::forgetGuards();
        $this->flushSession();
        $this->postJson('/api/v1/auth/reset', [...$with, 'password' => 'thrift-and-campion'])->assertSuccessful();
        $this->postJson('/api/v1/auth/sign-in', [
            'email' => $tam->email,
            'password' => 'thrift-and-campion',
        ])->assertSuccessful();

        [, $other] = $this->business('Elsewhere');
        $this->inside(
            $other,
            static fn() => Membership::query()->create(['user_id' => $tam->id, 'role' => 'technician']),
        );
        $this->actingAs($owner);
        $this->assertProblem($ask($tam), 409, 'another business');
        config(['vicissa.messenger' => MailMessenger::class]);
        $this->assertProblem($ask($tam), 409, 'Mail is set up');
    }

    public function testAnAccountGoesAfterItsDaysAndNobodyIsNamed(): void
    {
        [$owner, $workspace] = $this->business();
        $tam = $this->technician($workspace);
        $this->assertProblem(
            $this->actingAs($owner)->postJson('/api/v1/me/leave', ['password' => self::PASSWORD]),
            409,
            'only owner',
        );
        $tam->update(['password' => self::PASSWORD]);
        $this->actingAs($tam);
        $this->postJson('/api/v1/me/leave', ['password' => self::PASSWORD])->assertJsonPath(
            'leaves_at',
            '2026-12-09T12:00:00Z',
        );
        $this->postJson('/api/v1/me/stay')->assertJsonPath('leaves_at', null);
        $this->postJson('/api/v1/me/leave', ['password' => self::PASSWORD]);
        $this->clock->sleep(13 * 86_400);
        app(TakeAway::class)();
        self::assertSame($tam->name, $tam->refresh()->name);
        $name = $tam->name;
        $this->clock->sleep(2 * 86_400);
        app(TakeAway::class)();
        self::assertNotSame($name, $tam->refresh()->name);
        self::assertStringEndsWith('@gone.invalid', $tam->email);
        $this->assertProblem($this->enter($tam), 422, 'belong together');
        self::assertSame(1, $this->inside($workspace, static fn(): int => DB::table('memberships')->count()));
    }

    public function testAWorkspaceGoesAfterItsDaysWithAllThatIsInIt(): void
    {
        Storage::fake('photos');
        [$owner, $workspace] = $this->business('Marram');
        [, $other] = $this->business('Another');
        $this->vehicle($workspace);
        $this->vehicle($other);
        Storage::disk('photos')->put("{$workspace->id}/a.jpg", 'a');
        $this->actingAs($owner);
        $this->assertProblem(
            $this->postJson('/api/v1/workspace/end', ['name' => 'Maram', 'password' => self::PASSWORD]),
            422,
            'Write its name',
        );
        $end = fn() => $this->postJson('/api/v1/workspace/end', ['name' => 'Marram', 'password' => self::PASSWORD]);
        $end()->assertJsonPath('ends_at', '2026-12-25T12:00:00Z');
        $this->postJson('/api/v1/workspace/keep')->assertJsonPath('ends_at', null);
        $end();
        $this->clock->sleep(31 * 86_400);
        app(TakeAway::class)();
        self::assertSame(
            0,
            $this->inside($other, static fn(): int => DB::table('workspaces')->where('id', $workspace->id)->count()),
        );
        self::assertSame(1, $this->inside($other, static fn(): int => DB::table('vehicles')->count()));
        self::assertSame([], Storage::disk('photos')->allFiles());
        $this->getJson('/api/v1/me')->assertForbidden();
    }

    public function testWhereNobodyBeginsNobodyBegins(): void
    {
        config(['vicissa.registration' => 'invited']);
        $this->getJson('/api/v1/auth/door')->assertExactJson(['registration' => 'invited']);
        $this->assertProblem(
            $this->postJson('/api/v1/auth/register', [
                'name' => 'A',
                'workspace' => 'A',
                'email' => 'a@example.test',
                'password' => self::PASSWORD,
            ]),
            403,
            'not begun here',
        );
    }

    #[TestWith(['passwordpassword'])]
    #[TestWith(['P4ssw0rd!2026!!'])]
    #[TestWith(['qwertyuiop123456'])]
    #[TestWith(['willkommen2026!'])]
    #[TestWith(['aaaaaaaaaaaaaa'])]
    #[TestWith(['123456789012345'])]
    #[TestWith(['rhona.aird-2026'])]
    #[TestWith(['correcthorsebatterystaple'])]
    public function testWhatEverybodyTakesIsRefused(string $password): void
    {
        self::assertTrue(PasswordRules::isCommon($password, ['Rhona Aird', 'rhona@marram-sedge.example']));
    }

    #[TestWith(['sea-pink-tide'])]
    #[TestWith(['kelp-and-barnacle'])]
    #[TestWith(['nine otters rowed home'])]
    #[TestWith(['Zjq7_vkPw2mxR4'])]
    public function testAFewWordsAreGood(string $password): void
    {
        self::assertFalse(PasswordRules::isCommon($password, ['Rhona Aird', 'rhona@marram-sedge.example']));
    }

    /** @return array{string, list<string>} the secret, and codes for when the app is lost */
    private function secondOf(User $user): array
    {
        $this->actingAs($user);
        $this->assertProblem($this->postJson('/api/v1/me/second', ['password' => 'guess']), 422, 'not your password');
        $begun = $this->postJson('/api/v1/me/second', ['password' => self::PASSWORD])
            ->assertOk()
            ->json();
        self::assertStringStartsWith('otpauth://totp/Vicissa%3A', $begun['link']);
        // What an app does with it: five bits a letter.
        $bits = '';
        foreach (str_split($begun['secret']) as $letter) {
            $bits .= str_pad(decbin((int) strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $letter)), 5, '0', STR_PAD_LEFT);
        }
        $secret = implode(
            '',
            array_map(static fn(string $byte): string => chr((int) bindec($byte)), str_split($bits, 8)),
        );
        self::assertSame(20, strlen($secret));
        self::assertStringNotContainsString($begun['secret'], (string) $user->refresh()->second_secret);
        $this->enter($user)->assertNoContent();
        $this->actingAs($user);
        $codes = $this->postJson('/api/v1/me/second/confirm', [
            'code' => TimedCode::at($secret, intdiv($this->clock->now()->getTimestamp(), 30)),
        ])
            ->assertOk()
            ->json('codes');

        return [$secret, $codes];
    }

    /** @return TestResponse<Response> */
    private function enter(User $user, ?string $code = null): TestResponse
    {
        Auth::forgetGuards();
        $this->flushSession();

        return $this->postJson('/api/v1/auth/sign-in', [
            'email' => $user->email,
            'password' => self::PASSWORD,
            ...$code === null ? [] : ['code' => $code],
        ]);
    }

    private function sessionOf(User $user, string $id): void
    {
        if (config('session.driver') === 'redis-listed') {
            $whose = ['user' => $user->id, 'address' => '203.0.113.9', 'agent' => 'A phone'];
            (new RedisSessions(app('redis')->connection(), $this->clock, 3600, static fn(): array => $whose))->write(
                $id,
                'x',
            );

            return;
        }
        DB::table('sessions')->insert([
            'id' => $id,
            'user_id' => $user->id,
            'ip_address' => '203.0.113.9',
            'user_agent' => 'A phone',
            'payload' => '',
            'last_activity' => $this->clock->now()->getTimestamp(),
        ]);
    }

    /** @return list<string> */
    private function open(User $user): array
    {
        return array_column(app(SessionBook::class)->of($user->id), 'id');
    }

    private function letters(): Letters
    {
        $letters = new Letters();
        $this->app->instance(Messenger::class, $letters);

        return $letters;
    }
}
