<?php

declare(strict_types=1);

namespace App\Money\Http;

use App\Http\OpenApi\ReturnsFile;
use App\Http\TableFile;
use App\Money\ClosedVisits;
use App\Tenancy\Tenancy;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** For the accounts, which are kept elsewhere. */
final readonly class ClosedController
{
    public function __construct(private Tenancy $tenancy) {}

    #[
        OA\Get(
            path: '/api/v1/money/closed',
            operationId: 'closedVisits',
            summary: 'Closed visits with their price by the list, as CSV',
            tags: ['Money'],
            parameters: [
                new OA\QueryParameter(
                    name: 'from',
                    required: true,
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
                new OA\QueryParameter(
                    name: 'to',
                    required: true,
                    schema: new OA\Schema(type: 'string', format: 'date'),
                ),
            ],
        ),
    ]
    #[ReturnsFile('text/csv', 'CSV')]
    public function __invoke(Request $request, ClosedVisits $closedVisits): Response
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $asked = $request->validate([
            'from' => ['required', 'date_format:Y-m-d', 'after:1990-01-01'],
            'to' => ['required', 'date_format:Y-m-d', 'after_or_equal:from', 'before:2200-01-01'],
        ]);

        return TableFile::of(
            "vicissa-visits-{$asked['from']}-{$asked['to']}.csv",
            ClosedVisits::COLUMNS,
            $closedVisits($asked['from'], $asked['to']),
        );
    }
}
