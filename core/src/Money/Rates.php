<?php

declare(strict_types=1);

namespace Vicissa\Core\Money;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * What an hour, a minute on the road, a litre cost a workspace: working defaults it replaces. Hundredths of its
 * currency ("minor").
 */
final readonly class Rates
{
    /** Highest that is believed, by name. */
    public const MOST = [
        'labour_minor_h' => 100000.0,
        'travel_minor_min' => 10000.0,
        'water_minor_m3' => 100000.0,
        'resin_minor_l' => 1000000.0,
        'launder_minor' => 10000.0,
        'towel_minor' => 100000.0,
        'margin_percent' => 500.0,
    ];

    /**
     * @param string $currency          as it is written before an amount
     * @param float $labourMinorH       an hour of one person
     * @param float $travelMinorMin     a minute of the van on the road, beside the people in it
     * @param float $waterMinorM3       a cubic metre from the tap, and away again
     * @param float $resinMinorL        a litre of mixed-bed resin
     * @param float $launderMinor       one piece through the drum
     * @param float $towelMinor         a towel whose price nobody has written down
     * @param float $marginPercent      on top of the cost, wished for
     */
    public function __construct(
        public string $currency = '',
        public float $labourMinorH = 2800.0,
        public float $travelMinorMin = 45.0,
        public float $waterMinorM3 = 420.0,
        public float $resinMinorL = 1400.0,
        public float $launderMinor = 12.0,
        public float $towelMinor = 400.0,
        public float $marginPercent = 35.0,
    ) {}

    /**
     * @param array<array-key, mixed> $facts  by name; what is missing stays as it is here
     *
     * @throws InvalidInput
     */
    public static function read(array $facts): self
    {
        $plain = new self();
        $named = $plain->named();
        foreach (self::MOST as $name => $most) {
            $value = $facts[$name] ?? null;
            if ($value === null) {
                continue;
            }
            if (!is_int($value) && !is_float($value)) {
                throw InvalidInput::at($name, Said::of('fault.number'));
            }
            InvalidInput::unlessBetween($name, (float) $value, 0.0, $most);
            $named[$name] = (float) $value;
        }
        $currency = $facts['currency'] ?? '';
        if (!is_string($currency) || mb_strlen($currency) > 8) {
            throw InvalidInput::at('currency', Said::of('fault.currency'));
        }

        return new self(
            $currency,
            ...array_map(static fn(string $name): float => (float) $named[$name], array_keys(self::MOST)),
        );
    }

    /** What so many minutes on the road cost with so many in the van. */
    public function road(float $minutes, int $people): float
    {
        return $minutes * ($this->travelMinorMin + ($people * $this->labourMinorH) / 60.0);
    }

    /**
     * @return array{currency: string, labour_minor_h: float, travel_minor_min: float, water_minor_m3: float,
     *     resin_minor_l: float, launder_minor: float, towel_minor: float, margin_percent: float}
     */
    public function named(): array
    {
        return [
            'currency' => $this->currency,
            'labour_minor_h' => $this->labourMinorH,
            'travel_minor_min' => $this->travelMinorMin,
            'water_minor_m3' => $this->waterMinorM3,
            'resin_minor_l' => $this->resinMinorL,
            'launder_minor' => $this->launderMinor,
            'towel_minor' => $this->towelMinor,
            'margin_percent' => $this->marginPercent,
        ];
    }
}
