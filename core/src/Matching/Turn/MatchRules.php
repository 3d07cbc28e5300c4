<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Drying\Film;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\VerdictRules;
use Vicissa\Core\Textiles\WipeFactors;
use Vicissa\Core\Water\SpotThresholds;

/** The numbers behind a match (domain §5, §6, §8), as a set a workspace may replace. */
final readonly class MatchRules
{
    /**
     * @param array<string, int> $soilCeiling      by Method value: dirtier than this it is refused
     * @param array<string, float> $mediumFactor   by Method value: what touches the paint, relative
     * @param array<string, float> $softness       by hardness of the paint
     * @param list<list<string>> $stages           by soil: Softening values in order, before anything touches the paint
     * @param int $preWashFromSoil                 from here on nothing touches the paint before a pre-wash and a rinse
     * @param int $lowerThirdFromSoil              from here on the lower third is softened before the rest
     * @param list<int> $strength                  by soil: how strong a cleaner it asks for, Strength value
     * @param int $wheelCleanerFrom        this dirty, wheels want a cleaner of their own; kept weekly, soap does
     * @param int $wheelIronFrom                   from here on brake dust has burnt in
     * @param float $rinseLeaves                   share of soil left after a rinse; the others alike
     * @param float $frostC                        below this air no wet work outdoors
     * @param float $sealsC            at this air and below nothing dries by itself, and seals, locks and jambs are
     *     dried
     * @param float $hotC                          above this a panel is cooled, shaded or left for another hour
     * @param float $bayC                          a warm bay, when nobody measured
     * @param float $shadeLeavesSun                share of the sun that still reaches a panel in shade
     * @param float $assumedTapTds                 tap water nobody measured, mg/l
     * @param float $assumedTreatedTds             treated water nobody measured, mg/l
     * @param float $treatedAtMost                 water called treated that holds more than this is not, mg/l
     * @param float $panelOffK           a panel this far from where air and sun would put it is measured again, K
     * @param float $topperLastsWeeks              shorter-lived than this by its label, it is a show shine
     * @param array<string, float> $waterLeft      litres on a m² to take up: rinsed, sheeted, blown
     * @param float $horizontals                   share of the paint that lies flat
     * @param array<string, float> $towelM2        paint for which one towel of a kind does, m²
     * @param float $tallM2                        above so much paint someone has to climb for the roof
     * @param float $panelM2                       one panel, about a door
     * @param array<string, array{float, list<string>}> $uses by Role value or way on: litres of mix for $useForM2 of
     *     paint (grams for "paste"), ways of use in order of likelihood
     * @param float $margin            more is mixed than reckoned, so that nobody mixes again for the last door
     * @param int $sidesPerTowel                   folded twice
     * @param float $driesSoonS                    a rinse workable for less wants drying panel by panel
     * @param float $wipeFromC                     below this air, ways that are rinsed off are easier than wiping
     */
    public function __construct(
        public VerdictRules $verdict = new VerdictRules(),
        public WipeFactors $wipe = new WipeFactors(),
        public SpotThresholds $spots = new SpotThresholds(),
        public array $soilCeiling = [
            'touchless' => 3,
            'multi-towel' => 5,
            'two-mitts' => 5,
            'one-mitt' => 4,
            'rinseless' => 2,
            'waterless' => 1,
        ],
        public array $mediumFactor = [
            'touchless' => 0.0,
            'multi-towel' => 0.6,
            'two-mitts' => 0.8,
            'one-mitt' => 1.0,
            'rinseless' => 1.1,
            'waterless' => 1.4,
        ],
        public array $softness = ['soft' => 1.5, 'medium' => 1.0, 'hard' => 0.7],
        public array $stages = [
            ['rinse'],
            ['rinse'],
            ['rinse', 'foam'],
            ['rinse', 'foam'],
            ['rinse', 'prewash', 'foam'],
            ['rinse', 'prewash', 'foam', 'foam-again'],
        ],
        public int $preWashFromSoil = 3,
        public int $lowerThirdFromSoil = 3,
        public array $strength = [0, 0, 0, 1, 1, 2],
        public int $wheelCleanerFrom = 2,
        public int $wheelIronFrom = 4,
        public float $rinseLeaves = 0.5,
        public float $rinseLeavesRepelling = 0.2,
        public float $preWashLeaves = 0.5,
        public float $foamLeaves = 0.4,
        public float $frostC = 2.0,
        public float $sealsC = 3.0,
        public float $hotC = 40.0,
        public float $bayC = 12.0,
        public float $bayRh = 0.6,
        public float $bayWindMS = 0.3,
        public float $shadeLeavesSun = 0.15,
        public float $assumedTapTds = 250.0,
        public float $assumedTreatedTds = 10.0,
        public float $treatedAtMost = 60.0,
        public float $panelOffK = 25.0,
        public float $topperLastsWeeks = 3.0,
        public array $waterLeft = ['rinsed' => 0.1, 'sheeted' => 0.05, 'blown' => 0.01],
        public float $horizontals = 0.35,
        public array $towelM2 = [
            'catch' => 20.0,
            'sills' => 15.0,
            'wheels' => 15.0,
            'jambs' => 15.0,
            'glass' => 12.0,
            'dried-at-once' => 6.0,
            'mitt' => 30.0,
            'topper' => 15.0,
        ],
        public float $tallM2 = 18.0,
        public float $panelM2 = 1.0,
        public array $uses = [
            'prewash' => [1.0, ['sprayer', 'lance', 'bottle']],
            'foam' => [6.0, ['lance', 'sprayer']],
            'soap' => [15.0, ['bucket', 'lance']],
            'rinseless' => [8.0, ['bucket', 'sprayer']],
            'waterless' => [0.6, ['bottle', 'sprayer']],
            'wheel' => [0.5, ['wheel', 'bottle', 'sprayer']],
            'iron' => [0.25, ['bottle', 'sprayer', 'wheel']],
            'tar' => [0.1, ['bottle']],
            'clay-lube' => [0.5, ['bottle', 'bucket']],
            'drying-aid' => [0.1, ['bottle']],
            'wet-rinse' => [0.15, ['bottle', 'sprayer']],
            'foam-rinse' => [5.0, ['lance']],
            'wipe' => [0.06, ['bottle']],
            'topper' => [0.15, ['bottle', 'sprayer', 'lance']],
            'base' => [0.06, ['bottle']],
            'paste' => [18.0, []],
            'glass' => [0.06, ['bottle']],
            'tyre' => [0.05, ['tyre', 'bottle']],
            'trim' => [0.03, ['bottle']],
        ],
        public float $useForM2 = 11.5,
        public float $margin = 1.1,
        public int $sidesPerTowel = 8,
        public float $driesSoonS = 600.0,
        public float $wipeFromC = 8.0,
    ) {}

    public function ceiling(Method $method): int
    {
        return $this->soilCeiling[$method->value];
    }

    public function medium(Method $method): float
    {
        return $this->mediumFactor[$method->value];
    }

    /** How many towels of a kind so much paint takes. */
    public function towelsFor(string $kind, float $m2): int
    {
        return max(1, (int) ceil($m2 / $this->towelM2[$kind] - 1e-9));
    }

    /** @return array{float, list<string>} litres of mix for one use (grams of a paste), and the ways it may be mixed */
    public function use(Role $role, ?string $applied, bool $paste = false): array
    {
        return ($paste
            ? $this->uses['paste']
            : ($role === Role::Topper || $role === Role::Base
                ? $this->uses[$applied ?? ''] ?? null
                : null)) ?? $this->uses[$role->value];
    }

    /** How it lies on the panel while it works; null for what is worked in by hand. */
    public function film(Role $role, ?string $applied): ?Film
    {
        return match ($role) {
            Role::Foam => Film::DrainedFoam,
            Role::Soap => Film::SheetedRinse,
            Role::Prewash, Role::Rinseless, Role::Wheel, Role::Iron, Role::Tar, Role::ClayLube => Film::PreSpray,
            Role::Topper, Role::Base => match ($applied) {
                'foam-rinse' => Film::DrainedFoam,
                'drying-aid' => Film::FineMist,
                'wet-rinse' => Film::BeadedRinse,
                // Wiped on it is meant to haze.
                'wipe' => null,
                default => $role === Role::Base ? null : Film::BeadedRinse,
            },
            Role::Waterless, Role::DryingAid, Role::Glass => Film::FineMist,
            Role::Tyre, Role::Trim => null,
        };
    }

    /** Whether it is put on after the vehicle has been dried: then it is the dry panel's heat that counts. */
    public function onDry(Role $role, ?string $applied): bool
    {
        return match ($role) {
            Role::Topper => $applied === 'wipe',
            Role::Base => $applied === null || $applied === 'wipe',
            Role::Glass, Role::Tyre, Role::Trim => true,
            default => false,
        };
    }
}
