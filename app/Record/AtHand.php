<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\Gear;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Sheet\Visit\Pace;

/** What any visit is laid out with, read once for however many visits: the shelf, the gear with its history, the pace. */
final readonly class AtHand
{
    /**
     * @param list<Bottle> $shelf
     * @param Collection<int, Gear> $gear  with events, newest first
     */
    public function __construct(
        public array $shelf,
        public Collection $gear,
        public Pace $pace,
    ) {}
}
