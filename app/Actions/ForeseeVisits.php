<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Vehicle;
use App\Reckon\VisitAnswer;
use App\Record\AtHand;

/**
 * Visits to come, laid out: by their sheets where there are some, else in thought. Round, Weeks, load and what the client reads ask this, so that they say
 * the same of one visit.
 */
final readonly class ForeseeVisits
{
    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
    ) {}

    /**
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @return list<array{plan: array<string, mixed>, laid: bool, hour: int, kinds: list<string>|null, scope: string}>
     */
    public function __invoke(array $visits, AtHand $atHand): array
    {
        return array_map(function (array $one) use ($atHand): array {
            $facts = $one['wish']->facts;
            $kinds = is_array($facts['kinds'] ?? null) ? array_values(array_filter($facts['kinds'], is_string(...))) : null;
            $scope = is_string($facts['scope'] ?? null) ? $facts['scope'] : 'usual';
            $plan = $one['sheet']?->plan;
            if ($plan === null || ! isset($plan['totals'])) {
                $laid = ($this->layVisit)($one['wish'], $atHand);
                $plan = VisitAnswer::of($laid->visit, $laid->situation, $laid->outfit->body, [], $laid->outfit->pace);
            }

            return ['plan' => $plan, 'laid' => $one['sheet'] !== null, 'hour' => $one['hour'], 'kinds' => $kinds, 'scope' => $scope];
        }, ($this->expectVisit)($visits, $atHand));
    }
}
