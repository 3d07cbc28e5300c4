<?php

declare(strict_types=1);

namespace App\Tenancy;

/** How long whoever asks goes on waiting for what can as well be made beforehand: a page seconds, a queue for ever. */
final class Patience
{
    private ?int $until = null;

    public function lasts(int $milliseconds): void
    {
        $this->until = hrtime(true) + 1_000_000 * $milliseconds;
    }

    public function isEndless(): bool
    {
        return $this->until === null;
    }

    public function isOver(): bool
    {
        return $this->until !== null && hrtime(true) > $this->until;
    }

    /**
     * @template T
     * @param callable(): T $work
     * @return T
     */
    public function without(callable $work): mixed
    {
        $until = $this->until;
        $this->until = null;
        try {
            return $work();
        } finally {
            $this->until = $until;
        }
    }
}
