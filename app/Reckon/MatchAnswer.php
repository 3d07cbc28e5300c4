<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\MethodOption;
use Vicissa\Core\Matching\Turn\Missing;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Turn\TopperChoice;
use Vicissa\Core\Visit\Caution;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\PartChange;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\WhatIf;

/** A match in its JSON form, the same for the model and for a vehicle of the book. */
final readonly class MatchAnswer
{
    /** @return Told<'Match', 'totals'|'problem'|'expected'> */
    public static function of(Laying $laying, Schools $schools): array
    {
        [$match, $situation] = [$laying->match, $laying->situation];

        return [
            'possible' => $match->possible(),
            'method' => [
                'chosen' => $match->method->method()?->value,
                'why' => $match->method->why,
                'instead' => $match->method->instead,
                'soil_left' => $match->method->chosen?->path->left,
                'stages' => array_map(
                    static fn(array $stage): array => [
                        'stage' => $stage['stage']->value,
                        'says' => $stage['stage']->says(),
                        'soil_left' => $stage['left'],
                    ],
                    $match->method->chosen->path->stages ?? [],
                ),
                'options' => array_map(
                    static fn(MethodOption $option): array => [
                        'method' => $option->method->value,
                        'allowed' => $option->allowed(),
                        'risk' => round($option->risk, 6),
                        'soil_left' => round($option->path->left, 6),
                        'ceiling' => $situation->rules->ceiling($option->method),
                        'refused' => $option->refused,
                        'leaves' => $option->leaves,
                    ],
                    $match->method->options,
                ),
            ],
            'products' => array_map(self::choice(...), $match->choices),
            'topper' => self::topper($match->topper),
            'wheel_topper' => self::topper($match->wheelTopper),
            'final_rinse' => [
                'water' => $match->finalRinse->water->value,
                'residue_mg_m2' => $match->finalRinse->residue?->mgM2,
                'spots' => $match->finalRinse->residue?->spots->value,
                'working_s' => self::seconds($match->finalRinse->workingS),
                'why' => $match->finalRinse->why,
            ],
            'drying' => [
                'way' => $match->drying->way->value,
                'name' => $match->drying->way->says(),
                'why' => $match->drying->why,
                'how' => $match->drying->how,
                'litres' => round($match->drying->litres, 3),
                'towels' => (object) $match->drying->towels,
                'may_air_dry' => $match->drying->mayAirDry,
                'options' => array_map(
                    static fn(array $one): array => [
                        'way' => $one['way']->value,
                        'name' => $one['way']->says(),
                        'refused' => $one['refused'],
                    ],
                    $match->drying->options(),
                ),
            ],
            'towels' =>
                $match->towels === null ? null : ['towels' => $match->towels->towels, 'sides' => $match->towels->sides],
            'sections' => array_map(
                static fn(SectionPlan $section): array => [
                    'step' => $section->step->value,
                    'working_s' => self::seconds($section->limitS),
                    'panels' => $section->panels,
                    'sections' => $section->goes,
                    'mode' => $section->mode,
                    'says' => $section->says,
                ],
                $laying->sections,
            ),
            'cooling' =>
                $situation->cooling === null
                    ? null
                    : ['from_c' => round($situation->cooling->fromC, 1), 'to_c' => round($situation->cooling->toC, 1)],
            'offered' => array_map(
                static fn(Judged $judged): array => [
                    'id' => $judged->bottle->id,
                    'name' => $judged->bottle->name,
                    'role' => $judged->bottle->traits->role->value,
                    'zone' => $judged->zone->value,
                ],
                $laying->offered(),
            ),
            'steps' => array_map(
                static fn(Step $step): array => [
                    'step' => $step->value,
                    'name' => $step->says(),
                    'how' => $laying->howOf($step),
                    'products' => array_values(
                        array_map(
                            static fn(Choice $choice): string => $choice->need->key(),
                            array_filter(
                                $match->choices,
                                static fn(Choice $choice): bool => $choice->need->step === $step &&
                                    $choice->chosen !== null,
                            ),
                        ),
                    ),
                    'cautions' => array_values(
                        array_map(
                            static fn(Caution $caution): array => [
                                'says' => $caution->says,
                                'grave' => $caution->grave,
                            ],
                            array_filter(
                                $laying->cautions(),
                                static fn(Caution $caution): bool => $caution->step === $step,
                            ),
                        ),
                    ),
                ],
                $laying->order(),
            ),
            'cautions' => array_map(
                static fn(Caution $caution): array => [
                    'step' => $caution->step->value,
                    'says' => $caution->says,
                    'grave' => $caution->grave,
                ],
                $laying->cautions(),
            ),
            'assumed' => $match->doubts->assumed,
            'contradictions' => $match->doubts->contradictions,
            'missing' => array_map(
                static fn(Missing $missing): array => [
                    'kind' => $missing->kind,
                    'says' => $missing->says,
                    'remedy' => $missing->remedy,
                ],
                $match->doubts->missing,
            ),
            'passed' => array_map(self::judged(...), $match->passed),
            'now' => [
                'panel_c' => round($situation->later->panelC, 2),
                'panel_measured' => $situation->later->panelMeasured,
            ],
            'schools' => (object) $schools->all(),
        ];
    }

    /**
     * @param list<WhatIf> $all
     * @return list<Told<'MatchOtherwise'>>
     */
    public static function otherwise(array $all): array
    {
        return array_map(
            static fn(WhatIf $one): array => [
                'school' => $one->school?->value,
                'side' => $one->side,
                'name' => $one->name,
                'changes' => array_map(
                    static fn(PartChange $change): array => [
                        'part' => $change->part->value,
                        'name' => $change->part->says(),
                        'was' => $change->was,
                        'becomes' => $change->becomes,
                    ],
                    $one->changes,
                ),
            ],
            $all,
        );
    }

    /** @return Told<'MatchProduct'> */
    private static function choice(Choice $choice): array
    {
        $bottle = $choice->chosen?->bottle;

        return [
            'key' => $choice->need->key(),
            'role' => $choice->need->role->value,
            'zone' => $choice->need->zone->value,
            'step' => $choice->need->step->value,
            'optional' => $choice->need->optional,
            'product' =>
                $bottle === null
                    ? null
                    : [
                        'id' => $bottle->id,
                        'name' => $bottle->name,
                        'line' => $bottle->line,
                        'applied' => $bottle->applied,
                        'dilutions' => (object) $bottle->labels,
                        'points' => $choice->chosen->fit->points,
                        'cost_minor' => $choice->chosen->cost === null ? null : round($choice->chosen->cost, 2),
                    ],
            'why' => $choice->why,
            'dwell' => $choice->dwell(),
            'at_most_s' => self::seconds($choice->atMostS),
            'cautions' => $choice->cautions(),
        ];
    }

    /** @return Told<'MatchTopper'> */
    private static function topper(TopperChoice $topper): array
    {
        return [
            'decision' => $topper->decision->value,
            'says' => $topper->decision->says(),
            'why' => $topper->why,
            'product' => $topper->best()?->bottle->id,
        ];
    }

    /** @return Told<'MatchPassed'> */
    private static function judged(Judged $judged): array
    {
        return [
            'id' => $judged->bottle->id,
            'name' => $judged->bottle->name,
            'role' => $judged->bottle->traits->role->value,
            'zone' => $judged->zone->value,
            'allowed' => $judged->allowed(),
            'reason' => $judged->reason?->value,
            'says' => $judged->reason?->says(),
            'codes' => array_map(
                static fn(Remark $remark): array => [
                    'code' => $remark->code->value,
                    'severity' => $remark->severity->value,
                    'says' => $remark->code->says(),
                ],
                $judged->verdict->remarks,
            ),
        ];
    }

    private static function seconds(?float $s): ?float
    {
        return $s === null ? null : round($s, 1);
    }
}
