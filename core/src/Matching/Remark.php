<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/** One thing to say about a product on a zone. */
final readonly class Remark
{
    public function __construct(public Code $code, public Severity $severity) {}
}
