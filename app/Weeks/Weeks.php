<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\AtHand;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Says\Said;

/** The weeks of a workspace as the plan takes them. */
final readonly class Weeks
{
    /**
     * @param array<string, string> $names     of vehicles, by id
     * @param array<string, Said> $unworkable  why a visit can't be laid out as things stand, by vehicle
     * @param AtHand $atHand                   what its visits are laid out with
     */
    public function __construct(
        public Instance $instance,
        public array $names,
        public array $unworkable,
        public AtHand $atHand,
    ) {}
}
