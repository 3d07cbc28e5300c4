<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Units\Measures;
use Vicissa\Core\Water\Spots;

/** How the water comes off, and with how many towels (domain §6). */
final readonly class DryingPlan
{
    /**
     * @param string $way                 air-then-towel, sheet-then-towel, air-and-blot, air-only, towel, none
     * @param float $litres               left to take up
     * @param array<string, int> $towels  by size: large, medium, catch, sills, wheels
     * @param list<string> $how
     */
    private function __construct(
        public string $way,
        public float $litres,
        public array $towels,
        public bool $mayAirDry,
        public array $how,
        public string $why,
    ) {}

    public static function of(Situation $situation, Schools $schools, MethodChoice $method, FinalRinse $rinse): self
    {
        if ($method->chosen === null) {
            return new self('none', 0.0, [], false, [], 'Nothing is washed.');
        }
        [$vehicle, $place, $rules] = [$situation->vehicle, $situation->place, $situation->rules];
        $sheets = $vehicle->stack(Zone::Paint)->designed() === Designed::Sheets || ! ($situation->seen->reading(Stage::AfterWash)?->holds(Designed::Beads) ?? $situation->repels());
        [$way, $left, $why] = match (true) {
            ! $method->chosen->method->needsHose() => ['towel', null, 'Each wiped panel is dried at once with the next clean side.'],
            $method->leavesFilm() => ['air-only', 'blown', 'Air only: a towel would rub the film that touchless left into the paint.'],
            $vehicle->is(Finish::Matte) => ['air-and-blot', $place->power ? 'blown' : 'rinsed', 'Matte: air and blot, no pulling, nothing glossy.'],
            $place->power && ! $sheets => ['air-then-towel', 'blown', 'The water beads: forced air takes nearly all of it, one towel pass the rest.'],
            default => ['sheet-then-towel', 'sheeted', $sheets ? 'The water does not bead: let a gentle open hose sheet most of it off first.' : 'No power for an air dryer: let a gentle open hose sheet most of it off first.'],
        };
        $air = $rinse->water === Water::Treated && $rinse->residue?->spots === Spots::None && ! $vehicle->is(Finish::Matte);
        $litres = $left === null ? 0.0 : $rules->waterLeft[$left] * $vehicle->paintM2;
        $how = array_values(array_filter([
            $way === 'air-only' ? null : ($schools->is(School::Towel, 'pre-damped') ? 'Damp the towels first, wring them well.' : 'Towels dry; spread them, let them drink, pull by the edges.'),
            $way === 'towel' || $way === 'air-only' ? null : 'Horizontals first: they spot first. Then glass, verticals, mirrors and gaps.',
            $way === 'air-then-towel' || $way === 'sheet-then-towel' ? 'High pile first, low pile to level streaks; no circles, no chamois, nothing that has touched the ground.' : null,
            str_starts_with($way, 'air') ? 'Filtered air, not a yard blower; ear protection.' : null,
            $place->bay && $situation->now->isFreezing($rules) ? 'Dry the door seals and locks, so that nothing freezes shut outside.' : null,
            $air ? 'What is left may dry by itself: the last water leaves nothing that shows.' : null,
        ]));

        return new self($way, $litres, self::towels($way, $litres, $rules), $air, $how, $why);
    }

    /** In words, for comparison. */
    public function says(Measures $measures): string
    {
        return sprintf('%s, %s to take up, %s', str_replace('-', ' ', $this->way), $measures->litres($this->litres), implode(', ', array_map(static fn(string $size, int $n): string => "{$n} {$size}", array_keys($this->towels), $this->towels)));
    }

    /** @return array<string, int> */
    private static function towels(string $way, float $litres, MatchRules $rules): array
    {
        $need = static fn(string $size, float $share): int => max(1, (int) ceil($litres * $share / $rules->wipe->uptakeL($size) - 1e-9));

        return match ($way) {
            // Washing towels are counted apart; these are for what they leave damp.
            'towel' => ['medium' => 2, 'sills' => 1, 'wheels' => 1],
            'air-only' => ['wheels' => 1],
            default => ['large' => $need('large', $rules->horizontals), 'medium' => $need('medium', 1.0 - $rules->horizontals), 'catch' => 1, 'sills' => 1, 'wheels' => 1],
        };
    }
}
