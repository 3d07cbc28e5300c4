<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** The sides taken; what is not named stands at its usual side. */
final readonly class Schools
{
    /** @param array<string, string> $sides  by School value */
    private function __construct(private array $sides) {}

    /**
     * @param array<array-key, mixed> $sides  by School value
     *
     * @throws InvalidInput
     */
    public static function of(array $sides = []): self
    {
        $taken = [];
        foreach ($sides as $name => $side) {
            $school =
                School::tryFrom((string) $name) ??
                throw InvalidInput::at('schools', Said::of('fault.school', name: $name));
            if (!(is_string($side) || is_int($side)) || !isset($school->sides()[$side])) {
                throw InvalidInput::at(
                    'schools.' . $school->value,
                    Said::of('fault.sides', sides: implode(', ', array_keys($school->sides()))),
                );
            }
            $taken[$school->value] = (string) $side;
        }

        return new self($taken);
    }

    public function side(School $school): string
    {
        return $this->sides[$school->value] ?? $school->usual();
    }

    public function is(School $school, string $side): bool
    {
        return $this->side($school) === $side;
    }

    public function with(School $school, string $side): self
    {
        return self::of([...$this->sides, $school->value => $side]);
    }

    /** These, but for what the other names: a vehicle's own sides over its workspace's. */
    public function under(self $own): self
    {
        return new self([...$this->sides, ...$own->sides]);
    }

    /** The accepted risk of renewing too late, as a share. */
    public function risk(): float
    {
        return (int) $this->side(School::Caution) / 100.0;
    }

    /** @return array<string, string> only what was named */
    public function named(): array
    {
        return $this->sides;
    }

    /** @return array<string, string> every school with the side taken */
    public function all(): array
    {
        $all = [];
        foreach (School::cases() as $school) {
            $all[$school->value] = $this->side($school);
        }

        return $all;
    }
}
