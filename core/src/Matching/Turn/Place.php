<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Water;

/** Where the work is done. */
final readonly class Place
{
    /**
     * @param float|null $tapTds      dissolved solids of the tap water, mg/l; null when nobody has measured
     * @param float|null $treatedTds  of the treated water
     * @param bool $pressure          a pressure washer can run
     * @param bool $power             there is a socket: an air dryer can run
     * @param bool $shade             the vehicle stands, or can stand, in shade
     * @param bool $bay               under a roof, warm and out of the wind
     * @param bool $battery           an air dryer runs from packs that came along
     * @param string|null $runOff     where the dirty water goes, as the site's notes say
     * @param float|null $tapHardness of the tap water, mg/l of CaCO₃: where nobody has measured its solids there are at least
     *     so many
     *
     * @throws InvalidInput
     */
    public function __construct(
        public Water $water = Water::Tap,
        public ?float $tapTds = null,
        public ?float $treatedTds = null,
        public bool $pressure = true,
        public bool $power = true,
        public bool $shade = false,
        public bool $bay = false,
        public ?string $runOff = null,
        public bool $battery = false,
        public ?float $tapHardness = null,
    ) {
        InvalidInput::unlessBetween('place.tap_tds_mg_l', $tapTds ?? 0.0, 0, 50000, 'mg/l');
        InvalidInput::unlessBetween('place.treated_tds_mg_l', $treatedTds ?? 0.0, 0, 50000, 'mg/l');
        InvalidInput::unlessBetween('place.tap_hardness_mg_l', $tapHardness ?? 0.0, 0, 50000, 'mg/l');
    }

    public function hasWater(): bool
    {
        return $this->water !== Water::None;
    }

    /** Whether an air dryer can run, from a socket or from packs. */
    public function blows(): bool
    {
        return $this->power || $this->battery;
    }

    public function inShade(): self
    {
        return $this->with(['shade' => true]);
    }

    public function withTank(): self
    {
        return $this->with([
            'water' => Water::Treated,
            'treatedTds' => $this->treatedTds ?? 5.0,
            'pressure' => true,
        ]);
    }

    public function withBattery(): self
    {
        return $this->with(['battery' => true]);
    }

    /** @param array{water?: Water, treatedTds?: float, pressure?: bool, shade?: bool, battery?: bool} $other */
    private function with(array $other): self
    {
        return new self(...[...get_object_vars($this), ...$other]);
    }
}
