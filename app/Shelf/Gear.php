<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Tenancy\Audited;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\Relation;
use Vicissa\Core\Mix\Doses\Vessel;
use Vicissa\Core\Mix\Doses\VesselKind;
use Vicissa\Core\Mix\Lance;

/**
 * A piece of equipment: washers, lances, vessels, towels, and the chain of treated water.
 *
 * @property string $id
 * @property string $workspace_id
 * @property string $kind
 * @property string $name
 * @property array<string, float|int|string> $facts  by kind (Record\GearRules)
 * @property string|null $note
 * @property CarbonImmutable|null $archived_at
 * @property int $version
 */
class Gear extends Model
{
    use Audited;
    use OfWorkspace;

    protected $table = 'gear';

    protected $guarded = [];

    protected $attributes = ['version' => 1, 'facts' => '{}'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'facts' => 'array',
            'archived_at' => 'immutable_datetime',
            'version' => 'integer',
            'pieces' => 'array',
        ];
    }

    public function fact(string $name): ?float
    {
        $value = $this->facts[$name] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /** As something to mix in; null when it is none. */
    public function vessel(): ?Vessel
    {
        $kind = VesselKind::tryFrom($this->kind);

        return $kind === null ? null : new Vessel($this->name, $kind, $this->fact('ml') ?? 1000.0);
    }

    /** A lance by its newest calibration; null when nobody has calibrated it. */
    public function lance(): ?Lance
    {
        $event = $this->events->firstWhere('kind', 'calibration');

        return $event instanceof GearEvent
            ? Lance::calibrated(
                (float) ($event->facts['washer_l_min'] ?? 0),
                (float) ($event->facts['bottle_ml'] ?? 0),
                (float) ($event->facts['empties_s'] ?? 0),
            )
            : null;
    }

    /** Of towels: how many lie in the dirty pool. */
    public function dirty(): int
    {
        return max(0, min((int) ($this->fact('count') ?? 0), $this->pieces('used') - $this->pieces('washed')));
    }

    /**
     * Of towels: pieces washed since the pool is what it is, each time counted. Those that came in new brought nothing
     * along.
     */
    public function laundered(): int
    {
        return $this->pieces('washed');
    }

    private function pieces(string $kind): int
    {
        $all = array_key_exists('pieces', $this->attributes) ? $this->getAttribute('pieces') : null;

        return (int) (is_array($all)
            ? $all[$kind] ?? 0
            : $this->events
                ->where('kind', $kind)
                ->sum(static fn(GearEvent $event): float => (float) ($event->facts['count'] ?? 0)));
    }

    /**
     * With the newest event of each kind, and pieces added up where the events lie: nobody reads a year of them for a
     * level and a count.
     *
     * @param Builder<self> $query
     */
    public function scopeAsItStands(Builder $query): void
    {
        $query
            ->select('gear.*')
            ->selectRaw(
                "(select json_object_agg(kind, pieces) from (select e.kind, sum((e.facts->>'count')::float) as pieces from gear_events e where e.gear_id = gear.id and e.kind in ('used', 'washed') group by e.kind) as s) as pieces",
            )
            ->with([
                'events' => static fn(Relation $events) => $events->whereIn(
                    'id',
                    GearEvent::query()
                        ->selectRaw('distinct on (gear_id, kind) id')
                        ->orderBy('gear_id')
                        ->orderBy('kind')
                        ->orderByDesc('at')
                        ->orderByDesc('id'),
                ),
            ]);
    }

    /** @return HasMany<GearEvent, $this> newest first */
    public function events(): HasMany
    {
        return $this->hasMany(GearEvent::class)->orderByDesc('at')->orderByDesc('id');
    }
}
