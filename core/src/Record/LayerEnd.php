<?php

declare(strict_types=1);

namespace Vicissa\Core\Record;

use Vicissa\Core\Matching\Zone;

/**
 * When a layer ended, and by what: a topper with the next topper or base, a base with the next base; a reset ends all
 * that it strips.
 */
final readonly class LayerEnd
{
    private function __construct(
        /** Seconds since 1970. */
        public int $at,
        public EndedBy $by,
    ) {}

    /**
     * @param list<LaidLayer> $stack  of one zone, in the order they went on
     * @param list<LoggedTurn> $turns  oldest first
     * @return list<self|null> in the order of the stack; null for what is on, and for what a person took off: their
     *     word stands
     */
    public static function ofStack(array $stack, array $turns, Zone $zone): array
    {
        $ends = [];
        foreach ($stack as $i => $layer) {
            $ends[] = $layer->removed
                ? null
                : self::first(
                    self::renewal($layer, array_slice($stack, $i + 1)),
                    self::stripping($layer, $turns, $zone),
                );
        }

        return $ends;
    }

    /** At the same moment stripping comes first: the new layer goes onto what was stripped. */
    private static function first(?int $renewed, ?int $stripped): ?self
    {
        return match (true) {
            $stripped !== null && ($renewed === null || $stripped <= $renewed) => new self(
                $stripped,
                EndedBy::Stripped,
            ),
            $renewed !== null => new self($renewed, EndedBy::Renewed),
            default => null,
        };
    }

    /** @param list<LaidLayer> $later */
    private static function renewal(LaidLayer $layer, array $later): ?int
    {
        foreach ($later as $next) {
            if ($next->kind === $layer->kind || $next->kind === LayerKind::Base) {
                return $next->on;
            }
        }

        return null;
    }

    /** @param list<LoggedTurn> $turns */
    private static function stripping(LaidLayer $layer, array $turns, Zone $zone): ?int
    {
        foreach ($layer->kind->isStripped($layer->family) ? $turns : [] as $turn) {
            if ($turn->at > $layer->on && $turn->strips($zone)) {
                return $turn->at;
            }
        }

        return null;
    }
}
