<?php

declare(strict_types=1);

namespace App\Bench;

use App\Shelf\Gear;
use App\Shelf\GearEvent;
use Illuminate\Support\Collection;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Visit\PaceBook;

/**
 * What any visit is laid out with, read once for however many visits: the shelf, the gear with its history, what was
 * learnt about minutes.
 */
final readonly class AtHand
{
    /** Whether an air dryer runs from packs that come along. */
    public bool $blowsFromPacks;

    /** Treated water the van brings, l; null when there is no tank, or nothing in it. */
    public ?float $treatedL;

    /**
     * @param list<Bottle> $shelf
     * @param Collection<int, Gear> $gear  with events, newest first
     */
    public function __construct(public array $shelf, public Collection $gear, public PaceBook $pace)
    {
        $this->blowsFromPacks =
            $gear->contains('kind', 'blower') &&
            $gear->contains(
                static fn(Gear $one): bool => $one->kind === 'battery' && ($one->fact('count') ?? 0.0) > 0.0,
            );
        $this->treatedL = self::treated($gear->firstWhere('kind', 'tank'));
    }

    private static function treated(?Gear $tank): ?float
    {
        if ($tank === null) {
            return null;
        }
        $holds = $tank->fact('l') ?? 100.0;
        $level = $tank->events->firstWhere('kind', 'level');
        $has =
            $level instanceof GearEvent && is_numeric($level->facts['l'] ?? null)
                ? min($holds, (float) $level->facts['l'])
                : $holds;

        return $has > 0.0 ? $has : null;
    }
}
