<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Diagnosis;
use Vicissa\Core\Protection\NextStep;
use Vicissa\Core\Protection\Stage;

/** Topper or none, and why: what the water says first, then the school (domain §7, models "diagnose" and "match"). */
final readonly class TopperChoice
{
    private function __construct(public Decision $decision, public string $why, public Ranking $ranking) {}

    public static function of(
        Situation $situation,
        Schools $schools,
        MethodChoice $method,
        Zone $zone = Zone::Paint,
    ): self {
        $ranking = Ranking::for(
            $situation,
            $schools,
            new Need(Role::Topper, $zone, Step::Topper, '', hose: $method->method()?->needsHose() !== false),
        );
        [$decision, $why] = self::decide($situation, $schools, $method, $zone);
        if (
            in_array($decision, [Decision::Apply, Decision::Optional, Decision::ReadFirst], true) &&
            $situation->now->raining
        ) {
            [$decision, $why] = [
                Decision::NotToday,
                $why . ' In the rain it would not hold: under a roof, or next time.',
            ];
        } elseif ($decision->wantsProduct() && $ranking->best() === null) {
            [$decision, $why] = [
                $decision === Decision::Apply ? Decision::NotToday : Decision::None,
                sprintf('%s But %s.', $why, $ranking->whyNone()),
            ];
        }

        return new self($decision, $why, $ranking);
    }

    public function best(): ?Judged
    {
        return $this->decision->wantsProduct() ? $this->ranking->best() : null;
    }

    /** @return array{Decision, string} */
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
            return [Decision::None, 'Nothing is washed, so nothing goes on.'];
        }
        if ($situation->seen->isReset()) {
            return [Decision::None, 'A reset strips down to bare paint: the new base goes on first.'];
        }
        if ($method->leavesFilm()) {
            return [Decision::None, 'A faint film stays after touchless at this soil; a topper would lock it in.'];
        }
        $planned = $zone === Zone::Paint && $situation->asked->isPlanned();
        if ($planned && ($situation->asked->wants(Kind::Base) || $situation->asked->wants(Kind::Recoat))) {
            return [Decision::None, 'The base is renewed today: nothing goes on top of it yet.'];
        }
        if ($stack->isBare() && $school !== 'every-wash') {
            return [
                Decision::None,
                'There is nothing on it to top up: suggest a base layer, then a wash keeps something.',
            ];
        }
        if (
            $washed === null &&
            $deconned === null &&
            $situation->seen->has(Contaminant::Iron, Contaminant::Tar, Contaminant::Rough) &&
            $zone === Zone::Paint
        ) {
            return [
                Decision::DeconFirst,
                'Something is bonded to the paint: take it off, read the water again, then decide.',
            ];
        }
        if ($washed === null && $deconned === null && $renewal?->suspect === true) {
            return [
                Decision::DeconFirst,
                'The clean surface failed at the last visit, and it may only be clogged: decontaminate, read again, then decide.',
            ];
        }
        if ($deconned !== null || $washed !== null) {
            $diagnosis = Diagnosis::from($stack->designed(), null, $washed, $deconned, null);
            if ($diagnosis->next === NextStep::DecontaminateAndRetest) {
                return [
                    Decision::DeconFirst,
                    'The clean surface fails, and it may only be clogged: decontaminate, read again, then decide.',
                ];
            }
            if ($diagnosis->next === NextStep::ApplyTopper) {
                return [Decision::Apply, 'It still fails after decontamination: what lies outermost is spent.'];
            }
            if ($school === 'every-wash') {
                return [Decision::Apply, 'The water holds; your school tops every wash.'];
            }
            if ($planned && $deconned === null) {
                return self::asPlanned($situation, $renewal, $schools);
            }
            if ($deconned !== null) {
                return [
                    Decision::Optional,
                    'The beads are back after decontamination: a topper is a choice, not a need.',
                ];
            }
            if ($school === 'when-it-fails') {
                return [Decision::None, 'The clean water holds, and your school waits until it fails.'];
            }
        }

        if ($planned && $school !== 'every-wash') {
            return self::asPlanned($situation, $renewal, $schools);
        }

        return match (true) {
            $school === 'every-wash' => [Decision::Apply, 'Your school tops every wash.'],
            $school === 'when-it-fails' => $renewal?->failed === true
                ? [Decision::Apply, 'A clean reading has already failed, and your school renews then.']
                : [Decision::ReadFirst, 'Your school renews when a clean reading fails: wash, read, then decide.'],
            default => self::byForecast($renewal, $schools, $situation->vehicle->nextTurnInDays),
        };
    }

    /**
     * What is planned is what is worked; only what has failed since goes beyond it.
     *
     * @return array{Decision, string}
     */
    private static function asPlanned(Situation $situation, ?Renewal $renewal, Schools $schools): array
    {
        $days = $renewal?->inDays($schools);
        $due = match (true) {
            // What only its rhythm asks for is not due by itself.
            $days === null, $situation->asked->wants(Kind::Topper) && $days > $situation->vehicle->nextTurnInDays => '',
            $days < 0.0 => sprintf(' It has been due for %s.', self::days(-$days)),
            default => sprintf(' It is due in %s.', self::days($days)),
        };

        return match (true) {
            $situation->asked->wants(Kind::Topper) => [Decision::Apply, "It is planned for this visit.{$due}"],
            $renewal?->failed === true => [Decision::Apply, 'A clean reading has failed since this visit was planned.'],
            default => [Decision::None, "The plan has none for this visit.{$due}"],
        };
    }

    /** @return array{Decision, string} */
    private static function byForecast(?Renewal $renewal, Schools $schools, int $nextTurn): array
    {
        $days = $renewal?->inDays($schools);

        return match (true) {
            $renewal?->failed === true => [Decision::Apply, 'A clean reading has already failed.'],
            $days === null => [
                Decision::ReadFirst,
                'Nobody knows since when it is on, so there is no date: let the clean water decide.',
            ],
            $days <= 0.0 => [
                Decision::Apply,
                $days > -1.0 ? 'It is due today.' : sprintf('It has been due for %s.', self::days(-$days)),
            ],
            $days < $nextTurn => [
                Decision::Apply,
                sprintf(
                    'It is due in %s, before the next visit in %s.',
                    self::days($days),
                    self::days((float) $nextTurn),
                ),
            ],
            default => [
                Decision::None,
                sprintf(
                    'It is due in %s; the next visit, in %s, is early enough.',
                    self::days($days),
                    self::days((float) $nextTurn),
                ),
            ],
        };
    }

    private static function days(float $days): string
    {
        $whole = max(1, (int) round($days));

        return match (true) {
            $whole === 1 => '1 day',
            $whole < 21 => $whole . ' days',
            $whole < 365 => round($whole / 7) . ' weeks',
            default => 'more than a year',
        };
    }
}
