<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** Where the wear of a layer came from, up to a day: an account that adds up to what its path says. */
final readonly class WearAccount
{
    /**
     * @param float $standing    wear-weeks of weather and storage
     * @param float $driving     of distance and road
     * @param float $salt        what salted months added to the driving
     * @param list<array{day: float, traits: list<WashTrait>, share: float}> $washes  each wash, the hardest first
     * @param float $givenBack   what drying aids gave back
     * @param float $worn        standing + driving + salt + washes − given back
     */
    private function __construct(
        public float $standing,
        public float $driving,
        public float $salt,
        public array $washes,
        public float $givenBack,
        public float $worn,
    ) {}

    /**
     * @param list<Wash> $washes  in any order
     * @param int|null $onAt      seconds since 1970 when the layer went on; without it the salt months are left out
     */
    public static function of(
        Habits $habits,
        array $washes,
        float $day,
        WearFactors $factors = new WearFactors(),
        ?int $onAt = null,
    ): self {
        $before = array_values(array_filter($washes, static fn(Wash $wash): bool => $wash->day <= $day));
        $steps = WearPath::of($habits, $before, $factors, $onAt)->steps();
        $standing = ($factors->idle($habits->standing()) * $day) / 7.0;
        $driving = ($factors->idle($habits) * $day) / 7.0 - $standing;
        $salt =
            $habits->saltMonths === []
                ? 0.0
                : IdleWear::of($habits, $onAt, factors: $factors)->at($day) - $standing - $driving;
        $shares = array_map(
            static fn(Wash $wash): array => [
                'day' => $wash->day,
                'traits' => $wash->traits,
                'share' => $factors->washing * $factors->washFactor($wash->traits),
            ],
            $before,
        );
        usort($shares, static fn(array $a, array $b): int => [$b['share'], $a['day']] <=> [$a['share'], $b['day']]);
        $givenBack = array_sum(array_map(static fn(array $step): float => $step['washed'] - $step['after'], $steps));

        return new self(
            $standing,
            $driving,
            $salt,
            $shares,
            $givenBack,
            $standing + $driving + $salt + array_sum(array_column($shares, 'share')) - $givenBack,
        );
    }

    public function washing(): float
    {
        return array_sum(array_column($this->washes, 'share'));
    }
}
