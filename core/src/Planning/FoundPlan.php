<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/** Visits for the weeks, what they cost, and what no plan could cost less than. */
final readonly class FoundPlan
{
    /**
     * @param list<PlacedVisit> $visits  by day, crew and vehicle
     * @param list<Unmet> $unmet
     */
    public function __construct(public array $visits, public array $unmet, public Cost $cost, public float $bound) {}
}
