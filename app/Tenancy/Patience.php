<?php

declare(strict_types=1);

namespace App\Tenancy;

/**
 * How much of the processor whoever asks spends on what can as well be made beforehand: a page a few seconds, a queue
 * whatever it takes.
 */
final class Patience
{
    private ?int $until = null;

    public function lasts(int $milliseconds): void
    {
        $this->until = Processor::usedMs() + $milliseconds;
    }

    public function isEndless(): bool
    {
        return $this->until === null;
    }

    public function isOver(): bool
    {
        return $this->until !== null && Processor::usedMs() >= $this->until;
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
