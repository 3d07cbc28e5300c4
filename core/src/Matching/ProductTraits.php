<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** What the rules have to know of a product. */
final readonly class ProductTraits
{
    /**
     * @param float $ph            pH in use
     * @param list<Zone> $surfaces what it is made for
     * @param float|null $minC     coldest panel allowed (°C), null when the label is silent
     * @param float|null $maxC     hottest panel allowed (°C), null when the label is silent
     * @param float $dwellMinS     seconds it must sit
     *
     * @throws InvalidInput
     */
    public function __construct(
        public Role $role,
        public float $ph,
        public Leaves $leaves,
        public Strips $strips,
        public bool $solvent,
        public array $surfaces,
        public ?float $minC,
        public ?float $maxC,
        public float $dwellMinS,
        public bool $mayDry,
        public bool $needsRinse,
    ) {
        InvalidInput::unlessBetween('product.ph', $ph, 0, 14);
        InvalidInput::unlessBetween('product.dwell_min_s', $dwellMinS, 0, 86400, 's');
        if ($minC !== null && $maxC !== null && $minC > $maxC) {
            throw InvalidInput::at('product.min_c', Said::of('product.cold-above-hot'));
        }
    }
}
