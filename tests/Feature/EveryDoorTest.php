<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Door\Http\FromThePage;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Str;
use Tests\Furnishes;
use Tests\TestCase;

/**
 * Tries every address the application answers at, as it stands in its own table: a new one is tried without anybody
 * thinking of it.
 */
final class EveryDoorTest extends TestCase
{
    use Furnishes;

    /** Answered to anybody; each has a secret, a signature or a limit of its own. */
    private const OPEN = [
        'GET api/v1/answers/{proposal}/{signature}',
        'GET api/v1/answers/{proposal}/{signature}/last',
        'GET api/v1/answers/{proposal}/{signature}/photos/{photo}',
        'POST api/v1/answers/{proposal}/{signature}',
        'POST api/v1/auth/forgot',
        'GET api/v1/auth/door',
        'GET api/v1/auth/invitation',
        'POST api/v1/auth/confirm-email',
        'POST api/v1/auth/join',
        'POST api/v1/auth/register',
        'POST api/v1/auth/reset',
        'POST api/v1/auth/sign-in',
        'GET api/v1/feeds/{secret}.ics',
        'DELETE api/v1/operator/failed/{id}',
        'GET api/v1/operator',
        'POST api/v1/operator/failed/{id}/again',
        'GET api/v1/records/{secret}',
        'GET api/v1/records/{secret}/pdf',
        'GET api/v1/records/{secret}/photos/{photo}',
    ];

    /** What only the owner reads: money, letters, what people did, everything at once. */
    private const OWNERS_READING = [
        'api/v1/archive',
        'api/v1/changes',
        'api/v1/drill/people',
        'api/v1/invitations',
        'api/v1/messages',
        'api/v1/money',
        'api/v1/money/closed',
        'api/v1/prices',
        'api/v1/quotes',
        'api/v1/quotes/{quote}',
        'api/v1/quotes/{quote}/pdf',
        'api/v1/rates',
        'api/v1/record-links',
        'api/v1/tokens',
        'api/v1/trail',
        'api/v1/turns/{turn}/cost',
        'api/v1/vehicles/{vehicle}/money',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        config(['vicissa.limits.sign_in' => 1000, 'vicissa.limits.registrations' => 1000]);
    }

    public function testWithoutAPersonNothingIsAnsweredButWhatIsOpen(): void
    {
        $open = [];
        foreach ($this->doors() as $door => [$method, $route]) {
            if ($this->json($method, $this->address($route, []))->getStatusCode() !== 401) {
                $open[] = $door;
            }
        }
        sort($open);
        $expected = self::OPEN;
        sort($expected);
        self::assertSame($expected, $open);
    }

    public function testATokenThatMayOnlyReadWritesNowhere(): void
    {
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        $secret = $this->postJson('/api/v1/tokens', ['name' => 'Reader', 'abilities' => ['read']])
            ->assertCreated()
            ->json('secret');
        Auth::forgetGuards();
        $before = $this->rows($workspace);
        $tried = 0;
        foreach ($this->doors() as $door => [$method, $route]) {
            if (
                in_array('abilities:write', $route->gatherMiddleware(), true) ||
                str_contains(implode(' ', $route->gatherMiddleware()), 'CheckAbilities:write') ||
                // What opens doors is nothing for tokens, whatever they may do.
                (in_array(FromThePage::class, $route->gatherMiddleware(), true) && !str_contains($door, '/auth/'))
            ) {
                $tried++;
                self::assertSame(
                    403,
                    $this->json(
                        $method,
                        $this->address($route, $ids),
                        [],
                        ['Authorization' => "Bearer {$secret}"],
                    )->getStatusCode(),
                    $door,
                );
            } elseif ($method !== 'GET' && !in_array($door, self::OPEN, true)) {
                self::assertMatchesRegularExpression(
                    '/CheckAbilities:(read|reckon)|abilities:(read|reckon)|auth\//',
                    implode(' ', $route->gatherMiddleware()) . $door,
                    "{$door} asks for no ability at all",
                );
            }
        }
        self::assertGreaterThan(50, $tried);
        self::assertSame($before, $this->rows($workspace));
    }

    public function testWhatIsSentTwiceHappensOnce(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $first = $this->furnish($owner, $workspace, $vehicle);
        $before = $this->rows($workspace);
        self::assertSame($first, $this->furnish($owner, $workspace, $vehicle));
        self::assertSame($before, $this->rows($workspace));
    }

    public function testNothingOfAnotherWorkspaceIsReachedByItsId(): void
    {
        [$owner, $workspace] = $this->business('Theirs');
        $ids = $this->furnish($owner, $workspace);
        $before = $this->rows($workspace);
        [$stranger] = $this->business('Ours');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web');
        $tried = 0;
        foreach ($this->doors() as $door => [$method, $route]) {
            $names = array_values(array_intersect($route->parameterNames(), array_keys($ids)));
            if ($names === [] || in_array($door, self::OPEN, true)) {
                continue;
            }
            $tried++;
            self::assertContains(
                $this->json($method, $this->address($route, $ids), [], ['If-Match' => '"1"'])->getStatusCode(),
                [404],
                $door,
            );
        }
        self::assertGreaterThan(55, $tried);
        self::assertSame($before, $this->rows($workspace));
    }

    public function testWhatATechnicianDoesNotRead(): void
    {
        [$owner, $workspace] = $this->business();
        $ids = $this->furnish($owner, $workspace);
        Auth::forgetGuards();
        $this->actingAs($this->technician($workspace), 'web');
        $refused = [];
        foreach ($this->doors() as $door => [$method, $route]) {
            if (
                $method === 'GET' &&
                !in_array($door, self::OPEN, true) &&
                $this->get($this->address($route, $ids), ['Accept' => 'application/json'])->getStatusCode() === 403
            ) {
                $refused[] = $route->uri();
            }
        }
        sort($refused);
        self::assertSame(self::OWNERS_READING, $refused);
    }

    /** @return iterable<string, array{string, Route}> */
    private function doors(): iterable
    {
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/v1/')) {
                foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                    yield "{$method} {$route->uri()}" => [$method, $route];
                }
            }
        }
    }

    /** @param array<string, string> $ids */
    private function address(Route $route, array $ids): string
    {
        return '/' .
            preg_replace_callback(
                '/\{(\w+)\}/',
                static fn(array $found): string => $ids[$found[1]] ??
                    match ($found[1]) {
                        'kind' => 'vehicles',
                        'model' => 'bead',
                        'session' => str_repeat('a', 24),
                        'id' => str_contains($route->uri(), 'tokens')
                            ? '0'
                            : $ids['member'] ?? Str::uuid7()->toString(),
                        default => Str::uuid7()->toString(),
                    },
                $route->uri(),
            );
    }
}
