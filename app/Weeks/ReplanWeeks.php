<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Crew;
use App\Book\PlannedVisit;
use App\Book\ScopeVisits;
use App\Reckon\PlanModel;
use App\Record\Overtaken;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\FoundPlan as Found;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Planning\PlacedVisit as Visit;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Says\Said;

/**
 * Plans the weeks and puts the visits into the book. What was planned before is the beginning, so that as little moves
 * as the cost allows; what somebody changed while it was searching is never overwritten.
 */
final readonly class ReplanWeeks
{
    /** A week of the first crew, until somebody describes it: seven hours, Monday to Friday. */
    private const USUAL_WEEK = [1 => 420, 2 => 420, 3 => 420, 4 => 420, 5 => 420];

    public function __construct(
        private GatherWeeks $gatherWeeks,
        private PutVisits $putVisits,
        private ScopeVisits $scopeVisits,
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private SeveralStarts $severalStarts,
    ) {}

    /**
     * @param Closure(list<array{vehicle: string, date: string, crew: string, kinds: list<string>,
     *     locked: bool}>): list<array{vehicle: string, date: string, crew: string, kinds: list<string>,
     *     locked: bool}>|null $change what is planned, changed by hand before the rest adapts
     * @param bool $afresh                     forget what was planned, locks excepted
     * @param Closure(float): bool|null $told  hears how far it is, and may say false to stop there
     *
     * @throws Overtaken when the plan was changed meanwhile
     */
    public function __invoke(
        Said $why,
        ?User $by,
        ?Closure $change = null,
        bool $afresh = false,
        int $shakes = 0,
        ?Closure $told = null,
    ): Plan {
        if (Crew::query()->whereNull('archived_at')->doesntExist()) {
            Crew::query()->create(['name' => Teller::here()->say('plan.the-van'), 'minutes' => self::USUAL_WEEK]);
        }
        $before = $this->standing();
        $wanted = $change === null ? $before : $change($before);
        $shakes = $shakes > 0 ? $shakes : config()->integer('vicissa.limits.plan_shakes');
        $instance = ($this->gatherWeeks)($wanted)->instance;
        $found =
            $afresh || $wanted === []
                ? ($this->severalStarts)($instance, $shakes, $told)
                : Planner::again($instance, $this->visits($wanted, $instance), shakes: $shakes, told: $told);

        return DB::transaction(function () use ($why, $by, $instance, $before, $wanted, $found): Plan {
            // One plan is written at a time.
            DB::select('select pg_advisory_xact_lock(hashtext(current_setting(\'vicissa.workspace\')))');
            if ($this->standing() !== $before) {
                throw new Overtaken();
            }
            $locked = [];
            foreach ($wanted as $visit) {
                $locked[$visit['vehicle'] . ' ' . $visit['date']] = $visit['locked'];
            }
            $after = array_map(
                static fn(Visit $visit): array => [
                    'vehicle' => $visit->vehicle,
                    'date' => Day::date($visit->day),
                    'crew' => $visit->crew,
                    'kinds' => array_map(static fn(Kind $kind): string => $kind->value, Kind::of($visit->bits)),
                    'locked' => $locked[$visit->vehicle . ' ' . Day::date($visit->day)] ?? false,
                ],
                $found->visits,
            );
            ($this->putVisits)($this->today(), ($this->scopeVisits)($after));

            return $this->note($why, $by, $instance, $found, $before, $after);
        });
    }

    /**
     * What was planned before the newest plan stands again. Many who take the same one back at once take back that one.
     *
     * @param string|null $id  the plan somebody has before them; the newest when left out
     * @return bool  false when there is nothing to take back
     */
    public function undo(?string $id = null): bool
    {
        $newest = Plan::query()->whereNull('undone_at')->orderByDesc('made_at')->orderByDesc('id')->value('id');
        if ($newest === null || ($id !== null && $id !== $newest)) {
            // What they had before them is taken back already, or another has been made since.
            return $id !== null && Plan::query()->whereKey($id)->whereNotNull('undone_at')->exists();
        }

        return DB::transaction(function () use ($newest): bool {
            $plan = Plan::query()->whereKey($newest)->lockForUpdate()->firstOrFail();
            if ($plan->undone_at !== null) {
                return true;
            }
            $today = $this->today();
            // What has been worked since is over, in either plan.
            $done = array_diff(
                array_map(
                    self::name(...),
                    array_filter($plan->after, static fn(array $visit): bool => $visit['date'] > $today),
                ),
                array_map(self::name(...), $this->standing()),
            );
            ($this->putVisits)(
                $today,
                array_values(
                    array_filter(
                        $plan->before,
                        static fn(array $visit): bool => $visit['date'] > $today &&
                            !in_array(self::name($visit), $done, true),
                    ),
                ),
            );
            Plan::query()
                ->whereKey($plan->id)
                ->update(['undone_at' => $this->clock->now()]);

            return true;
        });
    }

    /**
     * @return list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> what is
     *     planned from tomorrow on
     */
    public function standing(): array
    {
        return array_values(
            PlannedVisit::query()
                ->where('on', '>', $this->today())
                ->orderBy('on')
                ->orderBy('vehicle_id')
                ->get()
                ->map(
                    static fn(PlannedVisit $visit): array => [
                        'vehicle' => $visit->vehicle_id,
                        'date' => $visit->on->toDateString(),
                        'crew' => $visit->crew_id,
                        'kinds' => $visit->kinds,
                        'locked' => $visit->locked,
                    ],
                )
                ->all(),
        );
    }

    /**
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $visits
     * @return list<Visit>
     */
    public function visits(array $visits, Instance $instance): array
    {
        $crews = array_flip(array_map(static fn($crew): string => $crew->id, $instance->crews));
        $here = [];
        foreach ($visits as $visit) {
            $day = Day::number('date', $visit['date']);
            if (isset($crews[$visit['crew']]) && $day >= $instance->start && $day < $instance->end) {
                $here[] = new Visit($visit['vehicle'], $day, $visit['crew'], Kind::bits($visit['kinds']));
            }
        }

        return $here;
    }

    /**
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $before
     * @param list<array{vehicle: string, date: string, crew: string, kinds: list<string>, locked: bool}> $after
     */
    private function note(Said $why, ?User $by, Instance $instance, Found $found, array $before, array $after): Plan
    {
        $answer = PlanModel::answer($found);

        return Plan::query()->create([
            'made_at' => $this->clock->now(),
            'made_by' => $by?->id,
            'why' => $why,
            'start_on' => Day::date($instance->start),
            'days' => $instance->days,
            'before' => $before,
            'after' => $after,
            'instance' => PlanModel::written($instance),
            'cost' => $found->cost->total,
            'bound' => $found->bound,
            'breakdown' => $answer['breakdown'],
            'unmet' => $answer['unmet'],
        ]);
    }

    private function today(): string
    {
        return $this->tenancy->workspace()->dateOf($this->clock->now());
    }

    /** @param array{vehicle: string, date: string, ...} $visit */
    private static function name(array $visit): string
    {
        return $visit['vehicle'] . ' ' . $visit['date'];
    }
}
