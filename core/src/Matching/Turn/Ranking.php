<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Code;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Fit;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/**
 * The shelf for one role on one zone, best first (domain, model "match"): allowed before ruled out, then points, then cost
 * per use, then name.
 */
final readonly class Ranking
{
    /** @param list<Judged> $all */
    private function __construct(
        private Role $role,
        public array $all,
    ) {}

    public static function of(Situation $situation, Schools $schools, Role $role, Zone $zone, bool $toStrip = false): self
    {
        $all = [];
        foreach ($situation->shelf as $bottle) {
            if ($bottle->traits->role === $role) {
                $all[] = self::judge($situation, $schools, $bottle, $zone, $toStrip);
            }
        }
        usort($all, static fn(Judged $a, Judged $b): int => [! $a->allowed(), -$a->fit->points, $a->cost ?? 0.0, $a->bottle->name, $a->bottle->id]
            <=> [! $b->allowed(), -$b->fit->points, $b->cost ?? 0.0, $b->bottle->name, $b->bottle->id]);

        return new self($role, $all);
    }

    public static function judge(Situation $situation, Schools $schools, Bottle $bottle, Zone $zone, bool $toStrip = false): Judged
    {
        $rules = $situation->rules;
        $film = $rules->film($bottle->traits->role, $bottle->applied);
        $verdict = Verdict::onAll($bottle->traits, $situation->vehicle->surfaces($zone), new Circumstances(
            panelC: $situation->now->panelC,
            workingS: $film === null ? null : $situation->now->workingS($film),
            water: $situation->place->water,
            purpose: $situation->seen->purpose,
            bareFace: $schools->is(School::BareFace, 'refused'),
            inStock: $bottle->inStock,
        ), $rules->verdict);
        $fed = $situation->vehicle->stack($zone)->fed();

        return new Judged(
            $bottle,
            $zone,
            $verdict,
            Fit::of($verdict, $bottle->traits->leaves, $bottle->line, $fed->family ?? Family::Bare, $fed?->line),
            $bottle->costPerUse($situation->vehicle->paintM2, $rules),
            self::unfit($situation, $bottle, $zone, $toStrip),
        );
    }

    public function best(): ?Judged
    {
        return $this->all !== [] && $this->all[0]->allowed() ? $this->all[0] : null;
    }

    /** Why none of them can be used, in a few words. */
    public function whyNone(): string
    {
        if ($this->all === []) {
            return sprintf('there is no %s on the shelf', $this->role->says());
        }
        $codes = array_map(static fn(Judged $one): array => array_map(static fn($remark) => $remark->code, $one->verdict->remarks), $this->all);
        $shared = array_filter([Code::TooHot, Code::TooCold, Code::DriesFirst, Code::NeedsWater], static fn(Code $code): bool => array_filter($codes, static fn(array $found): bool => in_array($code, $found, true)) === $codes);

        return sprintf(match (array_values($shared)[0] ?? null) {
            Code::TooHot => 'the panel is too hot for every %s',
            Code::TooCold => 'the panel is too cold for every %s',
            Code::DriesFirst => 'every %s would dry before it has worked',
            Code::NeedsWater => 'every %s has to be rinsed, and there is no water',
            default => 'every %s is ruled out here',
        }, $this->role->says());
    }

    private static function unfit(Situation $situation, Bottle $bottle, Zone $zone, bool $toStrip): ?Reason
    {
        $role = $bottle->traits->role;

        return match (true) {
            $role === Role::Topper && ! $bottle->protects($situation->rules) => Reason::ShowShine,
            $role === Role::ClayLube && $zone === Zone::Paint
                && ($situation->vehicle->is(Finish::Matte) || $situation->vehicle->has(Zone::Paint, Family::Film, Family::Wrap)) => Reason::NoClayHere,
            $zone === Zone::Paint && $situation->seen->isReset() && $role->staysOnLayer()
                && ($bottle->traits->leaves->protects() || $bottle->traits->leaves->shines()) => Reason::ResetWantsBare,
            $toStrip && $bottle->traits->strips !== Strips::Strong => Reason::DoesNotStrip,
            default => null,
        };
    }
}
