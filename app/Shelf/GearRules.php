<?php

declare(strict_types=1);

namespace App\Shelf;

use Vicissa\Core\Says\Said;

/** Which figures a piece of gear has, by kind, with their limits. */
final class GearRules
{
    /** Limits by field: lowest, highest. Volumes in ml for vessels, in litres for what stands in the van. */
    public const FACTS = [
        'washer' => ['l_min' => [0.5, 60]],
        'lance' => ['ml' => [100, 10000]],
        'bottle' => ['ml' => [50, 10000]],
        'sprayer' => ['ml' => [200, 30000]],
        'bucket' => ['ml' => [2000, 60000]],
        'towel' => ['count' => [0, 10000]],
        'battery' => ['count' => [1, 200], 'wh' => [1, 5000]],
        'blower' => ['w' => [10, 5000]],
        'tank' => ['l' => [5, 20000], 'on_below_l' => [0, 20000]],
        'ro' => ['rejection' => [0.01, 1], 'recovery' => [0.05, 1], 'make_l_min' => [0.01, 200]],
        'resin' => ['l' => [0.1, 1000], 'capacity_g_per_l' => [0.1, 200]],
    ];

    /** Figures that may be left out. */
    public const OPTIONAL = ['towel' => ['cycles' => [1, 1000], 'price_minor' => [0, 1000000]]];

    /** What towels are for; each pool has one use. */
    public const USES = [
        'wash',
        'upper-mitt',
        'lower-mitt',
        'large',
        'medium',
        'catch',
        'sills',
        'wheels',
        'jambs',
        'glass',
        'topper',
    ];

    /**
     * @param array<array-key, mixed> $facts
     * @return array<string, Said> what to say, by field, "facts.l_min"
     */
    public static function errors(string $kind, array $facts): array
    {
        $errors = [];
        foreach (self::FACTS[$kind] ?? [] as $field => [$low, $high]) {
            $value = $facts[$field] ?? null;
            if (!is_int($value) && !is_float($value)) {
                $errors["facts.{$field}"] = Said::of('fault.number');
            } elseif ($value < $low || $value > $high) {
                $errors["facts.{$field}"] = Said::of('fault.between', low: $low, high: $high);
            }
        }
        foreach (self::OPTIONAL[$kind] ?? [] as $field => [$low, $high]) {
            $value = $facts[$field] ?? null;
            if ($value !== null && ((!is_int($value) && !is_float($value)) || $value < $low || $value > $high)) {
                $errors["facts.{$field}"] = Said::of('fault.between', low: $low, high: $high);
            }
        }
        if (
            $kind === 'towel' &&
            isset($facts['colour']) &&
            (!is_string($facts['colour']) || mb_strlen($facts['colour']) > 24)
        ) {
            $errors['facts.colour'] = Said::of('gear.colour');
        }
        if ($kind === 'towel' && isset($facts['use']) && !in_array($facts['use'], self::USES, true)) {
            $errors['facts.use'] = Said::of('gear.towels-for', these: implode(', ', self::USES));
        }
        foreach (
            array_diff(
                array_keys($facts),
                array_keys(self::FACTS[$kind] ?? []),
                array_keys(self::OPTIONAL[$kind] ?? []),
                $kind === 'towel' ? ['use', 'colour'] : [],
            )
            as $field
        ) {
            $errors["facts.{$field}"] = Said::of('gear.no-figure');
        }
        if ($kind === 'tank' && $errors === [] && $facts['on_below_l'] > $facts['l']) {
            $errors['facts.on_below_l'] = Said::of('gear.float');
        }

        return $errors;
    }
}
