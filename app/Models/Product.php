<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Zone;
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
 * @property float $ph
 * @property string $leaves
 * @property string $strips
 * @property bool $solvent
 * @property array<string, string> $dilutions
 * @property int $dwell_min_s
 * @property int|null $dwell_max_s
 * @property bool $may_dry
 * @property float|null $min_c
 * @property float|null $max_c
 * @property bool $rinse
 * @property string|null $family
 * @property float|null $label_low_weeks
 * @property float|null $label_high_weeks
 * @property string|null $applied
 * @property float|null $pack_ml
 * @property int|null $price_minor
 * @property float $stock_ml
 * @property float $reorder_ml
 * @property list<string> $cautions
 * @property CarbonImmutable|null $archived_at
 * @property int $version
 */
class Product extends Model
{
    use OfWorkspace;

    protected $guarded = [];

    protected $attributes = [
        'version' => 1, 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'solvent' => false, 'dilutions' => '{}', 'dwell_min_s' => 0,
        'may_dry' => true, 'rinse' => false, 'stock_ml' => 0, 'reorder_ml' => 0, 'cautions' => '[]',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'surfaces' => 'array', 'dilutions' => 'array', 'cautions' => 'array', 'solvent' => 'boolean', 'may_dry' => 'boolean', 'rinse' => 'boolean',
            'ph' => 'float', 'min_c' => 'float', 'max_c' => 'float', 'label_low_weeks' => 'float', 'label_high_weeks' => 'float',
            'pack_ml' => 'float', 'stock_ml' => 'float', 'reorder_ml' => 'float', 'dwell_min_s' => 'integer', 'dwell_max_s' => 'integer',
            'price_minor' => 'integer', 'archived_at' => 'immutable_datetime', 'version' => 'integer',
        ];
    }

    public function traits(): ProductTraits
    {
        /** @var list<string> $surfaces */
        $surfaces = $this->surfaces;

        return new ProductTraits(
            role: Role::from($this->role),
            ph: $this->ph,
            leaves: Leaves::from($this->leaves),
            strips: Strips::from($this->strips),
            solvent: $this->solvent,
            surfaces: array_map(Zone::from(...), $surfaces),
            minC: $this->min_c,
            maxC: $this->max_c,
            dwellMinS: (float) $this->dwell_min_s,
            mayDry: $this->may_dry,
            needsRinse: $this->rinse,
        );
    }

    /** The family of the layer it makes, from its own word or from what it leaves. */
    public function layerFamily(): Family
    {
        return $this->family !== null ? Family::from($this->family) : match (Leaves::from($this->leaves)) {
            Leaves::Wax => Family::Wax,
            Leaves::Polymer => Family::Polymer,
            Leaves::Silica => Family::SilicaSpray,
            Leaves::Oils, Leaves::Nothing => Family::Bare,
        };
    }
}
