<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix\Doses;

use Vicissa\Core\Says\Said;

/** One vessel filled: first the product to its mark, then water to the top mark (or the other way round for foams). */
final readonly class Fill
{
    /**
     * @param string|null $vessel         null when nothing of the kind is at hand
     * @param float|null $vesselMl        what it holds, ml
     * @param string|null $productId      null for plain water
     * @param float $mixMl                mix in one filling, ml
     * @param float|null $productMl       product in one filling; null when only a span is known
     * @param array{low: float, high: float}|null $productSpan  ml, for a lance nobody has calibrated
     * @param int $times                  how often it is filled for the turn
     */
    public function __construct(
        public VesselKind $kind,
        public ?string $vessel,
        public ?float $vesselMl,
        public ?string $productId,
        public string|Said $product,
        public Said $for,
        public float $mixMl,
        public ?float $productMl,
        public ?array $productSpan,
        public int $times,
        /** A sentence that has to be said, such as a strength out of reach. */
        public ?Said $says = null,
    ) {}

    /** Used as it comes: nothing to fill. */
    public function isNeat(): bool
    {
        return $this->productId !== null && $this->productMl !== null && $this->productMl >= $this->mixMl - 1e-9;
    }

    public function waterMl(): ?float
    {
        return $this->productMl === null ? null : max(0.0, $this->mixMl - $this->productMl);
    }
}
