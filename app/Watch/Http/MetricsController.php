<?php

declare(strict_types=1);

namespace App\Watch\Http;

use App\Watch\Metrics;
use Illuminate\Http\Response;

/** `GET /metrics`, for a machine that collects figures. */
final readonly class MetricsController
{
    public function __construct(private Metrics $metrics) {}

    public function __invoke(): Response
    {
        return new Response($this->metrics->text(), 200, [
            'Content-Type' => Metrics::TYPE,
            'Cache-Control' => 'no-store',
        ]);
    }
}
