<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;

/** What lies on a zone: the layer meant to last, and the topper over it. */
final readonly class Stack
{
    /** What an unknown base may be: a product has to suit each of them. */
    private const COULD_BE = [Family::Wax, Family::Polymer, Family::SilicaSpray, Family::Ceramic];

    private function __construct(public ?Coat $base, public ?Coat $topper, public bool $baseKnown) {}

    /** @param Coat|null $base  null when it is bare */
    public static function of(?Coat $base, ?Coat $topper = null): self
    {
        return new self($base?->family === Family::Bare ? null : $base, $topper, true);
    }

    public static function bare(): self
    {
        return new self(null, null, true);
    }

    public static function unknown(?Coat $topper = null): self
    {
        return new self(null, $topper, false);
    }

    public function outermost(): ?Coat
    {
        return $this->topper ?? $this->base;
    }

    /** The layer worth feeding: the one meant to last. */
    public function fed(): ?Coat
    {
        return $this->base ?? $this->topper;
    }

    public function isBare(): bool
    {
        return $this->baseKnown && $this->outermost() === null;
    }

    public function designed(): Designed
    {
        return $this->outermost()->designed ?? Designed::Beads;
    }

    /** @return non-empty-list<Family> every family a product has to suit, outermost first */
    public function families(): array
    {
        $families = [];
        foreach ([$this->topper?->family, ...$this->baseKnown ? [$this->base?->family] : self::COULD_BE] as $family) {
            if ($family !== null && !in_array($family, $families, true)) {
                $families[] = $family;
            }
        }

        return $families === [] ? [Family::Bare] : $families;
    }
}
