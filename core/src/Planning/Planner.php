<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Closure;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Plans the weeks (domain, model "plan"). Each vehicle alone is a shortest path (Course); a first plan puts one vehicle after the
 * other, each its best given the rest; then small groups are taken out and put back, whatever is cheaper stays (large
 * neighbourhood search, Shaw 1998). Bound says how far from perfect that can be. The search spends steps, not seconds:
 * equal inputs give equal plans on every machine.
 */
final class Planner
{
    /** With more vehicles than this, a second start costs more than shaking brings. */
    private const TWO_STARTS = 120;

    /** Points that must be saved before a visit moves that stands in a plan already. */
    public const STAY = 3.0;

    private const SHAKES = 500;

    private const SHAKES_OF_MANY = 400;

    private Ledger $ledger;

    /** @var list<Course> */
    private array $courses = [];

    /** @var array<int, list<array{int, int, int}>> by vehicle: place among its course's days, kind bits, crew */
    private array $chosen = [];

    /** @var array<int, float> what each costs beside travel and overtime */
    private array $own = [];

    private Randomizer $random;

    /** @var array<int, list<int>> vehicles by a site's place */
    private array $neighbours = [];

    /** @var array<int, array<int, true>> days a vehicle was promised, in the plan before */
    private array $promised = [];

    /** @param float $stay  points a visit that stays on its day is worth more than one that moves */
    private function __construct(
        private readonly Instance $instance,
        private readonly float $stay,
        int $seed,
    ) {
        $this->ledger = new Ledger($instance);
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $bySite = [];
        foreach ($instance->vehicles as $v => $vehicle) {
            $this->courses[] = new Course($instance, $vehicle);
            $this->chosen[] = [];
            $this->own[] = 0.0;
            $bySite[$vehicle->site][] = $v;
        }
        foreach ($instance->vehicles as $v => $vehicle) {
            $this->neighbours[$v] = $bySite[$vehicle->site];
        }
    }

    /**
     * @param int $shakes                      how often a group is taken out and put back; 0 for what the size suggests
     * @param Closure(float): bool|null $told  hears how far it is, 0 to 1, and may say false to stop there
     */
    public static function plan(Instance $instance, int $shakes = 0, int $seed = 1, ?Closure $told = null): Plan
    {
        return (new self($instance, 0.0, $seed))->search(null, $shakes, $told);
    }

    /**
     * Plans again after something has changed: the standing plan as it is, what no longer fits put back, and moved only what saves
     * more than moving it is worth. Never dearer than that; where nothing has changed, nothing moves.
     *
     * @param list<PlannedVisit> $before
     * @param float $stay                      points that a visit must save before it moves
     * @param Closure(float): bool|null $told  as in plan
     */
    public static function again(Instance $instance, array $before, float $stay = self::STAY, int $shakes = 0, int $seed = 1, ?Closure $told = null): Plan
    {
        return (new self($instance, $stay, $seed))->search($before, $shakes, $told);
    }

    /**
     * @param list<PlannedVisit>|null $before
     * @param Closure(float): bool|null $told
     */
    private function search(?array $before, int $shakes, ?Closure $told): Plan
    {
        $vehicles = count($this->courses);
        $bound = new Bound($this->instance, $this->courses);
        if ($before === null) {
            $this->begin();
            $stands = false;
        } else {
            $stands = $this->resume($before);
        }
        $shakes = $shakes > 0 ? $shakes : ($vehicles <= self::TWO_STARTS ? self::SHAKES : self::SHAKES_OF_MANY);
        // Who wants an answer soon wants a bound soon.
        $rounds = (int) max(4, min($vehicles <= 16 ? 150 : 45, 4000 / max(1, $vehicles), $shakes / 3));
        $moved = $this->settle($vehicles <= self::TWO_STARTS ? 4 : 1);
        $bound->raise($rounds, $this->total());
        // Where the bound meets the plan there is nothing left to find.
        $perfect = fn(): bool => $this->total() <= $bound->value + 1e-6;
        $goesOn = $told === null || $told(0.0);
        if ($goesOn && $before === null && $vehicles <= self::TWO_STARTS && ! $perfect()) {
            // A second start, led by what the minutes of each day are worth.
            $best = [$this->total(), $this->chosen, $this->own];
            $this->clear();
            $this->begin($bound->minutePrices);
            $this->settle();
            if ($this->total() > $best[0] + 1e-9) {
                $this->restore($best);
            }
        }
        // What stands and pays as it stands is left alone.
        for ($i = 0; $goesOn && $i < $shakes && $vehicles > 1 && ! ($stands && ! $moved) && ! $perfect(); $i++) {
            $this->shake();
            if ($told !== null && $i > 0 && $i % 20 === 0 && ! $told($i / $shakes)) {
                break;
            }
        }
        // What others left behind may be better for one alone; until nobody gains any more, so that planning again finds nothing to move.
        $this->settle($vehicles <= self::TWO_STARTS ? 30 : 2);
        $bound->raise((int) ($rounds / 2), $this->total());

        return $this->result($bound->value);
    }

    /** @param array<int, float> $minutePrices  by day */
    private function begin(array $minutePrices = []): void
    {
        foreach ($this->order() as $v) {
            $this->insert($v, $minutePrices);
        }
    }

    /**
     * The standing plan is put back as it is; vehicles of which it no longer fits are routed anew, around the others.
     *
     * @param list<PlannedVisit> $before
     * @return bool whether all of it still stands
     */
    private function resume(array $before): bool
    {
        $places = array_flip(array_map(static fn(Course $course): string => $course->vehicle->id, $this->courses));
        $crews = array_flip(array_map(static fn(Crew $crew): string => $crew->id, $this->instance->crews));
        $of = array_fill_keys(array_keys($this->courses), []);
        foreach ($before as $visit) {
            if (isset($places[$visit->vehicle])) {
                $this->promised[$places[$visit->vehicle]][$visit->day] = true;
                $of[$places[$visit->vehicle]][$visit->day] = $visit;
            }
        }
        array_walk($of, static fn(array &$visits) => ksort($visits));
        $anew = [];
        foreach ($this->order() as $v) {
            if ($of[$v] === [] || ! $this->stand($v, $of[$v], $crews)) {
                $anew[] = $v;
            }
        }
        // Who has changed is led around the others first; only then they may move too.
        foreach ($anew as $v) {
            unset($this->promised[$v]);
            $this->insert($v);
        }

        // What could not be held before and can't be now has not changed.
        $name = fn(int $v): array => array_map(fn(array $one): array => [$this->courses[$v]->days[$one[0]], $one[2]], $this->chosen[$v]);

        return array_filter($anew, static fn(int $v): bool => $name($v) !== array_map(static fn(PlannedVisit $visit): array => [$visit->day, $crews[$visit->crew] ?? -1], array_values($of[$v]))) === [];
    }

    /**
     * Puts a vehicle's standing visits in place, where all of them still can be held.
     *
     * @param array<int, PlannedVisit> $visits  by day
     * @param array<string, int> $crews         place of each
     */
    private function stand(int $v, array $visits, array $crews): bool
    {
        $course = $this->courses[$v];
        $vehicle = $course->vehicle;
        ksort($visits);
        $places = array_flip($course->days);
        $chosen = [];
        $last = $vehicle->lastWash;
        foreach ($visits as $day => $visit) {
            $i = $places[$day] ?? null;
            $crew = $crews[$visit->crew] ?? null;
            $near = $day - $last < $vehicle->min && ! isset($vehicle->locks[$day]) && ! isset($vehicle->locks[$last]);
            if ($i === null || $crew === null || $near || ! $this->instance->siteOf($vehicle)->admits($visit->crew, $day)) {
                return false;
            }
            // Inspections are set on the visits afterwards, what rides on every visit with them.
            $bits = $course->isLocked($i) ? $vehicle->locks[$day] : $visit->bits & ~4 & ~$vehicle->each;
            // What is not asked for any more, or can't go on in that day's weather, falls away; the day stays.
            $bits = in_array($bits, $course->kinds($i), true) ? $bits : $bits & array_reduce($course->kinds($i), static fn(int $all, int $some): int => $all | $some, 0);
            if (! in_array($bits, $course->kinds($i), true)) {
                return false;
            }
            $chosen[] = [$i, $bits, $crew];
            $last = $day;
        }
        if (array_diff_key($vehicle->locks, $visits) !== [] && array_filter(array_keys($vehicle->locks), fn(int $day): bool => isset($places[$day]) && ! isset($visits[$day])) !== []) {
            return false;
        }
        foreach ($chosen as $n => [$i, $bits, $crew]) {
            if (! $this->ledger->holds($vehicle, $crew, $course->days[$i], $bits)) {
                foreach (array_slice($chosen, 0, $n) as [$j, $had, $with]) {
                    $this->ledger->remove($vehicle, $with, $course->days[$j], $had);
                }

                return false;
            }
            $this->ledger->add($vehicle, $crew, $course->days[$i], $bits);
        }
        $this->chosen[$v] = $chosen;
        $this->own[$v] = $this->ownCost($v, $chosen);

        return true;
    }

    /**
     * What a vehicle's visits cost beside travel and overtime: gaps, dates, weather, what is missed; less what staying is worth.
     *
     * @param list<array{int, int, int}> $chosen
     */
    private function ownCost(int $v, array $chosen): float
    {
        $course = $this->courses[$v];
        $bits = [];
        $cost = 0.0;
        foreach ($chosen as [$i, $of]) {
            $day = $course->days[$i];
            $bits[$day] = $of;
            $cost += $this->beside($v, $day);
        }

        return $cost + array_sum(Cost::ofDates($this->instance, $course->vehicle, $bits)) + Course::MISSED * $course->missed(array_keys($bits));
    }

    private function beside(int $v, int $day): float
    {
        return ($this->instance->sky($day)->poor ? $this->instance->rules->poorWeather : 0.0) - (isset($this->promised[$v][$day]) ? $this->stay : 0.0);
    }

    /** @return list<int> vehicles: what is fixed first, then who has the fewest days */
    private function order(): array
    {
        $order = array_keys($this->courses);
        usort($order, fn(int $a, int $b): int => [$this->courses[$b]->vehicle->locks !== [], count($this->courses[$b]->vehicle->deadlines), count($this->courses[$a]->days), $a]
            <=> [$this->courses[$a]->vehicle->locks !== [], count($this->courses[$a]->vehicle->deadlines), count($this->courses[$b]->days), $b]);

        return $order;
    }

    private function total(): float
    {
        return array_sum($this->own) + $this->ledger->cost;
    }

    /** @param array<int, float> $minutePrices  by day */
    private function insert(int $v, array $minutePrices = []): void
    {
        $course = $this->courses[$v];
        $vehicle = $course->vehicle;
        $prices = $crews = [];
        foreach ($course->days as $i => $day) {
            [$prices[], $crews[]] = $this->ledger->prices($vehicle, $day, $course->kinds($i), $this->beside($v, $day), $minutePrices[$day] ?? 0.0);
        }
        $best = $course->best($prices);
        $before = $this->ledger->cost;
        $led = 0.0;
        $chosen = [];
        foreach ($best['visits'] as [$i, $bits]) {
            [$crew, $day] = [$crews[$i][$bits], $course->days[$i]];
            $taken = $this->ledger->taken($crew, $day);
            $this->ledger->add($vehicle, $crew, $day, $bits);
            $led += ($minutePrices[$day] ?? 0.0) * ($this->ledger->taken($crew, $day) - $taken);
            $chosen[] = [$i, $bits, $crew];
        }
        $this->chosen[$v] = $chosen;
        // Gaps, dates and weather; travel and overtime stand in the ledger.
        $this->own[$v] = $best['cost'] - ($this->ledger->cost - $before) - $led;
    }

    private function take(int $v): void
    {
        $course = $this->courses[$v];
        foreach ($this->chosen[$v] as [$i, $bits, $crew]) {
            $this->ledger->remove($course->vehicle, $crew, $course->days[$i], $bits);
        }
        $this->chosen[$v] = [];
        $this->own[$v] = 0.0;
    }

    private function clear(): void
    {
        foreach (array_keys($this->courses) as $v) {
            $this->take($v);
        }
    }

    /**
     * Each vehicle its best given all others, until nothing is gained any more.
     *
     * @return bool whether anything was
     */
    private function settle(int $sweeps = 4): bool
    {
        $gained = false;
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            $before = $this->total();
            foreach (array_keys($this->courses) as $v) {
                [$total, $chosen, $own] = [$this->total(), $this->chosen[$v], $this->own[$v]];
                $this->take($v);
                $this->insert($v);
                if ($this->total() > $total - 1e-9) {
                    // As good is no reason to move.
                    $this->take($v);
                    $this->put($v, $chosen, $own);
                }
            }
            if ($this->total() > $before - 1e-9) {
                break;
            }
            $gained = true;
        }

        return $gained;
    }

    /** Takes a few related vehicles out and puts them back in another order; keeps what is not dearer. */
    private function shake(): void
    {
        $group = $this->group();
        $before = $this->total();
        $saved = [];
        foreach ($group as $v) {
            $saved[$v] = [$this->chosen[$v], $this->own[$v]];
            $this->take($v);
        }
        // Now and then some days are made dearer by chance, so that two find together on a day neither would choose alone.
        $nudge = $this->random->getInt(0, 2) === 0 ? $this->nudge() : [];
        $order = $this->random->shuffleArray($group);
        foreach ($order as $v) {
            $this->insert($v, $nudge);
        }
        foreach ($nudge === [] ? [] : $order as $v) {
            $this->take($v);
            $this->insert($v);
        }
        // Sideways steps lead on from a first plan; what stands moves for a gain alone.
        if ($this->total() <= $before + ($this->promised === [] ? 1e-9 : -1e-9)) {
            return;
        }
        foreach ($group as $v) {
            $this->take($v);
        }
        foreach ($saved as $v => [$chosen, $own]) {
            $this->put($v, $chosen, $own);
        }
    }

    /** @return array<int, float> prices of a minute by day, drawn by chance */
    private function nudge(): array
    {
        $prices = [];
        for ($day = $this->instance->start; $day < $this->instance->end; $day++) {
            $prices[$day] = $this->random->getInt(0, 3) === 0 ? $this->random->getInt(1, 20) / 100.0 : 0.0;
        }

        return $prices;
    }

    /** @return list<int> vehicles that share a site, or days */
    private function group(): array
    {
        $count = count($this->courses);
        $seed = $this->random->getInt(0, $count - 1);
        $size = min($count, $this->random->getInt(2, 5));
        $pool = [];
        if ($this->random->getInt(0, 1) === 0) {
            $pool = $this->neighbours[$seed];
        } else {
            $days = [];
            foreach ($this->chosen[$seed] as [$i]) {
                $days[$this->courses[$seed]->days[$i]] = true;
            }
            foreach ($this->chosen as $v => $visits) {
                foreach ($visits as [$i]) {
                    if (isset($days[$this->courses[$v]->days[$i]])) {
                        $pool[] = $v;
                        break;
                    }
                }
            }
        }
        $pool = array_values(array_diff($pool, [$seed]));
        $group = [$seed];
        while (count($group) < $size) {
            if ($pool === []) {
                $other = $this->random->getInt(0, $count - 1);
                if (! in_array($other, $group, true)) {
                    $group[] = $other;
                }

                continue;
            }
            $at = $this->random->getInt(0, count($pool) - 1);
            $group[] = $pool[$at];
            array_splice($pool, $at, 1);
            $pool = array_values(array_diff($pool, $group));
        }

        return array_values(array_unique($group));
    }

    /** @param list<array{int, int, int}> $chosen */
    private function put(int $v, array $chosen, float $own): void
    {
        foreach ($chosen as [$i, $bits, $crew]) {
            $this->ledger->add($this->courses[$v]->vehicle, $crew, $this->courses[$v]->days[$i], $bits);
        }
        $this->chosen[$v] = $chosen;
        $this->own[$v] = $own;
    }

    /** @param array{float, array<int, list<array{int, int, int}>>, array<int, float>} $plan */
    private function restore(array $plan): void
    {
        $this->clear();
        foreach ($plan[1] as $v => $chosen) {
            $this->put($v, $chosen, $plan[2][$v]);
        }
    }

    private function result(float $bound): Plan
    {
        $visits = [];
        foreach ($this->courses as $v => $course) {
            foreach ($this->chosen[$v] as [$i, $bits, $crew]) {
                $visits[] = new PlannedVisit($course->vehicle->id, $course->days[$i], $this->instance->crews[$crew]->id, $course->isLocked($i) ? $bits : $bits | $this->rides($course, $course->days[$i], $bits));
            }
        }
        usort($visits, static fn(PlannedVisit $a, PlannedVisit $b): int => [$a->day, $a->crew, $a->vehicle] <=> [$b->day, $b->crew, $b->vehicle]);
        $visits = Inspections::placed($this->instance, $visits);
        $unmet = Reasons::of($this->instance, $visits);
        $cost = Cost::of($this->instance, $visits);
        // The bound holds for plans that miss as little as this one does.
        $missed = Course::MISSED * count(array_filter($unmet, static fn(Unmet $one): bool => str_starts_with($one->what, 'deadline') || str_starts_with($one->what, 'lock')));

        return new Plan($visits, $unmet, $cost, max(0.0, min($cost->total, $this->rounded($bound - $missed))));
    }

    /** What every visit of a vehicle holds anyway, where the day lets it go on. */
    private function rides(Course $course, int $day, int $bits): int
    {
        $each = $course->vehicle->each & ~($bits & 8 ? 1 : 0);

        return $this->instance->sky($day)->topper ? $each : $each & ~11;
    }

    /** Costs come in steps; between two of them no plan can lie, so a bound rises to the next. */
    private function rounded(float $bound): float
    {
        $rules = $this->instance->rules;
        $step = 0;
        foreach ([$rules->offTarget, $rules->beyondMax, ...$rules->topper, ...$rules->decon, ...$rules->base, $rules->poorWeather, $rules->overtime, ...array_map(static fn(PlanSite $site): float => $rules->travel * $site->hopMin, array_values($this->instance->sites))] as $cost) {
            $thousandths = (int) round(1000.0 * $cost);
            while ($thousandths !== 0) {
                [$step, $thousandths] = [$thousandths, $step % $thousandths];
            }
        }

        return $step === 0 ? $bound : ceil($bound * 1000.0 / $step - 1e-6) * $step / 1000.0;
    }
}
