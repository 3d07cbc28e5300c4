<?php

declare(strict_types=1);

namespace Vicissa\Core\Planning;

/**
 * What the hours of a working day let be done outdoors, as a set a workspace may replace. The frost below which nothing
 * wet is done is the match’s (domain §5).
 */
final readonly class SkyRules
{
    /**
     * @param float $wetMm        an hour with more rain is wet
     * @param float $pouringMm    with this it pours: nothing is washed
     * @param float $windy        m/s from which an hour is poor
     * @param float $stormy       m/s from which an hour is lost
     * @param float $bondsFromC   colder than this on average, a topper does not set well
     * @param float $most         share of the hours that decides
     */
    public function __construct(
        public float $wetMm = 0.3,
        public float $pouringMm = 2.0,
        public float $windy = 10.0,
        public float $stormy = 17.0,
        public float $bondsFromC = 5.0,
        public float $most = 0.5,
    ) {}

    /**
     * @param non-empty-list<array{air_c: float, rain_mm: float, wind_m_s: float}> $hours
     * @param float $frostC  colder than this an hour is lost
     */
    public function sky(array $hours, float $frostC): Sky
    {
        $share = static fn(callable $is): float => count(array_filter($hours, $is)) / count($hours);
        $lost = $share(
            fn(array $hour): bool => $hour['air_c'] < $frostC ||
                $hour['rain_mm'] >= $this->pouringMm ||
                $hour['wind_m_s'] >= $this->stormy,
        );
        $bad = $share(
            fn(array $hour): bool => $hour['air_c'] < $frostC ||
                $hour['rain_mm'] >= $this->wetMm ||
                $hour['wind_m_s'] >= $this->windy,
        );
        $mean = array_sum(array_column($hours, 'air_c')) / count($hours);

        return new Sky(
            $lost <= $this->most,
            $bad > $this->most / 2.0,
            $bad <= $this->most && $lost <= $this->most / 2.0 && $mean >= $this->bondsFromC,
        );
    }
}
