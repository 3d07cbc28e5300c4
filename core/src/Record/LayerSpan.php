<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** When a layer was on, in seconds since 1970: what wear is reckoned from, without a calendar. */
final readonly class LayerSpan
{
    public function __construct(
        public string $vehicleId,
        public Zone $zone,
        public Family $family,
        public int $on,
        public ?int $end,
    ) {}

    /** Days from the application to a moment. */
    public function day(int $moment): float
    {
        return max(0.0, ($moment - $this->on) / 86400.0);
    }

    /** The moment so many days after the application. */
    public function moment(float $day): int
    {
        return $this->on + (int) round($day * 86400.0);
    }

    /** Whether a turn at that moment found it on: the turn that laid it did not, the one that renewed it did. */
    public function wasOnWhen(int $moment): bool
    {
        return $this->on < $moment && $moment <= ($this->end ?? PHP_INT_MAX);
    }
}
