<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/**
 * Working windows of one film over a grid of panel temperature and sun, in given air: for a device that has to
 * re-reckon its timers where nobody can be asked. Between the points it is read off in straight lines.
 */
final readonly class WindowTable
{
    public const PANELS_C = [-5.0, 5.0, 15.0, 25.0, 35.0, 45.0, 55.0, 65.0];

    public const SUNS_W_M2 = [0.0, 250.0, 550.0, 900.0];

    /**
     * @param list<list<float>> $workingS by panel temperature, then sun, s; what stays wet for two hours counts as two
     *     hours
     */
    private function __construct(public array $workingS) {}

    public static function of(Air $air, float $absorptance, float $heatJM2K, Film $film): self
    {
        return new self(
            array_map(
                static fn(float $panelC): array => array_map(
                    static fn(float $sun): float => WorkingWindow::of(
                        new Air($air->airC, $air->rh, $air->windMS, $sun),
                        new Panel($absorptance, $heatJM2K, $panelC),
                        $film->kgM2(),
                    )->workingS() ?? (float) WorkingWindow::AT_MOST_S,
                    self::SUNS_W_M2,
                ),
                self::PANELS_C,
            ),
        );
    }
}
