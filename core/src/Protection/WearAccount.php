<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Where the wear of a layer came from, up to a day: an account that adds up to what its path says. */
final readonly class WearAccount
{
    /**
     * @param float $standing    wear-weeks of weather and storage
     * @param float $driving     of distance and road
     * @param list<array{day: float, traits: list<WashTrait>, share: float}> $washes  each wash, the hardest first
     * @param float $givenBack   what drying aids gave back
     * @param float $worn        standing + driving + washes − given back
     */
    private function __construct(
        public float $standing,
        public float $driving,
        public array $washes,
        public float $givenBack,
        public float $worn,
    ) {}

    /** @param list<Wash> $washes  in any order */
    public static function of(Habits $habits, array $washes, float $day, WearFactors $factors = new WearFactors): self
    {
        $before = array_values(array_filter($washes, static fn(Wash $wash): bool => $wash->day <= $day));
        $steps = WearPath::of($habits, $before, $factors)->steps();
        // Standing is what would accrue without driving.
        $standing = $factors->idle(Habits::of($habits->storage, $habits->road, 0.0)) * $day / 7.0;
        $driving = $factors->idle($habits) * $day / 7.0 - $standing;
        $shares = array_map(static fn(Wash $wash): array => ['day' => $wash->day, 'traits' => $wash->traits, 'share' => $factors->washing * $factors->washFactor($wash->traits)], $before);
        usort($shares, static fn(array $a, array $b): int => [$b['share'], $a['day']] <=> [$a['share'], $b['day']]);
        $givenBack = array_sum(array_map(static fn(array $step): float => $step['washed'] - $step['after'], $steps));

        return new self($standing, $driving, $shares, $givenBack, $standing + $driving + array_sum(array_column($shares, 'share')) - $givenBack);
    }

    public function washing(): float
    {
        return array_sum(array_column($this->washes, 'share'));
    }
}
