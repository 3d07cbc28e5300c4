<?php

declare(strict_types=1);

namespace Vicissa\Core;

use DomainException;
use Vicissa\Core\Says\Said;

/**
 * A fact the models can't work with. Carries the field it was given in, in the names of the JSON form,
 * and what to say to the person who typed it.
 */
final class InvalidInput extends DomainException
{
    private function __construct(public readonly string $field, public readonly Said $says)
    {
        parent::__construct($says->code);
    }

    public static function at(string $field, Said $says): self
    {
        return new self($field, $says);
    }

    /**
     * @throws self when the value is not a finite number within the limits
     */
    public static function unlessBetween(string $field, float $value, float $low, float $high, string $unit = ''): void
    {
        if (!is_finite($value) || $value < $low || $value > $high) {
            throw new self(
                $field,
                Said::of('fault.lies-between', field: Said::field($field), low: $low, high: $high, unit: $unit),
            );
        }
    }

    /** The same of a part of something: its field stands within another. */
    public function within(string $path): self
    {
        return new self($path === '' ? $this->field : $path . '.' . $this->field, $this->says);
    }
}
