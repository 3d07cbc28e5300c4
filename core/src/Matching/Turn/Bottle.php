<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Says\Said;

/** A product on the shelf, with what the match needs beyond its traits. */
final readonly class Bottle
{
    /**
     * @param array<string, float> $shares    product ÷ mix by way of use (bucket, lance, sprayer, bottle, wheel, tyre)
     * @param array<string, string> $labels      the same as it stands on the label
     * @param float|null $minorPerMl             price of a millilitre in minor units; null when not known
     * @param float|null $labelHighWeeks         longest life its label claims, for protective ones
     * @param string|null $applied               wet-rinse, foam-rinse, drying-aid, wipe
     * @param float|null $dwellMaxS              seconds it may sit at most
     * @param list<Said> $cautions               as on the label
     * @param bool $paste                        out of a tin: dosed by weight, spread thin with a damp applicator
     * @param list<string> $unknown              what its label does not say, and is therefore taken carefully
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $line,
        public ProductTraits $traits,
        public array $shares = [],
        public array $labels = [],
        public ?float $minorPerMl = null,
        public bool $inStock = true,
        public ?float $labelHighWeeks = null,
        public ?string $applied = null,
        public ?float $dwellMaxS = null,
        public array $cautions = [],
        public bool $paste = false,
        public array $unknown = [],
    ) {}

    /** Whether it goes on by being rinsed off again, which takes a hose. */
    public function isRinsedOff(): bool
    {
        return $this->traits->needsRinse || in_array($this->applied, ['wet-rinse', 'foam-rinse'], true);
    }

    /** Whether it is meant to protect: a show shine looks good for days and protects hardly at all. */
    public function protects(MatchRules $rules): bool
    {
        return $this->traits->leaves->protects() &&
            ($this->labelHighWeeks === null || $this->labelHighWeeks >= $rules->topperLastsWeeks);
    }

    /** Minor units for one use on so much paint; null when the price is not known. */
    public function costPerUse(float $paintM2, MatchRules $rules): ?float
    {
        if ($this->minorPerMl === null) {
            return null;
        }
        if ($this->paste) {
            return ($this->minorPerMl * $rules->use($this->traits->role, $this->applied, true)[0] * $paintM2) /
                $rules->useForM2;
        }
        [$litres, $ways] = $rules->use($this->traits->role, $this->applied);
        $share = 1.0;
        foreach ($ways as $way) {
            if (isset($this->shares[$way])) {
                $share = $this->shares[$way];
                break;
            }
        }

        return ($this->minorPerMl * 1000.0 * $litres * $share * $paintM2) / $rules->useForM2;
    }
}
