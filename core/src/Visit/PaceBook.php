<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

/**
 * What has been learnt about minutes (domain §15.2). ln(took ÷ estimated) of a step = common + person + vehicle + kind
 * + rest, of a whole visit without the kind: normal effects around nought, so that the posterior is a linear system (a
 * mixed model; Henderson 1975). Vehicles stand alone given the others and are eliminated. A clock left running is made
 * lighter by how far it is off (Student's t, a few reweighted rounds), and beyond a factor of five it is no clock at
 * all.
 */
final readonly class PaceBook
{
    private const COMMON = 0.25;

    private const PERSON = 0.2;

    private const VEHICLE = 0.15;

    private const KIND = 0.25;

    private const REST_STEP = 0.35;

    private const REST_VISIT = 0.2;

    /** A vehicle's own minutes, typed, count as so many visits. */
    public const TYPED = 10.0;

    private const MOST = 5.0;

    /** Degrees of freedom of the reweighting. */
    private const TAILS = 4.0;

    private const ROUNDS = 3;

    /**
     * @param array<string, float> $kinds     effect by kind
     * @param array<string, float> $people    by person
     * @param array<string, float> $vehicles  by vehicle
     * @param array<string, int> $from        steps behind each kind
     * @param array<string, float> $sdVehicles  what is still not known of each vehicle
     */
    private function __construct(
        private float $common,
        private array $kinds,
        private array $people,
        private array $vehicles,
        private array $from,
        private float $sdCommon,
        private float $sdPerson,
        private array $sdVehicles,
        private int $visits,
    ) {}

    public static function blank(): self
    {
        return new self(0.0, [], [], [], [], self::COMMON, self::PERSON, [], 0);
    }

    /**
     * @param list<array{kind: string|null, person: string|null, vehicle: string, estimated: float, took: float,
     *     weight?: float}> $seen steps, and whole visits where the kind is null; minutes, the estimate without any pace
     *     in it
     */
    public static function of(array $seen): self
    {
        $rows = [];
        foreach ($seen as $one) {
            if (
                $one['estimated'] > 0.0 &&
                $one['took'] >= $one['estimated'] / self::MOST &&
                $one['took'] <= $one['estimated'] * self::MOST
            ) {
                $rows[] = [
                    ...$one,
                    'y' => log($one['took'] / $one['estimated']),
                    'precision' =>
                        ($one['weight'] ?? 1.0) / ($one['kind'] === null ? self::REST_VISIT : self::REST_STEP) ** 2,
                ];
            }
        }
        if ($rows === []) {
            return self::blank();
        }
        $names = self::names($rows);
        $weights = array_fill(0, count($rows), 1.0);
        $found = null;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $found = self::solve($rows, $weights, $names);
            $lighter = [];
            foreach ($rows as $row) {
                $off = $row['y'] - self::fitted($row, $names, $found);
                // What was typed is meant.
                $lighter[] =
                    ($row['weight'] ?? 1.0) > 1.0
                        ? 1.0
                        : (self::TAILS + 1.0) / (self::TAILS + $off ** 2 * $row['precision']);
            }
            $weights = $lighter;
        }
        $kinds = $people = $from = [];
        foreach ($names as $name => $i) {
            if (str_starts_with($name, 'kind ')) {
                $kinds[substr($name, 5)] = $found['mean'][$i];
            } elseif (str_starts_with($name, 'person ')) {
                $people[substr($name, 7)] = $found['mean'][$i];
            }
        }
        foreach ($rows as $row) {
            if ($row['kind'] !== null) {
                $from[$row['kind']] = ($from[$row['kind']] ?? 0) + 1;
            }
        }

        return new self(
            $found['mean'][0],
            $kinds,
            $people,
            $found['vehicles'],
            $from,
            $found['sd_common'],
            $found['sd_person'],
            $found['sd_vehicles'],
            count(array_filter($rows, static fn(array $row): bool => $row['kind'] === null)),
        );
    }

    /**
     * The pace of these people at this vehicle; whoever is not known counts as anybody. Where one person has worked
     * everything and nobody is named, it is them.
     *
     * @param list<string> $people
     */
    public function for(?string $vehicle = null, array $people = []): Pace
    {
        $people =
            $people === [] && count($this->people) === 1 ? array_map(strval(...), array_keys($this->people)) : $people;
        $known = array_values(array_intersect_key($this->people, array_flip($people)));
        $base =
            $this->common +
            ($known === [] ? 0.0 : array_sum($known) / max(1, count($people))) +
            ($this->vehicles[$vehicle ?? ''] ?? 0.0);
        $vehicleSd = $this->sdVehicles[$vehicle ?? ''] ?? self::VEHICLE;
        $shared = sqrt($this->sdCommon ** 2 + ($known === [] ? self::PERSON : $this->sdPerson) ** 2);
        // Kinds of a visit even each other out: about a third of one of them is left.
        $kindsSd = $this->kinds === [] ? self::KIND / 3.0 : self::KIND / 6.0;

        return new Pace(
            array_map(static fn(float $effect): float => exp($base + $effect), $this->kinds),
            $this->from,
            exp($base),
            sqrt($shared ** 2 + $vehicleSd ** 2 + $kindsSd ** 2 + self::REST_VISIT ** 2),
            $shared,
            $this->visits,
        );
    }

    /**
     * @return array{common: float, kinds: array<string, float>, people: array<string, float>, vehicles: array<string,
     *     float>, from: array<string, int>, sdCommon: float, sdPerson: float, sdVehicles: array<string, float>,
     *     visits: int} to be kept, and read again by `kept`
     */
    public function toKeep(): array
    {
        return [
            'common' => $this->common,
            'kinds' => $this->kinds,
            'people' => $this->people,
            'vehicles' => $this->vehicles,
            'from' => $this->from,
            'sdCommon' => $this->sdCommon,
            'sdPerson' => $this->sdPerson,
            'sdVehicles' => $this->sdVehicles,
            'visits' => $this->visits,
        ];
    }

    /**
     * @param array{common: float, kinds: array<string, float>, people: array<string, float>, vehicles: array<string,
     *     float>, from: array<string, int>, sdCommon: float, sdPerson: float, sdVehicles: array<string, float>,
     *     visits: int} $kept
     */
    public static function kept(array $kept): self
    {
        return new self(...$kept);
    }

    /**
     * @param list<array{kind: string|null, person: string|null, ...}> $rows
     * @return array<string, int> places of the effects that are solved together: the common one first
     */
    private static function names(array $rows): array
    {
        $names = ['common' => 0];
        foreach ($rows as $row) {
            foreach (
                [
                    $row['kind'] === null ? null : "kind {$row['kind']}",
                    $row['person'] === null ? null : "person {$row['person']}",
                ]
                as $name
            ) {
                if ($name !== null) {
                    $names[$name] ??= count($names);
                }
            }
        }

        return $names;
    }

    /**
     * @param array{kind: string|null, person: string|null, ...} $row
     * @param array<string, int> $names
     * @return list<int> the effects a row is the sum of, beside its vehicle's
     */
    private static function effects(array $row, array $names): array
    {
        return [
            0,
            ...$row['kind'] === null ? [] : [$names["kind {$row['kind']}"]],
            ...$row['person'] === null ? [] : [$names["person {$row['person']}"]],
        ];
    }

    /**
     * @param list<array{kind: string|null, person: string|null, vehicle: string, y: float, precision: float,
     *     ...}> $rows
     * @param list<float> $weights
     * @param array<string, int> $names
     * @return array{mean: list<float>, vehicles: array<string, float>, sd_common: float, sd_person: float,
     *     sd_vehicles: array<string, float>}
     */
    private static function solve(array $rows, array $weights, array $names): array
    {
        $n = count($names);
        $a = array_fill(0, $n, array_fill(0, $n, 0.0));
        $b = array_fill(0, $n, 0.0);
        foreach ($names as $name => $i) {
            $a[$i][$i] =
                1.0 /
                match (true) {
                    $name === 'common' => self::COMMON,
                    str_starts_with($name, 'kind ') => self::KIND,
                    default => self::PERSON,
                } **
                    2;
        }
        /** @var array<string, array{with: array<int, float>, sum: float, y: float}> $own */
        $own = [];
        foreach ($rows as $r => $row) {
            $precision = $row['precision'] * $weights[$r];
            $effects = self::effects($row, $names);
            foreach ($effects as $i) {
                $b[$i] += $precision * $row['y'];
                foreach ($effects as $j) {
                    $a[$i][$j] += $precision;
                }
            }
            $of = $own[$row['vehicle']] ?? ['with' => [], 'sum' => 0.0, 'y' => 0.0];
            foreach ($effects as $i) {
                $of['with'][$i] = ($of['with'][$i] ?? 0.0) + $precision;
            }
            $own[$row['vehicle']] = [
                'with' => $of['with'],
                'sum' => $of['sum'] + $precision,
                'y' => $of['y'] + $precision * $row['y'],
            ];
        }
        // Each vehicle's effect is taken out of the system (its Schur complement).
        foreach ($own as $of) {
            $d = $of['sum'] + 1.0 / self::VEHICLE ** 2;
            foreach ($of['with'] as $i => $wi) {
                $b[$i] -= ($wi * $of['y']) / $d;
                foreach ($of['with'] as $j => $wj) {
                    $a[$i][$j] -= ($wi * $wj) / $d;
                }
            }
        }
        $factor = self::cholesky($a);
        $mean = self::back($factor, $b);
        $vehicles = $sds = [];
        foreach ($own as $id => $of) {
            $d = $of['sum'] + 1.0 / self::VEHICLE ** 2;
            $vehicles[(string) $id] =
                ($of['y'] -
                    array_sum(
                        array_map(
                            static fn(int $i, float $w): float => $w * $mean[$i],
                            array_keys($of['with']),
                            $of['with'],
                        ),
                    )) /
                $d;
            $sds[(string) $id] = 1.0 / sqrt($d);
        }
        $people = array_filter(array_keys($names), static fn(string $name): bool => str_starts_with($name, 'person '));
        // Common and one person together: what is not known of their sum.
        $unit = array_fill(0, $n, 0.0);
        $unit[0] = 1.0;
        $common = self::back($factor, $unit)[0];
        $person = self::PERSON ** 2;
        if ($people !== []) {
            $i = $names[array_values($people)[0]];
            $unit[$i] = 1.0;
            $both = self::back($factor, $unit);
            $person = max(0.0, $both[0] + $both[$i] - $common);
        }

        return [
            'mean' => $mean,
            'vehicles' => $vehicles,
            'sd_common' => sqrt(max(0.0, $common)),
            'sd_person' => sqrt($person),
            'sd_vehicles' => $sds,
        ];
    }

    /**
     * @param array{kind: string|null, person: string|null, vehicle: string, ...} $row
     * @param array<string, int> $names
     * @param array{mean: list<float>, vehicles: array<string, float>, ...} $found
     */
    private static function fitted(array $row, array $names, array $found): float
    {
        return array_sum(array_map(static fn(int $i): float => $found['mean'][$i], self::effects($row, $names))) +
            $found['vehicles'][$row['vehicle']];
    }

    /**
     * @param array<int, array<int, float>> $a  symmetric, positive definite
     * @return array<int, array<int, float>> its lower factor
     */
    private static function cholesky(array $a): array
    {
        $n = count($a);
        $l = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $sum = $a[$i][$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $l[$i][$k] * $l[$j][$k];
                }
                $l[$i][$j] = $i === $j ? sqrt(max(1e-12, $sum)) : $sum / $l[$j][$j];
            }
        }

        return $l;
    }

    /**
     * @param array<int, array<int, float>> $l
     * @param array<int, float> $b
     * @return list<float>
     */
    private static function back(array $l, array $b): array
    {
        $n = count($l);
        $y = $x = [];
        for ($i = 0; $i < $n; $i++) {
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $l[$i][$k] * $y[$k];
            }
            $y[$i] = $sum / $l[$i][$i];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $y[$i];
            for ($k = $i + 1; $k < $n; $k++) {
                $sum -= $l[$k][$i] * $x[$k];
            }
            $x[$i] = $sum / $l[$i][$i];
        }
        ksort($x);

        return array_values($x);
    }
}
