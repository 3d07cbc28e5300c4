<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Drying\WindowTable;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\Missing;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Mix\Doses\DosePlan;
use Vicissa\Core\Mix\Doses\Fill;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\BodyPanel;
use Vicissa\Core\Visit\Caution;
use Vicissa\Core\Visit\Pace;
use Vicissa\Core\Visit\Panels;
use Vicissa\Core\Visit\Portion;
use Vicissa\Core\Visit\Remedy;
use Vicissa\Core\Visit\Totals;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\VisitStep;

/** A visit in the JSON form that goes to the phone and is kept with the sheet. */
final readonly class VisitAnswer
{
    /**
     * @param list<Remedy> $remedies
     * @param list<string> $done   steps that are done already and stay where they were
     * @return Told<'SheetPlan'>
     */
    public static function of(
        Visit $visit,
        Situation $situation,
        Body $body,
        array $remedies,
        Pace $pace,
        array $done = [],
    ): array {
        return [
            'possible' => $visit->match->possible(),
            'finish' => $visit->schedule?->finish,
            'proven' => $visit->schedule?->isProven() ?? false,
            'problems' => $visit->problems,
            'clash' => $visit->clash,
            'remedies' => array_map(
                static fn(Remedy $remedy): array => [
                    'kind' => $remedy->kind,
                    'says' => $remedy->says,
                    'finish' => $remedy->finish,
                    'without' => $remedy->without,
                ],
                $remedies,
            ),
            'method' => $visit->match->method->method()?->value,
            'why' => $visit->match->method->why,
            'topper' => [
                'decision' => $visit->match->topper->decision->value,
                'says' => $visit->match->topper->decision->says(),
                'why' => $visit->match->topper->why,
            ],
            'water' => $visit->match->finalRinse->water->value,
            'water_why' => $visit->match->finalRinse->why,
            'drying' => $visit->match->drying->way->value,
            'scope' => $situation->asked->scope->written(),
            'kinds' =>
                $situation->asked->kinds === null
                    ? null
                    : array_map(static fn(Kind $kind): string => $kind->value, $situation->asked->kinds),
            'totals' => self::totals($visit->totals),
            'offered' => array_map(
                static fn(Judged $judged): array => [
                    'id' => $judged->bottle->id,
                    'name' => $judged->bottle->name,
                    'zone' => $judged->zone->value,
                ],
                $visit->laying->offered(),
            ),
            'assumed' => $visit->match->doubts->assumed,
            'missing' => array_map(static fn(Missing $missing): Said => $missing->says, $visit->match->doubts->missing),
            'refused' => self::refused($visit),
            'fills' => self::fills($visit->doses),
            'steps' => array_map(static fn(VisitStep $step): array => self::step($step, $visit, $pace), $visit->steps),
            'done' => $done,
            'panels' => array_map(
                static fn(BodyPanel $panel): array => [
                    'id' => $panel->id,
                    'name' => $panel->name,
                    'share' => round($panel->share, 4),
                ],
                Panels::of($body)->all,
            ),
            'now' => [
                'panel_c' => round($visit->laying->situation->now->panelC, 1),
                'sun_w_m2' => round($situation->now->air->sunWM2),
            ],
        ];
    }

    /** @return Told<'SheetTotals'> what every place says of this visit */
    public static function totals(Totals $totals): array
    {
        return [
            'minutes' => $totals->minutes,
            'nine_in_ten' => $totals->nineInTen,
            'people' => $totals->people,
            'tap_l' => round($totals->tapL, 1),
            'treated_l' => round($totals->treatedL, 1),
            'mix_l' => round($totals->mixL, 1),
            'textiles' => (object) $totals->textiles,
            'pools' => (object) $totals->pools,
            'product_ml' => (object) array_map(self::ml(...), $totals->productMl),
            'maybe_ml' => (object) array_map(self::ml(...), $totals->maybeMl),
            'blows_min' => round($totals->blowsMin, 1),
        ];
    }

    /**
     * For re-reckoning the timers where nobody can be asked: the films this visit waits on.
     *
     * @return array{panels_c: list<float>, suns_w_m2: list<float>, films: array<string, list<list<float>>>}
     */
    public static function windows(Visit $visit, Situation $situation): array
    {
        $films = [];
        foreach ($visit->steps as $step) {
            if ($step->wait?->film instanceof Film) {
                $films[$step->wait->film->value] ??= array_map(
                    static fn(array $row): array => array_map(static fn(float $s): float => round($s), $row),
                    WindowTable::of(
                        $visit->laying->situation->now->air,
                        $situation->vehicle->tone->absorptance(),
                        $situation->vehicle->material->heat(),
                        $step->wait->film,
                    )->workingS,
                );
            }
        }

        return ['panels_c' => WindowTable::PANELS_C, 'suns_w_m2' => WindowTable::SUNS_W_M2, 'films' => $films];
    }

    /** @return list<Told<'DoseFill'>> */
    public static function fills(DosePlan $plan): array
    {
        return array_map(
            static fn(Fill $fill): array => [
                'kind' => $fill->kind->value,
                'vessel' => $fill->vessel,
                'vessel_ml' => $fill->vesselMl,
                'product_id' => $fill->productId,
                'product' => $fill->product,
                'for' => $fill->for,
                'mix_ml' => round($fill->mixMl, 1),
                'product_ml' => self::ml($fill->productMl),
                'water_ml' => self::ml($fill->waterMl()),
                'product_low_ml' => self::ml($fill->productSpan['low'] ?? null),
                'product_high_ml' => self::ml($fill->productSpan['high'] ?? null),
                'times' => $fill->times,
                'says' => $fill->says,
            ],
            $plan->fills,
        );
    }

    /** @return Told<'SheetStep'> */
    private static function step(VisitStep $step, Visit $visit, Pace $pace): array
    {
        $schedule = $visit->schedule;

        return [
            'id' => $step->id,
            'kind' => $step->kind,
            'group' => $step->of->value,
            'name' => $step->name,
            'minutes' => $step->minutes,
            'estimate_min' => round($step->estimate, 2),
            'pace_from' => $pace->from[$step->kind] ?? 0,
            'people' => $step->people,
            'after' => $step->after,
            'wait' =>
                $step->wait === null
                    ? null
                    : [
                        'of' => $step->wait->of,
                        'min_s' => round($step->wait->minS),
                        'max_s' => $step->wait->maxS === null ? null : round($step->wait->maxS),
                        'label_max_s' => $step->wait->labelMaxS,
                        'on_s' => round($step->wait->onS),
                        'film' => $step->wait->film?->value,
                    ],
            'portions' => array_map(
                static fn(Portion $portion): array => [
                    'product_id' => $portion->productId,
                    'name' => $portion->name,
                    'role' => $portion->role->value,
                    'zone' => $portion->zone->value,
                    'ml' => self::ml($portion->ml),
                    'why' => $portion->why,
                    'paste' => $portion->paste,
                ],
                $step->portions,
            ),
            'panels' => $step->panels,
            'how' => $step->how,
            'cautions' => array_map(
                static fn(Caution $caution): array => [
                    'says' => $caution->says,
                    'grave' => $caution->grave,
                    'hazard' => $caution->hazard,
                ],
                $step->cautions,
            ),
            'textiles' => (object) $step->textiles,
            'only_if' => $step->onlyIf,
            'water_l' => round($step->waterL, 1),
            'looks' => $step->looks,
            'fulfils' => $step->fulfils?->value,
            'reads' => $step->reads?->value,
            'start' => $schedule?->start[$step->id] ?? null,
            'end' => $schedule?->end[$step->id] ?? null,
            'slack' => $schedule?->slack[$step->id] ?? null,
            'who' => $schedule?->who[$step->id] ?? [1],
        ];
    }

    /**
     * What was kept off this vehicle on purpose, for the record.
     *
     * @return list<array{what: Said, why: Said}>
     */
    private static function refused(Visit $visit): array
    {
        $refused = [];
        foreach ($visit->match->method->options as $option) {
            if (!$option->allowed() && !$option->lacksProduct) {
                $refused[] = ['what' => $option->method->says(), 'why' => Said::after(...$option->refused)];
            }
        }
        foreach ($visit->match->passed as $judged) {
            if (!$judged->verdict->allowed()) {
                $why = array_filter(
                    $judged->verdict->remarks,
                    static fn(Remark $remark): bool => $remark->severity === Severity::Block,
                );
                $refused[] = [
                    'what' => Said::of('visit.on', bottle: $judged->bottle->name, zone: $judged->zone->value),
                    'why' => Said::after(...array_map(static fn(Remark $remark): Said => $remark->code->says(), $why)),
                ];
            }
        }

        return $refused;
    }

    private static function ml(?float $ml): ?float
    {
        return $ml === null ? null : round($ml, 1);
    }
}
