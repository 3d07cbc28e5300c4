<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Something that is renewed now and then: a topper, a decontamination. Day numbers. */
final readonly class Cycle
{
    /**
     * @param int $from    worth doing from
     * @param int $due     due on
     * @param int|null $late  too late after; what is later is reported
     * @param int $repeat  days until it is due again after it was done
     */
    public function __construct(public int $from, public int $due, public ?int $late, public int $repeat) {}

    /** Days after it was done until it is worth doing again. */
    public function restsFor(PlanRules $rules): int
    {
        return intdiv($rules->renewFromTenths * $this->repeat + 5, 10);
    }
}
