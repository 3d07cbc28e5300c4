<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Says\Said;

/** One method, for this vehicle today. */
final readonly class MethodOption
{
    /** @param list<Said> $refused  why it may not be used; empty when it may */
    public function __construct(
        public Method $method,
        public SoilPath $path,
        /** Contact risk index: soil left × medium × softness. Relative only. */
        public float $risk,
        public array $refused,
        /** Whether nothing on the shelf can be used for it. */
        public bool $lacksProduct,
        /** What it leaves undone, when that has to be said. */
        public ?Said $leaves = null,
    ) {}

    public function allowed(): bool
    {
        return $this->refused === [];
    }
}
