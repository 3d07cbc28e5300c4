<?php

declare(strict_types=1);

namespace Vicissa\Core\Says;

use JsonSerializable;

/**
 * Something to say, by its code and what goes into it. Which words it is said in, and in which language, is decided
 * where somebody reads it; what is kept is this.
 *
 * @phpstan-type With string|int|float|Amount|Said|null|list<string|Said>
 */
final readonly class Said implements JsonSerializable
{
    /** The key by which it is known again in JSON. */
    public const MARK = '@said';

    /** @param array<string, With> $with */
    private function __construct(public string $code, public array $with) {}

    /**
     * @param string $code  of the catalogue
     * @param With ...$with  by name
     */
    public static function of(string $code, string|int|float|Amount|self|array|null ...$with): self
    {
        /** @var array<string, With> $with  named, never by position */
        return new self($code, $with);
    }

    /** What a person wrote: said as it stands, in every language. */
    public static function written(string $text): self
    {
        return new self('written', ['text' => $text]);
    }

    /** As it was kept; what is older than codes was kept in words. */
    public static function kept(mixed $kept): ?self
    {
        if (is_string($kept)) {
            return self::written($kept);
        }
        $kept = is_object($kept) ? get_object_vars($kept) : $kept;
        if (!is_array($kept) || !is_string($kept[self::MARK] ?? null)) {
            return null;
        }

        /** @var array<string, With> $with  as it was written */
        $with = array_map(self::fact(...), array_diff_key($kept, [self::MARK => 1]));

        return new self($kept[self::MARK], $with);
    }

    private static function fact(mixed $kept): mixed
    {
        $kept = is_object($kept) ? get_object_vars($kept) : $kept;

        return match (true) {
            !is_array($kept) => $kept,
            isset($kept[self::MARK]) => self::kept($kept),
            isset($kept[Amount::MARK]) => Amount::kept($kept),
            default => array_map(self::fact(...), $kept),
        };
    }

    /** A day of the calendar, YYYY-MM-DD. */
    public static function day(string $on): self
    {
        return new self('day', ['on' => $on]);
    }

    /** A field of the JSON forms by its path, as a person would call it. */
    public static function field(string $path): self
    {
        $last = strrchr($path, '.');

        return new self('field', ['name' => $last === false ? $path : substr($last, 1)]);
    }

    /** One sentence after the other; those that are null are not said. */
    public static function after(?self ...$sentences): self
    {
        return new self('after', ['each' => array_values(array_filter($sentences))]);
    }

    /** @param list<self|string> $each  one after the other, as a list */
    public static function list(array $each): self
    {
        return new self('list', ['each' => $each]);
    }

    /** What was made of clauses, as a sentence: begun large, with a full stop. */
    public static function sentence(self $clause): self
    {
        return new self('sentence', ['of' => $clause]);
    }

    /**
     * Each once.
     *
     * @param array<self> $all
     * @return list<self>
     */
    public static function once(array $all): array
    {
        $once = [];
        foreach ($all as $one) {
            $once[serialize($one)] ??= $one;
        }

        return array_values($once);
    }

    /** @param array<self> $those */
    public function isAmong(array $those): bool
    {
        $own = serialize($this);

        return array_filter($those, static fn(self $other): bool => serialize($other) === $own) !== [];
    }

    /**
     * What one says and the other does not.
     *
     * @param list<self> $these
     * @param list<self> $those
     * @return list<self>
     */
    public static function without(array $these, array $those): array
    {
        return array_values(array_filter($these, static fn(self $one): bool => !$one->isAmong($those)));
    }

    /** Within another sentence: begun small, where the language does so. */
    public static function lower(self $sentence): self
    {
        return new self('lower', ['of' => $sentence]);
    }

    /** At the head of something. */
    public static function upper(self $words): self
    {
        return new self('upper', ['of' => $words]);
    }

    /** Begun small, and without the full stop. */
    public static function clause(self $sentence): self
    {
        return new self('clause', ['of' => $sentence]);
    }

    /**
     * The same with names for the ids within it.
     *
     * @param array<string, self> $names  by id
     */
    public function naming(array $names): self
    {
        $put = static fn(mixed $value): mixed => match (true) {
            is_string($value) => $names[$value] ?? $value,
            $value instanceof self => $value->naming($names),
            default => $value,
        };

        return new self(
            $this->code,
            array_map(
                static fn(mixed $value): mixed => is_array($value) ? array_map($put, $value) : $put($value),
                $this->with,
            ),
        );
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [self::MARK => $this->code, ...$this->with];
    }
}
