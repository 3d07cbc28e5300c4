<?php

declare(strict_types=1);

namespace Vicissa\Core\House;

use InvalidArgumentException;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\DryingWay;
use Vicissa\Core\Protection\Family;

/**
 * The numbers of the rules as a workspace has them: its own where it has some, the house's defaults elsewhere. Each
 * with its name, its limits and what it does.
 */
final readonly class Numbers
{
    /** How a severity is typed. */
    private const SEVERITY = '0 nothing, 1 warns, 2 blocks';

    /** Kinds of steps whose minutes may be one's own, with what they are called. */
    private const STEPS = [
        'look' => 'Arrive and look',
        'water' => 'Settle the water',
        'mix' => 'Mix',
        'platform' => 'Set up the platform',
        'refill' => 'Fill the tank again',
        'cool' => 'Cool the panels',
        'wheels-spray' => 'Spray the wheels',
        'wheels-brush' => 'Work the wheels',
        'wheels-rinse' => 'Rinse the wheels',
        'wheels-wipe' => 'Wipe the wheels',
        'wheels-pass' => 'Wheels in passing',
        'wheels-iron' => 'Iron remover on the wheels',
        'wheels-iron-rinse' => 'Rinse it off',
        'arches' => 'Arches',
        'soften' => 'Soften',
        'soften-wipe' => 'Lift off what was softened',
        'soften-rinse' => 'Rinse the softener off',
        'first-rinse' => 'First rinse',
        'prewash' => 'Pre-wash spray',
        'prewash-rinse' => 'Rinse the pre-wash',
        'foam' => 'Foam',
        'gaps' => 'Gaps',
        'foam-rinse' => 'Rinse the foam',
        'iron' => 'Iron remover',
        'iron-rinse' => 'Rinse the iron remover',
        'tar' => 'Tar',
        'tar-rinse' => 'Rinse the tar remover',
        'clay' => 'Clay',
        'clay-rinse' => 'Rinse after the clay',
        'prespray' => 'Pre-spray',
        'wash' => 'Wash, to begin with',
        'rinse' => 'Final rinse',
        'read' => 'Read the water',
        'inspect' => 'Look the base over',
        'topper' => 'Topper',
        'topper-rinse' => 'Rinse the topper',
        'topper-wipe' => 'Topper, wiped on',
        'wax-on' => 'Spread a wax',
        'wax-off' => 'Buff a wax',
        'recoat' => 'Coat anew',
        'wheels-topper' => 'Sealant on the wheels',
        'wheels-topper-rinse' => 'Rinse it off the wheels',
        'dry' => 'Dry, to begin with',
        'wheels-dry' => 'Dry the wheels',
        'seals' => 'Seals and locks',
        'glass' => 'Glass',
        'jambs' => 'Jambs',
        'trim' => 'Trim',
        'tyres' => 'Dress the tyres',
        'tyres-wipe' => 'Wipe the tyres back',
        'check' => 'Second look',
        'hand-over' => 'Hand over',
    ];

    private const DOSES = [
        'prewash' => 'Pre-wash spray',
        'foam' => 'Foam',
        'soap' => 'Soap',
        'rinseless' => 'Rinseless wash',
        'waterless' => 'Waterless wash',
        'wheel' => 'Wheel cleaner',
        'iron' => 'Iron remover',
        'tar' => 'Tar remover',
        'clay-lube' => 'Clay lubricant',
        'drying-aid' => 'Drying aid',
        'wet-rinse' => 'Topper, sprayed and rinsed',
        'foam-rinse' => 'Topper, through the lance',
        'wipe' => 'Topper, wiped on',
        'base' => 'Base layer',
        'paste' => 'Wax from a tin',
        'glass' => 'Glass cleaner',
        'tyre' => 'Tyre dressing',
        'trim' => 'Trim care',
    ];

    /** @param array<string, float> $own  only what differs from the defaults */
    private function __construct(public array $own) {}

    /** @return array<string, Number> by id, in the order they are shown */
    public static function catalogue(): array
    {
        static $all = null;

        return $all ??= [
            ...self::wear(),
            ...self::match(),
            ...self::verdicts(),
            ...self::readings(),
            ...self::minutes(),
            ...self::doses(),
            ...self::weeks(),
        ];
    }

    /**
     * @param array<array-key, mixed> $own  by id
     *
     * @throws InvalidInput where a number is unknown, or lies outside its limits
     */
    public static function of(array $own): self
    {
        $kept = [];
        $usual = new House();
        foreach ($own as $id => $value) {
            $number = self::catalogue()[$id] ?? throw InvalidInput::at((string) $id, 'There is no such number.');
            if (!is_int($value) && !is_float($value)) {
                throw InvalidInput::at((string) $id, 'A number is needed here.');
            }
            if (!is_finite((float) $value) || $value < $number->low || $value > $number->high) {
                throw InvalidInput::at(
                    (string) $id,
                    sprintf('“%s” has to lie between %s and %s.', $number->says, $number->low, $number->high),
                );
            }
            if ($number->whole && floor((float) $value) !== (float) $value) {
                throw InvalidInput::at((string) $id, sprintf('“%s” is a whole number.', $number->says));
            }
            if (abs((float) $value - $number->of($usual)) > 1e-12) {
                $kept[(string) $id] = (float) $value;
            }
        }
        ksort($kept);
        $numbers = new self($kept);
        self::inOrder($numbers->house());

        return $numbers;
    }

    /** The rules with these numbers laid over them. */
    public function house(): House
    {
        $house = new House();
        foreach ($this->own as $id => $value) {
            $number = self::catalogue()[$id] ?? null;
            // What an older catalogue knew, and this one doesn't, counts for nothing.
            $house = $number === null ? $house : $house->with($number->path, $value);
        }

        return $house;
    }

    public function get(string $id): float
    {
        return $this->own[$id] ??
            (self::catalogue()[$id] ?? throw new InvalidArgumentException("There is no number {$id}."))->of(
                new House(),
            );
    }

    /** Whether layers age, or readings count, otherwise than by the other's numbers. */
    public function wearsLike(self $other): bool
    {
        $wear = static fn(self $of): array => array_filter(
            $of->own,
            static fn(string $id): bool => str_starts_with($id, 'wear.'),
            ARRAY_FILTER_USE_KEY,
        );

        return $wear($this) === $wear($other);
    }

    /** @throws InvalidInput where numbers that follow each other don't */
    private static function inOrder(House $house): void
    {
        [$beads, $spots, $visit] = [$house->beads, $house->match->spots, $house->visit];
        foreach (
            [
                ['beads.good', [$beads->sheeting, $beads->weak, $beads->good, $beads->tight]],
                ['spots.faint', [$spots->none, $spots->faint, $spots->visible]],
                ['visit.haze.slow', $visit->hazeMin],
                ['visit.tyres.to', $visit->tyreWipe],
                ['match.seals_c', [$house->match->frostC, $house->match->sealsC]],
            ]
            as [$id, $values]
        ) {
            $sorted = $values;
            sort($sorted);
            if (array_map(floatval(...), $sorted) !== array_map(floatval(...), array_values($values))) {
                throw InvalidInput::at(
                    $id,
                    sprintf('“%s” and its neighbours don’t follow each other.', self::catalogue()[$id]->says),
                );
            }
        }
    }

    /** @return array<string, Number> */
    private static function wear(): array
    {
        $numbers = [
            'wear.weather' => new Number('Wear', 'A week of standing outdoors', 'wear-weeks', 'wear.weather', 0.0, 5.0),
            'wear.driving' => new Number(
                'Wear',
                'A week’s driving of the reference distance',
                'wear-weeks',
                'wear.driving',
                0.0,
                5.0,
            ),
            'wear.reference_km' => new Number(
                'Wear',
                'The reference distance a week',
                'km',
                'wear.referenceKm',
                10.0,
                5000.0,
            ),
            'wear.washing' => new Number('Wear', 'One neutral contact wash', 'wear-weeks', 'wear.washing', 0.0, 5.0),
            'wear.drying_aid' => new Number(
                'Wear',
                'What a fitting drying aid gives back',
                'wear-weeks',
                'wear.dryingAidGivesBack',
                0.0,
                5.0,
            ),
        ];
        foreach (
            [
                'heated-garage' => 'Heated garage',
                'garage' => 'Garage',
                'carport' => 'Carport',
                'outdoors' => 'Outdoors',
                'harsh' => 'Outdoors by the sea or in strong sun',
            ]
            as $key => $says
        ) {
            $numbers["wear.storage.{$key}"] = new Number(
                'Where it stands',
                $says,
                '×',
                "wear.storage.{$key}",
                0.0,
                10.0,
            );
        }
        foreach (
            ['normal' => 'Ordinary roads', 'unpaved' => 'Unpaved roads', 'salted' => 'Salted roads']
            as $key => $says
        ) {
            $numbers["wear.road.{$key}"] = new Number('Where it drives', $says, '×', "wear.road.{$key}", 0.0, 10.0);
        }
        foreach (
            [
                'touchless' => 'Touchless',
                'rinseless' => 'Rinseless',
                'contact' => 'Contact wash, neutral',
                'waterless' => 'Waterless',
                'alkaline-prewash' => 'With an alkaline pre-wash',
                'iron-remover' => 'With iron remover',
                'machine-brush' => 'Brushes of a machine',
                'clay' => 'Clayed',
                'stripping-cleaner' => 'With a stripping cleaner',
            ]
            as $key => $says
        ) {
            $numbers["wear.wash.{$key}"] = new Number('How it is washed', $says, '×', "wear.wash.{$key}", 0.0, 50.0);
        }

        return $numbers;
    }

    /** @return array<string, Number> */
    private static function match(): array
    {
        $numbers = [];
        foreach (Method::cases() as $method) {
            $numbers["match.ceiling.{$method->value}"] = new Number(
                'How dirty is too dirty',
                "{$method->says()}, up to soil",
                '',
                "match.soilCeiling.{$method->value}",
                0.0,
                5.0,
                true,
            );
        }
        $numbers['match.prewash_from'] = new Number(
            'How dirty is too dirty',
            'A pre-wash before any contact, from soil',
            '',
            'match.preWashFromSoil',
            0.0,
            5.0,
            true,
        );
        $numbers['match.lower_third_from'] = new Number(
            'How dirty is too dirty',
            'The lower third is softened first, from soil',
            '',
            'match.lowerThirdFromSoil',
            0.0,
            5.0,
            true,
        );
        $numbers['match.wheel_cleaner_from'] = new Number(
            'How dirty is too dirty',
            'A wheel cleaner, from soil',
            '',
            'match.wheelCleanerFrom',
            0.0,
            5.0,
            true,
        );
        $numbers['match.wheel_iron_from'] = new Number(
            'How dirty is too dirty',
            'Iron remover on wheels, from soil',
            '',
            'match.wheelIronFrom',
            0.0,
            5.0,
            true,
        );
        for ($soil = 0; $soil <= 5; $soil++) {
            $numbers["match.strength.{$soil}"] = new Number(
                'How strong a cleaner',
                "On soil {$soil}",
                '0 gentle, 1 medium, 2 strong',
                "match.strength.{$soil}",
                0.0,
                2.0,
                true,
            );
        }
        foreach (Method::cases() as $method) {
            if ($method !== Method::Touchless) {
                $numbers["match.medium.{$method->value}"] = new Number(
                    'Contact risk',
                    $method->says(),
                    '×',
                    "match.mediumFactor.{$method->value}",
                    0.0,
                    10.0,
                );
            }
        }
        foreach (['soft' => 'Soft paint', 'medium' => 'Medium paint', 'hard' => 'Hard paint'] as $key => $says) {
            $numbers["match.softness.{$key}"] = new Number(
                'Contact risk',
                $says,
                '×',
                "match.softness.{$key}",
                0.1,
                10.0,
            );
        }

        return [
            ...$numbers,
            'match.rinse_leaves' => new Number(
                'What a stage leaves',
                'Rinse',
                'of the soil',
                'match.rinseLeaves',
                0.0,
                1.0,
            ),
            'match.rinse_leaves_repelling' => new Number(
                'What a stage leaves',
                'Rinse, on a layer that repels',
                'of the soil',
                'match.rinseLeavesRepelling',
                0.0,
                1.0,
            ),
            'match.prewash_leaves' => new Number(
                'What a stage leaves',
                'Pre-wash spray',
                'of the soil',
                'match.preWashLeaves',
                0.0,
                1.0,
            ),
            'match.foam_leaves' => new Number(
                'What a stage leaves',
                'Foam and rinse',
                'of the soil',
                'match.foamLeaves',
                0.0,
                1.0,
            ),
            'match.frost_c' => new Number('Weather', 'No wet work outdoors below', '°C', 'match.frostC', -10.0, 15.0),
            'match.seals_c' => new Number('Weather', 'Seals and locks are dried at', '°C', 'match.sealsC', -10.0, 15.0),
            'match.hot_c' => new Number('Weather', 'Panels are cooled or left above', '°C', 'match.hotC', 25.0, 80.0),
            'match.wipe_from_c' => new Number(
                'Weather',
                'Ways that rinse off are easier below',
                '°C',
                'match.wipeFromC',
                -10.0,
                25.0,
            ),
            'match.shade_leaves' => new Number(
                'Weather',
                'Shade leaves of the sun',
                'share',
                'match.shadeLeavesSun',
                0.0,
                1.0,
            ),
            'sky.wet_mm' => new Number('Weather', 'An hour is wet from', 'mm', 'sky.wetMm', 0.0, 20.0),
            'sky.pouring_mm' => new Number(
                'Weather',
                'Nothing is washed from',
                'mm an hour',
                'sky.pouringMm',
                0.1,
                50.0,
            ),
            'sky.windy' => new Number('Weather', 'An hour is poor from', 'm/s', 'sky.windy', 1.0, 40.0),
            'sky.stormy' => new Number('Weather', 'An hour is lost from', 'm/s', 'sky.stormy', 1.0, 60.0),
            'sky.bonds_from_c' => new Number(
                'Weather',
                'Toppers set from',
                '°C on average',
                'sky.bondsFromC',
                -10.0,
                25.0,
            ),
            'match.show_shine_weeks' => new Number(
                'Toppers',
                'Shorter-lived by its label it is a show shine',
                'weeks',
                'match.topperLastsWeeks',
                0.0,
                26.0,
            ),
            'visit.haze.fast' => new Number('Toppers', 'Wax hazes, warm and dry', 'min', 'visit.hazeMin.0', 1.0, 60.0),
            'visit.haze.slow' => new Number('Toppers', 'Wax hazes, cold or damp', 'min', 'visit.hazeMin.1', 1.0, 120.0),
            'match.assumed_tap' => new Number(
                'Water',
                'Tap water nobody has measured',
                'mg/l',
                'match.assumedTapTds',
                0.0,
                2000.0,
            ),
            'match.assumed_treated' => new Number(
                'Water',
                'Treated water nobody has measured',
                'mg/l',
                'match.assumedTreatedTds',
                0.0,
                500.0,
            ),
            'match.treated_at_most' => new Number(
                'Water',
                'Treated water holds no more than',
                'mg/l',
                'match.treatedAtMost',
                0.0,
                500.0,
            ),
            'visit.rinse_l_m2' => new Number('Water', 'A rinse takes', 'l/m²', 'visit.rinseLM2', 0.1, 30.0),
            'visit.wheels_rinse_l' => new Number(
                'Water',
                'Four wheels of a car take',
                'l',
                'visit.wheelsRinseL',
                0.5,
                200.0,
            ),
            'match.water_left.rinsed' => new Number(
                'Water',
                'To take up after a rinse',
                'l/m²',
                'match.waterLeft.rinsed',
                0.0,
                1.0,
            ),
            'match.water_left.sheeted' => new Number(
                'Water',
                'To take up when sheeted',
                'l/m²',
                'match.waterLeft.sheeted',
                0.0,
                1.0,
            ),
            'match.water_left.blown' => new Number(
                'Water',
                'To take up after air',
                'l/m²',
                'match.waterLeft.blown',
                0.0,
                1.0,
            ),
            'spots.none' => new Number('Water marks', 'Nothing shows up to', 'mg/m²', 'match.spots.none', 0.0, 200.0),
            'spots.faint' => new Number('Water marks', 'Faint up to', 'mg/m²', 'match.spots.faint', 0.0, 400.0),
            'spots.visible' => new Number('Water marks', 'Visible up to', 'mg/m²', 'match.spots.visible', 0.0, 1000.0),
            'spots.light' => new Number(
                'Water marks',
                'Light paint forgives',
                '×',
                'match.spots.lightPaint',
                1.0,
                20.0,
            ),
        ];
    }

    /** @return array<string, Number> */
    private static function verdicts(): array
    {
        $numbers = [
            'verdict.acid_below_ph' => new Number(
                'What is refused',
                'Acid for film, wrap and bare metal below',
                'pH',
                'match.verdict.acidBelowPh',
                0.0,
                7.0,
            ),
            'verdict.alkaline_above_ph' => new Number(
                'What is refused',
                'Alkaline for single-stage paint above',
                'pH',
                'match.verdict.alkalineAbovePh',
                7.0,
                14.0,
            ),
        ];
        foreach (['strong' => 'Strips strongly', 'slight' => 'Strips slightly'] as $strips => $says) {
            foreach (Family::cases() as $family) {
                if ($family !== Family::Bare) {
                    $numbers["verdict.strips.{$strips}.{$family->value}"] = new Number(
                        'What is refused',
                        "{$says}, on {$family->value}",
                        self::SEVERITY,
                        "match.verdict.strips.{$strips}.{$family->value}",
                        0.0,
                        2.0,
                        true,
                    );
                }
            }
        }
        foreach (['silica' => 'Silica', 'polymer' => 'Polymer'] as $leaves => $says) {
            foreach (['topper' => 'topper', 'drying-aid' => 'drying aid'] as $role => $name) {
                $numbers["verdict.on_wax.{$leaves}.{$role}"] = new Number(
                    'What is refused',
                    "{$says} {$name} on wax",
                    self::SEVERITY,
                    "match.verdict.onWax.{$leaves}.{$role}",
                    0.0,
                    2.0,
                    true,
                );
            }
        }

        return $numbers;
    }

    /** @return array<string, Number> */
    private static function readings(): array
    {
        $numbers = [];
        foreach (
            ['tight' => 'Tight from', 'good' => 'Good from', 'weak' => 'Weak from', 'sheeting' => 'Sheeting from']
            as $key => $says
        ) {
            $numbers["beads.{$key}"] = new Number('What drops say', $says, '°', "beads.{$key}", 1.0, 179.0);
        }
        for ($soil = 0; $soil <= 5; $soil++) {
            $numbers["towels.side.{$soil}"] = new Number(
                'Towels',
                "A side wipes, soil {$soil}",
                'm²',
                "match.wipe.m2PerSide.{$soil}",
                0.02,
                10.0,
            );
        }

        return [
            ...$numbers,
            'towels.not_rinsed' => new Number(
                'Towels',
                'Where nothing was rinsed off first',
                '×',
                'match.wipe.notPrerinsed',
                0.1,
                1.0,
            ),
            'towels.sides' => new Number('Towels', 'Sides of a towel', '', 'match.sidesPerTowel', 1.0, 64.0, true),
            'towels.uptake' => new Number(
                'Towels',
                'A towel takes up, of its dry weight',
                '×',
                'match.wipe.uptakeTimesWeight',
                0.5,
                12.0,
            ),
            'towels.kg.large' => new Number('Towels', 'A large one weighs', 'kg', 'match.wipe.kg.large', 0.05, 5.0),
            'towels.kg.medium' => new Number('Towels', 'A medium one weighs', 'kg', 'match.wipe.kg.medium', 0.02, 5.0),
        ];
    }

    /** @return array<string, Number> */
    private static function minutes(): array
    {
        $numbers = [];
        foreach (Method::cases() as $method) {
            if ($method !== Method::Touchless) {
                $numbers["minutes.wash.{$method->value}"] = new Number(
                    'Minutes of washing and drying',
                    $method->says(),
                    'min/m²',
                    "visit.washM2.{$method->value}",
                    0.1,
                    30.0,
                );
            }
        }
        foreach (DryingWay::cases() as $way) {
            if (!in_array($way, [DryingWay::AtOnce, DryingWay::None], true)) {
                $numbers["minutes.dry.{$way->value}"] = new Number(
                    'Minutes of washing and drying',
                    "Drying: {$way->says()}",
                    'min/m²',
                    "visit.dryM2.{$way->value}",
                    0.1,
                    30.0,
                );
            }
        }
        $numbers['minutes.dirtier'] = new Number(
            'Minutes of washing and drying',
            'Each level of soil above 2',
            'longer',
            'visit.dirtier',
            0.0,
            2.0,
        );
        $numbers['minutes.dust'] = new Number(
            'Minutes of washing and drying',
            'On dust a contact wash takes',
            'share',
            'visit.dust',
            0.1,
            1.0,
        );
        $numbers['minutes.wiped_dirtier'] = new Number(
            'Minutes of washing and drying',
            'Wiped: each level of soil above 1',
            'longer',
            'visit.wipedDirtier',
            0.0,
            2.0,
        );
        $numbers['minutes.fill'] = new Number(
            'Minutes of washing and drying',
            'To fill a bucket or bottle',
            'min',
            'visit.fill',
            0.0,
            30.0,
        );
        $numbers['minutes.rinse_within'] = new Number(
            'Minutes of washing and drying',
            'Soap is rinsed off within',
            'min',
            'visit.rinseWithin',
            1.0,
            30.0,
            true,
        );
        $numbers['visit.go_m2'] = new Number(
            'Minutes of washing and drying',
            'Washed at most before it is rinsed',
            'm²',
            'visit.goM2',
            1.0,
            200.0,
        );
        $numbers['visit.most_goes'] = new Number(
            'Minutes of washing and drying',
            'More goes than this: panel by panel',
            '',
            'visit.mostGoes',
            1.0,
            12.0,
            true,
        );
        $numbers['visit.tyres.from'] = new Number(
            'Minutes of washing and drying',
            'Tyres are wiped back after',
            'min',
            'visit.tyreWipe.0',
            0.0,
            60.0,
            true,
        );
        $numbers['visit.tyres.to'] = new Number(
            'Minutes of washing and drying',
            'and before',
            'min',
            'visit.tyreWipe.1',
            1.0,
            120.0,
            true,
        );
        foreach (self::STEPS as $kind => $says) {
            $numbers["minutes.begin.{$kind}"] = new Number(
                'Minutes of a step',
                "{$says}: to begin with",
                'min',
                "visit.minutes.{$kind}.0",
                0.0,
                240.0,
            );
            $numbers["minutes.m2.{$kind}"] = new Number(
                'Minutes of a step',
                "{$says}: a m²",
                'min/m²',
                "visit.minutes.{$kind}.1",
                0.0,
                60.0,
            );
        }
        foreach (array_keys((new House())->visit->quick) as $kind) {
            $numbers["quick.{$kind}"] = new Number(
                'A quick visit takes',
                self::STEPS[$kind],
                'share',
                "visit.quick.{$kind}",
                0.05,
                1.0,
            );
        }

        return $numbers;
    }

    /** @return array<string, Number> */
    private static function doses(): array
    {
        $numbers = [];
        foreach (self::DOSES as $use => $says) {
            $numbers["doses.{$use}"] = new Number(
                'Doses of a car',
                $says,
                $use === 'paste' ? 'g' : 'l of mix',
                "match.uses.{$use}.0",
                0.001,
                $use === 'paste' ? 500.0 : 200.0,
            );
        }
        $numbers['doses.for_m2'] = new Number(
            'Doses of a car',
            'A car, for all of these',
            'm²',
            'match.useForM2',
            1.0,
            100.0,
        );
        $numbers['doses.margin'] = new Number(
            'Doses of a car',
            'More is mixed than reckoned',
            '×',
            'match.margin',
            1.0,
            3.0,
        );

        return $numbers;
    }

    /** @return array<string, Number> */
    private static function weeks(): array
    {
        $plan = static fn(
            string $says,
            string $unit,
            string $path,
            float $high = 1000.0,
            bool $whole = false,
        ): Number => new Number('The weeks', $says, $unit, "plan.{$path}", 0.0, $high, $whole);

        return [
            'plan.off_target' => $plan('A day of a gap away from its wish', 'points', 'offTarget'),
            'plan.beyond_max' => $plan('A day of a gap beyond its longest', 'points', 'beyondMax'),
            'plan.topper_late' => $plan('A day a topper is late', 'points', 'topper.0'),
            'plan.topper_early' => $plan('A day a topper is early', 'points', 'topper.1'),
            'plan.decon_late' => $plan('A day decontamination is late', 'points', 'decon.0'),
            'plan.decon_early' => $plan('A day decontamination is early', 'points', 'decon.1'),
            'plan.base_late' => $plan('A day a short-lived base is late', 'points', 'base.0'),
            'plan.base_early' => $plan('A day a short-lived base is early', 'points', 'base.1'),
            'plan.poor_weather' => $plan('A visit on a poor day', 'points', 'poorWeather'),
            'plan.travel' => $plan('A minute of travel', 'points', 'travel', 100.0),
            'plan.overtime' => $plan('A minute of overtime', 'points', 'overtime', 100.0),
            'plan.overtime_most' => $plan('Overtime a day, at most', 'min', 'overtimeMost', 600.0, true),
            'load.margin' => new Number('Into the van', 'More than the doses', '%', 'loadMargin', 0.0, 300.0),
        ];
    }
}
