<?php

declare(strict_types=1);

namespace Vicissa\Core;

use DomainException;
use Vicissa\Core\Says\Said;

/**
 * A fact the models can't work with. Carries the field it was given in, in the names of the JSON form,
 * and a sentence for the person who typed it.
 */
final class InvalidInput extends DomainException
{
    private function __construct(public readonly string $field, public readonly string|Said $says)
    {
        parent::__construct($says instanceof Said ? $says->code : $says);
    }

    public static function at(string $field, string|Said $sentence): self
    {
        return new self($field, $sentence);
    }

    /**
     * @throws self when the value is not a finite number within the limits
     */
    public static function unlessBetween(string $field, float $value, float $low, float $high, string $unit = ''): void
    {
        if (!is_finite($value) || $value < $low || $value > $high) {
            $unit = $unit === '' ? '' : ' ' . $unit;

            throw new self(
                $field,
                sprintf(
                    '%s must lie between %s and %s%s.',
                    self::spoken($field),
                    self::plain($low),
                    self::plain($high),
                    $unit,
                ),
            );
        }
    }

    /** The last part of a field path, as a person would say it: "habits.km_per_week" becomes "Km per week". */
    private static function spoken(string $field): string
    {
        $last = strrchr($field, '.');

        return ucfirst(str_replace('_', ' ', $last === false ? $field : substr($last, 1)));
    }

    private static function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.');
    }
}
