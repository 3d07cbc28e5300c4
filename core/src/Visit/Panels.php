<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Body;

/** The panels of a body, and how they are shared out into goes: cleanest first (domain §2.9), roofs first (§11). */
final readonly class Panels
{
    /** @param list<BodyPanel> $all  cleanest first */
    private function __construct(public array $all) {}

    public static function of(Body $body): self
    {
        $panels = match ($body) {
            Body::Van, Body::Minibus, Body::Coach, Body::Horsebox => self::box($body),
            Body::Pickup => [
                ...self::cab(),
                self::one('bed-left', 'Bed side, left', 7, 2),
                self::one('bed-right', 'Bed side, right', 7, 2),
                self::one('tailgate', 'Tailgate', 6, 2),
            ],
            Body::Boat => self::boat(),
            default => self::car($body),
        };
        $whole = array_sum(array_map(static fn(BodyPanel $panel): float => $panel->share, $panels));
        usort($panels, static fn(BodyPanel $a, BodyPanel $b): int => $a->dirt <=> $b->dirt);

        return new self(
            array_map(
                static fn(BodyPanel $panel): BodyPanel => new BodyPanel(
                    $panel->id,
                    $panel->name,
                    $panel->share / $whole,
                    $panel->dirt,
                ),
                $panels,
            ),
        );
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(static fn(BodyPanel $panel): string => $panel->id, $this->all);
    }

    /**
     * About equal areas, none empty, in order.
     *
     * @return list<array{panels: list<string>, share: float}>
     */
    public function inGoes(int $goes): array
    {
        $goes = max(1, min($goes, count($this->all)));
        $parts = [];
        $filled = 0.0;
        $k = 0;
        foreach ($this->all as $i => $panel) {
            // On to the next go when this one is full, or when what is left is needed to fill the others.
            if (
                isset($parts[$k]) &&
                $k < $goes - 1 &&
                ($filled >= ($k + 1) / $goes - 1e-9 || count($this->all) - $i <= $goes - 1 - $k)
            ) {
                $k++;
            }
            $parts[$k]['panels'][] = $panel->id;
            $parts[$k]['share'] = ($parts[$k]['share'] ?? 0.0) + $panel->share;
            $filled += $panel->share;
        }

        return array_values($parts);
    }

    private static function one(string $id, string $name, float $share, int $dirt): BodyPanel
    {
        return new BodyPanel($id, $name, $share, $dirt);
    }

    /** @return list<BodyPanel> */
    private static function cab(): array
    {
        return [
            self::one('roof', 'Roof', 8, 0),
            self::one('bonnet', 'Bonnet', 12, 1),
            self::one('pillars', 'Pillars and mirrors', 4, 1),
            self::one('wing-left', 'Front wing, left', 6, 2),
            self::one('wing-right', 'Front wing, right', 6, 2),
            self::one('door-front-left', 'Front door, left', 7, 2),
            self::one('door-front-right', 'Front door, right', 7, 2),
            self::one('door-rear-left', 'Rear door, left', 5, 2),
            self::one('door-rear-right', 'Rear door, right', 5, 2),
            self::one('sill-left', 'Sill, left', 3, 3),
            self::one('sill-right', 'Sill, right', 3, 3),
            self::one('bumper-front', 'Front bumper', 8, 3),
            self::one('bumper-rear', 'Rear bumper', 6, 3),
        ];
    }

    /** @return list<BodyPanel> */
    private static function car(Body $body): array
    {
        $open = $body === Body::Tourer;
        $two = $body === Body::Small || $open;

        return array_values(
            array_filter([
                $open
                    ? self::one('hood', 'Hood frame and deck', 6, 0)
                    : self::one('roof', 'Roof', $body === Body::Limousine ? 16 : 12, 0),
                self::one('bonnet', 'Bonnet', 12, 1),
                self::one('pillars', 'Pillars and mirrors', 4, 1),
                $body === Body::Saloon || $body === Body::Limousine || $open
                    ? self::one('boot', 'Boot lid', 8, 1)
                    : self::one('tailgate', 'Tailgate', 8, 2),
                self::one('wing-left', 'Front wing, left', 6, 2),
                self::one('wing-right', 'Front wing, right', 6, 2),
                self::one('door-front-left', 'Front door, left', $two ? 9 : 7, 2),
                self::one('door-front-right', 'Front door, right', $two ? 9 : 7, 2),
                $body === Body::Limousine ? self::one('door-middle-left', 'Middle, left', 6, 2) : null,
                $body === Body::Limousine ? self::one('door-middle-right', 'Middle, right', 6, 2) : null,
                $two ? null : self::one('door-rear-left', 'Rear door, left', 6, 2),
                $two ? null : self::one('door-rear-right', 'Rear door, right', 6, 2),
                self::one('quarter-left', 'Rear quarter, left', 6, 2),
                self::one('quarter-right', 'Rear quarter, right', 6, 2),
                self::one('sill-left', 'Sill, left', 3, 3),
                self::one('sill-right', 'Sill, right', 3, 3),
                self::one('bumper-front', 'Front bumper', 7, 3),
                self::one('bumper-rear', 'Rear bumper', 7, 3),
            ]),
        );
    }

    /** @return list<BodyPanel> */
    private static function boat(): array
    {
        $side = static fn(string $side): array => [
            self::one("hull-front-{$side}", "Hull, front, {$side}", 10, 1),
            self::one("hull-rear-{$side}", "Hull, rear, {$side}", 10, 1),
            self::one("keel-{$side}", "Below the waterline, {$side}", 8, 3),
        ];

        return [
            self::one('deck-front', 'Foredeck', 10, 0),
            self::one('deck-rear', 'Cabin and stern deck', 12, 0),
            ...$side('left'),
            ...$side('right'),
            self::one('transom', 'Transom', 6, 2),
            self::one('frame', 'Trailer: frame, mudguards, lights', 8, 3),
        ];
    }

    /** @return list<BodyPanel> */
    private static function box(Body $body): array
    {
        $long = $body === Body::Coach || $body === Body::Minibus;
        $side = static fn(string $side): array => array_values(
            array_filter([
                self::one("side-upper-front-{$side}", "Upper side, front, {$side}", 8, 1),
                $long ? self::one("side-upper-middle-{$side}", "Upper side, middle, {$side}", 8, 1) : null,
                self::one("side-upper-rear-{$side}", "Upper side, rear, {$side}", 8, 1),
                self::one("side-lower-front-{$side}", "Lower side, front, {$side}", 6, 2),
                $long ? self::one("side-lower-middle-{$side}", "Lower side, middle, {$side}", 6, 2) : null,
                self::one("side-lower-rear-{$side}", "Lower side, rear, {$side}", 6, 2),
                self::one("sill-{$side}", "Sill, {$side}", 3, 3),
            ]),
        );

        return [
            self::one('roof-front', 'Roof, front half', 12, 0),
            self::one('roof-rear', 'Roof, rear half', 12, 0),
            self::one('front', 'Front', 9, 2),
            ...$side('left'),
            ...$side('right'),
            $body === Body::Horsebox ? self::one('ramp', 'Ramp', 10, 3) : self::one('rear', 'Rear doors', 9, 3),
            self::one('bumper-front', 'Front bumper', 4, 3),
        ];
    }
}
