<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\TriesAgain;
use App\Problems\Problem;
use Illuminate\Database\QueryException;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use PDOException;
use Tests\TestCase;

/** Two at once. */
final class TogetherTest extends TestCase
{
    /** Who is turned back by the database begins anew, with what the address names looked up again. */
    public function testWhoeverStoodInTheWayBeginsAnew(): void
    {
        DB::rollBack();
        $request = Request::create('/api/v1/vehicles/7', 'PATCH');
        $route = new Route('PATCH', 'api/v1/vehicles/{vehicle}', static fn() => null);
        $route->bind($request);
        $request->setRouteResolver(static fn(): Route => $route);
        $deadlock = new PDOException('SQLSTATE[40P01]: Deadlock detected: deadlock detected');
        $seen = [];
        $times = function (int $fails) use ($request, $route, $deadlock, &$seen): int {
            $seen = [];

            return app(TriesAgain::class)
                ->handle($request, function (Request $asked) use ($route, $deadlock, $fails, &$seen): Response {
                    $seen[] = $route->parameter('vehicle');
                    $route->setParameter('vehicle', 'a row of this try');
                    $response = new Response('', count($seen) > $fails ? 200 : 500);

                    return count($seen) > $fails
                        ? $response
                        : $response->withException(new QueryException('pgsql', 'update', [], $deadlock));
                })
                ->getStatusCode();
        };
        self::assertSame(200, $times(2));
        self::assertSame(['7', '7', '7'], $seen);
        self::assertSame(500, $times(99));
        self::assertCount(5, $seen, 'and not for ever');
        // Told as a wait, never as a fault.
        self::assertSame(503, Problem::busy()->status);
        DB::beginTransaction();
    }
}
