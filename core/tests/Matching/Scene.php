<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use App\Says\Teller;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Turn\Asked;
use Vicissa\Core\Matching\Turn\Assessment;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Coat;
use Vicissa\Core\Matching\Turn\Conditions;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\MatchedVehicle;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Turn\Renewal;
use Vicissa\Core\Matching\Turn\Scope;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\Stack;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Family;

/** A turn to match, in a few words: an ordinary coated estate on a mild morning, with whatever a case changes. */
final class Scene
{
    /** @param array<string, mixed> $facts */
    public static function of(array $facts = []): Situation
    {
        $vehicle = self::vehicle($facts);
        $place = new Place(
            Water::from($facts['water'] ?? 'tap'),
            array_key_exists('tap', $facts) ? $facts['tap'] : 120.0,
            $facts['treated'] ?? null,
            $facts['pressure'] ?? true,
            $facts['power'] ?? true,
            $facts['shade'] ?? false,
            $facts['bay'] ?? false,
            $facts['run_off'] ?? null,
            $facts['battery'] ?? false,
        );
        [$air, $rh, $wind, $sun] = $facts['weather'] ?? [14.0, 0.7, 2.0, 100.0];

        return new Situation(
            $vehicle,
            self::seen($facts),
            $place,
            Conditions::at(
                new Air($air, $rh, $wind, $sun),
                $vehicle,
                $place,
                array_key_exists('panel', $facts) ? $facts['panel'] : 15.0,
                $facts['rain'] ?? false,
            ),
            self::shelf($facts['without'] ?? [], $facts['with'] ?? []),
            asked: new Asked(
                isset($facts['kinds']) ? array_values(array_map(Kind::from(...), $facts['kinds'])) : null,
                Scope::of($facts['scope'] ?? 'usual'),
                $facts['taken'] ?? [],
            ),
        );
    }

    /** @param array<string, mixed> $facts */
    private static function vehicle(array $facts): MatchedVehicle
    {
        $coat = static fn(?array $coat): ?Coat => $coat === null
            ? null
            : new Coat(Family::from($coat[0]), $coat[1] ?? null, designed: Designed::from($coat[2] ?? 'beads'));
        $base = array_key_exists('base', $facts) ? $facts['base'] : ['ceramic', 'Karst'];
        $topper = $coat($facts['topper_on'] ?? null);
        $stacks = ['paint' => $base === 'unknown' ? Stack::unknown($topper) : Stack::of($coat($base), $topper)];
        if (isset($facts['wheel_layer'])) {
            $stacks['wheels'] = Stack::of(null, $coat($facts['wheel_layer']));
        }
        $renewals = [];
        if (array_key_exists('due', $facts)) {
            $renewals['paint'] = new Renewal(
                $facts['due'] === null
                    ? []
                    : ['10' => $facts['due'] - 10.0, '30' => (float) $facts['due'], '50' => $facts['due'] + 10.0],
                $facts['failed'] ?? false,
                $facts['suspect'] ?? false,
            );
        }
        if (isset($facts['wheels_due'])) {
            $renewals['wheels'] = new Renewal([
                '10' => (float) $facts['wheels_due'],
                '30' => (float) $facts['wheels_due'],
                '50' => (float) $facts['wheels_due'],
            ]);
        }

        return new MatchedVehicle(
            $facts['m2'] ?? 12.5,
            Tone::from($facts['tone'] ?? 'mid'),
            $facts['hardness'] ?? 'medium',
            array_values(array_map(Finish::from(...), $facts['finish'] ?? [])),
            WheelFinish::from($facts['wheel_finish'] ?? 'painted'),
            $stacks,
            $renewals,
            $facts['rhythm'] ?? 14,
            Material::from($facts['material'] ?? 'steel'),
        );
    }

    /** @param array<string, mixed> $facts */
    private static function seen(array $facts): Assessment
    {
        $readings = [];
        foreach ($facts['read'] ?? [] as $stage => $behaviour) {
            $readings[Zone::Paint->value][$stage] = Behaviour::from($behaviour);
        }

        return new Assessment(
            $facts['soil'] ?? 2,
            $facts['grit'] ?? false,
            array_values(array_map(Contaminant::from(...), $facts['on'] ?? [])),
            array_key_exists('wheels', $facts) ? $facts['wheels'] : 2,
            $facts['wheel_iron'] ?? false,
            $readings,
            $facts['loose'] ?? false,
            Purpose::from($facts['purpose'] ?? 'maintain'),
        );
    }

    /**
     * @param list<string> $without
     * @param list<Bottle> $with
     * @return list<Bottle>
     */
    public static function shelf(array $without = [], array $with = []): array
    {
        $all = [
            self::bottle('Bare Soap', 'soap', line: 'Karst', rinse: true, price: 0.007, mix: ['bucket' => 0.002]),
            self::bottle('Plain Soap', 'soap', rinse: true, price: 0.006, mix: ['bucket' => 0.002]),
            self::bottle(
                'Wax Soap',
                'soap',
                leaves: 'wax',
                line: 'Beeswing',
                rinse: true,
                price: 0.01,
                mix: ['bucket' => 0.002],
            ),
            self::bottle(
                'Snow',
                'foam',
                rinse: true,
                dwell: [180, 480],
                price: 0.008,
                mix: ['lance' => 0.012],
                on: ['paint', 'wheels', 'glass', 'trim'],
                cautions: ['Foam is slippery underfoot.', 'Not into the drain.'],
            ),
            self::bottle(
                'Lifter',
                'prewash',
                ph: 11.6,
                strips: 'slight',
                rinse: true,
                dwell: [60, 240],
                price: 0.008,
                mix: ['sprayer' => 0.0625],
            ),
            self::bottle(
                'Stripper',
                'prewash',
                ph: 13.0,
                strips: 'strong',
                rinse: true,
                dwell: [120, 300],
                price: 0.019,
                mix: ['sprayer' => 0.167],
            ),
            self::bottle(
                'Bucket Wash',
                'rinseless',
                max: 40,
                price: 0.026,
                mix: ['bucket' => 0.004],
                on: ['paint', 'glass', 'trim', 'wheels'],
            ),
            self::bottle('Dust Off', 'waterless', price: 0.028, mix: ['bottle' => 1.0], on: ['paint', 'glass']),
            self::bottle(
                'Mild Wheel',
                'wheel',
                ph: 8.0,
                rinse: true,
                dwell: [60, 240],
                price: 0.007,
                mix: ['wheel' => 0.2],
                on: ['wheels'],
            ),
            self::bottle(
                'Acid Wheel',
                'wheel',
                ph: 2.0,
                rinse: true,
                dwell: [30, 90],
                price: 0.001,
                mix: ['wheel' => 0.25],
                on: ['wheels'],
            ),
            self::bottle(
                'Rust Bloom',
                'iron',
                ph: 6.5,
                rinse: true,
                dwell: [120, 300],
                price: 0.021,
                mix: ['bottle' => 1.0],
                on: ['paint', 'wheels'],
            ),
            self::bottle(
                'Tarlift',
                'tar',
                strips: 'slight',
                solvent: true,
                rinse: true,
                dwell: [30, 180],
                price: 0.026,
                mix: ['bottle' => 1.0],
            ),
            self::bottle('Slip', 'clay-lube', rinse: true, price: 0.017, mix: ['bottle' => 0.05]),
            self::bottle(
                'Karst Veil',
                'topper',
                leaves: 'silica',
                line: 'Karst',
                rinse: true,
                dwell: [30, 60],
                price: 0.039,
                mix: ['bottle' => 1.0],
                weeks: 10,
                applied: 'wet-rinse',
                on: ['paint', 'wheels', 'glass'],
            ),
            self::bottle(
                'Poly Mist',
                'topper',
                leaves: 'polymer',
                rinse: true,
                dwell: [30, 120],
                price: 0.014,
                mix: ['lance' => 0.02],
                weeks: 16,
                applied: 'foam-rinse',
            ),
            self::bottle(
                'Bee Coat',
                'topper',
                leaves: 'wax',
                line: 'Beeswing',
                price: 0.054,
                mix: ['bottle' => 1.0],
                weeks: 8,
                applied: 'wipe',
                min: 8,
            ),
            self::bottle(
                'Gleam',
                'topper',
                leaves: 'oils',
                price: 0.001,
                mix: ['bottle' => 1.0],
                weeks: 2,
                applied: 'wipe',
            ),
            self::bottle(
                'Karst Drift',
                'drying-aid',
                leaves: 'silica',
                line: 'Karst',
                price: 0.028,
                mix: ['bottle' => 0.2],
                applied: 'drying-aid',
            ),
            self::bottle(
                'Wax Drift',
                'drying-aid',
                leaves: 'wax',
                line: 'Beeswing',
                price: 0.032,
                mix: ['bottle' => 1.0],
                applied: 'drying-aid',
            ),
            self::bottle('Pane', 'glass', ph: 8.5, price: 0.009, mix: ['bottle' => 1.0], on: ['glass']),
            self::bottle(
                'Black Satin',
                'tyre',
                leaves: 'oils',
                price: 0.018,
                mix: ['tyre' => 1.0],
                on: ['tyres', 'trim'],
            ),
        ];

        return [
            ...array_values(
                array_filter($all, static fn(Bottle $bottle): bool => !in_array($bottle->name, $without, true)),
            ),
            ...$with,
        ];
    }

    /** A wax that is taken out of its tin with a pad. */
    public static function tin(float $min = 4.0, float $max = 32.0): Bottle
    {
        return self::bottle(
            'Tin Wax',
            'topper',
            leaves: 'wax',
            line: 'Beeswing',
            price: 0.05,
            weeks: 12,
            applied: 'wipe',
            min: $min,
            max: $max,
            paste: true,
        );
    }

    /**
     * @param array{float, float}|null $dwell
     * @param array<string, float> $mix
     * @param list<string> $on
     * @param list<string> $cautions
     */
    public static function bottle(
        string $name,
        string $role,
        float $ph = 7.0,
        string $leaves = 'nothing',
        string $strips = 'none',
        bool $solvent = false,
        ?string $line = null,
        bool $rinse = false,
        ?array $dwell = null,
        ?float $price = null,
        array $mix = [],
        ?float $weeks = null,
        ?string $applied = null,
        float $min = 4.0,
        float $max = 32.0,
        array $on = ['paint', 'trim'],
        bool $stock = true,
        bool $paste = false,
        array $cautions = [],
    ): Bottle {
        return new Bottle(
            $name,
            $name,
            $line,
            new ProductTraits(
                Role::from($role),
                $ph,
                Leaves::from($leaves),
                Strips::from($strips),
                $solvent,
                array_map(Zone::from(...), $on),
                $min,
                $max,
                $dwell[0] ?? 0.0,
                !$rinse,
                $rinse,
            ),
            $mix,
            [],
            $price,
            $stock,
            $weeks,
            $applied,
            $dwell[1] ?? null,
            cautions: array_map(Teller::recognise(...), $cautions),
            paste: $paste,
        );
    }
}
