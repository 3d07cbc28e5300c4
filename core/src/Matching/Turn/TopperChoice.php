<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Diagnosis;
use Vicissa\Core\Protection\NextStep;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;

/** Topper or none, and why: what the water says first, then the school (domain §7, models "diagnose" and "match"). */
final readonly class TopperChoice
{
    private function __construct(public Decision $decision, public Said $why, public Ranking $ranking) {}

    public static function of(
        Situation $situation,
        Schools $schools,
        MethodChoice $method,
        Zone $zone = Zone::Paint,
    ): self {
        $ranking = Ranking::for(
            $situation,
            $schools,
            new Need(Role::Topper, $zone, Step::Topper, null, hose: $method->method()?->needsHose() !== false),
        );
        [$decision, $why] = self::decide($situation, $schools, $method, $zone);
        if (
            in_array($decision, [Decision::Apply, Decision::Optional, Decision::ReadFirst], true) &&
            $situation->now->raining
        ) {
            [$decision, $why] = [Decision::NotToday, Said::of('topper-choice.in-the-rain-it-would-not', why: $why)];
        } elseif ($decision->wantsProduct() && $ranking->best() === null) {
            [$decision, $why] = [
                $decision === Decision::Apply ? Decision::NotToday : Decision::None,
                Said::of('topper-choice.but', why: $why, none: $ranking->whyNone()),
            ];
        }

        return new self($decision, $why, $ranking);
    }

    public function best(): ?Judged
    {
        return $this->decision->wantsProduct() ? $this->ranking->best() : null;
    }

    /** @return array{Decision, Said} */
    private static function decide(Situation $situation, Schools $schools, MethodChoice $method, Zone $zone): array
    {
        $stack = $situation->vehicle->stack($zone);
        $renewal = $situation->vehicle->renewals[$zone->value] ?? null;
        [$washed, $deconned] = [
            $situation->seen->reading(Stage::AfterWash, $zone),
            $situation->seen->reading(Stage::AfterDecon, $zone),
        ];
        $school = $schools->side(School::Topper);
        if ($method->chosen === null) {
            return [Decision::None, Said::of('topper-choice.nothing-is-washed-so')];
        }
        if ($situation->seen->isReset()) {
            return [Decision::None, Said::of('topper-choice.a-reset-strips-down-to-bare')];
        }
        if ($method->leavesFilm()) {
            return [Decision::None, Said::of('topper-choice.a-faint-film-stays-after')];
        }
        $planned = $zone === Zone::Paint && $situation->asked->isPlanned();
        if ($planned && ($situation->asked->wants(Kind::Base) || $situation->asked->wants(Kind::Recoat))) {
            return [Decision::None, Said::of('topper-choice.the-base-is-renewed-today')];
        }
        if ($stack->isBare() && $school !== 'every-wash') {
            return [Decision::None, Said::of('topper-choice.there-is-nothing-on-it-to')];
        }
        if (
            $washed === null &&
            $deconned === null &&
            $situation->seen->has(Contaminant::Iron, Contaminant::Tar, Contaminant::Rough) &&
            $zone === Zone::Paint
        ) {
            return [Decision::DeconFirst, Said::of('topper-choice.something-is-bonded-to-the')];
        }
        if ($washed === null && $deconned === null && $renewal?->suspect === true) {
            return [Decision::DeconFirst, Said::of('topper-choice.the-clean-surface-failed-at')];
        }
        if ($deconned !== null || $washed !== null) {
            $diagnosis = Diagnosis::from($stack->designed(), null, $washed, $deconned, null);
            if ($diagnosis->next === NextStep::DecontaminateAndRetest) {
                return [Decision::DeconFirst, Said::of('topper-choice.the-clean-surface-fails-and')];
            }
            if ($diagnosis->next === NextStep::ApplyTopper) {
                return [Decision::Apply, Said::of('topper-choice.it-still-fails-after')];
            }
            if ($school === 'every-wash') {
                return [Decision::Apply, Said::of('topper-choice.the-water-holds-your-school')];
            }
            if ($planned && $deconned === null) {
                return self::asPlanned($situation, $renewal, $schools);
            }
            if ($deconned !== null) {
                return [Decision::Optional, Said::of('topper-choice.the-beads-are-back-after')];
            }
            if ($school === 'when-it-fails') {
                return [Decision::None, Said::of('topper-choice.the-clean-water-holds-and')];
            }
        }

        if ($planned && $school !== 'every-wash') {
            return self::asPlanned($situation, $renewal, $schools);
        }

        return match (true) {
            $school === 'every-wash' => [Decision::Apply, Said::of('topper-choice.your-school-tops-every-wash')],
            $school === 'when-it-fails' => $renewal?->failed === true
                ? [Decision::Apply, Said::of('topper-choice.failed-and-your-school-renews')]
                : [Decision::ReadFirst, Said::of('topper-choice.your-school-renews-when-a')],
            default => self::byForecast($renewal, $schools, $situation->vehicle->nextTurnInDays),
        };
    }

    /**
     * What is planned is what is worked; only what has failed since goes beyond it.
     *
     * @return array{Decision, Said}
     */
    private static function asPlanned(Situation $situation, ?Renewal $renewal, Schools $schools): array
    {
        $days = $renewal?->inDays($schools);
        $due = match (true) {
            // What only its rhythm asks for is not due by itself.
            $days === null,
            $situation->asked->wants(Kind::Topper) && $days > $situation->vehicle->nextTurnInDays
                => null,
            $days < 0.0 => Said::of('topper-choice.and-has-been-due-for', days: self::days(-$days)),
            default => Said::of('topper-choice.and-is-due-in', days: self::days($days)),
        };

        return match (true) {
            $situation->asked->wants(Kind::Topper) => [
                Decision::Apply,
                Said::of('topper-choice.it-is-planned-for-this', due: $due),
            ],
            $renewal?->failed === true => [Decision::Apply, Said::of('topper-choice.a-clean-reading-has-failed')],
            default => [Decision::None, Said::of('topper-choice.the-plan-has-none-for-this', due: $due)],
        };
    }

    /** @return array{Decision, Said} */
    private static function byForecast(?Renewal $renewal, Schools $schools, int $nextTurn): array
    {
        $days = $renewal?->inDays($schools);

        return match (true) {
            $renewal?->failed === true => [
                Decision::Apply,
                Said::of('topper-choice.a-clean-reading-has-failed-already'),
            ],
            $days === null => [Decision::ReadFirst, Said::of('topper-choice.nobody-knows-since-when-it')],
            $days <= 0.0 => [
                Decision::Apply,
                $days > -1.0
                    ? Said::of('topper-choice.it-is-due-today')
                    : Said::of('topper-choice.it-has-been-due-for', days: self::days(-$days)),
            ],
            $days < $nextTurn => [
                Decision::Apply,
                Said::of(
                    'topper-choice.it-is-due-in-before-the',
                    days: self::days($days),
                    next: self::days((float) $nextTurn),
                ),
            ],
            default => [
                Decision::None,
                Said::of(
                    'topper-choice.it-is-due-in-the-next-visit',
                    days: self::days($days),
                    next: self::days((float) $nextTurn),
                ),
            ],
        };
    }

    private static function days(float $days): Said
    {
        $whole = max(1, (int) round($days));

        return match (true) {
            $whole < 21 => Said::of('topper-choice.days', days: $whole),
            $whole < 365 => Said::of('topper-choice.weeks', weeks: (int) round($whole / 7)),
            default => Said::of('topper-choice.more-than-a-year'),
        };
    }
}
