<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Tenancy\Tenancy;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;
use Symfony\Component\HttpFoundation\Response;

/**
 * What things cost is the owner's to know. Looked at in every answer rather than by each resource, so that no place can
 * forget it: a technician reads null there.
 */
final readonly class HidesCosts
{
    /** What costs in money are called where technicians come; a plan's points are no money. */
    private const NAMES = ['price_minor', 'total_minor', 'cost_minor', 'cost_minor_week'];

    public function __construct(private Tenancy $tenancy) {}

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $mayKnow = !$this->tenancy->entered() || $this->tenancy->isOwner();
        if ($mayKnow || !($response instanceof JsonResponse) || $response->getStatusCode() >= 400) {
            return $response;
        }
        $data = $response->getData();
        self::hide($data);

        return $response->setData($data);
    }

    private static function hide(mixed $of): void
    {
        if ($of instanceof stdClass) {
            foreach (array_intersect(array_keys(get_object_vars($of)), self::NAMES) as $name) {
                $of->{$name} = null;
            }
        }
        foreach ($of instanceof stdClass ? get_object_vars($of) : (is_array($of) ? $of : []) as $value) {
            self::hide($value);
        }
    }
}
