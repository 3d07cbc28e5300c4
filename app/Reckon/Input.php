<?php

declare(strict_types=1);

namespace App\Reckon;

use BackedEnum;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** Typed reading of a JSON object. Every error names the field by its path. */
final readonly class Input
{
    /** @param array<array-key, mixed> $data */
    public function __construct(private array $data, private string $path = '') {}

    public function has(string $field): bool
    {
        return isset($this->data[$field]);
    }

    public function number(string $field): float
    {
        return $this->numberOrNull($field) ?? throw $this->wrong($field, Said::of('input.number-missing'));
    }

    public function numberOrNull(string $field): ?float
    {
        $value = $this->data[$field] ?? null;

        return match (true) {
            $value === null => null,
            is_int($value), is_float($value) => (float) $value,
            default => throw $this->wrong($field, Said::of('input.number')),
        };
    }

    public function whole(string $field): int
    {
        $value = $this->number($field);

        return floor($value) === $value && abs($value) < 1e9
            ? (int) $value
            : throw $this->wrong($field, Said::of('input.whole'));
    }

    public function text(string $field): string
    {
        $value = $this->data[$field] ?? null;

        return match (true) {
            is_string($value) => $value,
            $value === null => throw $this->wrong($field, Said::of('input.text-missing')),
            default => throw $this->wrong($field, Said::of('input.text')),
        };
    }

    public function flag(string $field, ?bool $default = null): bool
    {
        $value = $this->data[$field] ?? $default;

        return is_bool($value)
            ? $value
            : throw $this->wrong($field, $value === null ? Said::of('input.flag-missing') : Said::of('input.flag'));
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     * @return T
     */
    public function choice(string $field, string $enum): BackedEnum
    {
        return $this->choiceOrNull($field, $enum) ??
            throw $this->wrong($field, Said::of('input.one-of-missing', these: $this->spelled($enum)));
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     * @return T|null
     */
    public function choiceOrNull(string $field, string $enum): ?BackedEnum
    {
        $value = $this->data[$field] ?? null;
        if ($value === null) {
            return null;
        }

        return (is_string($value) ? $enum::tryFrom($value) : null) ??
            throw $this->wrong($field, Said::of('input.one-of', these: $this->spelled($enum)));
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     * @return list<T>
     */
    public function choices(string $field, string $enum): array
    {
        return array_map(
            fn(mixed $value): BackedEnum => (is_string($value) ? $enum::tryFrom($value) : null) ??
                throw $this->wrong($field, Said::of('input.only', these: $this->spelled($enum))),
            $this->items($field),
        );
    }

    public function object(string $field): self
    {
        $value = $this->data[$field] ?? null;
        if (!is_array($value) || ($value !== [] && array_is_list($value))) {
            throw $this->wrong($field, $value === null ? Said::of('input.object-missing') : Said::of('input.object'));
        }

        return new self($value, $this->at($field) . '.');
    }

    /** A missing object reads as one without fields. */
    public function objectOrEmpty(string $field): self
    {
        return isset($this->data[$field]) ? $this->object($field) : new self([], $this->at($field) . '.');
    }

    /** @return list<mixed> */
    public function items(string $field): array
    {
        $value = $this->data[$field] ?? null;

        return is_array($value) && array_is_list($value)
            ? $value
            : throw $this->wrong($field, $value === null ? Said::of('input.list-missing') : Said::of('input.list'));
    }

    /** @return list<self> */
    public function objects(string $field): array
    {
        $objects = [];
        foreach ($this->items($field) as $i => $item) {
            if (!is_array($item) || ($item !== [] && array_is_list($item))) {
                throw $this->wrong("{$field}.{$i}", Said::of('input.object'));
            }
            $objects[] = new self($item, $this->at("{$field}.{$i}."));
        }

        return $objects;
    }

    public function textOrNull(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        return $this->data;
    }

    /** @return list<array-key> */
    public function keys(): array
    {
        return array_keys($this->data);
    }

    public function at(string $field): string
    {
        return $this->path . $field;
    }

    public function wrong(string $field, Said $what): InvalidInput
    {
        return InvalidInput::at($this->at($field), Said::of('input.says', field: $this->at($field), what: $what));
    }

    /** @param class-string<BackedEnum> $enum */
    private function spelled(string $enum): string
    {
        return implode(', ', array_map(static fn(BackedEnum $case): string => (string) $case->value, $enum::cases()));
    }
}
