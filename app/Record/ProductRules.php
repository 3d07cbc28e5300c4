<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\Product;
use DomainException;
use Illuminate\Validation\Rule;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\AmbiguousDilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Protection\Family;

/** What a product's facts have to obey, whichever way they come in: typed, imported, through the API. */
final class ProductRules
{
    public const WAYS = ['bucket', 'lance', 'sprayer', 'bottle', 'wheel', 'tyre'];

    public const APPLIED = ['wet-rinse', 'foam-rinse', 'drying-aid', 'wipe'];

    /** @return array<string, mixed> */
    public static function fields(bool $new): array
    {
        $needed = $new ? 'required' : 'sometimes';

        return [
            'name' => [$needed, 'string', 'min:1', 'max:120'],
            'line' => ['sometimes', 'nullable', 'string', 'max:80'],
            'maker' => ['sometimes', 'nullable', 'string', 'max:80'],
            'role' => [$needed, Rule::enum(Role::class)],
            'surfaces' => [$needed, 'array', 'min:1'],
            'surfaces.*' => [Rule::enum(Zone::class), 'distinct'],
            'ph' => ['sometimes', 'numeric', 'between:0,14'],
            'leaves' => ['sometimes', Rule::enum(Leaves::class)],
            'strips' => ['sometimes', Rule::enum(Strips::class)],
            'solvent' => ['sometimes', 'boolean'],
            'dilutions' => ['sometimes', 'array:'.implode(',', self::WAYS)],
            'dilutions.*' => ['string', 'max:80'],
            'dwell_min_s' => ['sometimes', 'integer', 'between:0,86400'],
            'dwell_max_s' => ['sometimes', 'nullable', 'integer', 'between:0,86400'],
            'may_dry' => ['sometimes', 'boolean'],
            'min_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'max_c' => ['sometimes', 'nullable', 'numeric', 'between:-40,90'],
            'rinse' => ['sometimes', 'boolean'],
            'family' => ['sometimes', 'nullable', Rule::enum(Family::class)->except([Family::Bare])],
            'label_low_weeks' => ['sometimes', 'nullable', 'numeric', 'between:0.1,2000', 'required_with:label_high_weeks'],
            'label_high_weeks' => ['sometimes', 'nullable', 'numeric', 'between:0.1,2000', 'required_with:label_low_weeks'],
            'applied' => ['sometimes', 'nullable', 'in:'.implode(',', self::APPLIED)],
            'pack_ml' => ['sometimes', 'nullable', 'numeric', 'between:1,1000000'],
            'price_minor' => ['sometimes', 'nullable', 'integer', 'between:0,100000000'],
            'stock_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'reorder_ml' => ['sometimes', 'numeric', 'between:0,10000000'],
            'cautions' => ['sometimes', 'array', 'max:12'],
            'cautions.*' => ['string', 'max:240'],
        ];
    }

    /**
     * What the fields say against each other, and dilutions that can't be read.
     *
     * @param array<array-key, mixed> $facts
     * @param Product $has  what is saved, for fields that are left out
     * @return array<string, string> sentences by field
     */
    public static function against(array $facts, Product $has): array
    {
        $errors = [];
        foreach ([['label_low_weeks', 'label_high_weeks', 'The longest label life is shorter than the shortest.'],
            ['min_c', 'max_c', 'The coldest panel allowed is warmer than the hottest.'],
            ['dwell_min_s', 'dwell_max_s', 'The longest dwell is shorter than the shortest.']] as [$low, $high, $says]) {
            [$a, $b] = [$facts[$low] ?? $has->getAttribute($low), $facts[$high] ?? $has->getAttribute($high)];
            if (is_numeric($a) && is_numeric($b) && (float) $a > (float) $b) {
                $errors[$high] = $says;
            }
        }
        $labels = $facts['dilutions'] ?? [];
        foreach (is_array($labels) ? $labels : [] as $way => $text) {
            try {
                self::reader()->read(is_scalar($text) ? (string) $text : '');
            } catch (AmbiguousDilution|DomainException $e) {
                $errors["dilutions.{$way}"] = $e->getMessage();
            }
        }

        return $errors;
    }

    /** Caps and pumps as they usually are; "in" as parts of the whole. */
    public static function reader(): DilutionReader
    {
        return new DilutionReader(capMl: 10.0, pumpMl: 2.0, inMeans: InMeans::Total);
    }
}
