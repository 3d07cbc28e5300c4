<?php

declare(strict_types=1);

namespace Vicissa\Core\Practice;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Vicissa\Core\InvalidInput;

/**
 * A day and its dirt, drawn for what is to be practised. Easy ones are clear; the harder, the nearer to a line: the
 * soil beside a ceiling, grit under light dust, frost, a panel that dries before one is back, a place without water or
 * power.
 */
final readonly class CaseDraw
{
    /**
     * @param list<string> $on  what sits on the paint besides dirt
     * @param array{water: string, pressure: bool, power: bool, shade: bool, bay: bool} $place
     * @param array{air_c: float, rh: float, wind_m_s: float, sun_w_m2: float, rain: bool} $weather
     * @param string|null $afterWash  how the clean water stands, where it has been read already
     */
    private function __construct(
        public int $soil,
        public bool $grit,
        public array $on,
        public array $place,
        public array $weather,
        public ?string $afterWash,
    ) {}

    /** @throws InvalidInput */
    public static function of(int $seed, Judgement $focus, int $level): self
    {
        InvalidInput::unlessBetween('level', $level, 1, Standing::HARDEST);
        InvalidInput::unlessBetween('seed', $seed, 1, 2_000_000_000);
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $one = static fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $may = static fn(int $percent): bool => $random->getInt(1, 100) <= $percent;
        $hard = $level - 1;
        // Far from every ceiling when it is easy, at one when it is hard.
        $soil = $one($level === 1 ? [0, 0, 4, 4] : ($level === 2 ? [0, 1, 3, 4] : [1, 2, 2, 3, 5]));
        $method = $focus === Judgement::Method;
        $place = [
            'water' => $may($method ? 12 * $hard : 5 * $hard) ? 'none' : $one(['tap', 'tap', 'treated']),
            'pressure' => !$may(10 * $hard),
            'power' => !$may($focus === Judgement::Drying ? 20 * $hard : 6 * $hard),
            'shade' => $may(40),
            'bay' => $may(8 * $hard),
        ];
        $weather = match (true) {
            $method && $may(9 * $hard) => [
                'air_c' => (float) $random->getInt(-4, 1),
                'rh' => 0.8,
                'wind_m_s' => 2.0,
                'sun_w_m2' => 80.0,
                'rain' => false,
            ],
            $focus === Judgement::Soap && $may(14 * $hard), $focus === Judgement::Drying && $may(12 * $hard) => [
                'air_c' => (float) $random->getInt(26, 32),
                'rh' => 0.4,
                'wind_m_s' => 5.0,
                'sun_w_m2' => (float) $random->getInt(500, 800),
                'rain' => false,
            ],
            $focus === Judgement::Topper && $may(12 * $hard) => [
                'air_c' => 11.0,
                'rh' => 0.92,
                'wind_m_s' => 4.0,
                'sun_w_m2' => 40.0,
                'rain' => true,
            ],
            default => [
                'air_c' => (float) $random->getInt(9, 20),
                'rh' => 0.65,
                'wind_m_s' => (float) $random->getInt(1, 4),
                'sun_w_m2' => (float) $random->getInt(60, 300),
                'rain' => false,
            ],
        };

        return new self(
            $soil,
            $soil > 0 && $may($method ? 18 * $hard : 8 * $hard),
            array_values(
                array_unique(
                    array_filter([
                        $may(10 + 8 * $hard) ? $one(['insects', 'bird-lime', 'sap']) : null,
                        $focus === Judgement::Topper && $may(12 * $hard) ? $one(['tar', 'iron']) : null,
                    ]),
                ),
            ),
            $place,
            $weather,
            $focus === Judgement::Topper || $may(10 * $hard)
                ? $one($level < 3 ? ['tight', 'flat', null] : ['tight', 'good', 'weak', 'sheeting', null])
                : null,
        );
    }
}
