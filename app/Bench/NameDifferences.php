<?php

declare(strict_types=1);

namespace App\Bench;

use Vicissa\Core\Visit\Visit;

/**
 * Where a visit takes other minutes than the plan reckoned with: which fact it is that differs, and what each of them
 * costs or saves (domain §15).
 */
final readonly class NameDifferences
{
    /** What stands at a place, and whether it does where nobody says. */
    private const PLACE = ['pressure' => true, 'power' => true, 'shade' => false, 'bay' => false];

    public function __construct(private ExpectVisit $expectVisit, private LayVisit $layVisit) {}

    /**
     * @param Visit $visit  the wish, laid out
     * @return array{minutes: int|null, facts: list<array{fact: string, is: string, was: string, minutes: int|null}>}
     *     minutes: what was expected; of a fact: how many more than if it were as expected, null where one of the two
     *     can't be worked
     */
    public function __invoke(VisitWish $wish, Visit $visit, AtHand $atHand): array
    {
        $expected = ($this->expectVisit)([[$wish->vehicle, $wish->on]], $atHand, laid: false)[0]['wish'];
        $differing = [];
        foreach (self::sides($expected->facts, $expected->people) as $fact => [$was, $facts]) {
            [$is] = self::sides($wish->facts, $wish->people)[$fact];
            if ($is !== $was) {
                $differing[$fact] = [
                    'is' => $is,
                    'was' => $was,
                    'wish' => new VisitWish(
                        $wish->vehicle,
                        $wish->on,
                        $fact === 'crew' ? $expected->people : $wish->people,
                        $fact === 'crew' ? $expected->members : $wish->members,
                        self::put($wish->facts, $facts),
                    ),
                ];
            }
        }
        if ($differing === []) {
            return ['minutes' => $visit->totals->minutes, 'facts' => []];
        }
        $minutes = fn(VisitWish $one): ?int => ($this->layVisit)($one, $atHand)->visit->totals->minutes;
        $now = $visit->totals->minutes;

        return [
            'minutes' => $minutes($expected),
            'facts' => array_map(
                static function (string $fact, array $one) use ($minutes, $now): array {
                    $then = $minutes($one['wish']);

                    return [
                        'fact' => $fact,
                        'is' => $one['is'],
                        'was' => $one['was'],
                        'minutes' => $now === null || $then === null ? null : $now - $then,
                    ];
                },
                array_keys($differing),
                array_values($differing),
            ),
        ];
    }

    /** @param array<string, mixed> $of  something as a word, to be compared; empty where nothing of it is set */
    private static function word(array $of): string
    {
        $set = array_filter(
            $of,
            static fn(mixed $value): bool => !in_array($value, [[], null, false, 'maintain'], true),
        );

        return $set === [] ? '' : (string) json_encode($set);
    }

    /**
     * @param array<string, mixed> $facts
     * @param array<string, mixed> $others
     * @return array<string, mixed>
     */
    private static function put(array $facts, array $others): array
    {
        foreach ($others as $name => $value) {
            $facts[$name] =
                in_array($name, ['seen', 'place'], true) && is_array($value)
                    ? [...is_array($facts[$name] ?? null) ? $facts[$name] : [], ...$value]
                    : $value;
        }

        return $facts;
    }

    /**
     * What may differ: how it stands in a word, and the facts that make it so.
     *
     * @param array<string, mixed> $facts
     * @return array<string, array{string, array<string, mixed>}>
     */
    private static function sides(array $facts, int $people): array
    {
        $soil = (int) data_get($facts, 'seen.soil', 0);
        $grit = (bool) data_get($facts, 'seen.grit', false);
        $water = (string) data_get($facts, 'place.water', 'tap');
        $rain = (bool) data_get($facts, 'weather.rain', false);
        $air = round((float) data_get($facts, 'weather.air_c', 0.0));
        $sun = round((float) data_get($facts, 'weather.sun_w_m2', 0.0), -2);
        $stands = array_map(
            static fn(bool $usual, string $what): bool => (bool) data_get($facts, "place.{$what}", $usual),
            self::PLACE,
            array_keys(self::PLACE),
        );
        $stands = array_combine(array_keys(self::PLACE), $stands);
        $found = [
            'on' => data_get($facts, 'seen.on') ?? [],
            'wheel_soil' => data_get($facts, 'seen.wheel_soil'),
            'wheel_iron' => (bool) data_get($facts, 'seen.wheel_iron', false),
            'loose_edges' => (bool) data_get($facts, 'seen.loose_edges', false),
            'purpose' => data_get($facts, 'seen.purpose') ?? 'maintain',
            'readings' => array_filter((array) data_get($facts, 'seen.readings', [])),
        ];
        $choices = [
            'schools' => (array) ($facts['schools'] ?? []),
            'taken' => (array) ($facts['taken'] ?? []),
            'without' => (array) ($facts['without'] ?? []),
        ];
        $weather = is_array($facts['weather'] ?? null) ? $facts['weather'] : [];
        $kinds = is_array($facts['kinds'] ?? null) ? array_values(array_filter($facts['kinds'], is_string(...))) : null;
        $scope = is_string($facts['scope'] ?? null) ? $facts['scope'] : 'usual';

        return [
            'soil' => [(string) $soil, ['seen' => ['soil' => $soil]]],
            'grit' => [$grit ? 'yes' : 'no', ['seen' => ['grit' => $grit]]],
            'water' => [$water, ['place' => ['water' => $water]]],
            'weather' => [$rain ? 'rain' : "{$air} {$sun}", ['weather' => $weather]],
            'panel' => [
                is_numeric($facts['panel_c'] ?? null) ? (string) round((float) $facts['panel_c']) : '',
                ['panel_c' => $facts['panel_c'] ?? null],
            ],
            'place' => [implode(' ', array_keys(array_filter($stands))), ['place' => $stands]],
            'found' => [self::word($found), ['seen' => $found]],
            'choices' => [self::word($choices), $choices],
            'scope' => [$scope, ['scope' => $scope]],
            'kinds' => [implode(' ', $kinds ?? []), ['kinds' => $kinds]],
            'crew' => [(string) $people, []],
        ];
    }
}
