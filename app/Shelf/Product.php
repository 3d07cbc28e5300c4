<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Says\Teller;
use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use DomainException;
use Illuminate\Database\Eloquent\Model;
use Vicissa\Core\Matching\Label;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Protection\Family;

/**
 * A bottle on the shelf, with what its label says.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $name
 * @property string|null $line
 * @property string|null $maker
 * @property string $role
 * @property list<string> $surfaces
 * @property float|null $ph  null where the label is silent
 * @property string $leaves
 * @property string $strips
 * @property bool $solvent
 * @property array<string, string> $dilutions
 * @property int $dwell_min_s
 * @property int|null $dwell_max_s
 * @property bool|null $may_dry
 * @property float|null $min_c
 * @property float|null $max_c
 * @property bool|null $rinse
 * @property bool $paste  out of a tin, dosed by weight
 * @property string|null $family
 * @property float|null $label_low_weeks
 * @property float|null $label_high_weeks
 * @property string|null $applied
 * @property float|null $pack_ml
 * @property int|null $price_minor
 * @property float $stock_ml
 * @property float $reorder_ml
 * @property string|null $supplier
 * @property list<string> $cautions
 * @property CarbonImmutable|null $archived_at
 * @property int $version
 */
class Product extends Model
{
    use Audited;
    use OfWorkspace;

    /** What it is, how it works, what is kept of it: as it stands in a file and in an answer. */
    public const IS = ['name', 'line', 'maker', 'supplier', 'role', 'surfaces', 'ph', 'leaves', 'strips', 'solvent'];

    public const WORKS = ['dwell_min_s', 'dwell_max_s', 'may_dry', 'min_c', 'max_c', 'rinse'];

    public const HOLDS = [
        'family',
        'label_low_weeks',
        'label_high_weeks',
        'applied',
        'pack_ml',
        'price_minor',
        'stock_ml',
        'reorder_ml',
        'cautions',
    ];

    protected $guarded = [];

    protected $attributes = [
        'version' => 1,
        'leaves' => 'nothing',
        'strips' => 'none',
        'solvent' => false,
        'dilutions' => '{}',
        'dwell_min_s' => 0,
        'paste' => false,
        'stock_ml' => 0,
        'reorder_ml' => 0,
        'cautions' => '[]',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'surfaces' => 'array',
            'dilutions' => 'array',
            'cautions' => 'array',
            'solvent' => 'boolean',
            'may_dry' => 'boolean',
            'rinse' => 'boolean',
            'paste' => 'boolean',
            'ph' => 'float',
            'min_c' => 'float',
            'max_c' => 'float',
            'label_low_weeks' => 'float',
            'label_high_weeks' => 'float',
            'pack_ml' => 'float',
            'stock_ml' => 'float',
            'reorder_ml' => 'float',
            'dwell_min_s' => 'integer',
            'dwell_max_s' => 'integer',
            'price_minor' => 'integer',
            'archived_at' => 'immutable_datetime',
            'version' => 'integer',
        ];
    }

    public function label(): Label
    {
        /** @var list<string> $surfaces */
        $surfaces = $this->surfaces;

        return new Label(
            Role::from($this->role),
            $this->name,
            array_map(Zone::from(...), $surfaces),
            Leaves::from($this->leaves),
            Strips::from($this->strips),
            $this->solvent,
            $this->ph,
            $this->min_c,
            $this->max_c,
            (float) $this->dwell_min_s,
            $this->may_dry,
            $this->rinse,
        );
    }

    /** As the rules take it: carefully where the label is silent. */
    public function traits(): ProductTraits
    {
        return $this->label()->traits();
    }

    /** @return list<Bottle> what may be matched, by name */
    public static function onTheShelf(): array
    {
        return array_values(
            self::query()
                ->whereNull('archived_at')
                ->orderBy('name')
                ->orderBy('id')
                ->get()
                ->map(static fn(self $product): Bottle => $product->bottle())
                ->all(),
        );
    }

    /** As the match sees it. Caps and pumps are taken as they usually are, "in" as parts of the whole. */
    public function bottle(): Bottle
    {
        $reader = new DilutionReader(capMl: 10.0, pumpMl: 2.0, inMeans: InMeans::Total);
        /** @var array<string, string> $labels */
        $labels = $this->dilutions;
        $shares = [];
        foreach ($labels as $way => $label) {
            try {
                $shares[$way] = $reader->read($label)->share;
            } catch (DomainException) {
                // Kept as it was written; it says nothing about cost.
            }
        }
        $cautions = array_map(Teller::recognise(...), $this->cautions);

        return new Bottle(
            $this->id,
            $this->name,
            $this->line,
            $this->traits(),
            $shares,
            $labels,
            $this->price_minor !== null && $this->pack_ml !== null && $this->pack_ml > 0.0
                ? $this->price_minor / $this->pack_ml
                : null,
            $this->stock_ml > 0.0,
            $this->label_high_weeks,
            $this->applied,
            $this->dwell_max_s === null ? null : (float) $this->dwell_max_s,
            $cautions,
            $this->paste,
            $this->label()->unknown(),
        );
    }

    /** The family of the layer it makes, from its own word or from what it leaves. */
    public function layerFamily(): Family
    {
        return $this->family !== null
            ? Family::from($this->family)
            : match (Leaves::from($this->leaves)) {
                Leaves::Wax => Family::Wax,
                Leaves::Polymer => Family::Polymer,
                Leaves::Silica => Family::SilicaSpray,
                Leaves::Oils, Leaves::Nothing => Family::Bare,
            };
    }
}
