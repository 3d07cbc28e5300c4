<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use App\Reckon\VisitAnswer;
use LogicException;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;

/**
 * Visits to come, laid out: by their sheets where there are some, else in thought. Round, Weeks, load and what the
 * client reads ask this, so that they say the same of one visit.
 */
final readonly class ForeseeVisits
{
    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
        private ReckonMinutes $reckonMinutes,
    ) {}

    /**
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @return list<array{plan: Told<'SheetPlan'>, minutes: int, nine_in_ten: int|null, problem: Said|null,
     *     laid: bool, hour: int, kinds: list<string>|null, scope: string, visit: string|null, loses: list<string>}>
     *     minutes: what the plan reckons with, also where it can't be laid out as things stand; problem says why it
     *     can't; loses: planned kinds for which there is no step in this weather
     */
    public function __invoke(array $visits, AtHand $atHand): array
    {
        $wishes = ($this->expectVisit)($visits, $atHand);
        $plans = $hang = [];
        foreach ($wishes as $i => ['wish' => $wish, 'sheet' => $sheet]) {
            $plans[$i] = isset($sheet?->plan['totals']) ? $sheet->plan : $this->lay($wish, $atHand);
            if (data_get($plans[$i], 'totals.minutes') === null) {
                $hang[$i] = $wish;
            }
        }
        $standIns = $this->reckonMinutes->standIns($hang, $atHand);

        return array_map(
            static function (array $one, array $plan, int $i) use ($standIns): array {
                $facts = $one['wish']->facts;
                $totals = $plan['totals'] ?? throw new LogicException('A visit laid out has totals.');
                /** @var list<Said> $problems  just laid, not kept */
                $problems = $plan['problems'];
                $kinds = is_array($facts['kinds'] ?? null)
                    ? array_values(array_filter($facts['kinds'], is_string(...)))
                    : null;
                $steps = $plan['steps'];

                return [
                    'plan' => $plan,
                    'minutes' => $totals['minutes'] ?? $standIns[$i],
                    'nine_in_ten' => $totals['nine_in_ten'],
                    'problem' =>
                        $totals['minutes'] === null
                            ? $problems[0] ?? Said::of('foresee-visits.not-as-things-stand')
                            : null,
                    'laid' => $one['sheet'] !== null,
                    'hour' => $one['hour'],
                    'kinds' => $kinds,
                    'scope' => is_string($facts['scope'] ?? null) ? $facts['scope'] : 'usual',
                    'visit' => $one['planned']?->id,
                    'loses' =>
                        $steps === []
                            ? []
                            : array_values(
                                array_diff($kinds ?? [], [
                                    Kind::Wash->value,
                                    ...array_filter(array_column($steps, 'fulfils'), is_string(...)),
                                ]),
                            ),
                ];
            },
            $wishes,
            $plans,
            array_keys($wishes),
        );
    }

    /** @return Told<'SheetPlan'> */
    private function lay(VisitWish $wish, AtHand $atHand): array
    {
        $laid = ($this->layVisit)($wish, $atHand);

        return VisitAnswer::of($laid->visit, $laid->situation, $laid->outfit->body, [], $laid->outfit->pace);
    }
}
