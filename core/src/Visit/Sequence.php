<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Step;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Stretch\Contact;
use Vicissa\Core\Visit\Stretch\Ending;
use Vicissa\Core\Visit\Stretch\Layers;
use Vicissa\Core\Visit\Stretch\Loosening;
use Vicissa\Core\Visit\Stretch\Stretch;
use Vicissa\Core\Visit\Stretch\Wheels;

/**
 * The course of a visit: every step of domain §2 the match asks for, with what it waits for. Stretches of it are laid
 * one after the other; each begins after what the one before it ends with. Nothing is used before it is mixed, and no
 * drop falls before water, leads and platform are set up.
 */
final readonly class Sequence extends Stretch
{
    private Wheels $wheels;

    private Loosening $loosening;

    private Contact $contact;

    private Layers $layers;

    private Ending $ending;

    public function __construct(StepMaker $make, Schools $schools, Outfit $outfit, Panels $panels, Sections $sections)
    {
        parent::__construct($make, $schools, $outfit, $panels, $sections);
        $this->wheels = new Wheels($make, $schools, $outfit, $panels, $sections);
        $this->loosening = new Loosening($make, $schools, $outfit, $panels, $sections);
        $this->contact = new Contact($make, $schools, $outfit, $panels, $sections);
        $this->layers = new Layers($make, $schools, $outfit, $panels, $sections);
        $this->ending = new Ending($make, $schools, $outfit, $panels, $sections, $this->wheels, $this->layers);
    }

    /** @return list<VisitStep> */
    public function steps(): array
    {
        $hose = $this->hose();
        $begin = $this->begin();
        $ready = array_map(static fn(VisitStep $step): string => $step->id, $begin);
        $cool =
            $this->situation->cooling === null
                ? []
                : [
                    $this->make->step(
                        new Work('cool', Step::Rinse, Said::of('sequence.cool-the-panels')),
                        after: $ready,
                    ),
                ];
        $ready = $cool === [] ? $ready : [...$ready, 'cool'];
        $wheelsFirst = $hose && $this->schools->is(School::Wheels, 'wheels-first');
        $wheels = $wheelsFirst ? $this->wheels->steps($ready) : [];
        $soften = $this->loosening->soften([...$ready, ...self::ends($wheels)]);
        $onPaint = [...$ready, ...self::ends($wheels), ...self::last($soften)];
        $before = $this->loosening->beforeContact($onPaint);
        $wet = $before === [] ? $onPaint : self::last($before);
        if ($hose && !$wheelsFirst) {
            // Paint first: the wheels are done while the paint is wet, before anybody touches it.
            $wheels = $this->wheels->steps([...$ready, ...$wet]);
        }
        $decon = $this->loosening->decon([...$wet, ...self::ends($wheels)]);
        $wash = $this->contact->wash($decon === [] ? [...$wet, ...self::ends($wheels)] : self::last($decon));
        $wheels = $hose ? $wheels : $this->wheels->steps([...$ready, ...self::last($wash)]);
        $clay = $this->contact->clay(self::last($wash));
        $clean = $clay === [] ? self::last($wash) : self::last($clay);
        $reads = $this->contact->reads($clean, $decon, $clay);
        $clean = $reads === [] ? $clean : self::last($reads);
        $sealed = $this->wheels->sealed([...$clean, ...self::ends($wheels)]);
        $topper = $this->layers->onWet($clean);
        $wetEnd = [...$topper === [] ? $clean : self::last($topper), ...self::ends($sealed)];
        $steps = [
            ...$begin,
            ...$cool,
            ...$wheelsFirst ? $wheels : [],
            ...$soften,
            ...$before,
            ...$hose && !$wheelsFirst ? $wheels : [],
            ...$decon,
            ...$wash,
            ...$hose ? [] : $wheels,
            ...$clay,
            ...$reads,
            ...$topper,
            ...$sealed,
        ];
        $lastWater = array_values(
            array_filter([...$wash, ...$clay, ...$topper], static fn(VisitStep $step): bool => $step->waterL > 0.0),
        );

        return [
            ...$steps,
            ...$this->ending->steps(
                $wetEnd,
                self::ends($wheels),
                $lastWater === [] ? null : $lastWater[count($lastWater) - 1],
            ),
        ];
    }

    /** @return list<VisitStep> */
    private function begin(): array
    {
        $hose = $this->hose();

        return array_values(
            array_filter([
                $this->make->step(
                    new Work('look', Step::Look, Said::of('sequence.arrive-and-look')),
                    more: ['reads' => $hose ? Stage::Arrival : null],
                ),
                $hose
                    ? $this->make->step(
                        new Work('water', Step::Water, Said::of('sequence.settle-the-water')),
                        after: ['look'],
                    )
                    : null,
                $this->make->step(
                    new Work('mix', Step::Mix, Said::of('sequence.mix')),
                    after: $hose ? ['look', 'water'] : ['look'],
                ),
                $this->make->isTall()
                    ? $this->make->step(
                        new Work('platform', Step::Wash, Said::of('sequence.set-up-the-platform')),
                        after: ['look'],
                    )
                    : null,
            ]),
        );
    }
}
