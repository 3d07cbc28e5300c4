<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Body;
use Vicissa\Core\Says\Said;

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
                self::one('bed-left', Said::of('panels.bed-side-left'), 7, 2),
                self::one('bed-right', Said::of('panels.bed-side-right'), 7, 2),
                self::one('tailgate', Said::of('panels.tailgate'), 6, 2),
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

    private static function sill(string $side): Said
    {
        return Said::of('panels.sill', side: $side);
    }

    private static function one(string $id, Said $name, float $share, int $dirt): BodyPanel
    {
        return new BodyPanel($id, $name, $share, $dirt);
    }

    /** @return list<BodyPanel> */
    private static function cab(): array
    {
        return [
            self::one('roof', Said::of('panels.roof'), 8, 0),
            self::one('bonnet', Said::of('panels.bonnet'), 12, 1),
            self::one('pillars', Said::of('panels.pillars-and-mirrors'), 4, 1),
            self::one('wing-left', Said::of('panels.front-wing-left'), 6, 2),
            self::one('wing-right', Said::of('panels.front-wing-right'), 6, 2),
            self::one('door-front-left', Said::of('panels.front-door-left'), 7, 2),
            self::one('door-front-right', Said::of('panels.front-door-right'), 7, 2),
            self::one('door-rear-left', Said::of('panels.rear-door-left'), 5, 2),
            self::one('door-rear-right', Said::of('panels.rear-door-right'), 5, 2),
            self::one('sill-left', self::sill('left'), 3, 3),
            self::one('sill-right', self::sill('right'), 3, 3),
            self::one('bumper-front', Said::of('panels.front-bumper'), 8, 3),
            self::one('bumper-rear', Said::of('panels.rear-bumper'), 6, 3),
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
                    ? self::one('hood', Said::of('panels.hood-frame-and-deck'), 6, 0)
                    : self::one('roof', Said::of('panels.roof'), $body === Body::Limousine ? 16 : 12, 0),
                self::one('bonnet', Said::of('panels.bonnet'), 12, 1),
                self::one('pillars', Said::of('panels.pillars-and-mirrors'), 4, 1),
                $body === Body::Saloon || $body === Body::Limousine || $open
                    ? self::one('boot', Said::of('panels.boot-lid'), 8, 1)
                    : self::one('tailgate', Said::of('panels.tailgate'), 8, 2),
                self::one('wing-left', Said::of('panels.front-wing-left'), 6, 2),
                self::one('wing-right', Said::of('panels.front-wing-right'), 6, 2),
                self::one('door-front-left', Said::of('panels.front-door-left'), $two ? 9 : 7, 2),
                self::one('door-front-right', Said::of('panels.front-door-right'), $two ? 9 : 7, 2),
                $body === Body::Limousine
                    ? self::one('door-middle-left', Said::of('panels.middle', side: 'left'), 6, 2)
                    : null,
                $body === Body::Limousine
                    ? self::one('door-middle-right', Said::of('panels.middle', side: 'right'), 6, 2)
                    : null,
                $two ? null : self::one('door-rear-left', Said::of('panels.rear-door-left'), 6, 2),
                $two ? null : self::one('door-rear-right', Said::of('panels.rear-door-right'), 6, 2),
                self::one('quarter-left', Said::of('panels.rear-quarter-left'), 6, 2),
                self::one('quarter-right', Said::of('panels.rear-quarter-right'), 6, 2),
                self::one('sill-left', self::sill('left'), 3, 3),
                self::one('sill-right', self::sill('right'), 3, 3),
                self::one('bumper-front', Said::of('panels.front-bumper'), 7, 3),
                self::one('bumper-rear', Said::of('panels.rear-bumper'), 7, 3),
            ]),
        );
    }

    /** @return list<BodyPanel> */
    private static function boat(): array
    {
        $side = static fn(string $side): array => [
            self::one("hull-front-{$side}", Said::of('panels.hull-front', side: $side), 10, 1),
            self::one("hull-rear-{$side}", Said::of('panels.hull-rear', side: $side), 10, 1),
            self::one("keel-{$side}", Said::of('panels.below-the-waterline', side: $side), 8, 3),
        ];

        return [
            self::one('deck-front', Said::of('panels.foredeck'), 10, 0),
            self::one('deck-rear', Said::of('panels.cabin-and-stern-deck'), 12, 0),
            ...$side('left'),
            ...$side('right'),
            self::one('transom', Said::of('panels.transom'), 6, 2),
            self::one('frame', Said::of('panels.trailer'), 8, 3),
        ];
    }

    /** @return list<BodyPanel> */
    private static function box(Body $body): array
    {
        $long = $body === Body::Coach || $body === Body::Minibus;
        $side = static fn(string $side): array => array_values(
            array_filter([
                self::one("side-upper-front-{$side}", Said::of('panels.upper-side-front', side: $side), 8, 1),
                $long
                    ? self::one("side-upper-middle-{$side}", Said::of('panels.upper-side-middle', side: $side), 8, 1)
                    : null,
                self::one("side-upper-rear-{$side}", Said::of('panels.upper-side-rear', side: $side), 8, 1),
                self::one("side-lower-front-{$side}", Said::of('panels.lower-side-front', side: $side), 6, 2),
                $long
                    ? self::one("side-lower-middle-{$side}", Said::of('panels.lower-side-middle', side: $side), 6, 2)
                    : null,
                self::one("side-lower-rear-{$side}", Said::of('panels.lower-side-rear', side: $side), 6, 2),
                self::one("sill-{$side}", self::sill($side), 3, 3),
            ]),
        );

        return [
            self::one('roof-front', Said::of('panels.roof-front-half'), 12, 0),
            self::one('roof-rear', Said::of('panels.roof-rear-half'), 12, 0),
            self::one('front', Said::of('panels.front'), 9, 2),
            ...$side('left'),
            ...$side('right'),
            $body === Body::Horsebox
                ? self::one('ramp', Said::of('panels.ramp'), 10, 3)
                : self::one('rear', Said::of('panels.rear-doors'), 9, 3),
            self::one('bumper-front', Said::of('panels.front-bumper'), 4, 3),
        ];
    }
}
