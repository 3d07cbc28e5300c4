<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Textiles\TowelCount;

/** The steps in the order they are worked (domain §2), each with how, as the schools have it. */
final readonly class Sequence
{
    /**
     * @param list<Choice> $choices
     * @param list<Caution> $cautions
     * @return list<StepPlan>
     */
    public static function of(Situation $situation, Schools $schools, MethodChoice $method, TopperChoice $topper, FinalRinse $rinse, DryingPlan $drying, ?TowelCount $towels, array $choices, array $cautions): array
    {
        if ($method->chosen === null) {
            return [];
        }
        $plans = [];
        foreach (self::order($situation, $schools, $method->chosen, $topper, $choices) as $step) {
            $plans[] = new StepPlan(
                $step,
                array_values(array_filter($choices, static fn(Choice $choice): bool => $choice->need->step === $step && $choice->chosen !== null)),
                self::how($step, $situation, $schools, $method->chosen, $topper, $rinse, $drying, $towels),
                array_values(array_filter($cautions, static fn(Caution $caution): bool => $caution->step === $step)),
            );
        }

        return $plans;
    }

    /**
     * @param list<Choice> $choices
     * @return list<Step>
     */
    private static function order(Situation $situation, Schools $schools, MethodOption $chosen, TopperChoice $topper, array $choices): array
    {
        $hose = $chosen->method->needsHose();
        $uses = static fn(Step $step): bool => array_filter($choices, static fn(Choice $choice): bool => $choice->need->step === $step && $choice->chosen !== null) !== [];
        $first = $schools->is(School::Wheels, 'wheels-first');

        return array_values(array_filter([
            Step::Look,
            $hose ? Step::Water : null,
            Step::Mix,
            $first ? Step::Wheels : null,
            $uses(Step::Soften) || $situation->seen->has(Contaminant::Insects, Contaminant::BirdLime) ? Step::Soften : null,
            $uses(Step::PreWash) ? Step::PreWash : null,
            $uses(Step::Foam) ? Step::Foam : null,
            $hose ? Step::Rinse : null,
            $first ? null : Step::Wheels,
            $uses(Step::Decon) ? Step::Decon : null,
            $chosen->method === Method::Touchless ? null : Step::Wash,
            $hose ? Step::FinalRinse : null,
            Step::Read,
            $topper->best() !== null || $uses(Step::Topper) ? Step::Topper : null,
            Step::Dry,
            Step::Finish,
            Step::HandOver,
        ]));
    }

    /** @return list<string> */
    private static function how(Step $step, Situation $situation, Schools $schools, MethodOption $chosen, TopperChoice $topper, FinalRinse $rinse, DryingPlan $drying, ?TowelCount $towels): array
    {
        $vehicle = $situation->vehicle;
        $says = match ($step) {
            Step::Look => ['Go round once: chips, loose edges, soft or matte paint; read the water on one dirty panel.'],
            Step::Water => ['Read the tap; purge and start the treatment, so that the tank stays full.'],
            Step::Mix => ['Rinse bucket first; warm water in winter, for the hands.'],
            Step::Wheels => [
                'Barrel, behind the spokes, nuts, face, tyre, arch; scrub tyres until the foam stays white.',
                $vehicle->wheelFinish === WheelFinish::GlossBlack ? 'Mitt and soft cloth only.' : null,
                'Their towels and mitts never return to the paint.',
            ],
            Step::Soften => ['Soak under a wet cloth or a diluted cleaner; wait, wipe off without rubbing. Never let it dry.'],
            Step::PreWash => ['From below upward, the lower third twice; rinse before it dries.'],
            Step::Foam => self::foam($situation, $schools, $chosen),
            Step::Rinse => [
                $schools->is(School::Rinse, 'top-down') ? 'From the top down: roof, glass, sides, sills, arches.' : 'From below upward, then once more from the top.',
                $situation->seen->has(Contaminant::Salt) ? 'Salt: arches, sills and the lower third twice, from below.' : null,
            ],
            Step::Decon => ['One product after the other, each rinsed off before the next; then read the water again.'],
            Step::Wash => self::wash($schools, $chosen->method, $towels),
            Step::FinalRinse => [$rinse->why, 'Jambs now, with little water.'],
            Step::Read => ['On a clean, wet panel before anything goes on: this reading tells about the layer.'],
            Step::Topper => self::topper($situation, $schools, $topper),
            Step::Dry => $drying->how,
            Step::Finish => [
                $schools->is(School::Tyre, 'satin') ? 'Tyres: thin coat, 5 to 10 minutes, wiped back so that nothing slings.' : 'Tyres: thin coat, 5 to 10 minutes, then a second thin one; wiped once against sling.',
            ],
            Step::HandOver => ['Twice round with a second light: front, mirrors, windscreen and wheels are what the owner looks at first.', 'Write down what was used, what was read, what was noticed.'],
        };

        return array_values(array_filter($says));
    }

    /** @return list<string|null> */
    private static function foam(Situation $situation, Schools $schools, MethodOption $chosen): array
    {
        $again = count(array_filter($chosen->path->stages, static fn(array $stage): bool => $stage['stage'] === Softening::Foam || $stage['stage'] === Softening::FoamAgain)) > 1;

        return [
            $schools->is(School::Foam, 'thick') ? 'Thick, from below upward, so that it clings.' : 'Thin and runny, from the top, so that it takes the dirt along.',
            $situation->seen->looseEdges || $situation->vehicle->is(Finish::Matte) ? null : 'Detail brush in grilles, badges and gaps while it works.',
            $again ? ($chosen->method === Method::Touchless ? 'Rinse, foam a second time, rinse.' : 'Twice: the second foam stays on as lubricant for the wash.') : null,
        ];
    }

    /** @return list<string|null> */
    private static function wash(Schools $schools, Method $method, ?TowelCount $towels): array
    {
        $free = $schools->is(School::Order, 'free') && ! in_array($method, [Method::TwoMitts, Method::OneMitt], true);

        return [
            $towels !== null ? sprintf('%d towels folded twice, %d sides: each side once, then the next.', $towels->towels, $towels->sides) : null,
            match ($method) {
                Method::TwoMitts => 'Upper and lower mitt, two buckets with grit guards; rinse the mitt after every panel.',
                Method::OneMitt => 'Two buckets with grit guards; rinse the mitt after every panel, twice after the lower third.',
                default => null,
            },
            $free ? 'The shortest way round; the lower third still gets sides of its own.' : 'Cleanest panels first, lower panels and bumpers last.',
            'Straight strokes, no pressure.',
        ];
    }

    /** @return list<string|null> */
    private static function topper(Situation $situation, Schools $schools, TopperChoice $topper): array
    {
        $best = $topper->best();
        $onPaint = $schools->is(School::ToppingUp, 'on-paint');

        return [
            $topper->decision->says().'. '.$topper->why,
            $best?->bottle->applied === 'wipe' && $situation->now->air->airC < $situation->rules->wipeFromC ? 'Cold hands and damp air: a way that is sprayed on and rinsed off would be easier today.' : null,
            match ($best?->bottle->applied) {
                null => null,
                'foam-rinse' => 'Through the lance at its strength at the panel; at most two minutes, rinse well.',
                'drying-aid' => $onPaint ? 'A few mists a panel, on the paint, before the towel.' : 'A few mists on the towel before each panel.',
                'wipe' => $onPaint ? 'A couple of sprays on the panel, spread, turn the cloth, buff.' : 'A couple of sprays on the cloth, spread, turn it, buff.',
                default => $onPaint ? 'Spray the rinsed panel, half a minute to a minute, less in sun; rinse hard from below upward.' : 'Spray on a wet cloth, wipe over the rinsed panel, rinse hard from below upward.',
            },
        ];
    }
}
