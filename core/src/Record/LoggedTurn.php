<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\VerdictRules;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\PartReadings;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Protection\WashTrait;

/** A turn as the layers felt it. */
final readonly class LoggedTurn
{
    /**
     * @param int $at  seconds since 1970: thousands of these are compared, and calendars are slow
     * @param list<Used> $uses
     * @param bool $lookedOver  whether the base was inspected
     * @param array<string, array<string, array<string, array{behaviour: string, angle_deg: float|null,
     *     sheets_s: float|null}>>> $readings by zone, stage and part
     */
    public function __construct(
        public string $id,
        public int $at,
        public Method $method,
        public bool $reset,
        public bool $clay,
        public bool $lookedOver,
        public array $uses,
        public array $readings,
    ) {}

    /** @return list<WashTrait> what was done to a zone */
    public function traits(Zone $zone, VerdictRules $rules = new VerdictRules()): array
    {
        $traits = [$this->method->wear()];
        if ($this->clay && $zone === Zone::Paint) {
            $traits[] = WashTrait::Clay;
        }
        foreach ($this->usesOn($zone) as $use) {
            $traits = [
                ...$traits,
                ...array_filter([
                    $use->role === Role::Iron ? WashTrait::IronRemover : null,
                    $use->role === Role::Prewash && $use->ph > $rules->alkalineAbovePh
                        ? WashTrait::AlkalinePrewash
                        : null,
                    $use->strips === Strips::Strong ? WashTrait::StrippingCleaner : null,
                ]),
            ];
        }

        return $traits;
    }

    /** Whether a drying aid was used that feeds a layer of this family. */
    public function dryingAidFor(Zone $zone, Family $family): bool
    {
        foreach ($this->usesOn($zone) as $use) {
            if ($use->role === Role::DryingAid && $use->leaves->suits($family)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the paint was decontaminated: iron, tar or clay. */
    public function decontaminates(): bool
    {
        return $this->clay ||
            array_filter($this->usesOn(Zone::Paint), static fn(Used $use): bool => $use->role === Role::Iron) !== [];
    }

    /** Whether old wax and sealant were taken off this zone on purpose. */
    public function strips(Zone $zone): bool
    {
        foreach ($this->usesOn($zone) as $use) {
            if ($this->reset && $use->strips === Strips::Strong) {
                return true;
            }
        }

        return false;
    }

    /** What was laid as the layer that is meant to last. */
    public function baseOn(Zone $zone): ?string
    {
        foreach ($this->usesOn($zone) as $use) {
            if ($use->isBase()) {
                return $use->productId;
            }
        }

        return null;
    }

    public function topperOn(Zone $zone): ?string
    {
        foreach ($this->usesOn($zone) as $use) {
            if ($use->isTopper()) {
                return $use->productId;
            }
        }

        return null;
    }

    public function reading(Zone $zone, Stage $stage): ?Behaviour
    {
        $parts = $this->readings[$zone->value][$stage->value] ?? [];

        return (new PartReadings([
            $stage->value => array_map(
                static fn(array $read): Behaviour => Behaviour::from($read['behaviour']),
                $parts,
            ),
        ]))->overall($stage);
    }

    /** The reading that tells about the layer: on the clean surface, before anything new went on. */
    public function cleanReading(Zone $zone): ?Behaviour
    {
        return $this->reading($zone, Stage::AfterDecon) ?? $this->reading($zone, Stage::AfterWash);
    }

    /** @return list<Used> */
    private function usesOn(Zone $zone): array
    {
        return array_values(array_filter($this->uses, static fn(Used $use): bool => $use->zone === $zone));
    }
}
