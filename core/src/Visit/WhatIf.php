<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Says\Said;

/** The same turn under the other sides of every school: what would change, and what would not. */
final readonly class WhatIf
{
    /** @param list<PartChange> $changes */
    private function __construct(
        /** Null when it is about the place. */
        public ?School $school,
        public string $side,
        public Said $name,
        public array $changes,
    ) {}

    /**
     * @param Laying $here  as it is, of the same situation
     * @return list<self> the same turn in shade, or with a tank of treated water, where it has neither
     */
    public static function elsewhere(Situation $situation, Schools $schools, Outfit $outfit, Laying $here): array
    {
        $place = $situation->place;
        $there = array_filter([
            'shade' => $place->shade || $place->bay ? null : [Said::of('what-if.in-shade'), $place->inShade()],
            'tank' =>
                $place->water === Water::Treated
                    ? null
                    : [Said::of('what-if.with-a-tank-of-treated'), $place->withTank()],
        ]);

        return array_map(
            static fn(string $side, array $one): self => new self(
                null,
                $side,
                $one[0],
                PartChange::between($here, Laying::of($situation->movedTo($one[1]), $schools, $outfit)),
            ),
            array_keys($there),
            array_values($there),
        );
    }

    /**
     * @param Laying $here  as it is, of the same situation
     * @return list<self> every side not taken, in the order of the schools
     */
    public static function otherwise(Situation $situation, Schools $schools, Outfit $outfit, Laying $here): array
    {
        $all = [];
        foreach (School::cases() as $school) {
            foreach (array_keys($school->sides()) as $side) {
                if (!$schools->is($school, (string) $side)) {
                    $all[] = new self(
                        $school,
                        (string) $side,
                        $school->sides()[$side]['name'],
                        PartChange::between(
                            $here,
                            Laying::of($situation, $schools->with($school, (string) $side), $outfit),
                        ),
                    );
                }
            }
        }

        return $all;
    }
}
