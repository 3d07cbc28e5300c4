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
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/** How each kind of step is done (domain §2), as the schools have it. */
final readonly class HowTo
{
    public function __construct(private TurnMatch $match, private Schools $schools) {}

    /** @return list<Said> */
    public function of(string $kind): array
    {
        $situation = $this->match->situation;
        $quick = $situation->asked->scope->isQuick();

        return array_values(
            array_filter(
                match ($kind) {
                    'look' => [
                        $quick
                            ? Said::of('how-to.once-round-grit-loose-edges')
                            : Said::of('how-to.go-round-once-chips-loose'),
                    ],
                    'water' => [Said::of('how-to.read-the-tap-purge-and')],
                    'mix' => [Said::of('how-to.rinse-bucket-first-warm')],
                    'cool' => [
                        Said::of(
                            'how-to.plain-water-over-the-panels',
                            temperature: Amount::temperature($situation->cooling->toC ?? $situation->now->wetPanelC),
                        ),
                    ],
                    'wheels-brush', 'wheels-each', 'wheels-wipe' => $this->wheels($kind),
                    'wheels-pass' => [Said::of('how-to.in-passing-rinsed-or-wiped')],
                    'wheels-iron', 'wheels-iron-each', 'iron', 'iron-each' => [
                        Said::of('how-to.on-cool-better-dry-surfaces'),
                    ],
                    'wheels-topper' => [Said::of('how-to.on-wet-clean-wheels-mist')],
                    'wheels-topper-wipe' => [Said::of('how-to.on-dry-clean-wheels-a-thin')],
                    'arches' => [Said::of('how-to.arches-and-liners-brush-or')],
                    'soften', 'soften-each' => [Said::of('how-to.soak-under-a-wet-cloth-or-a')],
                    'prewash', 'prewash-each' => [Said::of('how-to.from-below-upward-the-lower')],
                    'foam', 'foam-each' => $this->foam(),
                    'first-rinse' => $this->rinse(),
                    'tar', 'tar-each' => [Said::of('how-to.spot-by-spot-on-wait-wipe')],
                    'clay', 'clay-each' => [Said::of('how-to.only-on-washed-paint-with')],
                    'wash', 'wash-each' => $this->wash($kind),
                    'prespray' => [Said::of('how-to.a-mist-from-below-upward-on')],
                    'rinse' => [
                        $this->match->finalRinse->why,
                        $situation->asked->scope->has(Item::Jambs)
                            ? Said::of('how-to.jambs-now-with-little-water')
                            : null,
                    ],
                    'read' => [Said::of('how-to.on-a-clean-wet-panel-before')],
                    'inspect' => [Said::of('how-to.the-whole-base-in-good')],
                    'topper', 'topper-each', 'topper-wipe' => $this->topper(),
                    'wax-on', 'wax-each' => $this->wax(),
                    'wax-off' => [Said::of('how-to.wipe-a-corner-when-it-comes')],
                    'recoat' => [Said::of('how-to.as-the-coatings-own-sheet')],
                    'dry' => [...$this->match->drying->how, $this->match->drying->why],
                    'seals' => [Said::of('how-to.door-seals-locks-fuel-flap')],
                    'tyres' => [
                        $this->schools->is(School::Tyre, 'satin')
                            ? Said::of('how-to.tyres-thin-coat-5-to-10')
                            : Said::of('how-to.tyres-thin-coat-5-to-10-2'),
                    ],
                    'check' => [
                        $quick
                            ? Said::of('how-to.once-round-front-mirrors')
                            : Said::of('how-to.twice-round-with-a-second'),
                    ],
                    'hand-over' => [Said::of('how-to.write-down-what-was-used')],
                    default => [],
                },
            ),
        );
    }

    /** @return list<Said|null> */
    private function wheels(string $kind): array
    {
        return [
            $kind === 'wheels-each' ? Said::of('how-to.one-wheel-or-one-pair-from') : null,
            Said::of(
                'how-to.barrel-behind-the-spokes',
                tyres: $this->match->situation->asked->scope->has(Item::Tyres)
                    ? Said::of('how-to.scrub-tyres-until-the-foam')
                    : '.',
            ),
            $this->match->situation->vehicle->wheelFinish === WheelFinish::GlossBlack
                ? Said::of('how-to.mitt-and-soft-cloth-only')
                : null,
            Said::of('how-to.their-towels-and-mitts'),
        ];
    }

    /** @return list<Said|null> */
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
                ? Said::of('how-to.thick-from-below-upward-so')
                : Said::of('how-to.thin-and-runny-from-the-top'),
            $this->match->situation->seen->looseEdges || $this->match->situation->vehicle->is(Finish::Matte)
                ? null
                : Said::of('how-to.detail-brush-in-grilles'),
            $again
                ? ($chosen?->method === Method::Touchless
                    ? Said::of('how-to.rinse-foam-a-second-time')
                    : Said::of('how-to.twice-the-second-foam-stays'))
                : null,
        ];
    }

    /** @return list<Said|null> */
    private function rinse(): array
    {
        return [
            $this->schools->is(School::Rinse, 'top-down')
                ? Said::of('how-to.from-the-top-down-roof')
                : Said::of('how-to.from-below-upward-then-once'),
            $this->match->situation->seen->has(Contaminant::Salt) ? Said::of('how-to.salt-arches-sills-and-the') : null,
        ];
    }

    /** @return list<Said|null> */
    private function wash(string $kind): array
    {
        $method = $this->match->method->method();
        $towels = $this->match->towels;
        $free =
            $this->schools->is(School::Order, 'free') && !in_array($method, [Method::TwoMitts, Method::OneMitt], true);
        $wiped = $method?->needsHose() === false;

        return [
            $towels !== null
                ? Said::of('how-to.towels-folded-twice-sides', towels: $towels->towels, sides: $towels->sides)
                : null,
            match ($method) {
                Method::TwoMitts => Said::of('how-to.upper-and-lower-mitt-two'),
                Method::OneMitt => Said::of('how-to.two-buckets-with-grit'),
                // Worked in goes, the mist is a step of its own.
                Method::Rinseless => Said::of(
                    'how-to.wet-towel-one-pass-then-dry',
                    first: $kind === 'wash-each' ? Said::of('how-to.mist-the-panel-from-below') : null,
                ),
                Method::Waterless => Said::of('how-to.spray-one-panel-generously'),
                default => null,
            },
            $kind === 'wash-each'
                ? ($wiped
                    ? Said::of('how-to.one-panel-from-beginning-to')
                    : Said::of('how-to.one-panel-after-the-other'))
                : null,
            $free ? Said::of('how-to.the-shortest-way-round-the') : Said::of('how-to.cleanest-panels-first-lower'),
            Said::of('how-to.straight-strokes-no'),
        ];
    }

    /** @return list<Said|null> */
    private function topper(): array
    {
        $best = $this->match->topper->best();
        $onPaint = $this->schools->is(School::ToppingUp, 'on-paint');
        $situation = $this->match->situation;

        return [
            Said::of(
                'topper-choice.decided',
                decision: $this->match->topper->decision->says(),
                why: $this->match->topper->why,
            ),
            $best?->bottle->applied === 'wipe' && $situation->now->air->airC < $situation->rules->wipeFromC
                ? Said::of('how-to.cold-hands-and-damp-air-a')
                : null,
            $best === null
                ? null
                : match ($best->bottle->applied) {
                    'foam-rinse' => Said::of('how-to.through-the-lance-at-its'),
                    'drying-aid' => $onPaint
                        ? Said::of('how-to.a-few-mists-a-panel-on-the')
                        : Said::of('how-to.a-few-mists-on-the-towel'),
                    'wipe' => $this->spread($best->bottle),
                    default => $onPaint
                        ? Said::of('how-to.spray-the-rinsed-panel-half')
                        : Said::of('how-to.spray-on-a-wet-cloth-wipe'),
                },
        ];
    }

    /** @return list<Said|null> */
    private function wax(): array
    {
        $bottle =
            $this->match->topper->best()?->bottle->applied === 'wipe' ? $this->match->topper->best()->bottle : null;

        return [
            ...$bottle === null
                ? [Said::of('how-to.on-dry-clean-paint')]
                : [
                    Said::of(
                        'topper-choice.decided',
                        decision: $this->match->topper->decision->says(),
                        why: $this->match->topper->why,
                    ),
                    Said::of('how-to.on-dry-clean-paint'),
                ],
            Said::of('how-to.thin-what-can-be-seen-is'),
        ];
    }

    /** A tin is spread with an applicator; only what is in a spray bottle is sprayed. */
    private function spread(Bottle $bottle): Said
    {
        $onPaint = $this->schools->is(School::ToppingUp, 'on-paint');

        return match (true) {
            $bottle->paste => Said::of('how-to.a-thin-coat-with-a-damp'),
            $onPaint => Said::of('how-to.a-couple-of-sprays-on-the'),
            default => Said::of('how-to.a-couple-of-sprays-on-the-2'),
        };
    }
}
