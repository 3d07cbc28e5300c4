<?php

declare(strict_types=1);

namespace App\Bench;

use App\Shelf\Gear;
use App\Shelf\Product;
use Vicissa\Core\Visit\PaceBook;

/** Takes stock, before visits are laid out, of what is there for all of them. */
final readonly class GatherAtHand
{
    public function __construct(private MeasurePace $measurePace) {}

    public function __invoke(): AtHand
    {
        return $this->with(($this->measurePace)());
    }

    /** As the rules have it, whoever works. */
    public function withoutPace(): AtHand
    {
        return $this->with(PaceBook::blank());
    }

    private function with(PaceBook $pace): AtHand
    {
        return new AtHand(
            Product::onTheShelf(),
            Gear::query()->asItStands()->whereNull('archived_at')->orderBy('name')->orderBy('id')->get(),
            $pace,
        );
    }
}
