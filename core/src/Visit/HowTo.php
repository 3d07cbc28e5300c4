<?php

declare(strict_types=1);

namespace Vicissa\Core\Visit;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\Item;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Softening;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\WheelFinish;

/** How each kind of step is done (domain §2), as the schools have it. */
final readonly class HowTo
{
    public function __construct(private TurnMatch $match, private Schools $schools) {}

    /** @return list<string> */
    public function of(string $kind): array
    {
        $situation = $this->match->situation;
        $quick = $situation->asked->scope->isQuick();

        return array_values(
            array_filter(
                match ($kind) {
                    'look' => [
                        $quick
                            ? 'Once round: grit, loose edges, anything that must not be wiped.'
                            : 'Go round once: chips, loose edges, soft or matte paint; read the water on one dirty panel.',
                    ],
                    'water' => [
                        'Read the tap; purge and start the treatment, so that the tank stays full; leads and hoses laid before the first drop.',
                    ],
                    'mix' => ['Rinse bucket first; warm water in winter, for the hands.'],
                    'cool' => [
                        sprintf(
                            'Plain water over the panels until they stay near %s; keep them wet until the first product is on.',
                            $situation->measures->temperature($situation->cooling->toC ?? $situation->now->wetPanelC),
                        ),
                    ],
                    'wheels-brush', 'wheels-each', 'wheels-wipe' => $this->wheels($kind),
                    'wheels-pass' => [
                        'In passing: rinsed, or wiped with the last side. They get their turn at the next full visit.',
                    ],
                    'wheels-iron', 'wheels-iron-each', 'iron', 'iron-each' => [
                        'On cool, better dry surfaces. It runs violet where it works: that colour is the sign. Rinse before it pales, very thoroughly.',
                    ],
                    'wheels-topper' => ['On wet, clean wheels: mist barrel and face, let it sit, rinse hard.'],
                    'wheels-topper-wipe' => ['On dry, clean wheels: a thin coat, buffed.'],
                    'arches' => ['Arches and liners: brush or rinse, never the wheel’s mitt on paint.'],
                    'soften', 'soften-each' => [
                        'Soak under a wet cloth or a diluted cleaner; wait, wipe off without rubbing. Never let it dry.',
                    ],
                    'prewash', 'prewash-each' => ['From below upward, the lower third twice; rinse before it dries.'],
                    'foam', 'foam-each' => $this->foam(),
                    'first-rinse' => $this->rinse(),
                    'tar', 'tar-each' => [
                        'Spot by spot: on, wait, wipe, rinse. One product after the other, each rinsed off before the next.',
                    ],
                    'clay', 'clay-each' => [
                        'Only on washed paint, with much lubricant, hardly any pressure; fold it often, throw it away when it has fallen. Rinse, then read again: it takes layers along.',
                    ],
                    'wash', 'wash-each' => $this->wash($kind),
                    'prespray' => ['A mist from below upward on what is wiped next, so that dust floats.'],
                    'rinse' => [
                        $this->match->finalRinse->why,
                        $situation->asked->scope->has(Item::Jambs) ? 'Jambs now, with little water.' : null,
                    ],
                    'read' => ['On a clean, wet panel before anything goes on: this reading tells about the layer.'],
                    'inspect' => [
                        'The whole base in good light: where water lay flat, where it is thin, chips, edges, water marks. Tick what was seen; a photo of each doubt.',
                    ],
                    'topper', 'topper-each', 'topper-wipe' => $this->topper(),
                    'wax-on', 'wax-each' => $this->wax(),
                    'wax-off' => [
                        'Wipe a corner: when it comes off clear it has hazed. High pile, light hand, a fresh side for the second pass.',
                    ],
                    'recoat' => [
                        'As the coating’s own sheet says: bare and dry paint, wiped down with its cleaner, panel by panel, levelled in time; then dry and out of the dew for as long as it asks.',
                    ],
                    'dry' => [...$this->match->drying->how, $this->match->drying->why],
                    'seals' => [
                        'Door seals, locks, fuel flap and jambs: wipe, then a film of seal care where you have it.',
                    ],
                    'tyres' => [
                        $this->schools->is(School::Tyre, 'satin')
                            ? 'Tyres: thin coat, 5 to 10 minutes, wiped back so that nothing slings.'
                            : 'Tyres: thin coat, 5 to 10 minutes, then a second thin one; wiped once against sling.',
                    ],
                    'check' => [
                        $quick
                            ? 'Once round: front, mirrors, windscreen.'
                            : 'Twice round with a second light: front, mirrors, windscreen and wheels are what the owner looks at first.',
                    ],
                    'hand-over' => ['Write down what was used, what was read, what was noticed.'],
                    default => [],
                },
            ),
        );
    }

    /** @return list<string|null> */
    private function wheels(string $kind): array
    {
        return [
            $kind === 'wheels-each'
                ? 'One wheel, or one pair, from beginning to end before the next: sprayed, worked, rinsed within the label’s time.'
                : null,
            'Barrel, behind the spokes, nuts, face, tyre, arch' .
            ($this->match->situation->asked->scope->has(Item::Tyres)
                ? '; scrub tyres until the foam stays white.'
                : '.'),
            $this->match->situation->vehicle->wheelFinish === WheelFinish::GlossBlack
                ? 'Mitt and soft cloth only.'
                : null,
            'Their towels and mitts never return to the paint.',
        ];
    }

    /** @return list<string|null> */
    private function foam(): array
    {
        $chosen = $this->match->method->chosen;
        $again =
            count(
                array_filter(
                    $chosen->path->stages ?? [],
                    static fn(array $stage): bool => $stage['stage'] === Softening::Foam ||
                        $stage['stage'] === Softening::FoamAgain,
                ),
            ) > 1;

        return [
            $this->schools->is(School::Foam, 'thick')
                ? 'Thick, from below upward, so that it clings.'
                : 'Thin and runny, from the top, so that it takes the dirt along.',
            $this->match->situation->seen->looseEdges || $this->match->situation->vehicle->is(Finish::Matte)
                ? null
                : 'Detail brush in grilles, badges and gaps while it works.',
            $again
                ? ($chosen?->method === Method::Touchless
                    ? 'Rinse, foam a second time, rinse.'
                    : 'Twice: the second foam stays on as lubricant for the wash.')
                : null,
        ];
    }

    /** @return list<string|null> */
    private function rinse(): array
    {
        return [
            $this->schools->is(School::Rinse, 'top-down')
                ? 'From the top down: roof, glass, sides, sills, arches.'
                : 'From below upward, then once more from the top.',
            $this->match->situation->seen->has(Contaminant::Salt)
                ? 'Salt: arches, sills and the lower third twice, from below.'
                : null,
        ];
    }

    /** @return list<string|null> */
    private function wash(string $kind): array
    {
        $method = $this->match->method->method();
        $towels = $this->match->towels;
        $free =
            $this->schools->is(School::Order, 'free') && !in_array($method, [Method::TwoMitts, Method::OneMitt], true);
        $wiped = $method?->needsHose() === false;

        return [
            $towels !== null
                ? sprintf(
                    '%d towels folded twice, %d sides: each side once, then the next.',
                    $towels->towels,
                    $towels->sides,
                )
                : null,
            match ($method) {
                Method::TwoMitts
                    => 'Upper and lower mitt, two buckets with grit guards; rinse the mitt after every panel.',
                Method::OneMitt
                    => 'Two buckets with grit guards; rinse the mitt after every panel, twice after the lower third.',
                // Worked in goes, the mist is a step of its own.
                Method::Rinseless => ($kind === 'wash-each'
                    ? 'Mist the panel from below upward first, so that dust floats. '
                    : '') . 'Wet towel, one pass, then dry the panel at once with the next clean side.',
                Method::Waterless => 'Spray one panel generously, wipe once, turn the side, dry.',
                default => null,
            },
            $kind === 'wash-each'
                ? ($wiped
                    ? 'One panel from beginning to end, then the next.'
                    : 'One panel after the other: washed, and rinsed before the next begins.')
                : null,
            $free
                ? 'The shortest way round; the lower third still gets sides of its own.'
                : 'Cleanest panels first, lower panels and bumpers last.',
            'Straight strokes, no pressure.',
        ];
    }

    /** @return list<string|null> */
    private function topper(): array
    {
        $best = $this->match->topper->best();
        $onPaint = $this->schools->is(School::ToppingUp, 'on-paint');
        $situation = $this->match->situation;

        return [
            $this->match->topper->decision->says() . '. ' . $this->match->topper->why,
            $best?->bottle->applied === 'wipe' && $situation->now->air->airC < $situation->rules->wipeFromC
                ? 'Cold hands and damp air: a way that is sprayed on and rinsed off would be easier today.'
                : null,
            $best === null
                ? null
                : match ($best->bottle->applied) {
                    'foam-rinse' => 'Through the lance at its strength at the panel; at most two minutes, rinse well.',
                    'drying-aid' => $onPaint
                        ? 'A few mists a panel, on the paint, before the towel.'
                        : 'A few mists on the towel before each panel.',
                    'wipe' => $this->spread($best->bottle),
                    default => $onPaint
                        ? 'Spray the rinsed panel, half a minute to a minute, less in sun; rinse hard from below upward.'
                        : 'Spray on a wet cloth, wipe over the rinsed panel, rinse hard from below upward.',
                },
        ];
    }

    /** @return list<string|null> */
    private function wax(): array
    {
        $bottle =
            $this->match->topper->best()?->bottle->applied === 'wipe' ? $this->match->topper->best()->bottle : null;

        return [
            ...$bottle === null
                ? ['On dry, clean paint.']
                : [$this->match->topper->decision->says() . '. ' . $this->match->topper->why, 'On dry, clean paint.'],
            'Thin: what can be seen is too much. It hazes by the weather; a damp applicator, no more panels at once than come off in time.',
        ];
    }

    /** A tin is spread with an applicator; only what is in a spray bottle is sprayed. */
    private function spread(Bottle $bottle): string
    {
        $onPaint = $this->schools->is(School::ToppingUp, 'on-paint');

        return match (true) {
            $bottle->paste => 'A thin coat with a damp applicator, about a gram and a half a panel.',
            $onPaint => 'A couple of sprays on the panel, spread, turn the cloth, buff.',
            default => 'A couple of sprays on the cloth, spread, turn it, buff.',
        };
    }
}
