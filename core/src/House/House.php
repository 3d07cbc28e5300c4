<?php

declare(strict_types=1);

namespace Vicissa\Core\House;

use InvalidArgumentException;
use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Planning\SkyRules;
use Vicissa\Core\Protection\BeadThresholds;
use Vicissa\Core\Protection\Life\RenewalCosts;
use Vicissa\Core\Protection\WearFactors;
use Vicissa\Core\Visit\VisitRules;

/**
 * All rules of a house in one value. Every default stands once, in the class whose rule it is; a workspace's own
 * numbers are laid over them (Numbers), and everything that reckons is handed its part of this and nothing else.
 */
final readonly class House
{
    public function __construct(
        public WearFactors $wear = new WearFactors(),
        public MatchRules $match = new MatchRules(),
        public VisitRules $visit = new VisitRules(),
        public PlanRules $plan = new PlanRules(),
        public SkyRules $sky = new SkyRules(),
        public BeadThresholds $beads = new BeadThresholds(),
        public RenewalCosts $renewal = new RenewalCosts(),
        /** More is packed than the doses, %. */
        public float $loadMargin = 20.0,
    ) {}

    /**
     * The same with one value another.
     *
     * @param string $path  properties and keys, with dots: "match.soilCeiling.touchless"
     *
     * @throws InvalidArgumentException where nothing stands there
     */
    public function with(string $path, float $value): self
    {
        $house = self::set($this, explode('.', $path), $value, $path);

        return $house instanceof self ? $house : throw new InvalidArgumentException($path);
    }

    public function get(string $path): float
    {
        $at = $this;
        foreach (explode('.', $path) as $step) {
            $at = match (true) {
                is_object($at) && property_exists($at, $step) => $at->{$step},
                is_array($at) && array_key_exists($step, $at) => $at[$step],
                str_starts_with($path, 'match.verdict.') => null,
                default => throw new InvalidArgumentException("There is nothing at {$path}."),
            };
        }

        return match (true) {
            is_int($at), is_float($at) => (float) $at,
            $at instanceof Severity => $at->level(),
            $at === null => 0.0,
            default => throw new InvalidArgumentException("There is no number at {$path}."),
        };
    }

    /** @param list<string> $steps */
    private static function set(mixed $at, array $steps, float $value, string $path): mixed
    {
        if ($steps === []) {
            return match (true) {
                is_int($at) => (int) round($value),
                $at instanceof Severity, $at === null => Severity::ofLevel($value),
                default => $value,
            };
        }
        [$step, $rest] = [$steps[0], array_slice($steps, 1)];
        if (is_object($at) && property_exists($at, $step)) {
            $class = $at::class;

            return new $class(...[...get_object_vars($at), $step => self::set($at->{$step}, $rest, $value, $path)]);
        }
        // A severity that is not in its table is none; any other key has to be there.
        if (is_array($at) && (array_key_exists($step, $at) || str_starts_with($path, 'match.verdict.'))) {
            $at[$step] = self::set($at[$step] ?? null, $rest, $value, $path);

            return array_filter($at, static fn(mixed $one): bool => $one !== null);
        }

        throw new InvalidArgumentException("There is nothing at {$path}.");
    }
}
