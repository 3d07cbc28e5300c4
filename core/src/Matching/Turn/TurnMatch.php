<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Code;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Textiles\TowelCount;

/**
 * The whole choice for a turn (domain, model "match"). The same input gives the same answer. How it is worked is laid
 * out by Visit.
 */
final readonly class TurnMatch
{
    /** Of the paint. */
    public const LOWER_THIRD = 1.0 / 3.0;

    /**
     * @param Situation $situation      as it is worked: with its panels cooled where they have to be
     * @param list<Choice> $choices
     * @param list<Judged> $passed      everything on the shelf that was not chosen, with why
     */
    private function __construct(
        public Situation $situation,
        public MethodChoice $method,
        public array $choices,
        public TopperChoice $topper,
        public TopperChoice $wheelTopper,
        public FinalRinse $finalRinse,
        public DryingPlan $drying,
        public ?TowelCount $towels,
        public Doubts $doubts,
        public array $passed,
    ) {}

    /** A panel that is too hot, or too hot for what the turn needs, is cooled with water where there is some. */
    public static function of(Situation $situation, Schools $schools): self
    {
        $asItIs = self::with($situation, $schools);
        $cooling = Cooling::of($situation);
        $hot = $situation->now->panelC > $situation->rules->hotC;
        if ($cooling === null || (!$hot && !$asItIs->sufferFromHeat())) {
            return $asItIs;
        }
        $cooled = self::with($situation->cooled($cooling), $schools);

        return $hot || $cooled->lacks() < $asItIs->lacks() ? $cooled : $asItIs;
    }

    private static function with(Situation $situation, Schools $schools): self
    {
        $method = MethodChoice::of($situation, $schools);
        $topper = TopperChoice::of($situation, $schools, $method);
        $wheelTopper = self::wheelTopper($situation, $schools, $method);
        $rinse = FinalRinse::of($situation, $method);
        $drying = DryingPlan::of($situation, $schools, $method, $rinse);
        $choices = array_map(
            static fn(Need $need): Choice => Choice::of($need, Ranking::for($situation, $schools, $need), $situation),
            Needs::of($situation, $schools, $method, $topper, $wheelTopper),
        );

        return new self(
            $situation,
            $method,
            $choices,
            $topper,
            $wheelTopper,
            $rinse,
            $drying,
            self::towels($situation, $method),
            Doubts::of($situation, $schools, $method, $rinse, $choices),
            self::passed($situation, $schools, $choices, $method),
        );
    }

    public function possible(): bool
    {
        return $this->method->chosen !== null;
    }

    public function choice(Role $role, Zone $zone): ?Choice
    {
        foreach ($this->choices as $choice) {
            if ($choice->need->role === $role && $choice->need->zone === $zone) {
                return $choice;
            }
        }

        return null;
    }

    /**
     * What sits fast, or the lower third, is softened before the rest: with what; null when nothing is, or only water
     * does it.
     */
    public function softener(): ?Choice
    {
        $own =
            array_values(
                array_filter(
                    $this->choices,
                    static fn(Choice $one): bool => $one->need->step === Step::Soften && $one->chosen !== null,
                ),
            )[0] ?? null;
        $spray = $this->choice(Role::Prewash, Zone::Paint);

        // One spray serves both for softening and before the wash.
        return $own ?? ($this->isStuckOn() && $spray?->chosen !== null ? $spray : null);
    }

    /** Something sits on the paint that must not be scrubbed. */
    public function isStuckOn(): bool
    {
        return $this->situation->seen->has(Contaminant::Insects, Contaminant::BirdLime);
    }

    /**
     * How often a choice is used, in uses of the whole vehicle: foam as often as it is foamed, a spray on the lower
     * third besides.
     */
    public function uses(Choice $choice): float
    {
        $stages = array_map(
            static fn(array $stage): Softening => $stage['stage'],
            $this->method->chosen->path->stages ?? [],
        );
        $count = static fn(Softening ...$of): int => count(
            array_filter($stages, static fn(Softening $stage): bool => in_array($stage, $of, true)),
        );

        return match ($choice->need->role) {
            Role::Foam => (float) max(1, $count(Softening::Foam, Softening::FoamAgain)),
            Role::Prewash => max(
                self::LOWER_THIRD,
                $count(Softening::PreWash) +
                    ($this->softener()?->chosen?->bottle->id === $choice->chosen?->bottle->id
                        ? self::LOWER_THIRD
                        : 0.0) +
                    ($choice->need->toStrip ? 1.0 : 0.0),
            ),
            default => 1.0,
        };
    }

    /** Whether something that is wanted can't be used for the heat of the panel alone. */
    private function sufferFromHeat(): bool
    {
        if (!$this->possible()) {
            return true;
        }
        foreach ($this->choices as $choice) {
            $wet =
                $choice->chosen === null &&
                $choice->ranking->all !== [] &&
                !$this->situation->rules->onDry($choice->need->role, $choice->ranking->all[0]->bottle->applied);
            if (
                $wet &&
                array_filter($choice->ranking->all, static fn(Judged $one): bool => self::isTooHot($one)) !== []
            ) {
                return true;
            }
        }

        return $this->topper->decision === Decision::NotToday &&
            array_filter($this->topper->ranking->all, static fn(Judged $one): bool => self::isTooHot($one)) !== [];
    }

    private static function isTooHot(Judged $judged): bool
    {
        return array_filter(
            $judged->verdict->remarks,
            static fn(Remark $remark): bool => $remark->code === Code::TooHot || $remark->code === Code::DriesFirst,
        ) !== [];
    }

    /** How much of what is wanted is not to be had; the less the better. */
    private function lacks(): int
    {
        return ($this->possible() ? 0 : 1000) +
            ($this->topper->decision === Decision::NotToday ? 10 : 0) +
            count(array_filter($this->choices, static fn(Choice $choice): bool => $choice->chosen === null));
    }

    private static function wheelTopper(Situation $situation, Schools $schools, MethodChoice $method): TopperChoice
    {
        // Wheels nobody has sealed stay as they are, whatever the school says of paint.
        return TopperChoice::of(
            $situation,
            $situation->vehicle->stack(Zone::Wheels)->isBare()
                ? $schools->with(School::Topper, 'by-forecast')
                : $schools,
            $method,
            Zone::Wheels,
        );
    }

    private static function towels(Situation $situation, MethodChoice $method): ?TowelCount
    {
        return $method->chosen !== null &&
            in_array($method->chosen->method, [Method::MultiTowel, Method::Rinseless, Method::Waterless], true)
            ? TowelCount::of(
                $situation->vehicle->paintM2,
                $situation->seen->soil,
                $method->chosen->path->stages !== [],
                $situation->rules->sidesPerTowel,
                $situation->rules->wipe,
            )
            : null;
    }

    /**
     * @param list<Choice> $choices
     * @return list<Judged>
     */
    private static function passed(Situation $situation, Schools $schools, array $choices, MethodChoice $method): array
    {
        $chosen = array_map(static fn(Choice $choice): ?string => $choice->chosen?->bottle->id, $choices);
        $passed = [];
        foreach ($situation->shelf as $bottle) {
            if (in_array($bottle->id, $chosen, true)) {
                continue;
            }
            $role = $bottle->traits->role;
            $asked = array_values(
                array_filter($choices, static fn(Choice $choice): bool => $choice->need->role === $role),
            );
            if ($asked === []) {
                $judged = Ranking::judge(
                    $situation,
                    $schools,
                    $bottle,
                    new Need(
                        $role,
                        $role->usualZone(),
                        Step::Wash,
                        null,
                        hose: $method->method()?->needsHose() !== false,
                    ),
                );
                $passed[] = $judged->reason === null ? $judged->because(Reason::NotNeeded) : $judged;
            }
            foreach ($asked as $choice) {
                $judged = Ranking::judge($situation, $schools, $bottle, $choice->need);
                $passed[] = $judged->allowed() ? $judged->because(Reason::BetterFit) : $judged;
            }
        }

        return $passed;
    }
}
