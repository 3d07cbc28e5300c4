<?php

declare(strict_types=1);

namespace Vicissa\Core\Sheet\Schedule;

/** A step that has to begin between two times after another has ended, while a product works there. */
final readonly class Dwell
{
    /**
     * @param string $of     id of the step that puts the product on
     * @param int $min       minutes it has to work
     * @param int|null $max  minutes after which it would dry or harm; null when it may stay
     */
    public function __construct(public string $of, public int $min, public ?int $max) {}
}
