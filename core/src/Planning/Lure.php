<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * What some days are made dearer or cheaper by for a while, so that vehicles find together on a day neither would choose alone.
 * It leads the search and never counts in what a plan costs.
 */
final readonly class Lure
{
    /**
     * @param array<int, float> $minutes  points a minute of a day costs besides
     * @param array<int, true> $free      days to which every trip is free
     * @param array<int, float> $visits   points a visit on a day costs besides, or saves
     */
    public function __construct(public array $minutes = [], public array $free = [], public array $visits = []) {}
}
