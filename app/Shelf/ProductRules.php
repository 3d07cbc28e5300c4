<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Says\Teller;
use BackedEnum;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Refusal;
use Vicissa\Core\Says\Said;

/** What a product's facts have to obey, whichever way they come in: typed, imported, through the API. */
final class ProductRules
{
    public const WAYS = ['bucket', 'lance', 'sprayer', 'bottle', 'wheel', 'tyre'];

    public const APPLIED = ['wet-rinse', 'foam-rinse', 'drying-aid', 'wipe'];

    /** @return array<string, list<mixed>> */
    public static function fields(bool $new): array
    {
        $needed = $new ? 'required' : 'sometimes';

        return [
            'name' => [$needed, 'string', 'min:1', 'max:120'],
            'line' => ['sometimes', 'nullable', 'string', 'max:80'],
            'maker' => ['sometimes', 'nullable', 'string', 'max:80'],
            'supplier' => ['sometimes', 'nullable', 'string', 'max:80'],
            'role' => [$needed, self::oneOf(Role::class)],
            'surfaces' => [$needed, 'array', 'min:1'],
            'surfaces.*' => [self::oneOf(Zone::class), 'distinct'],
            'ph' => ['sometimes', 'nullable', 'numeric', 'between:0,14'],
            'leaves' => ['sometimes', self::oneOf(Leaves::class)],
            'strips' => ['sometimes', self::oneOf(Strips::class)],
            'solvent' => ['sometimes', 'boolean'],
            'dilutions' => ['sometimes', 'array:' . implode(',', self::WAYS)],
            'dilutions.*' => ['string', 'max:80'],
            'dwell_min_s' => ['sometimes', 'integer', 'between:0,86400'],
            'dwell_max_s' => ['sometimes', 'nullable', 'integer', 'between:0,86400'],
            'may_dry' => ['sometimes', 'nullable', 'boolean'],
            'min_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'max_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'rinse' => ['sometimes', 'nullable', 'boolean'],
            'paste' => ['sometimes', 'boolean'],
            'family' => ['sometimes', 'nullable', 'in:' . implode(',', self::families())],
            ...self::labelWeeks(),
            'applied' => ['sometimes', 'nullable', 'in:' . implode(',', self::APPLIED)],
            'pack_ml' => ['sometimes', 'nullable', 'numeric', 'between:1,1000000'],
            'price_minor' => ['sometimes', 'nullable', 'integer', 'between:0,100000000'],
            'stock_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'reorder_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'cautions' => ['sometimes', 'array', 'max:12'],
            'cautions.*' => ['string', 'max:240'],
        ];
    }

    /**
     * How long a label says it lasts: both ends or none.
     *
     * @param list<string> $high  what else is asked of the later end
     * @return array{label_low_weeks: list<string>, label_high_weeks: list<string>}
     */
    public static function labelWeeks(array $high = []): array
    {
        $weeks = ['sometimes', 'nullable', 'numeric', 'between:0.1,2000'];

        return [
            'label_low_weeks' => [...$weeks, 'required_with:label_high_weeks'],
            'label_high_weeks' => [...$weeks, ...$high, 'required_with:label_low_weeks'],
        ];
    }

    /** @return array<string, string> what to say, by field and rule */
    public static function sentences(): array
    {
        $teller = Teller::here();
        $of = static fn(string $code, array $these): string => $teller->say($code, these: implode(', ', $these));
        $cases = static fn(string $enum): array => array_column($enum::cases(), 'value');

        return [
            'name.required' => $teller->say('product.name'),
            'role.required' => $of('product.role-required', $cases(Role::class)),
            'role.in' => $of('product.role-in', $cases(Role::class)),
            'surfaces.required' => $of('product.surfaces-required', $cases(Zone::class)),
            'surfaces.*.in' => $of('product.surfaces-in', $cases(Zone::class)),
            'surfaces.array' => $teller->say('product.surfaces-list'),
            'leaves.in' => $of('product.leaves', $cases(Leaves::class)),
            'strips.in' => $of('product.strips', $cases(Strips::class)),
            'family.in' => $of('product.family', self::families()),
            'applied.in' => $of('product.applied', self::APPLIED),
            'dilutions.array' => $of('product.ways', self::WAYS),
            'boolean' => $teller->say('fault.yes-or-no'),
            'numeric' => $teller->say('fault.has-to-be-a-number'),
            'integer' => $teller->say('fault.has-to-be-whole'),
            'between' => $teller->say('fault.between', low: ':min', high: ':max'),
            'max' => $teller->say('fault.too-long'),
            'required_with' => $teller->say('product.both-or-neither'),
        ];
    }

    /**
     * What the fields say against each other, and dilutions that can't be read.
     *
     * @param array<array-key, mixed> $facts
     * @param Product $has  what is saved, for fields that are left out
     * @return array<string, Said> what to say, by field
     */
    public static function against(array $facts, Product $has): array
    {
        $errors = [];
        foreach (
            [
                ['label_low_weeks', 'label_high_weeks', Said::of('product.life')],
                ['min_c', 'max_c', Said::of('product.cold-above-hot')],
                ['dwell_min_s', 'dwell_max_s', Said::of('product.dwell')],
            ]
            as [$low, $high, $says]
        ) {
            [$a, $b] = [$facts[$low] ?? $has->getAttribute($low), $facts[$high] ?? $has->getAttribute($high)];
            if (is_numeric($a) && is_numeric($b) && (float) $a > (float) $b) {
                $errors[$high] = $says;
            }
        }
        $labels = $facts['dilutions'] ?? [];
        foreach (is_array($labels) ? $labels : [] as $way => $text) {
            try {
                self::reader()->read(is_scalar($text) ? (string) $text : '');
            } catch (Refusal $e) {
                $errors["dilutions.{$way}"] = $e->says;
            }
        }

        return $errors;
    }

    /** @return list<string> families a product may lay down */
    private static function families(): array
    {
        return array_values(array_diff(array_column(Family::cases(), 'value'), [Family::Bare->value]));
    }

    /** @param class-string<BackedEnum> $enum */
    private static function oneOf(string $enum): string
    {
        return 'in:' . implode(',', array_column($enum::cases(), 'value'));
    }

    /** Caps and pumps as they usually are; "in" as parts of the whole. */
    public static function reader(): DilutionReader
    {
        return new DilutionReader(capMl: 10.0, pumpMl: 2.0, inMeans: InMeans::Total);
    }
}
