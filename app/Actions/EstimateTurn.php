<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Product;
use App\Models\Vehicle;
use App\Record\AtHand;
use App\Record\VisitWish;
use Illuminate\Support\Collection;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Planning\Kind;

/** What the rules say of a visit as it was recorded, before anybody's pace: so that whole visits teach minutes too (domain §15.2). */
final class EstimateTurn
{
    private const WEATHER = ['air_c' => 13.0, 'rh' => 0.7, 'wind_m_s' => 3.0, 'sun_w_m2' => 150.0, 'rain' => false];

    private ?AtHand $atHand = null;

    public function __construct(
        private readonly LayVisit $layVisit,
        private readonly GatherAtHand $gatherAtHand,
    ) {}

    /**
     * @param array<string, mixed> $facts  as validated by TurnRequest
     * @param Collection<string, Product> $products  those used
     */
    public function __invoke(Vehicle $vehicle, array $facts, Collection $products): ?float
    {
        $vehicle->loadMissing(['site', 'standing.forecast']);
        $atHand = $this->atHand ??= $this->gatherAtHand->withoutPace();
        $roles = $products->pluck('role')->all();
        $kinds = array_filter([Kind::Wash->value, in_array(Role::Topper->value, $roles, true) ? Kind::Topper->value : null, in_array(Role::Iron->value, $roles, true) ? Kind::Decon->value : null, isset($facts['inspection']) || ($facts['looked_over'] ?? false) ? Kind::Inspection->value : null]);
        $method = (string) $facts['method'];
        $hose = ! in_array($method, ['rinseless', 'waterless'], true);
        try {
            $visit = ($this->layVisit)(new VisitWish($vehicle, '', (int) ($facts['crew'] ?? 1), [], [
                'seen' => ['soil' => (int) $facts['soil'], 'grit' => (bool) ($facts['grit'] ?? false), 'on' => []],
                'place' => [...ExpectVisit::place($vehicle, $atHand), ...($hose ? [] : ['water' => 'none'])],
                'weather' => self::WEATHER, 'kinds' => array_values($kinds), 'scope' => $facts['scope'] ?? 'usual', ...($hose ? ['schools' => ['method' => $method]] : []),
            ]), $atHand)->visit;
        } catch (InvalidInput) {
            return null;
        }

        // What was worked otherwise than it would be laid out says nothing about minutes.
        return $visit->totals->minutes === null || $visit->match->method->method()?->value !== $method ? null : (float) $visit->totals->minutes;
    }

    /** What they say of an ordinary visit of it by one person; null where it can't be laid out. */
    public function usual(Vehicle $vehicle): ?float
    {
        $vehicle->loadMissing(['site', 'standing.forecast']);
        $atHand = $this->atHand ??= $this->gatherAtHand->withoutPace();
        try {
            $minutes = ($this->layVisit)(new VisitWish($vehicle, '', 1, [], [
                'seen' => ['soil' => 2, 'grit' => false, 'on' => []], 'place' => ExpectVisit::place($vehicle, $atHand), 'weather' => self::WEATHER, 'kinds' => [Kind::Wash->value], 'scope' => $vehicle->scope,
            ]), $atHand)->visit->totals->minutes;
        } catch (InvalidInput) {
            return null;
        }

        return $minutes === null ? null : (float) $minutes;
    }
}
