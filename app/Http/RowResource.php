<?php

declare(strict_types=1);

namespace App\Http;

use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Rows are sent bare, without an envelope.
 *
 * @template Row of Model
 *
 *
 * @mixin Row
 *
 * @property Row $resource
 */
abstract class RowResource extends JsonResource
{
    public static $wrap = null;

    /** @return ($moment is null ? null : string) */
    protected function iso(?CarbonInterface $moment): ?string
    {
        return $moment?->toIso8601ZuluString();
    }
}
