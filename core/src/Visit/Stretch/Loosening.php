<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit\Stretch;

use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Softening;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Lying;
use Vicissa\Core\Visit\VisitStep;
use Vicissa\Core\Visit\Wait;
use Vicissa\Core\Visit\Work;

/**
 * What goes before anybody touches the paint, and what is dissolved off it: softening, pre-wash, foam, iron and tar.
 */
final readonly class Loosening extends Stretch
{
    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function soften(array $after): array
    {
        $use = $this->match->softener();
        $stuck = $this->match->isStuckOn();
        if ($use === null && !$stuck) {
            return [];
        }
        $name = $stuck ? Said::of('loosening.soften-what-sits-fast-and') : Said::of('loosening.soften-the-lower-third');
        $rinse = $this->hose() && ($this->match->method->chosen->path->stages[0]['stage'] ?? null) !== Softening::Rinse;
        $limit = $use?->atMostS;
        $least = $use?->chosen?->bottle->traits->dwellMinS ?? 120.0;
        $takes = max($this->make->seconds('soften'), $this->make->seconds('soften-wipe'));
        if ($limit !== null && ceil($least / 60.0) > floor(($limit - $takes) / 60.0)) {
            // Too short for all of it at once: spot by spot.
            $dwell = min($least, $limit);
            $steps = [
                $this->make->step(
                    new Work('soften-each', Step::Soften, Said::of('loosening.spot-by-spot', name: $name)),
                    after: $after,
                    of: [$use],
                    estimate: $this->make->estimate('soften') +
                        $this->make->estimate('soften-wipe') +
                        (2.0 * $dwell) / 60.0,
                    more: [
                        'lies' =>
                            $use === null
                                ? []
                                : [new Lying($use->chosen->bottle->id ?? '', $dwell, $dwell, $limit, $least)],
                    ],
                ),
            ];
        } else {
            $steps = [
                $this->make->step(new Work('soften', Step::Soften, $name), after: $after, of: [$use]),
                $this->make->step(
                    new Work('soften-wipe', Step::Soften, Said::of('loosening.lift-it-off-without-rubbing')),
                    wait: $use === null
                        ? new Wait('soften', 120.0, 480.0)
                        : $this->wait(
                            'soften',
                            $use,
                            $this->make->seconds('soften'),
                            $this->make->seconds('soften-wipe'),
                        ),
                ),
            ];
        }

        return $rinse
            ? [
                ...$steps,
                $this->make->step(
                    new Work('soften-rinse', Step::Rinse, Said::of('loosening.rinse-the-softener-off')),
                    after: self::last($steps),
                ),
            ]
            : $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function beforeContact(array $after): array
    {
        $steps = [];
        $times = [];
        foreach ($this->match->method->chosen->path->stages ?? [] as ['stage' => $stage]) {
            $times[$stage->value] = ($times[$stage->value] ?? 0) + 1;
            $mark = $times[$stage->value] > 1 ? '-' . $times[$stage->value] : '';
            $new = match ($stage) {
                Softening::Rinse => [
                    $this->make->step(
                        new Work('first-rinse', Step::Rinse, Said::of('loosening.rinse-the-dirt-off')),
                        after: $after,
                    ),
                ],
                Softening::PreWash => $this->sprayed(
                    'prewash',
                    "prewash{$mark}",
                    Step::PreWash,
                    $this->match->choice(Role::Prewash, Zone::Paint),
                    Said::of('loosening.pre-wash-spray'),
                    Said::of('loosening.rinse-the-pre-wash'),
                    $after,
                ),
                Softening::Foam => $this->sprayed(
                    'foam',
                    "foam{$mark}",
                    Step::Foam,
                    $this->match->choice(Role::Foam, Zone::Paint),
                    $mark === '' ? Said::of('loosening.foam') : Said::of('loosening.foam-again'),
                    Said::of('loosening.rinse-the-foam'),
                    $after,
                ),
                // The wash itself rinses it off; it is laid with each go of the wash.
                Softening::FoamAgain => [],
            };
            $steps = [...$steps, ...$new];
            $after = $new === [] ? $after : self::last($new);
        }
        $strip = $this->match->choice(Role::Prewash, Zone::Paint);
        if (
            $strip?->need->toStrip === true &&
            $strip->chosen !== null &&
            $this->hose() &&
            !isset($times[Softening::PreWash->value])
        ) {
            $steps = [
                ...$steps,
                ...$this->sprayed(
                    'prewash',
                    'prewash',
                    Step::PreWash,
                    $strip,
                    Said::of('loosening.strip-what-is-on'),
                    Said::of('loosening.rinse-it-off-very'),
                    $after,
                ),
            ];
        }

        return $steps;
    }

    /**
     * @param list<string> $after
     * @return list<VisitStep>
     */
    public function decon(array $after): array
    {
        $steps = [];
        $iron = $this->match->choice(Role::Iron, Zone::Paint);
        if ($iron?->chosen !== null) {
            $steps = $this->sprayed(
                'iron',
                'iron',
                Step::Decon,
                $iron,
                Said::of('loosening.iron-remover'),
                Said::of('loosening.rinse-the-iron-remover-very'),
                $after,
                ['fulfils' => $this->planned(Kind::Decon)],
            );
            $after = $steps === [] ? $after : self::last($steps);
        }
        $tar = $this->match->choice(Role::Tar, Zone::Paint);
        if ($tar?->chosen !== null) {
            $dwell = $tar->chosen->bottle->traits->dwellMinS;
            // Spots, each from beginning to end.
            $steps[] = $this->make->step(
                new Work('tar-each', Step::Decon, Said::of('loosening.tar-and-sap-dissolved-spot'), 'tar'),
                after: $after,
                of: [$tar],
                estimate: $this->make->estimate('tar') + $this->make->estimate('tar-rinse') + (2.0 * $dwell) / 60.0,
                more: [
                    'waterL' => 0.3 * $this->outfit->rules->rinseLM2 * $this->situation->vehicle->paintM2,
                    'lies' => [
                        new Lying(
                            $tar->chosen->bottle->id,
                            max($dwell, min($tar->atMostS ?? $dwell, $dwell + 15.0)),
                            $dwell,
                            $tar->atMostS,
                            $dwell,
                        ),
                    ],
                ],
            );
        }

        return $steps;
    }
}
