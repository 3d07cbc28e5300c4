<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** The vehicle as the match sees it. */
final readonly class MatchedVehicle
{
    /**
     * @param float $paintM2                 painted area, m²
     * @param "soft"|"medium"|"hard" $hardness of its paint
     * @param list<Finish> $finish
     * @param array<string, Stack> $stacks   by Zone value; a zone left out is bare
     * @param array<string, Renewal> $renewals by Zone value, where a forecast stands
     * @param int $nextTurnInDays            its rhythm: days to the next visit
     * @param Material $material             of its panels
     *
     * @throws InvalidInput
     */
    public function __construct(
        public float $paintM2,
        public Tone $tone,
        public string $hardness = 'medium',
        public array $finish = [],
        public WheelFinish $wheelFinish = WheelFinish::Painted,
        public array $stacks = [],
        public array $renewals = [],
        public int $nextTurnInDays = 14,
        public Material $material = Material::Steel,
    ) {
        InvalidInput::unlessBetween('vehicle.paint_m2', $paintM2, 1, 400, 'm²');
        InvalidInput::unlessBetween('vehicle.next_turn_in_days', $nextTurnInDays, 1, 730, 'days');
    }

    public function stack(Zone $zone): Stack
    {
        return $this->stacks[$zone->value] ?? Stack::bare();
    }

    public function is(Finish $finish): bool
    {
        return in_array($finish, $this->finish, true);
    }

    public function isSoft(): bool
    {
        return $this->hardness === 'soft' || $this->is(Finish::Soft);
    }

    public function has(Zone $zone, Family ...$families): bool
    {
        return array_filter(
            $this->stack($zone)->families(),
            static fn(Family $family): bool => in_array($family, $families, true),
        ) !== [];
    }

    /** @return non-empty-list<Surface> one for each family a product has to suit there */
    public function surfaces(Zone $zone): array
    {
        // Matte, soft and single-stage are said of the paint; decals too.
        $finish = $zone === Zone::Paint ? $this->finish : [];

        return array_map(
            fn(Family $family): Surface => new Surface($zone, $family, $finish, $this->wheelFinish),
            $this->stack($zone)->families(),
        );
    }
}
