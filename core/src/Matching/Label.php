<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * What a label says of a product, and what it is silent about (domain §4). Unknown is a value: the rules take it
 * carefully, the shelf asks for it, and no form fills it in.
 */
final readonly class Label
{
    /** Panels within which a product may be used when its label names no others, °C. */
    private const MIN_C = 5.0;

    private const MAX_C = 30.0;

    /** As sensitive surfaces have to take a cleaner of which nobody knows. */
    private const SENSITIVE_PH = 2.0;

    private const NEUTRAL_PH = 7.0;

    /**
     * @param list<Zone> $surfaces
     * @param float|null $ph      in use
     * @param float|null $minC    coldest panel allowed, °C
     * @param float|null $maxC    hottest
     */
    public function __construct(
        public Role $role,
        public string $name,
        public array $surfaces,
        public Leaves $leaves = Leaves::Nothing,
        public Strips $strips = Strips::None,
        public bool $solvent = false,
        public ?float $ph = null,
        public ?float $minC = null,
        public ?float $maxC = null,
        public float $dwellMinS = 0.0,
        public ?bool $mayDry = null,
        public ?bool $needsRinse = null,
    ) {}

    /**
     * As the rules have to take it.
     *
     * @throws InvalidInput
     */
    public function traits(): ProductTraits
    {
        $min = $this->minC ?? ($this->maxC === null ? self::MIN_C : min(self::MIN_C, $this->maxC));

        return new ProductTraits(
            $this->role,
            $this->ph ?? ($this->soundsSharp() ? self::SENSITIVE_PH : self::NEUTRAL_PH),
            $this->leaves,
            $this->strips,
            $this->solvent,
            $this->surfaces,
            $min,
            $this->maxC ?? max(self::MAX_C, $min),
            $this->dwellMinS,
            $this->mayDry ?? false,
            $this->needsRinse ?? !$this->staysByItsRole(),
        );
    }

    /** @return list<string> ph, min_c, max_c, may_dry, rinse: what has to be asked for */
    public function unknown(): array
    {
        $cleans = $this->role->cleans() || $this->role === Role::Iron || $this->role === Role::Tar;

        return array_values(
            array_filter([
                $this->ph === null && $cleans ? 'ph' : null,
                $this->minC === null ? 'min_c' : null,
                $this->maxC === null ? 'max_c' : null,
                $this->mayDry === null ? 'may_dry' : null,
                $this->needsRinse === null && !$this->staysByItsRole() ? 'rinse' : null,
            ]),
        );
    }

    /** In the middle of a sentence. */
    public static function asks(string $what): Said
    {
        return match ($what) {
            'ph' => Said::of('label.its-ph'),
            'min_c' => Said::of('label.how-cold-a-panel-may-be'),
            'max_c' => Said::of('label.how-hot-a-panel-may-be'),
            'may_dry' => Said::of('label.whether-it-may-dry'),
            default => Said::of('label.whether-it-has-to-be-rinsed'),
        };
    }

    /** A wash that is called rinseless says so by its name. */
    private function staysByItsRole(): bool
    {
        return $this->role === Role::Rinseless || $this->role === Role::Waterless;
    }

    private function soundsSharp(): bool
    {
        return $this->role === Role::Wheel ||
            ($this->role->cleans() &&
                preg_match('/acid|säure|sauer|wheel|felge|rust|rost|scale|kalk/iu', $this->name) === 1);
    }
}
