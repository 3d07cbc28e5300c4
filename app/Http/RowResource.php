<?php

declare(strict_types=1);

namespace App\Http;

use Carbon\CarbonInterface;
use Illuminate\Http\Resources\Json\JsonResource;

/** Rows are sent bare, without an envelope. */
abstract class RowResource extends JsonResource
{
    public static $wrap = null;

    protected function iso(?CarbonInterface $moment): ?string
    {
        return $moment?->toIso8601ZuluString();
    }
}
