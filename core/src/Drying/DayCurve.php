<?php

declare(strict_types=1);

namespace Vicissa\Core\Drying;

/** The working window of one film hour by hour through a day, for a colour and an exposure. */
final readonly class DayCurve
{
    /** Less than this and even a small section dries under one's hands, s. */
    public const TOO_SHORT_S = 120.0;

    /**
     * @param list<array{panel_c: float, working_s: float|null, suits: bool, beyond: bool}> $hours  beyond: no panel is
     *     reckoned that hot or cold; the figures are those of the nearest that is
     */
    private function __construct(public array $hours) {}

    /**
     * @param list<Air> $hours     hour by hour, with the sun on level ground
     * @param float $needS         what the step needs while it stays wet, s
     */
    public static function of(
        array $hours,
        Tone $tone,
        Material $material,
        Film $film,
        Exposure $exposure = Exposure::Flat,
        float $needS = self::TOO_SHORT_S,
    ): self {
        return new self(
            array_map(static function (Air $outside) use ($tone, $material, $film, $exposure, $needS): array {
                $air = $outside->shaded($exposure->ofSun());
                $settles = DryPanel::settlesAt($air, $tone->absorptance(), $exposure->lie());
                $panelC = Panel::within($settles);
                $working = WorkingWindow::of(
                    $air,
                    new Panel($tone->absorptance(), $material->heat(), $panelC),
                    $film->kgM2(),
                )->workingS();

                return [
                    'panel_c' => $panelC,
                    'working_s' => $working,
                    'suits' => $working === null || $working >= $needS,
                    'beyond' => $panelC !== $settles,
                ];
            }, $hours),
        );
    }
}
