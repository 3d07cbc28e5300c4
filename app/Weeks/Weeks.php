<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\AtHand;
use App\Book\Vehicle;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Says\Said;

/** The weeks of a workspace as the plan takes them. */
final readonly class Weeks
{
    /**
     * @param array<string, Vehicle> $vehicles by id, with place, layers and forecasts
     * @param array<string, Said> $unworkable  why a visit can't be laid out as things stand, by vehicle
     * @param AtHand $atHand                   what its visits are laid out with
     */
    public function __construct(
        public Instance $instance,
        public array $vehicles,
        public array $unworkable,
        public AtHand $atHand,
    ) {}

    public function name(string $vehicleId): string
    {
        return isset($this->vehicles[$vehicleId]) ? $this->vehicles[$vehicleId]->name : '';
    }
}
