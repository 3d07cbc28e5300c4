<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** The readings of one visit on one zone, by stage and part. */
final readonly class PartReadings
{
    /** From the best to the worst. */
    private const WORSE = [Behaviour::Tight, Behaviour::Good, Behaviour::Weak, Behaviour::Sheeting, Behaviour::Flat];

    /** @param array<string, array<string, Behaviour>> $read  by stage, then part */
    public function __construct(private array $read) {}

    public function at(Stage $stage, Part $part): ?Behaviour
    {
        return $this->read[$stage->value][$part->value] ?? null;
    }

    /** The whole as it was read; where only parts were, the middle one of them (of two, the worse). */
    public function overall(Stage $stage): ?Behaviour
    {
        $parts = $this->read[$stage->value] ?? [];
        if ($parts === [] || isset($parts[Part::Whole->value])) {
            return $parts[Part::Whole->value] ?? null;
        }
        $ranks = array_map(
            static fn(Behaviour $one): int => (int) array_search($one, self::WORSE, true),
            array_values($parts),
        );
        sort($ranks);

        return self::WORSE[$ranks[intdiv(count($ranks), 2)]];
    }

    /** The latest stage at which anything was read. */
    public function latest(): ?Stage
    {
        foreach ([Stage::AfterTopper, Stage::AfterDecon, Stage::AfterWash, Stage::Arrival] as $stage) {
            if (($this->read[$stage->value] ?? []) !== []) {
                return $stage;
            }
        }

        return null;
    }

    public function diagnosis(Designed $designed): Diagnosis
    {
        return Diagnosis::from(
            $designed,
            $this->overall(Stage::Arrival),
            $this->overall(Stage::AfterWash),
            $this->overall(Stage::AfterDecon),
            $this->overall(Stage::AfterTopper),
        );
    }
}
