<?php

declare(strict_types=1);

namespace Vicissa\Core\Says;

use JsonSerializable;

/** A quantity within a sentence: in SI units, as the models reckon; whoever reads it has their own. */
final readonly class Amount implements JsonSerializable
{
    /** The key by which it is known again in JSON. */
    public const MARK = '@amount';

    private function __construct(public string $of, public float $value) {}

    /** °C */
    public static function temperature(float $c): self
    {
        return new self('temperature', $c);
    }

    /** m² */
    public static function area(float $m2): self
    {
        return new self('area', $m2);
    }

    public static function litres(float $l): self
    {
        return new self('litres', $l);
    }

    /** Seconds as a person counts them: what is left is rounded down. */
    public static function time(float $s): self
    {
        return new self('time', $s);
    }

    /** @param array<array-key, mixed> $kept  as JSON keeps it */
    public static function kept(array $kept): self
    {
        return new self((string) $kept[self::MARK], (float) $kept['value']);
    }

    /** @return array<string, string|float> */
    public function jsonSerialize(): array
    {
        return [self::MARK => $this->of, 'value' => $this->value];
    }
}
