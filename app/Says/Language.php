<?php

declare(strict_types=1);

namespace App\Says;

/** What a person reads in. Each has a whole catalogue: lang/{language}/says.php. */
enum Language: string
{
    case English = 'en';
    case German = 'de';

    /** How its numbers and days are written. */
    public function locale(): string
    {
        return match ($this) {
            self::English => 'en_GB',
            self::German => 'de_DE',
        };
    }

    /** Whether what begins a sentence is written small within another. */
    public function beginsSmallWithin(): bool
    {
        return $this === self::English;
    }

    /** How a day is named in a letter. */
    public function dayOfAWeek(): string
    {
        return match ($this) {
            self::English => 'EEEE d MMMM',
            self::German => 'EEEE, d. MMMM',
        };
    }

    public function decimal(): string
    {
        return $this === self::English ? '.' : ',';
    }

    /** @param list<string> $wishes  as a browser names them, the dearest first */
    public static function among(array $wishes): self
    {
        foreach ($wishes as $wish) {
            $language = self::tryFrom(strtolower(substr($wish, 0, 2)));
            if ($language !== null) {
                return $language;
            }
        }

        return self::English;
    }
}
