<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

use Closure;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Plans the weeks (domain, model "plan"). Each vehicle alone is a shortest path (Course); a first plan puts one vehicle
 * after the other, each its best given the rest; then small groups are taken out and put back, led astray on the way now
 * and then (large neighbourhood search, Shaw 1998; simulated annealing, Kirkpatrick 1983). Bound says how far from
 * perfect that can be. The search spends steps, not seconds: equal inputs give equal plans on every machine.
 */
final class Planner
{
    /** More vehicles than this. */
    private const MANY = 120;

    /** How often each vehicle is taken out and put back in the mean, where there are few; and at least. Of eight weeks. */
    private const EACH = [380, 110];

    private const BY_VEHICLES = 0.75;

    private const EIGHT_WEEKS = 56;

    /** A course of fewer days costs less, by this power of them; so much more and so much less often at most. */
    private const BY_DAYS = 1.2;

    private const OFTENER = [0.6, 2.0];

    /**
     * So many shakes at least, since few vehicles cost little; of very few, who meet in few ways, so many by each with
     * each, and at least the last.
     */
    private const LEAST = [2000, 35, 200];

    /** So many where a plan stands. */
    private const AGAIN = 500;

    private const FEW = 24;

    /** Of a large book's search so much is spent part by part; together shakes a vehicle, and so many at least. */
    private const PARTED = 0.8;

    private const TOGETHER = [2, 5000];

    /** Rounds of the bound for who does not wait. */
    private const SOON = 2;

    /** The share of a search that only goes down, at first: who waits for a second has a good plan by then. */
    private const QUICK = 0.08;

    /** So many at most are taken out together. */
    private const GROUP = 6;

    /**
     * By how much a plan may be dearer and still be gone on from, at first and at last (simulated annealing): of what a step in these
     * weeks makes it dearer by, in the middle. Crowded weeks have steeper steps.
     */
    private const HEAT = [0.3, 0.015];

    /** Points of such a step where none has been seen. */
    private const STEP = 8.0;

    /** Weeks with dearer steps than this are crowded, and searched for longer: with the root of it, and so much at most. */
    private const CROWDED = [20.0, 1.4];

    /**
     * Of a hundred ways to be led astray so many go by what the minutes of a day are worth, as the bound has found; so often that at
     * most, and each day's half of it to once and a half.
     */
    private const WORTH = [85, 1.5];

    /** Rounds of the bound: so many for one vehicle, and never more than the first; from so many vehicles on, fewer by their square. */
    private const ROUNDS = [60, 1300, 25];

    private Assignment $assignment;

    private Randomizer $random;

    /** @var list<float> by how many points steps were dearer while the search only went down */
    private array $dearer = [];

    private ?float $step = null;

    /** @var array<int, float> what a minute of each day is worth, as far as a bound has found that */
    private array $worth = [];

    /** @var array<int, list<int>> vehicles by a site's place */
    private array $neighbours = [];

    /** @param float $stay  points a visit that stays on its day is worth more than one that moves */
    private function __construct(private readonly Instance $instance, float $stay, int $seed)
    {
        $this->assignment = new Assignment($instance, $stay);
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $bySite = [];
        foreach ($instance->vehicles as $v => $vehicle) {
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
    public static function plan(Instance $instance, int $shakes = 0, int $seed = 1, ?Closure $told = null): FoundPlan
    {
        return $shakes === 0 && Groups::fit($instance)
            ? self::inGroups($instance, $seed, $told)
            : (new self($instance, 0.0, $seed))->search(null, $shakes, $told);
    }

    /**
     * A large book: part by part, each with crews of its own, then all together, where it is gone down from there.
     *
     * @param Closure(float): bool|null $told
     */
    private static function inGroups(Instance $instance, int $seed, ?Closure $told): FoundPlan
    {
        $groups = Groups::of($instance);
        $visits = [];
        $goesOn = true;
        foreach ($groups as $n => $group) {
            $heard = static function (float $share) use ($told, $n, $groups, &$goesOn): bool {
                return $goesOn = $goesOn && ($told === null || $told((self::PARTED * ($n + $share)) / count($groups)));
            };
            $part = new self($group, 0.0, $seed + $n);
            $part->find(null, 0, $heard, null);
            array_push($visits, ...$part->visits());
        }
        $whole = new self($instance, 0.0, $seed);

        return $whole->search(
            $visits,
            (int) max(self::TOGETHER[0] * count($instance->vehicles), self::TOGETHER[1]),
            static fn(float $share): bool => $goesOn &&
                ($told === null || $told(self::PARTED + (1.0 - self::PARTED) * $share)),
            new: true,
        );
    }

    /**
     * Plans again after something has changed: the standing plan as it is, what no longer fits put back, and moved only
     * what saves more than moving it is worth. Never dearer than that; where nothing has changed, nothing moves.
     *
     * @param list<PlacedVisit> $before
     * @param float|null $stay                      points that a visit must save before it moves; the rules' when left out
     * @param Closure(float): bool|null $told  as in plan
     */
    public static function again(
        Instance $instance,
        array $before,
        ?float $stay = null,
        int $shakes = 0,
        int $seed = 1,
        ?Closure $told = null,
    ): FoundPlan {
        return (new self($instance, $stay ?? $instance->rules->stay, $seed))->search($before, $shakes, $told);
    }

    /**
     * @param list<PlacedVisit>|null $before
     * @param Closure(float): bool|null $told
     * @param bool $new  what was before stands for nobody yet
     */
    private function search(?array $before, int $shakes, ?Closure $told, bool $new = false): FoundPlan
    {
        $bound = new Bound($this->instance, $this->assignment->courses);
        $goesOn = $this->find($before, $shakes, $told, $bound, $new);
        $bound->raise(
            $goesOn ? (int) ceil($this->rounds() / 3) : self::SOON,
            $this->assignment->total(),
            $told === null ? null : static fn(): bool => $told(1.0),
        );

        return $this->result($bound->value);
    }

    private function effort(bool $again = false): int
    {
        $vehicles = count($this->assignment->courses);

        [$least, $pair, $fewest] = self::LEAST;
        $least = min($least, max($fewest, $pair * $vehicles ** 2));
        // What stands is near its best already, and somebody waits.
        if ($again) {
            return min(self::AGAIN, $least);
        }
        [$seldom, $often] = self::OFTENER;
        $oftener = min($often, max($seldom, (self::EIGHT_WEEKS / $this->instance->days) ** self::BY_DAYS));

        return (int) ceil($oftener * max($least, (2 * self::each($vehicles) * $vehicles) / (1 + self::GROUP)));
    }

    private function rounds(): int
    {
        [$most, $alone, $many] = self::ROUNDS;
        $vehicles = max(1, count($this->assignment->courses));

        return (int) max(6, min($most, ($alone / $vehicles) * min(1.0, $many / $vehicles)));
    }

    /**
     * @param list<PlacedVisit>|null $before
     * @param Closure(float): bool|null $told
     * @return bool  false where it was stopped
     */
    private function find(?array $before, int $asked, ?Closure $told, ?Bound $bound, bool $new = false): bool
    {
        $shakes = $asked > 0 ? $asked : $this->effort($before !== null);
        $vehicles = count($this->assignment->courses);
        if ($before === null) {
            $this->begin();
            $stands = false;
        } else {
            $stands = $this->resume($before) && !$new;
        }
        $moved = $this->assignment->settle($vehicles <= self::MANY ? 4 : 1);
        // Where the bound meets the plan there is nothing left to find.
        $perfect = fn(): bool => $bound !== null && $this->assignment->total() <= $bound->value + 1e-6;
        $goesOn = $told === null || $told(0.0);
        // What stands and pays as it stands is left alone.
        $seeks = $vehicles > 1 && !($stands && !$moved);
        $quick = (int) ceil(self::QUICK * $shakes);
        $best = $this->assignment->kept();
        for ($i = 0; $goesOn && $i < $shakes && !$perfect(); $i++) {
            // Who waits for a second has a plan before it is asked how good it is.
            if ($i === $quick || !$seeks) {
                $bound?->raise(
                    (int) min($this->rounds(), $shakes / 3),
                    $this->assignment->total(),
                    $told === null ? null : static fn(): bool => $told(self::QUICK),
                );
            }
            if (!$seeks) {
                break;
            }
            if ($i === $quick) {
                $this->worth = $bound->minutes->minutePrices ?? $this->worth();
                $shakes = $asked === 0 && $before === null ? (int) ceil($shakes * $this->crowded()) : $shakes;
            }
            $this->shake($before !== null ? 0.0 : $this->heat($i / $shakes));
            if ($this->assignment->total() < $best[0] - 1e-9) {
                $best = $this->assignment->kept();
            }
            $goesOn = $told === null || $i % 20 !== 0 || $i === 0 || $told($i / $shakes);
        }
        if ($this->assignment->total() > $best[0] + 1e-9) {
            $this->assignment->restore($best);
        }
        // What others left behind may be better for one alone; until nobody gains any more, so that planning again
        // finds nothing to move.
        $this->assignment->settle($goesOn && $vehicles <= self::MANY ? 30 : 2);

        return $goesOn;
    }

    private function begin(?Lure $lure = null): void
    {
        foreach ($this->order() as $v) {
            $this->assignment->insert($v, $lure);
        }
    }

    /** Many have more ways round each other than can be tried; few cost little. */
    private static function each(int $vehicles): float
    {
        return max(self::EACH[1], self::EACH[0] * min(1.0, (1.2 * self::FEW) / max(1, $vehicles)) ** self::BY_VEHICLES);
    }

    private function heat(float $share): float
    {
        if ($share < self::QUICK) {
            return 0.0;
        }
        [$first, $last] = self::HEAT;

        return $this->step() * $first * ($last / $first) ** (($share - self::QUICK) / (1.0 - self::QUICK));
    }

    private function step(): float
    {
        if ($this->step === null) {
            sort($this->dearer);
            $this->step = $this->dearer[intdiv(count($this->dearer), 2)] ?? self::STEP;
        }

        return $this->step;
    }

    private function crowded(): float
    {
        [$from, $most] = self::CROWDED;

        return min($most, max(1.0, sqrt($this->step() / $from)));
    }

    /**
     * The standing plan is put back as it is; vehicles of which it no longer fits are routed anew, around the others.
     *
     * @param list<PlacedVisit> $before
     * @return bool whether all of it still stands
     */
    private function resume(array $before): bool
    {
        $places = array_flip(
            array_map(static fn(Course $course): string => $course->vehicle->id, $this->assignment->courses),
        );
        $crews = array_flip(array_map(static fn(PlanCrew $crew): string => $crew->id, $this->instance->crews));
        $of = array_fill_keys(array_keys($this->assignment->courses), []);
        foreach ($before as $visit) {
            if (isset($places[$visit->vehicle])) {
                $this->assignment->promise($places[$visit->vehicle], $visit->day);
                $of[$places[$visit->vehicle]][$visit->day] = $visit;
            }
        }
        array_walk($of, static fn(array &$visits) => ksort($visits));
        $anew = [];
        foreach ($this->order() as $v) {
            if ($of[$v] === [] || !$this->assignment->stand($v, $of[$v], $crews)) {
                $anew[] = $v;
            }
        }
        // Who has changed is led around the others first; only then they may move too.
        foreach ($anew as $v) {
            $this->assignment->release($v);
            $this->assignment->insert($v);
        }

        // What could not be held before and can't be now has not changed.
        return array_filter(
            $anew,
            fn(int $v): bool => $this->assignment->named($v) !==
                array_map(static fn(PlacedVisit $visit): array => [$visit->day, $visit->crew], array_values($of[$v])),
        ) === [];
    }

    /** @return list<int> vehicles: what is fixed first, then who has the fewest days */
    private function order(): array
    {
        $order = array_keys($this->assignment->courses);
        usort(
            $order,
            fn(int $a, int $b): int => [
                $this->assignment->courses[$b]->vehicle->locks !== [],
                count($this->assignment->courses[$b]->vehicle->deadlines),
                count($this->assignment->courses[$a]->days),
                $a,
            ] <=> [
                $this->assignment->courses[$a]->vehicle->locks !== [],
                count($this->assignment->courses[$a]->vehicle->deadlines),
                count($this->assignment->courses[$b]->days),
                $b,
            ],
        );

        return $order;
    }

    /**
     * Takes a few related vehicles out and puts them back in another order; keeps what is not dearer, or by little while it is
     * hot (Metropolis 1953).
     */
    private function shake(float $heat): void
    {
        $group = $this->group();
        $before = $this->assignment->total();
        $saved = [];
        foreach ($group as $v) {
            $saved[$v] = $this->assignment->lift($v);
        }
        $lure = $this->lure();
        $order = $this->random->shuffleArray($group);
        foreach ($order as $v) {
            $this->assignment->insert($v, $lure, $saved[$v]);
        }
        foreach ($lure === null ? [] : $order as $v) {
            $this->assignment->insert($v, was: $this->assignment->lift($v));
        }
        $dearer = $this->assignment->total() - $before;
        if ($heat === 0.0 && $dearer > 1e-9 && $dearer < 0.5 * Course::MISSED) {
            $this->dearer[] = $dearer;
        }
        // Sideways steps lead on from a first plan; what stands moves for a gain alone.
        // A lock is worth more than whatever else can't be met: none is given up for it.
        $locks = array_sum(
            array_map(
                fn(int $v): int => $this->assignment->locksIn($v, $this->assignment->of($v)) -
                    $this->assignment->locksIn($v, $saved[$v][0]),
                $group,
            ),
        );
        if (
            match (true) {
                $locks < 0 => $dearer < -0.5 * Course::MISSED,
                $heat > 0.0 => $dearer <= 1e-9 || $dearer < -$heat * log($this->even()),
                default => $dearer <= -1e-9,
            }
        ) {
            return;
        }
        foreach ($group as $v) {
            $this->assignment->take($v);
        }
        foreach ($saved as $v => $was) {
            $this->assignment->put($v, ...$was);
        }
    }

    /** @return array<int, float> prices of minutes by day, where no bound is asked for */
    private function worth(): array
    {
        $prices = new MinutePrices($this->instance, $this->assignment->courses);
        $prices->raise($this->rounds(), $this->assignment->total());

        return $prices->minutePrices;
    }

    /**
     * One time in four nothing; else one of some ways to lead vehicles to days they would not choose alone, most often by what the
     * minutes of the days are worth to all together (Lagrangian heuristic, Fisher 1981).
     */
    private function lure(): ?Lure
    {
        $way = $this->random->getInt(0, 3);
        if ($way === 0) {
            return null;
        }
        [$percent, $most] = self::WORTH;
        if ($this->worth !== [] && $this->random->getInt(1, 100) <= $percent) {
            $share = $most * $this->even();

            return new Lure(
                minutes: array_map(fn(float $one): float => $share * (0.5 + $this->even()) * $one, $this->worth),
            );
        }
        $by = [];
        for ($day = $this->instance->start; $day < $this->instance->end; $day++) {
            if ($this->random->getInt(0, 3) === 0) {
                $by[$day] = $this->even();
            }
        }

        return match ($way) {
            1 => new Lure(minutes: array_map(static fn(float $one): float => 0.2 * $one, $by)),
            2 => new Lure(free: array_map(static fn(): bool => true, $by)),
            default => new Lure(visits: array_map(static fn(float $one): float => 12.0 * $one - 6.0, $by)),
        };
    }

    private function even(): float
    {
        return ($this->random->getInt(0, 0x3fffffff) + 0.5) / 0x40000000;
    }

    /** @return list<int> vehicles that share a site, or days */
    private function group(): array
    {
        $count = count($this->assignment->courses);
        $seed = $this->random->getInt(0, $count - 1);
        $size = min($count, $this->random->getInt(1, self::GROUP));
        $pool = [];
        if ($this->random->getInt(0, 1) === 0) {
            $pool = $this->neighbours[$seed];
        } else {
            $days = $this->assignment->named($seed);
            $near = $days === [] ? 0 : $days[$this->random->getInt(0, count($days) - 1)][0];
            foreach ([$near - 1, $near, $near + 1] as $day) {
                array_push($pool, ...$this->assignment->on($day));
            }
        }
        $group = [$seed => true];
        for ($tries = 0; count($group) < $size; $tries++) {
            // Where all that are related are in it, others come along.
            $group[
                $tries < 2 * $size && $pool !== []
                    ? $pool[$this->random->getInt(0, count($pool) - 1)]
                    : $this->random->getInt(0, $count - 1)
            ] = true;
        }

        return array_keys($group);
    }

    /** @return list<PlacedVisit> by day, crew and vehicle */
    private function visits(): array
    {
        $visits = [];
        foreach ($this->assignment->courses as $v => $course) {
            foreach ($this->assignment->of($v) as [$i, $bits, $crew]) {
                $visits[] = new PlacedVisit(
                    $course->vehicle->id,
                    $course->days[$i],
                    $this->instance->crews[$crew]->id,
                    $course->isLocked($i) ? $bits : $bits | $this->rides($course, $course->days[$i], $bits),
                );
            }
        }
        usort(
            $visits,
            static fn(PlacedVisit $a, PlacedVisit $b): int => [$a->day, $a->crew, $a->vehicle] <=> [
                $b->day,
                $b->crew,
                $b->vehicle,
            ],
        );

        return $visits;
    }

    private function result(float $bound): FoundPlan
    {
        $visits = Inspections::placed($this->instance, $this->visits());
        $unmet = Reasons::of($this->instance, $visits);
        $cost = Cost::of($this->instance, $visits);
        // The bound holds for plans that miss as little as this one does.
        $missed = Course::MISSED * count(array_filter($unmet, static fn(Unmet $one): bool => $one->binding));

        return new FoundPlan(
            $visits,
            $unmet,
            $cost,
            max(0.0, min($cost->total, Cost::stepUp($this->instance, $bound - $missed))),
        );
    }

    /** What every visit of a vehicle holds anyway, where the day lets it go on. */
    private function rides(Course $course, int $day, int $bits): int
    {
        return $course->vehicle->each & ~($bits & 8 ? 1 : 0) & $this->instance->kindsOn($course->vehicle, $day);
    }
}
