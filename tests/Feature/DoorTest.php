<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Shelf\Product;
use App\Standins\OutboxMessage;
use App\Tenancy\Membership;
use App\Tenancy\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Coming in, going out, being invited, and what a technician may not do. */
final class DoorTest extends TestCase
{
    public function testSomeoneNewGetsAWorkspaceWithAShelf(): void
    {
        $me = $this->postJson(
            '/api/v1/auth/register',
            [
                'name' => 'Ola',
                'email' => 'Ola@Example.test',
                'password' => 'sea-pink-tide',
                'workspace' => 'Ola’s',
                'time_zone' => 'Pacific/Auckland',
                'units' => 'imperial',
            ],
            self::FROM_PAGE,
        )
            ->assertCreated()
            ->json();
        self::assertSame(
            ['owner', 'imperial', '°e', 'Pacific/Auckland', 'ola@example.test'],
            [
                $me['role'],
                $me['workspace']['units'],
                $me['workspace']['hardness_unit'],
                $me['workspace']['time_zone'],
                $me['email'],
            ],
        );
        self::assertNotEmpty($this->getJson('/api/v1/products', self::FROM_PAGE)->json('data'));
        $this->assertProblem(
            $this->postJson(
                '/api/v1/auth/register',
                ['name' => 'X', 'email' => 'OLA@example.test', 'password' => 'another-one-1', 'workspace' => 'X'],
                self::FROM_PAGE,
            ),
            422,
            'already someone with that address',
            '/email',
        );
    }

    public function testWhoeverFoundsABusinessWhileAnotherIsSignedInEntersAsThemselves(): void
    {
        [$owner] = $this->business();
        $this->postJson(
            '/api/v1/auth/sign-in',
            ['email' => $owner->email, 'password' => 'sea-pink-tide'],
            self::FROM_PAGE,
        )->assertNoContent();
        $this->postJson(
            '/api/v1/auth/register',
            ['name' => 'Ola', 'email' => 'ola@example.test', 'password' => 'sea-pink-tide', 'workspace' => 'Ola’s'],
            self::FROM_PAGE,
        )->assertCreated();
        self::assertSame('ola@example.test', $this->getJson('/api/v1/me', self::FROM_PAGE)->assertOk()->json('email'));
        self::assertNotEmpty($this->getJson('/api/v1/products', self::FROM_PAGE)->assertOk()->json('data'));
    }

    public function testSigningInAndOut(): void
    {
        [$owner] = $this->business();
        $this->assertProblem($this->getJson('/api/v1/me', self::FROM_PAGE), 401, 'not signed in');
        $this->assertProblem(
            $this->postJson('/api/v1/auth/sign-in', ['email' => $owner->email, 'password' => 'wrong'], self::FROM_PAGE),
            422,
            'belong together',
        );
        $this->postJson(
            '/api/v1/auth/sign-in',
            ['email' => mb_strtoupper($owner->email), 'password' => 'sea-pink-tide'],
            self::FROM_PAGE,
        )->assertNoContent();
        $this->getJson('/api/v1/me', self::FROM_PAGE)->assertOk();
        $this->postJson('/api/v1/auth/sign-out', [], self::FROM_PAGE)->assertNoContent();
        Auth::forgetGuards();
        $this->getJson('/api/v1/me', self::FROM_PAGE)->assertUnauthorized();
    }

    public function testGuessingIsSlowedDown(): void
    {
        [$owner] = $this->business();
        for ($try = 0; $try < 6; $try++) {
            $this->postJson(
                '/api/v1/auth/sign-in',
                ['email' => $owner->email, 'password' => "guess {$try}"],
                self::FROM_PAGE,
            )->assertUnprocessable();
        }
        $this->assertProblem(
            $this->postJson(
                '/api/v1/auth/sign-in',
                ['email' => $owner->email, 'password' => 'sea-pink-tide'],
                self::FROM_PAGE,
            ),
            429,
            'too often',
        );
    }

    public function testAForgottenPasswordComesByMessageAndWorksOnce(): void
    {
        [$owner, $workspace] = $this->business();
        $this->postJson('/api/v1/auth/forgot', ['email' => $owner->email], self::FROM_PAGE)->assertNoContent();
        $this->postJson('/api/v1/auth/forgot', ['email' => 'nobody@example.test'], self::FROM_PAGE)->assertNoContent();
        // The application can write such a message but not read it: not even the workspace's owner sees the link.
        self::assertSame(0, $this->inside($workspace, static fn() => OutboxMessage::query()->count()));

        $token = app('auth.password.broker')->createToken($owner);
        $reset = ['email' => $owner->email, 'token' => $token, 'password' => 'new-tide-table'];
        $this->assertProblem(
            $this->postJson('/api/v1/auth/reset', [...$reset, 'password' => 'short'], self::FROM_PAGE),
            422,
            '12 characters',
            '/password',
        );
        $this->postJson('/api/v1/auth/reset', $reset, self::FROM_PAGE)->assertNoContent();
        $this->assertProblem(
            $this->postJson('/api/v1/auth/reset', $reset, self::FROM_PAGE),
            422,
            'has been used',
            '/token',
        );
        $this->postJson(
            '/api/v1/auth/sign-in',
            ['email' => $owner->email, 'password' => 'new-tide-table'],
            self::FROM_PAGE,
        )->assertNoContent();
    }

    public function testAnInvitationBringsSomeoneInOnce(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner)
            ->postJson('/api/v1/invitations', ['email' => 'tam@example.test', 'role' => 'technician'])
            ->assertCreated();
        $token = $this->tokenSent();
        Auth::forgetGuards();
        $this->getJson("/api/v1/auth/invitation?token={$token}")
            ->assertOk()
            ->assertJson(['workspace' => 'Marram', 'role' => 'technician', 'known' => false]);
        $this->postJson(
            '/api/v1/auth/join',
            ['token' => $token, 'name' => 'Tam', 'password' => 'oyster-catcher'],
            self::FROM_PAGE,
        )->assertNoContent();
        $this->getJson('/api/v1/me', self::FROM_PAGE)
            ->assertOk()
            ->assertJson(['role' => 'technician', 'workspace' => ['id' => $workspace->id]]);
        $this->assertProblem(
            $this->postJson(
                '/api/v1/auth/join',
                ['token' => $token, 'name' => 'Eve', 'password' => 'oyster-catcher'],
                self::FROM_PAGE,
            ),
            422,
            'has been used',
            '/token',
        );
        $this->assertProblem($this->getJson('/api/v1/auth/invitation?token=guess'), 422, 'not known');
    }

    public function testAnOldInvitationIsRefused(): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner)
            ->postJson('/api/v1/invitations', ['email' => 'late@example.test', 'role' => 'owner'])
            ->assertCreated();
        $token = $this->tokenSent();
        $this->clock->modify('+15 days');
        $this->assertProblem($this->getJson("/api/v1/auth/invitation?token={$token}"), 422, 'run out');
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function ownersBusiness(): iterable
    {
        yield 'settings' => ['PATCH', '/api/v1/workspace', ['name' => 'Mine now']];
        yield 'invitations' => ['POST', '/api/v1/invitations', ['email' => 'x@example.test', 'role' => 'owner']];
        yield 'messages' => ['GET', '/api/v1/messages', []];
        yield 'tokens' => ['POST', '/api/v1/tokens', ['name' => 'x', 'abilities' => ['read']]];
        yield 'putting a vehicle away' => ['DELETE', '/api/v1/vehicles/{vehicle}', []];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('ownersBusiness')]
    public function testATechnicianWorksButDoesNotManage(string $method, string $path, array $body): void
    {
        [, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($this->technician($workspace));
        $this->assertProblem(
            $this->json($method, str_replace('{vehicle}', $vehicle->id, $path), $body, ['If-Match' => '"1"']),
            403,
            'Only the owner',
        );
        $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn())->assertCreated();
    }

    public function testTheLastOwnerStays(): void
    {
        [$owner] = $this->business();
        $member = $this->actingAs($owner)->getJson('/api/v1/members')->json('data.0.id');
        $this->assertProblem($this->deleteJson("/api/v1/members/{$member}"), 409, 'needs an owner');
    }

    public function testATokenDoesWhatItWasMadeFor(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $secret = $this->actingAs($owner)
            ->postJson('/api/v1/tokens', ['name' => 'Feed', 'abilities' => ['read', 'reckon']])
            ->assertCreated()
            ->json('secret');
        Auth::forgetGuards();
        $bearer = ['Authorization' => "Bearer {$secret}"];
        $this->getJson('/api/v1/film', $bearer)->assertOk()->assertJsonPath('ribbons.0.name', $vehicle->name);
        $this->postJson('/api/v1/reckon/bead', ['base_mm' => 3.0, 'height_mm' => 2.0], $bearer)->assertOk();
        $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn(), $bearer)->assertForbidden();
        // Someone removed takes their tokens with them.
        $this->inside($workspace, static fn() => Membership::query()->where('user_id', $owner->id)->delete());
        Auth::forgetGuards();
        $this->getJson('/api/v1/film', $bearer)->assertForbidden();
    }

    public function testPersonOfTwoWorkspacesSeesEachByItself(): void
    {
        [$owner, $first] = $this->business('First');
        [, $second] = $this->business('Second');
        $this->inside(
            $second,
            static fn() => Membership::query()->create(['user_id' => $owner->id, 'role' => 'technician']),
        );
        $this->inside(
            $second,
            static fn() => Product::query()->create([
                'name' => 'Second’s own',
                'role' => 'soap',
                'surfaces' => ['paint'],
            ]),
        );
        $this->actingAs($owner)->withSession(['workspace_id' => $second->id]);
        $names = array_column($this->getJson('/api/v1/products', self::FROM_PAGE)->json('data'), 'name');
        self::assertContains('Second’s own', $names);
        self::assertSame('technician', $this->getJson('/api/v1/me', self::FROM_PAGE)->assertOk()->json('role'));
        self::assertCount(2, $this->getJson('/api/v1/me', self::FROM_PAGE)->json('workspaces'));
        $this->postJson("/api/v1/workspaces/{$first->id}/enter", [], self::FROM_PAGE)->assertNoContent();
        self::assertNotContains(
            'Second’s own',
            array_column($this->getJson('/api/v1/products', self::FROM_PAGE)->json('data'), 'name'),
        );
    }

    public function testPasswordsAreKeptHashedAndSecretsOutOfAnswers(): void
    {
        [$owner] = $this->business();
        self::assertStringStartsWith('$2y$', (string) DB::table('users')->where('id', $owner->id)->value('password'));
        self::assertArrayNotHasKey('password', User::query()->findOrFail($owner->id)->toArray());
    }

    /** The token in the newest message kept. */
    private function tokenSent(): string
    {
        $body = (string) $this->getJson('/api/v1/messages')->json('data.0.body');
        self::assertStringContainsString('/join?token=', $body);

        return trim(explode('token=', $body)[1]);
    }
}
