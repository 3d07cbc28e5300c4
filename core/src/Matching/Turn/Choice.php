<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Severity;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;

/** What is taken from the shelf for a need, with why. */
final readonly class Choice
{
    private function __construct(
        public Need $need,
        public ?Judged $chosen,
        public Ranking $ranking,
        public Said $why,
        /** Seconds it may sit at most: the label's, or what the film allows here; null when neither says. */
        public ?float $atMostS,
    ) {}

    public static function of(Need $need, Ranking $ranking, Situation $situation): self
    {
        $best = $ranking->best();
        if ($best === null) {
            return new self(
                $need,
                null,
                $ranking,
                Said::of('choice.none', for: $need->for, none: $ranking->whyNone()),
                null,
            );
        }
        $film = $situation->rules->film($need->role, $best->bottle->applied);
        $limits = array_filter(
            [
                $best->bottle->dwellMaxS,
                $film === null || $best->bottle->traits->mayDry
                    ? null
                    : $situation->meets($need->role, $best->bottle->applied)->workingS($film),
            ],
            static fn(?float $s): bool => $s !== null,
        );
        $second =
            array_values(
                array_filter($ranking->all, static fn(Judged $one): bool => $one !== $best && $one->allowed()),
            )[0] ?? null;

        $byHand = in_array($best->bottle->id, $situation->asked->taken, true)
            ? Said::of('choice.somebody-chose-it')
            : null;

        return new self(
            $need,
            $best,
            $ranking,
            Said::of('choice.for-this-reason', for: $need->for, why: self::why($best, $second), hand: $byHand),
            $limits === [] ? null : min($limits),
        );
    }

    private static function why(Judged $best, ?Judged $second): Said
    {
        $facts =
            $best->fit->points === 0 && $best->verdict->remarks === []
                ? Said::of('choice.it-is-allowed-here')
                : Said::clause($best->fit->why);
        $before = match (true) {
            $second === null => null,
            $second->fit->points < $best->fit->points => Said::of(
                'choice.it-fits-better-than',
                bottle: $second->bottle->name,
            ),
            // What has no price is not free.
            $second->cost !== null && $best->cost !== null && $second->cost > $best->cost => Said::of(
                'choice.it-costs-less-a-use-than',
                bottle: $second->bottle->name,
            ),
            default => null,
        };

        return Said::of('choice.why', facts: $facts, before: $before);
    }

    /**
     * @return list<Said> what the verdict warns of; what its label warns of is told at the step where that begins
     *     (Hazards)
     */
    public function cautions(): array
    {
        if ($this->chosen === null) {
            return [];
        }
        $says = [];
        foreach ($this->chosen->verdict->remarks as $remark) {
            if ($remark->severity === Severity::Warn) {
                $says[] = $remark->code->says();
            }
        }

        return $says;
    }

    /** @return list<Judged> stronger ones with acid in them, offered beside it and never chosen by themselves */
    public function offered(): array
    {
        return $this->ranking->offered();
    }

    /** How long it sits, in words; null when it need not. */
    public function dwell(): ?Said
    {
        $least = $this->chosen?->bottle->traits->dwellMinS ?? 0.0;

        return match (true) {
            $this->chosen === null, $least <= 0.0 && $this->atMostS === null => null,
            $this->atMostS === null => Said::of('choice.let-it-sit', time: Amount::time($least)),
            $least <= 0.0 => Said::of('choice.within', time: Amount::time($this->atMostS)),
            default => Said::of(
                'choice.let-it-sit-at-most',
                least: Amount::time($least),
                most: Amount::time($this->atMostS),
            ),
        };
    }
}
