<?php

declare(strict_types=1);

namespace App\Reckon;

use App\Says\Teller;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Label;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Says\Refusal;

/** Products as they stand in JSON: the fields of a product file (docs/formats.md). */
final readonly class ShelfReading
{
    /** @throws InvalidInput */
    public static function traits(Input $product): ProductTraits
    {
        return new ProductTraits(
            role: $product->choice('role', Role::class),
            ph: $product->number('ph'),
            leaves: $product->choice('leaves', Leaves::class),
            strips: $product->choice('strips', Strips::class),
            solvent: $product->flag('solvent'),
            surfaces: $product->choices('surfaces', Zone::class),
            minC: $product->numberOrNull('min_c'),
            maxC: $product->numberOrNull('max_c'),
            dwellMinS: $product->numberOrNull('dwell_min_s') ?? 0.0,
            mayDry: $product->flag('may_dry'),
            needsRinse: $product->flag('rinse'),
        );
    }

    /**
     * What a label says; what it is silent about is left out, or null.
     *
     * @throws InvalidInput
     */
    public static function label(Input $product): Label
    {
        return new Label(
            $product->choice('role', Role::class),
            $product->textOrNull('name') ?? '',
            $product->choices('surfaces', Zone::class),
            $product->choice('leaves', Leaves::class),
            $product->choice('strips', Strips::class),
            $product->flag('solvent'),
            $product->numberOrNull('ph'),
            $product->numberOrNull('min_c'),
            $product->numberOrNull('max_c'),
            $product->numberOrNull('dwell_min_s') ?? 0.0,
            $product->has('may_dry') ? $product->flag('may_dry') : null,
            $product->has('rinse') ? $product->flag('rinse') : null,
        );
    }

    /** @throws InvalidInput */
    public static function bottle(Input $product): Bottle
    {
        $labels = $product->has('dilutions') ? $product->object('dilutions') : new Input([]);
        $texts = $shares = [];
        foreach ($labels->keys() as $way) {
            $texts[(string) $way] = $labels->text((string) $way);
            $shares[(string) $way] = self::share($labels, (string) $way);
        }
        $price = $product->numberOrNull('price_minor');
        $pack = $product->numberOrNull('pack_ml');

        return new Bottle(
            id: $product->textOrNull('id') ?? $product->text('name'),
            name: $product->text('name'),
            line: $product->textOrNull('line'),
            traits: ($label = self::label($product))->traits(),
            shares: $shares,
            labels: $texts,
            minorPerMl: $price !== null && $pack !== null && $pack > 0.0 ? $price / $pack : null,
            inStock: $product->has('stock_ml') ? $product->number('stock_ml') > 0.0 : $product->flag('in_stock', true),
            labelHighWeeks: $product->numberOrNull('label_high_weeks'),
            applied: $product->textOrNull('applied'),
            dwellMaxS: $product->numberOrNull('dwell_max_s'),
            cautions: array_map(
                Teller::recognise(...),
                array_values(
                    array_filter($product->has('cautions') ? $product->items('cautions') : [], is_string(...)),
                ),
            ),
            paste: $product->flag('paste', false),
            unknown: $label->unknown(),
        );
    }

    /** The share a label means; caps and pumps as they usually are, "in" as parts of the whole. */
    private static function share(Input $labels, string $way): float
    {
        try {
            return (new DilutionReader(capMl: 10.0, pumpMl: 2.0, inMeans: InMeans::Total))->read(
                $labels->text($way),
            )->share;
        } catch (Refusal $e) {
            throw InvalidInput::at($labels->at($way), $e->says);
        }
    }
}
