<?php

declare(strict_types=1);

namespace Vicissa\Core\House;

use InvalidArgumentException;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\DryingWay;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Says\Said;

/**
 * The numbers of the rules as a workspace has them: its own where it has some, the house's defaults elsewhere. Each
 * with its name, its limits and what it does.
 */
final readonly class Numbers
{
    /** Kinds of steps whose minutes may be one's own, by name. */
    private const STEPS = [
        'look',
        'water',
        'mix',
        'platform',
        'refill',
        'cool',
        'wheels-spray',
        'wheels-brush',
        'wheels-rinse',
        'wheels-wipe',
        'wheels-pass',
        'wheels-iron',
        'wheels-iron-rinse',
        'arches',
        'soften',
        'soften-wipe',
        'soften-rinse',
        'first-rinse',
        'prewash',
        'prewash-rinse',
        'foam',
        'gaps',
        'foam-rinse',
        'iron',
        'iron-rinse',
        'tar',
        'tar-rinse',
        'clay',
        'clay-rinse',
        'prespray',
        'wash',
        'rinse',
        'read',
        'inspect',
        'topper',
        'topper-rinse',
        'topper-wipe',
        'wax-on',
        'wax-off',
        'recoat',
        'wheels-topper',
        'wheels-topper-rinse',
        'dry',
        'wheels-dry',
        'seals',
        'glass',
        'jambs',
        'trim',
        'tyres',
        'tyres-wipe',
        'check',
        'hand-over',
    ];

    private const DOSES = [
        'prewash',
        'foam',
        'soap',
        'rinseless',
        'waterless',
        'wheel',
        'iron',
        'tar',
        'clay-lube',
        'drying-aid',
        'wet-rinse',
        'foam-rinse',
        'wipe',
        'base',
        'paste',
        'glass',
        'tyre',
        'trim',
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
            $number = self::catalogue()[$id] ?? throw InvalidInput::at((string) $id, Said::of('fault.no-such-number'));
            if (!is_int($value) && !is_float($value)) {
                throw InvalidInput::at((string) $id, Said::of('fault.number'));
            }
            if (!is_finite((float) $value) || $value < $number->low || $value > $number->high) {
                throw InvalidInput::at(
                    (string) $id,
                    Said::of(
                        'numbers.has-to-lie-between',
                        number: $number->says,
                        low: $number->low,
                        high: $number->high,
                    ),
                );
            }
            if ($number->whole && floor((float) $value) !== (float) $value) {
                throw InvalidInput::at((string) $id, Said::of('numbers.is-whole', number: $number->says));
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
                throw InvalidInput::at($id, Said::of('numbers.do-not-follow', number: self::catalogue()[$id]->says));
            }
        }
    }

    /** @return array<string, Number> */
    private static function wear(): array
    {
        $numbers = [
            'wear.weather' => new Number(
                Said::of('numbers.wear'),
                Said::of('numbers.a-week-of-standing-outdoors'),
                'wear-weeks',
                'wear.weather',
                0.0,
                5.0,
            ),
            'wear.driving' => new Number(
                Said::of('numbers.wear'),
                Said::of('numbers.a-weeks-driving-of-the'),
                'wear-weeks',
                'wear.driving',
                0.0,
                5.0,
            ),
            'wear.reference_km' => new Number(
                Said::of('numbers.wear'),
                Said::of('numbers.the-reference-distance-a'),
                'km',
                'wear.referenceKm',
                10.0,
                5000.0,
            ),
            'wear.washing' => new Number(
                Said::of('numbers.wear'),
                Said::of('numbers.one-neutral-contact-wash'),
                'wear-weeks',
                'wear.washing',
                0.0,
                5.0,
            ),
            'renewal.cost' => new Number(
                Said::of('numbers.renewing'),
                Said::of('numbers.what-renewing-a-layer-costs'),
                'points',
                'renewal.renewal',
                0.1,
                100_000.0,
            ),
            'renewal.failed_week' => new Number(
                Said::of('numbers.renewing'),
                Said::of('numbers.what-a-week-of-a-failed'),
                'points',
                'renewal.failedWeek',
                0.0,
                100_000.0,
            ),
            'wear.drying_aid' => new Number(
                Said::of('numbers.wear'),
                Said::of('numbers.what-a-fitting-drying-aid'),
                'wear-weeks',
                'wear.dryingAidGivesBack',
                0.0,
                5.0,
            ),
        ];
        foreach (
            [
                'heated-garage' => Said::of('numbers.heated-garage'),
                'garage' => Said::of('numbers.garage'),
                'carport' => Said::of('numbers.carport'),
                'outdoors' => Said::of('numbers.outdoors'),
                'harsh' => Said::of('numbers.outdoors-by-the-sea-or-in'),
            ]
            as $key => $says
        ) {
            $numbers["wear.storage.{$key}"] = new Number(
                Said::of('numbers.where-it-stands'),
                $says,
                '×',
                "wear.storage.{$key}",
                0.0,
                10.0,
            );
        }
        foreach (
            [
                'normal' => Said::of('numbers.ordinary-roads'),
                'unpaved' => Said::of('numbers.unpaved-roads'),
                'salted' => Said::of('numbers.salted-roads'),
            ]
            as $key => $says
        ) {
            $numbers["wear.road.{$key}"] = new Number(
                Said::of('numbers.where-it-drives'),
                $says,
                '×',
                "wear.road.{$key}",
                0.0,
                10.0,
            );
        }
        foreach (
            [
                'touchless' => Said::of('numbers.touchless'),
                'rinseless' => Said::of('numbers.rinseless'),
                'contact' => Said::of('numbers.contact-wash-neutral'),
                'waterless' => Said::of('numbers.waterless'),
                'alkaline-prewash' => Said::of('numbers.with-an-alkaline-pre-wash'),
                'iron-remover' => Said::of('numbers.with-iron-remover'),
                'machine-brush' => Said::of('numbers.brushes-of-a-machine'),
                'clay' => Said::of('numbers.clayed'),
                'stripping-cleaner' => Said::of('numbers.with-a-stripping-cleaner'),
            ]
            as $key => $says
        ) {
            $numbers["wear.wash.{$key}"] = new Number(
                Said::of('numbers.how-it-is-washed'),
                $says,
                '×',
                "wear.wash.{$key}",
                0.0,
                50.0,
            );
        }

        return $numbers;
    }

    /** @return array<string, Number> */
    private static function match(): array
    {
        $numbers = [];
        foreach (Method::cases() as $method) {
            $numbers["match.ceiling.{$method->value}"] = new Number(
                Said::of('numbers.how-dirty-is-too-dirty'),
                Said::of('numbers.up-to-soil', method: $method->says()),
                '',
                "match.soilCeiling.{$method->value}",
                0.0,
                5.0,
                true,
            );
        }
        $numbers['match.prewash_from'] = new Number(
            Said::of('numbers.how-dirty-is-too-dirty'),
            Said::of('numbers.a-pre-wash-before-any'),
            '',
            'match.preWashFromSoil',
            0.0,
            5.0,
            true,
        );
        $numbers['match.lower_third_from'] = new Number(
            Said::of('numbers.how-dirty-is-too-dirty'),
            Said::of('numbers.the-lower-third-is-softened'),
            '',
            'match.lowerThirdFromSoil',
            0.0,
            5.0,
            true,
        );
        $numbers['match.wheel_cleaner_from'] = new Number(
            Said::of('numbers.how-dirty-is-too-dirty'),
            Said::of('numbers.a-wheel-cleaner-from-soil'),
            '',
            'match.wheelCleanerFrom',
            0.0,
            5.0,
            true,
        );
        $numbers['match.wheel_iron_from'] = new Number(
            Said::of('numbers.how-dirty-is-too-dirty'),
            Said::of('numbers.iron-remover-on-wheels-from'),
            '',
            'match.wheelIronFrom',
            0.0,
            5.0,
            true,
        );
        for ($soil = 0; $soil <= 5; $soil++) {
            $numbers["match.strength.{$soil}"] = new Number(
                Said::of('numbers.how-strong-a-cleaner'),
                Said::of('numbers.on-soil', soil: $soil),
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
                    Said::of('numbers.contact-risk'),
                    $method->says(),
                    '×',
                    "match.mediumFactor.{$method->value}",
                    0.0,
                    10.0,
                );
            }
        }
        foreach (
            [
                'soft' => Said::of('numbers.soft-paint'),
                'medium' => Said::of('numbers.medium-paint'),
                'hard' => Said::of('numbers.hard-paint'),
            ]
            as $key => $says
        ) {
            $numbers["match.softness.{$key}"] = new Number(
                Said::of('numbers.contact-risk'),
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
                Said::of('numbers.what-a-stage-leaves'),
                Said::of('numbers.rinse'),
                Said::of('numbers.of-the-soil'),
                'match.rinseLeaves',
                0.0,
                1.0,
            ),
            'match.rinse_leaves_repelling' => new Number(
                Said::of('numbers.what-a-stage-leaves'),
                Said::of('numbers.rinse-on-a-layer-that'),
                Said::of('numbers.of-the-soil'),
                'match.rinseLeavesRepelling',
                0.0,
                1.0,
            ),
            'match.prewash_leaves' => new Number(
                Said::of('numbers.what-a-stage-leaves'),
                Said::of('numbers.pre-wash-spray'),
                Said::of('numbers.of-the-soil'),
                'match.preWashLeaves',
                0.0,
                1.0,
            ),
            'match.foam_leaves' => new Number(
                Said::of('numbers.what-a-stage-leaves'),
                Said::of('numbers.foam-and-rinse'),
                Said::of('numbers.of-the-soil'),
                'match.foamLeaves',
                0.0,
                1.0,
            ),
            'match.frost_c' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.no-wet-work-outdoors-below'),
                '°C',
                'match.frostC',
                -10.0,
                15.0,
            ),
            'match.seals_c' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.seals-and-locks-are-dried'),
                '°C',
                'match.sealsC',
                -10.0,
                15.0,
            ),
            'match.hot_c' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.panels-are-cooled-or-left'),
                '°C',
                'match.hotC',
                25.0,
                80.0,
            ),
            'match.wipe_from_c' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.ways-that-rinse-off-are'),
                '°C',
                'match.wipeFromC',
                -10.0,
                25.0,
            ),
            'match.shade_leaves' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.shade-leaves-of-the-sun'),
                'share',
                'match.shadeLeavesSun',
                0.0,
                1.0,
            ),
            'sky.wet_mm' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.an-hour-is-wet-from'),
                'mm',
                'sky.wetMm',
                0.0,
                20.0,
            ),
            'sky.pouring_mm' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.nothing-is-washed-from'),
                Said::of('numbers.mm-an-hour'),
                'sky.pouringMm',
                0.1,
                50.0,
            ),
            'sky.windy' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.an-hour-is-poor-from'),
                'm/s',
                'sky.windy',
                1.0,
                40.0,
            ),
            'sky.stormy' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.an-hour-is-lost-from'),
                'm/s',
                'sky.stormy',
                1.0,
                60.0,
            ),
            'sky.bonds_from_c' => new Number(
                Said::of('numbers.weather'),
                Said::of('numbers.toppers-set-from'),
                Said::of('numbers.c-on-average'),
                'sky.bondsFromC',
                -10.0,
                25.0,
            ),
            'match.show_shine_weeks' => new Number(
                Said::of('numbers.toppers'),
                Said::of('numbers.shorter-lived-by-its-label'),
                'weeks',
                'match.topperLastsWeeks',
                0.0,
                26.0,
            ),
            'visit.haze.fast' => new Number(
                Said::of('numbers.toppers'),
                Said::of('numbers.wax-hazes-warm-and-dry'),
                'min',
                'visit.hazeMin.0',
                1.0,
                60.0,
            ),
            'visit.haze.slow' => new Number(
                Said::of('numbers.toppers'),
                Said::of('numbers.wax-hazes-cold-or-damp'),
                'min',
                'visit.hazeMin.1',
                1.0,
                120.0,
            ),
            'match.assumed_tap' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.tap-water-nobody-has'),
                'mg/l',
                'match.assumedTapTds',
                0.0,
                2000.0,
            ),
            'match.assumed_treated' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.treated-water-nobody-has'),
                'mg/l',
                'match.assumedTreatedTds',
                0.0,
                500.0,
            ),
            'match.treated_at_most' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.treated-water-holds-no-more'),
                'mg/l',
                'match.treatedAtMost',
                0.0,
                500.0,
            ),
            'visit.rinse_l_m2' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.a-rinse-takes'),
                'l/m²',
                'visit.rinseLM2',
                0.1,
                30.0,
            ),
            'visit.wheels_rinse_l' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.four-wheels-of-a-car-take'),
                'l',
                'visit.wheelsRinseL',
                0.5,
                200.0,
            ),
            'match.water_left.rinsed' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.to-take-up-after-a-rinse'),
                'l/m²',
                'match.waterLeft.rinsed',
                0.0,
                1.0,
            ),
            'match.water_left.sheeted' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.to-take-up-when-sheeted'),
                'l/m²',
                'match.waterLeft.sheeted',
                0.0,
                1.0,
            ),
            'match.water_left.blown' => new Number(
                Said::of('numbers.water'),
                Said::of('numbers.to-take-up-after-air'),
                'l/m²',
                'match.waterLeft.blown',
                0.0,
                1.0,
            ),
            'spots.none' => new Number(
                Said::of('numbers.water-marks'),
                Said::of('numbers.nothing-shows-up-to'),
                'mg/m²',
                'match.spots.none',
                0.0,
                200.0,
            ),
            'spots.faint' => new Number(
                Said::of('numbers.water-marks'),
                Said::of('numbers.faint-up-to'),
                'mg/m²',
                'match.spots.faint',
                0.0,
                400.0,
            ),
            'spots.visible' => new Number(
                Said::of('numbers.water-marks'),
                Said::of('numbers.visible-up-to'),
                'mg/m²',
                'match.spots.visible',
                0.0,
                1000.0,
            ),
            'spots.light' => new Number(
                Said::of('numbers.water-marks'),
                Said::of('numbers.light-paint-forgives'),
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
                Said::of('numbers.what-is-refused'),
                Said::of('numbers.acid-for-film-wrap-and-bare'),
                'pH',
                'match.verdict.acidBelowPh',
                0.0,
                7.0,
            ),
            'verdict.alkaline_above_ph' => new Number(
                Said::of('numbers.what-is-refused'),
                Said::of('numbers.alkaline-for-single-stage'),
                'pH',
                'match.verdict.alkalineAbovePh',
                7.0,
                14.0,
            ),
        ];
        foreach (
            ['strong' => Said::of('numbers.strips-strongly'), 'slight' => Said::of('numbers.strips-slightly')]
            as $strips => $says
        ) {
            foreach (Family::cases() as $family) {
                if ($family !== Family::Bare) {
                    $numbers["verdict.strips.{$strips}.{$family->value}"] = new Number(
                        Said::of('numbers.what-is-refused'),
                        Said::of('numbers.on-family', says: $says, family: $family->value),
                        Said::of('numbers.severity'),
                        "match.verdict.strips.{$strips}.{$family->value}",
                        0.0,
                        2.0,
                        true,
                    );
                }
            }
        }
        foreach (
            ['silica' => Said::of('numbers.silica'), 'polymer' => Said::of('numbers.polymer')]
            as $leaves => $says
        ) {
            foreach (['topper' => 'topper', 'drying-aid' => Said::of('numbers.drying-aid')] as $role => $name) {
                $numbers["verdict.on_wax.{$leaves}.{$role}"] = new Number(
                    Said::of('numbers.what-is-refused'),
                    Said::of('numbers.on-wax', says: $says, name: $name),
                    Said::of('numbers.severity'),
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
            [
                'tight' => Said::of('numbers.tight-from'),
                'good' => Said::of('numbers.good-from'),
                'weak' => Said::of('numbers.weak-from'),
                'sheeting' => Said::of('numbers.sheeting-from'),
            ]
            as $key => $says
        ) {
            $numbers["beads.{$key}"] = new Number(
                Said::of('numbers.what-drops-say'),
                $says,
                '°',
                "beads.{$key}",
                1.0,
                179.0,
            );
        }
        for ($soil = 0; $soil <= 5; $soil++) {
            $numbers["towels.side.{$soil}"] = new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.a-side-wipes-soil', soil: $soil),
                'm²',
                "match.wipe.m2PerSide.{$soil}",
                0.02,
                10.0,
            );
        }

        return [
            ...$numbers,
            'towels.not_rinsed' => new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.where-nothing-was-rinsed'),
                '×',
                'match.wipe.notPrerinsed',
                0.1,
                1.0,
            ),
            'towels.sides' => new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.sides-of-a-towel'),
                '',
                'match.sidesPerTowel',
                1.0,
                64.0,
                true,
            ),
            'towels.uptake' => new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.a-towel-takes-up-of-its-dry'),
                '×',
                'match.wipe.uptakeTimesWeight',
                0.5,
                12.0,
            ),
            'towels.kg.large' => new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.a-large-one-weighs'),
                'kg',
                'match.wipe.kg.large',
                0.05,
                5.0,
            ),
            'towels.kg.medium' => new Number(
                Said::of('numbers.towels'),
                Said::of('numbers.a-medium-one-weighs'),
                'kg',
                'match.wipe.kg.medium',
                0.02,
                5.0,
            ),
        ];
    }

    /** @return array<string, Number> */
    private static function minutes(): array
    {
        $numbers = [];
        foreach (Method::cases() as $method) {
            if ($method !== Method::Touchless) {
                $numbers["minutes.wash.{$method->value}"] = new Number(
                    Said::of('numbers.minutes-of-washing-and'),
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
                    Said::of('numbers.minutes-of-washing-and'),
                    Said::of('numbers.drying', way: $way->says()),
                    'min/m²',
                    "visit.dryM2.{$way->value}",
                    0.1,
                    30.0,
                );
            }
        }
        $numbers['minutes.dirtier'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.each-level-of-soil-above-2'),
            'longer',
            'visit.dirtier',
            0.0,
            2.0,
        );
        $numbers['minutes.dust'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.on-dust-a-contact-wash'),
            'share',
            'visit.dust',
            0.1,
            1.0,
        );
        $numbers['minutes.wiped_dirtier'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.wiped-each-level-of-soil'),
            'longer',
            'visit.wipedDirtier',
            0.0,
            2.0,
        );
        $numbers['minutes.fill'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.to-fill-a-bucket-or-bottle'),
            'min',
            'visit.fill',
            0.0,
            30.0,
        );
        $numbers['minutes.rinse_within'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.soap-is-rinsed-off-within'),
            'min',
            'visit.rinseWithin',
            1.0,
            30.0,
            true,
        );
        $numbers['visit.go_m2'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.washed-at-most-before-it-is'),
            'm²',
            'visit.goM2',
            1.0,
            200.0,
        );
        $numbers['visit.most_goes'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.more-goes-than-this-panel'),
            '',
            'visit.mostGoes',
            1.0,
            12.0,
            true,
        );
        $numbers['visit.tyres.from'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.tyres-are-wiped-back-after'),
            'min',
            'visit.tyreWipe.0',
            0.0,
            60.0,
            true,
        );
        $numbers['visit.tyres.to'] = new Number(
            Said::of('numbers.minutes-of-washing-and'),
            Said::of('numbers.and-before'),
            'min',
            'visit.tyreWipe.1',
            1.0,
            120.0,
            true,
        );
        foreach (self::STEPS as $kind) {
            $says = Said::of("numbers.step-{$kind}");
            $numbers["minutes.begin.{$kind}"] = new Number(
                Said::of('numbers.minutes-of-a-step'),
                Said::of('numbers.to-begin-with', says: $says),
                'min',
                "visit.minutes.{$kind}.0",
                0.0,
                240.0,
            );
            $numbers["minutes.m2.{$kind}"] = new Number(
                Said::of('numbers.minutes-of-a-step'),
                Said::of('numbers.a-square-metre', says: $says),
                'min/m²',
                "visit.minutes.{$kind}.1",
                0.0,
                60.0,
            );
        }
        foreach (array_keys((new House())->visit->quick) as $kind) {
            $numbers["quick.{$kind}"] = new Number(
                Said::of('numbers.a-quick-visit-takes'),
                Said::of("numbers.step-{$kind}"),
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
        foreach (self::DOSES as $use) {
            $numbers["doses.{$use}"] = new Number(
                Said::of('numbers.doses-of-a-car'),
                Said::of("numbers.dose-{$use}"),
                $use === 'paste' ? 'g' : Said::of('numbers.l-of-mix'),
                "match.uses.{$use}.0",
                0.001,
                $use === 'paste' ? 500.0 : 200.0,
            );
        }
        $numbers['doses.for_m2'] = new Number(
            Said::of('numbers.doses-of-a-car'),
            Said::of('numbers.a-car-for-all-of-these'),
            'm²',
            'match.useForM2',
            1.0,
            100.0,
        );
        $numbers['doses.margin'] = new Number(
            Said::of('numbers.doses-of-a-car'),
            Said::of('numbers.more-is-mixed-than-reckoned'),
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
            Said $says,
            string $unit,
            string $path,
            float $high = 1000.0,
            bool $whole = false,
        ): Number => new Number(Said::of('numbers.the-weeks'), $says, $unit, "plan.{$path}", 0.0, $high, $whole);

        return [
            'plan.off_target' => $plan(Said::of('numbers.a-day-of-a-gap-away-from'), 'points', 'offTarget'),
            'plan.beyond_max' => $plan(Said::of('numbers.a-day-of-a-gap-beyond-its'), 'points', 'beyondMax'),
            'plan.topper_late' => $plan(Said::of('numbers.a-day-a-topper-is-late'), 'points', 'topper.0'),
            'plan.topper_early' => $plan(Said::of('numbers.a-day-a-topper-is-early'), 'points', 'topper.1'),
            'plan.decon_late' => $plan(Said::of('numbers.a-day-decontamination-is'), 'points', 'decon.0'),
            'plan.decon_early' => $plan(Said::of('numbers.a-day-decontamination-is-2'), 'points', 'decon.1'),
            'plan.base_late' => $plan(Said::of('numbers.a-day-a-short-lived-base-is'), 'points', 'base.0'),
            'plan.base_early' => $plan(Said::of('numbers.a-day-a-short-lived-base-is-2'), 'points', 'base.1'),
            'plan.poor_weather' => $plan(Said::of('numbers.a-visit-on-a-poor-day'), 'points', 'poorWeather'),
            'plan.travel' => $plan(Said::of('numbers.a-minute-of-travel'), 'points', 'travel', 100.0),
            'plan.overtime' => $plan(Said::of('numbers.a-minute-of-overtime'), 'points', 'overtime', 100.0),
            'plan.overtime_most' => $plan(
                Said::of('numbers.overtime-a-day-at-most'),
                'min',
                'overtimeMost',
                600.0,
                true,
            ),
            'plan.stay' => $plan(Said::of('numbers.before-a-visit-moves-that-stands'), 'points', 'stay'),
            'plan.holds' => new Number(
                Said::of('numbers.the-weeks'),
                Said::of('numbers.of-a-hundred-days-so-many-hold'),
                '',
                'plan.holds',
                50.0,
                99.0,
                true,
            ),
            'load.margin' => new Number(
                Said::of('numbers.into-the-van'),
                Said::of('numbers.more-than-the-doses'),
                '%',
                'loadMargin',
                0.0,
                300.0,
            ),
        ];
    }
}
