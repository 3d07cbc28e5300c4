<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use App\Shelf\Product;
use Illuminate\Support\Collection;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Planning\Kind;

/**
 * What the rules say of a visit as it was recorded, before anybody's pace: so that whole visits teach minutes too
 * (domain §15.2).
 */
final class EstimateTurn
{
    private ?AtHand $atHand = null;

    /** @var array{string, float|null}|null  what was asked last: whoever writes a turn may have asked before */
    private ?array $last = null;

    public function __construct(
        private readonly LayOrdinary $layOrdinary,
        private readonly GatherAtHand $gatherAtHand,
    ) {}

    /**
     * @param array<string, mixed> $facts  as validated by TurnRequest
     * @param Collection<string, Product> $products  those used
     */
    public function __invoke(Vehicle $vehicle, array $facts, Collection $products): ?float
    {
        $atHand = $this->atHand ??= $this->gatherAtHand->withoutPace();
        $roles = $products->pluck('role')->all();
        $kinds = array_filter([
            Kind::Wash,
            in_array(Role::Topper->value, $roles, true) ? Kind::Topper : null,
            in_array(Role::Iron->value, $roles, true) ? Kind::Decon : null,
            isset($facts['inspection']) || ($facts['looked_over'] ?? false) ? Kind::Inspection : null,
        ]);
        $method = (string) $facts['method'];
        $hose = !in_array($method, ['rinseless', 'waterless'], true);
        $wish = new OrdinaryWish(
            array_values($kinds),
            (int) ($facts['crew'] ?? 1),
            (int) $facts['soil'],
            (bool) ($facts['grit'] ?? false),
            $facts['scope'] ?? 'usual',
            $hose ? [] : ['water' => 'none'],
            $hose ? ['schools' => ['method' => $method]] : [],
        );
        $asked = hash('xxh128', serialize([KeepLaid::restsOn($vehicle), $wish, $method]));
        if ($asked !== ($this->last[0] ?? null)) {
            $this->last = [$asked, $this->minutes($vehicle, $atHand, $wish, $method)];
        }

        return $this->last[1];
    }

    private function minutes(Vehicle $vehicle, AtHand $atHand, OrdinaryWish $wish, string $method): ?float
    {
        try {
            $visit = ($this->layOrdinary)($vehicle, $atHand, $wish);
        } catch (InvalidInput) {
            return null;
        }

        // What was worked otherwise than it would be laid out says nothing about minutes.
        return $visit->totals->minutes === null || $visit->match->method->method()?->value !== $method
            ? null
            : (float) $visit->totals->minutes;
    }

    /** What they say of an ordinary visit of it by one person; null where it can't be laid out. */
    public function usual(Vehicle $vehicle): ?float
    {
        $atHand = $this->atHand ??= $this->gatherAtHand->withoutPace();
        try {
            $minutes = ($this->layOrdinary)($vehicle, $atHand)->totals->minutes;
        } catch (InvalidInput) {
            return null;
        }

        return $minutes === null ? null : (float) $minutes;
    }
}
