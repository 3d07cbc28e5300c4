<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Protection\Designed;

/**
 * What is known of how long a layer holds: the wear at which it was last seen to, and first seen not to. A later
 * reading that holds overrules an earlier failure: that one was clogging. A failure after a wash alone is a suspicion,
 * which counts for the next visit, and for what products learn only once decontamination or the next clean reading
 * bears it out (domain §15.4).
 */
final readonly class Endurance
{
    private function __construct(
        /** Wear-weeks; null where nobody has seen it hold. */
        public ?float $held = null,
        /** Wear-weeks at which it failed, borne out; the moment, in seconds since 1970. */
        public ?float $failed = null,
        public ?int $failedAt = null,
        /** What is not borne out yet. */
        private ?float $suspect = null,
        private ?int $suspectSince = null,
    ) {}

    /** @param iterable<SeenClean> $seen  oldest first */
    public static function of(iterable $seen, Designed $designed): self
    {
        $known = new self();
        foreach ($seen as $one) {
            $known = $known->after($one, $designed);
        }

        return $known;
    }

    /** Since when it may be clogged or spent; null where that is settled. */
    public function suspectAt(): ?int
    {
        return $this->failed === null ? $this->suspectSince : null;
    }

    private function after(SeenClean $seen, Designed $designed): self
    {
        if ($seen->behaviour->holds($designed)) {
            return new self(max($this->held ?? 0.0, $seen->wear));
        }
        if ($this->failed !== null || $seen->wear <= ($this->held ?? 0.0)) {
            return $this;
        }
        $borneOut = $this->suspect !== null || $seen->decontaminated;
        [$suspect, $since] = [$this->suspect ?? $seen->wear, $this->suspectSince ?? $seen->at];

        return new self($this->held, $borneOut ? $suspect : null, $borneOut ? $since : null, $suspect, $since);
    }
}
