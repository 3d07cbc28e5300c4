<?php

declare(strict_types=1);

namespace Tests\Feature;

use Tests\Shop;
use Tests\TestCase;

/**
 * What a practitioner would check on a driveway, each from an empty workspace with an own shelf. The clock stands at
 * noon, Wednesday 25 November 2026.
 */
final class DrivewayTest extends TestCase
{
    use Shop;

    private const HARD_SUN = ['air_c' => 27, 'rh' => 0.4, 'wind_m_s' => 2, 'sun_w_m2' => 850];

    /**
     * Coach and boat trailer on a customer's site: gate, register, papers that run out, treated water made there, two
     * people, one trip.
     */
    public function testACoachAndATrailerBehindAGate(): void
    {
        $this->shop();
        foreach (
            [
                ['kind' => 'tank', 'name' => 'Tank', 'facts' => ['l' => 200, 'on_below_l' => 150]],
                [
                    'kind' => 'ro',
                    'name' => 'Membrane',
                    'facts' => ['rejection' => 0.94, 'recovery' => 0.4, 'make_l_min' => 3],
                ],
                ['kind' => 'resin', 'name' => 'Bed', 'facts' => ['l' => 7, 'capacity_g_per_l' => 11]],
            ]
            as $gear
        ) {
            $this->postJson('/api/v1/gear', $gear)->assertCreated();
        }
        $crew = $this->postJson('/api/v1/crews', [
            'name' => 'Both',
            'people' => 2,
            'minutes' => array_fill_keys(['1', '2', '3', '4', '5'], 540),
        ])
            ->assertCreated()
            ->json('id');
        $gate = $this->site([
            'name' => 'Depot',
            'hours' => '07:00–16:00',
            'access' => 'Report to the gatehouse',
            'by_register' => true,
            'certificate_expires_on' => '2026-12-20',
            'admissions' => [['crew_id' => $crew, 'person' => 'Isa Merrick']],
        ]);
        $coach = $this->car([
            'name' => 'Coach',
            'body' => 'coach',
            'paint_m2' => 67,
            'site_id' => $gate,
            'cadence_min' => 10,
            'cadence_target' => 14,
            'cadence_max' => 21,
        ])['id'];
        $trailer = $this->car([
            'name' => 'Boat trailer',
            'body' => 'boat',
            'paint_m2' => 24,
            'site_id' => $gate,
            'cadence_min' => 10,
            'cadence_target' => 14,
            'cadence_max' => 21,
        ])['id'];
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        $weeks = $this->getJson('/api/v1/weeks')->json();
        $of = static fn(string $id): array => array_values(
            array_filter($weeks['visits'], static fn(array $visit): bool => $visit['vehicle_id'] === $id),
        );
        self::assertSame($of($coach)[0]['on'], $of($trailer)[0]['on'], 'both on one trip');
        self::assertLessThanOrEqual(
            '2026-12-20',
            max(['', ...array_column($weeks['visits'], 'on')]),
            'nobody goes there without papers',
        );
        self::assertContains(
            $coach,
            array_column(
                array_filter($weeks['unmet'], static fn(array $one): bool => $one['what'] === 'papers'),
                'vehicle_id',
            ),
            'what no crew can reach any more is in the list',
        );
        $sheet = $this->postJson('/api/v1/sheets', ['vehicle_id' => $coach, 'on' => $of($coach)[0]['on']])
            ->assertCreated()
            ->json();
        $plan = $sheet['plan'];
        self::assertSame([2, $of($coach)[0]['minutes']], [$sheet['crew'], $plan['finish']]);
        self::assertGreaterThanOrEqual(180, $plan['finish']);
        self::assertLessThanOrEqual(300, $plan['finish'], 'a coach for two');
        self::assertNotSame([], self::steps($plan, 'platform'));
        self::assertStringContainsString('gatehouse', (string) json_encode($sheet['gate']));
        $small = $this->postJson('/api/v1/sheets', ['vehicle_id' => $trailer, 'on' => $of($trailer)[0]['on']])->json(
            'plan',
        );
        foreach (['tap_l', 'treated_l'] as $litres) {
            self::assertGreaterThanOrEqual(
                $small['totals'][$litres],
                $plan['totals'][$litres],
                "{$litres} grow with the area",
            );
        }
        self::assertGreaterThan(
            2 * array_sum((array) $small['totals']['pools']),
            array_sum((array) $plan['totals']['pools']),
            'and towels',
        );
        self::assertGreaterThan(100, $plan['totals']['treated_l'], 'made there, against a tank of 200');
        $load = $this->getJson("/api/v1/load?from={$of($coach)[0]['on']}&to={$of($coach)[0]['on']}")->json();
        self::assertEqualsWithDelta(
            $plan['totals']['treated_l'] + $small['totals']['treated_l'],
            $load['water']['treated_l'],
            0.2,
            'the load packs for both',
        );
    }

    /**
     * Full wash ending in paste wax, decals on the doors: through an uncalibrated and a calibrated lance, in mild sun
     * and in strong.
     */
    public function testAFullWashThatEndsInPasteWax(): void
    {
        $this->shop();
        $wax = $this->bottle([
            'name' => 'Fell Tin',
            'role' => 'topper',
            'surfaces' => ['paint'],
            'leaves' => 'wax',
            'strips' => 'none',
            'applied' => 'wipe',
            'paste' => true,
            'family' => 'wax',
            'label_low_weeks' => 6,
            'label_high_weeks' => 10,
            'min_c' => 5,
            'max_c' => 30,
            'rinse' => false,
            'may_dry' => true,
        ]);
        $car = $this->car(['finish' => ['decals'], 'scope' => 'full'])['id'];
        $this->layer($car, ['family' => 'wax', 'on' => '2026-08-01']);
        $asked = ['kinds' => ['wash', 'topper'], 'taken' => [$wax]];
        $plan = $this->plan($car, $asked);
        self::assertInOrder($plan, 'foam', 'wash', 'dry', 'topper-on', 'topper-off', 'glass');
        [$on, $off] = [self::steps($plan, 'topper-on')[0], self::steps($plan, 'topper-off')[0]];
        self::assertSame([true, 'topper'], [$on['portions'][0]['paste'], $on['fulfils']]);
        self::assertGreaterThanOrEqual(300, $off['wait']['min_s'], 'it hazes');
        $foam = static fn(array $plan): array => array_values(
            array_filter($plan['fills'], static fn(array $fill): bool => $fill['product'] === 'Quern Fleece'),
        )[0];
        self::assertNotNull(
            $foam($plan)['product_low_ml'] ?? $foam($plan)['product_high_ml'],
            'an unmeasured lance gives a span',
        );
        self::assertStringContainsString('lance', self::said($plan));
        $lance = array_column($this->getJson('/api/v1/gear')->json('data'), 'id', 'kind')['lance'];
        $this->postJson("/api/v1/gear/{$lance}/events", [
            'kind' => 'calibration',
            'facts' => ['washer_l_min' => 8, 'bottle_ml' => 1000, 'empties_s' => 110],
        ])->assertCreated();
        $measured = $foam($this->plan($car, $asked));
        self::assertNull($measured['product_low_ml'], 'a measured one one figure');
        // 1.5 % on the panel through a lance that draws 1 l in 110 s beside 8 l a minute: 0.545 of 8.545 l.
        self::assertEqualsWithDelta(0.015 / (0.5454 / 8.5454), $measured['product_ml'] / $measured['mix_ml'], 0.01);
        self::assertMatchesRegularExpression('/decal|edge/i', self::said($plan), 'the edges of the decals are spared');
        $sun = $this->plan($car, [...$asked, 'weather' => self::HARD_SUN, 'place' => ['shade' => false]]);
        self::assertSame([], self::steps($sun, 'topper-on'), 'no wax on a panel of 56 °C');
        self::assertSame(['shade', 'hour'], array_column($sun['urges'], 'kind'), 'and what would make it possible');
        self::assertMatchesRegularExpression('/near (29|30|31) °C/', $sun['urges'][0]['says']);
    }

    /** Coated black saloon, panel at 46 °C, hard water: touchless, cool first, the same goes on bench and sheet. */
    public function testAHotBlackSaloonInHardWater(): void
    {
        $this->shop();
        $car = $this->car(['tone' => 'black', 'schools' => ['method' => 'touchless']])['id'];
        $this->layer($car, ['family' => 'ceramic', 'on' => '2026-05-01']);
        $hot = [
            'panel_c' => 46,
            'weather' => ['air_c' => 24, 'rh' => 0.5, 'wind_m_s' => 2, 'sun_w_m2' => 600],
            'place' => ['shade' => false, 'tap_tds_mg_l' => 420],
            'seen' => ['soil' => 1],
        ];
        $plan = $this->plan($car, $hot);
        self::assertSame('touchless', $plan['method']);
        self::assertSame([], self::steps($plan, 'wash'), 'nothing touches it');
        self::assertInOrder($plan, 'cool', 'foam', 'foam-rinse', 'rinse');
        $bench = $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $car,
            'seen' => ['soil' => 1, 'grit' => false, 'on' => []],
            'place' => ['water' => 'tap', 'pressure' => true, 'power' => true, ...$hot['place']],
            ...array_intersect_key($hot, ['panel_c' => 1, 'weather' => 1]),
        ])
            ->assertOk()
            ->json();
        self::assertNotNull($bench['cooling']);
        $goes = array_column(
            array_filter($bench['sections'], static fn(array $one): bool => $one['step'] === 'foam'),
            'sections',
        );
        self::assertSame(
            $goes[0] ?? 1,
            max(
                1,
                count(
                    array_filter(
                        self::steps($plan, 'foam'),
                        static fn(array $step): bool => $step['kind'] === 'foam' && !str_contains($step['id'], '-2'),
                    ),
                ),
            ),
            'as many goes on the bench as on the sheet',
        );
        self::assertSame($plan['finish'], $bench['totals']['minutes']);
        self::assertStringContainsString('mark', $bench['final_rinse']['why'], 'what hard water leaves is said');
        self::assertFalse($bench['drying']['may_air_dry']);
    }

    /**
     * Wheels: iron remover on cool wheels, rinsed, wheel by wheel where the label is short; sealed wet; dressing last.
     */
    public function testWheelsDeepCleanedAndSealed(): void
    {
        $this->shop();
        $this->bottle([
            'name' => 'Quern Rim',
            'role' => 'topper',
            'surfaces' => ['wheels'],
            'leaves' => 'silica',
            'strips' => 'none',
            'applied' => 'wet-rinse',
            'family' => 'silica-spray',
            'label_low_weeks' => 8,
            'label_high_weeks' => 16,
            'dwell_min_s' => 30,
            'dwell_max_s' => 60,
            'dilutions' => ['bottle' => 'neat'],
            'rinse' => true,
            'may_dry' => false,
            'min_c' => 5,
            'max_c' => 30,
        ]);
        $car = $this->car(['scope' => 'full'])['id'];
        $this->layer($car, ['zone' => 'wheels', 'family' => 'silica-spray', 'on' => '2026-01-01']);
        $plan = $this->plan($car, ['seen' => ['soil' => 2, 'wheel_soil' => 4, 'wheel_iron' => true]]);
        $iron = [...self::steps($plan, 'wheels-iron')];
        self::assertNotSame([], $iron);
        self::assertMatchesRegularExpression(
            '/purple|violet|colour/i',
            self::said($plan),
            'its colour is the sign that it works',
        );
        self::assertMatchesRegularExpression('/cool/i', self::said($plan));
        self::assertMatchesRegularExpression('/brakes/i', self::said($plan), 'the brakes are tried');
        $sealed = self::steps($plan, 'wheels-topper');
        self::assertCount(4, $sealed, 'within a minute each: wheel by wheel');
        $last = static fn(string $id): int => max([0, ...array_column(self::steps($plan, $id), 'end')]);
        self::assertLessThanOrEqual($sealed[0]['start'], $last('wheels-iron'), 'on clean wheels');
        self::assertLessThanOrEqual(
            self::steps($plan, 'wheels-dry')[0]['start'],
            $last('wheels-topper'),
            'before they are dried',
        );
        self::assertGreaterThanOrEqual(
            $last('wheels-dry'),
            self::steps($plan, 'tyres')[0]['start'],
            'dressing on dry tyres',
        );
        self::assertGreaterThan(0, $sealed[0]['water_l'], 'and rinsed');
    }

    /** Two buckets, one person, three ways of drying on three cars; the label speaks in words. */
    public function testThreeWaysOfDrying(): void
    {
        $this->shop();
        $plan = null;
        foreach (['air-then-towel', 'sheet-then-towel', 'towel'] as $way) {
            $car = $this->car(['name' => "Car {$way}"])['id'];
            $plan = $this->plan($car, ['schools' => ['drying' => $way]]);
            self::assertSame($way, $plan['drying']);
            self::assertSame('two-mitts', $plan['method']);
        }
        $buckets = array_filter(
            $plan['fills'] ?? [],
            static fn(array $fill): bool => str_starts_with((string) $fill['vessel'], 'Bucket'),
        );
        self::assertCount(2, $buckets, 'a wash and a rinse bucket');
        // Two capfuls of 10 ml in ten litres, in a bucket of fifteen.
        self::assertEqualsWithDelta(30.0, max([0.0, ...array_column($buckets, 'product_ml')]), 1.0);
        $dark = $this->plan($this->car(['name' => 'No socket'])['id'], [
            'schools' => ['drying' => 'air-then-towel'],
            'place' => ['power' => false, 'battery' => false],
        ]);
        self::assertNotSame('air-then-towel', $dark['drying'], 'no blower without power');
        $sunny = $this->plan($this->car(['name' => 'Sunny', 'tone' => 'black'])['id'], [
            'weather' => self::HARD_SUN,
            'place' => ['shade' => false],
        ]);
        self::assertStringContainsString('hade', self::said($sunny), 'shade is sought');
    }

    /** Wheels first with two mitts; the neighbour does paint first with one. */
    public function testTwoSchoolsOnOneDay(): void
    {
        $this->shop();
        $first = $this->plan(
            $this->car(['name' => 'Mine', 'schools' => ['wheels' => 'wheels-first', 'method' => 'two-mitts']])['id'],
        );
        $other = $this->plan(
            $this->car(['name' => 'Next door', 'schools' => ['wheels' => 'paint-first', 'method' => 'one-mitt']])['id'],
        );
        self::assertSame(['two-mitts', 'one-mitt'], [$first['method'], $other['method']]);
        self::assertLessThan(
            self::steps($first, 'first-rinse')[0]['start'] ?? self::steps($first, 'foam')[0]['start'],
            self::steps($first, 'wheels')[0]['start'],
        );
        self::assertGreaterThan(self::steps($other, 'foam')[0]['start'], self::steps($other, 'wheels')[0]['start']);
        self::assertGreaterThan((array) $other['totals']['pools'], (array) $first['totals']['pools']);
    }

    /** Lay and pull, hard water in the sun: rinsed and dried by goes where the window is shorter than the car. */
    public function testHardWaterThatSpotsWithinAQuarter(): void
    {
        $this->shop();
        $car = $this->car(['tone' => 'dark', 'body' => 'estate', 'paint_m2' => 13])['id'];
        $there = fn(array $weather): array => $this->plan($car, [
            'schools' => ['drying' => 'towel'],
            'weather' => $weather,
            'place' => ['shade' => false, 'tap_tds_mg_l' => 480],
        ]);
        $plan = $there(['air_c' => 20, 'rh' => 0.55, 'wind_m_s' => 2, 'sun_w_m2' => 150]);
        self::assertGreaterThan(
            1,
            count(self::steps($plan, 'dry')),
            'in goes: ' . implode(', ', array_column($plan['steps'], 'id')),
        );
        self::assertSame(
            count(self::steps($plan, 'dry')),
            count(self::steps($plan, 'wet')),
            'each wetted again before it is dried',
        );
        $hot = $there(['air_c' => 24, 'rh' => 0.45, 'wind_m_s' => 3, 'sun_w_m2' => 500]);
        self::assertStringContainsString('panel by panel', self::steps($hot, 'dry')[0]['name']);
        self::assertGreaterThan($plan['totals']['tap_l'] - 30, $hot['totals']['tap_l']);
        self::assertMatchesRegularExpression('/laid flat/', self::said($plan));
    }

    /** The shop's chemist: unknowns stay unknown, and a coating nobody keeps on the shelf has its line. */
    public function testTheShopsChemist(): void
    {
        $this->shop(['soap', 'topper']);
        $own = $this->bottle([
            'name' => 'Sgurr Feed',
            'line' => 'Sgurr',
            'role' => 'topper',
            'surfaces' => ['paint'],
            'leaves' => 'silica',
            'applied' => 'wet-rinse',
            'family' => 'silica-spray',
            'label_low_weeks' => 12,
            'label_high_weeks' => 20,
            'dwell_min_s' => 20,
            'dwell_max_s' => 90,
            'rinse' => true,
            'may_dry' => false,
            'dilutions' => ['bottle' => 'neat'],
            'min_c' => 5,
            'max_c' => 30,
        ]);
        $car = $this->car(['hardness' => 'soft', 'tone' => 'black'])['id'];
        // Somebody else put the coating on: it stands on no shelf here, and is known by its name and line.
        $this->layer($car, ['family' => 'ceramic', 'name' => 'Sgurr Shell', 'line' => 'Sgurr', 'on' => '2026-04-01']);
        $match = $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $car,
            'kinds' => ['wash', 'topper'],
            'seen' => ['soil' => 2],
            'place' => ['water' => 'tap', 'pressure' => true],
            'weather' => self::MILD,
        ])
            ->assertOk()
            ->json();
        $topper = array_values(
            array_filter(
                $match['products'],
                static fn(array $row): bool => $row['role'] === 'topper' && $row['zone'] === 'paint',
            ),
        )[0];
        self::assertSame($own, $topper['product']['id'], 'its own line feeds it');
        self::assertStringContainsString('Sgurr', $topper['why']);
        $quiet = $this->postJson('/api/v1/products', [
            'name' => 'Unlabelled',
            'role' => 'iron',
            'surfaces' => ['paint', 'wheels'],
        ])
            ->assertCreated()
            ->json();
        self::assertSame([null, null, null], [$quiet['ph'], $quiet['may_dry'], $quiet['rinse']]);
        $hot = $this->postJson('/api/v1/bench/match', [
            'vehicle_id' => $car,
            'kinds' => ['wash', 'decon'],
            'panel_c' => 72,
            'seen' => ['soil' => 2, 'on' => ['iron']],
            'place' => ['water' => 'tap', 'pressure' => true],
            'weather' => self::HARD_SUN,
        ])
            ->assertOk()
            ->json();
        self::assertNotContains(
            $quiet['id'],
            array_column(array_filter(array_column($hot['products'], 'product')), 'id'),
            'never at 72 °C with a silent label',
        );
    }

    /** Winter: −1 °C, salt. Rinse-on and seals dried above freezing; no wet work below the limit. */
    public function testWinterWithSalt(): void
    {
        $this->shop();
        $car = $this->car([
            'salt_months' => [11, 12, 1, 2, 3],
            'salt_target' => 7,
            'cadence_target' => 14,
            'cadence_min' => 5,
            'cadence_max' => 28,
        ])['id'];
        $this->layer($car, ['family' => 'silica-spray', 'on' => '2026-10-20']);
        $cold = $this->plan($car, [
            'weather' => ['air_c' => 4, 'rh' => 0.8, 'wind_m_s' => 1, 'sun_w_m2' => 30],
            'seen' => ['soil' => 3, 'on' => ['salt']],
        ]);
        self::assertNotNull($cold['finish']);
        $near = $this->plan($car, [
            'weather' => ['air_c' => 3, 'rh' => 0.8, 'wind_m_s' => 1, 'sun_w_m2' => 30],
            'seen' => ['soil' => 3, 'on' => ['salt']],
        ]);
        self::assertNotSame([], self::steps($near, 'seals'), 'seals and locks are dried');
        self::assertStringNotContainsString('may dry by itself', self::said($near));
        $frost = $this->plan($car, [
            'weather' => ['air_c' => -1, 'rh' => 0.9, 'wind_m_s' => 1, 'sun_w_m2' => 10],
            'seen' => ['soil' => 3, 'on' => ['salt']],
        ]);
        self::assertNull($frost['finish']);
        self::assertMatchesRegularExpression('/frost|freez|frozen|°C/i', implode(' ', $frost['problems']));
        $this->postJson('/api/v1/crews', [
            'name' => 'Isa',
            'minutes' => array_fill_keys(['1', '2', '3', '4', '5'], 300),
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/plan')->assertStatus(202);
        self::assertSame(
            7,
            $this->getJson('/api/v1/weeks')->json('vehicles.0.target'),
            'closer while roads are salted',
        );
    }

    /** Touchless on a coating that still repels, and on one that does not. */
    public function testTouchlessByWhatTheWaterSays(): void
    {
        $this->shop();
        $car = $this->car(['schools' => ['method' => 'touchless']])['id'];
        $this->layer($car, ['family' => 'ceramic', 'on' => '2026-05-01']);
        $plan = fn(int $soil, string $reads): array => $this->plan($car, [
            'seen' => ['soil' => $soil, 'readings' => ['paint' => ['arrival' => $reads, 'after_wash' => $reads]]],
        ]);
        self::assertSame(['touchless', 'air-then-towel'], [$plan(1, 'tight')['method'], $plan(1, 'tight')['drying']]);
        $dirtier = $plan(3, 'good');
        self::assertSame(
            ['touchless', 'air-only'],
            [$dirtier['method'], $dirtier['drying']],
            'nothing rubs over the film that stays',
        );
        self::assertStringContainsString('film', $dirtier['why'] . self::said($dirtier));
        $flat = $plan(1, 'flat');
        self::assertNotContains($flat['method'], [null, 'touchless'], 'where nothing repels the paint is touched');
        self::assertStringContainsString('does not run off', $flat['why']);
        self::assertStringContainsString(
            'decontaminate',
            strtolower(self::said($flat)),
            'and it is not taken for spent yet',
        );
    }

    /** The long way by two: every step, who does what. */
    public function testTheLongWayByTwo(): void
    {
        $this->shop();
        $car = $this->car(['scope' => 'full', 'paint_m2' => 12])['id'];
        $this->layer($car, ['family' => 'silica-spray', 'on' => '2026-06-01']);
        [$alone, $two] = array_map(
            fn(int $crew): array => $this->plan(
                $car,
                ['seen' => ['soil' => 3, 'on' => ['insects']], 'kinds' => ['wash', 'topper', 'decon']],
                ['crew' => $crew],
            ),
            [1, 2],
        );
        self::assertLessThan($alone['finish'], $two['finish']);
        self::assertGreaterThan(0.45 * $alone['finish'], $two['finish'], 'two are not more than two');
        $wheels = array_column(self::steps($two, 'wheels-each'), 'start');
        self::assertSame($wheels[0], $wheels[1], 'a wheel each, side by side');
        self::assertLessThan(
            self::steps($alone, 'wheels-each')[1]['start'],
            self::steps($alone, 'wheels-each')[0]['start'],
        );
        $who = array_merge(...array_column($two['steps'], 'who'));
        self::assertContains(2, $who);
        // Nobody is in two places at once.
        foreach ([1, 2] as $person) {
            $own = array_values(
                array_filter(
                    $two['steps'],
                    static fn(array $step): bool => in_array($person, $step['who'], true) && $step['minutes'] > 0,
                ),
            );
            usort($own, static fn(array $a, array $b): int => $a['start'] <=> $b['start']);
            foreach (array_slice($own, 1) as $i => $step) {
                self::assertGreaterThanOrEqual($own[$i]['end'], $step['start'], "{$step['id']} of person {$person}");
            }
        }
        self::assertInOrder($two, 'look', 'mix', 'wash', 'topper', 'dry', 'tyres', 'check', 'hand-over');
    }

    /** Rinseless on a warm day, decals: pre-spray, folded towels, and where its ceiling ends. */
    public function testRinselessAndItsCeiling(): void
    {
        $this->shop();
        $car = $this->car(['finish' => ['decals']])['id'];
        $here = [
            'place' => ['water' => 'none', 'pressure' => false],
            'weather' => ['air_c' => 24, 'rh' => 0.5, 'wind_m_s' => 1, 'sun_w_m2' => 150],
        ];
        $plan = $this->plan($car, [...$here, 'seen' => ['soil' => 2]]);
        self::assertSame('rinseless', $plan['method']);
        self::assertInOrder($plan, 'prespray', 'wash', 'check');
        self::assertGreaterThan(0, ((array) $plan['totals']['textiles'])['sides'] ?? 0, 'sides, each once');
        self::assertEquals(0.0, $plan['totals']['tap_l']);
        foreach ([['soil' => 4], ['soil' => 3, 'grit' => true]] as $seen) {
            $over = $this->plan($car, [...$here, 'seen' => $seen]);
            self::assertNull($over['finish'], 'beyond its ceiling');
            self::assertNotSame([], $over['problems']);
        }
        $more = $this->plan($car, [...$here, 'seen' => ['soil' => 3]]);
        self::assertGreaterThan($plan['finish'], $more['finish'] ?? PHP_INT_MAX);
    }

    /** A farm car caked in mud: two pre-washes, foam as lubricant, two looks round. */
    public function testAFarmCarCakedInMud(): void
    {
        $this->shop();
        $plan = $this->plan($this->car(['body' => 'pickup', 'paint_m2' => 14, 'scope' => 'full'])['id'], [
            'seen' => ['soil' => 5, 'grit' => true],
        ]);
        self::assertNotNull($plan['finish'], implode(' ', $plan['problems']));
        self::assertGreaterThanOrEqual(
            2,
            count(
                array_filter(
                    $plan['steps'],
                    static fn(array $step): bool => in_array($step['kind'], ['prewash', 'foam'], true),
                ),
            ),
            'twice before anybody touches it',
        );
        self::assertInOrder($plan, 'first-rinse', 'prewash', 'foam', 'wash');
        self::assertStringContainsString('twice round', self::steps($plan, 'check')[0]['name']);
    }

    /** Many towels, each side once: counted, washed, worn. */
    public function testManyTowelsEachSideOnce(): void
    {
        $this->shop();
        $car = $this->car(['schools' => ['method' => 'multi-towel']])['id'];
        $sheet = $this->sheet($car);
        $sides = ((array) $sheet['plan']['totals']['textiles'])['sides'];
        $towels = ((array) $sheet['plan']['totals']['pools'])['wash'];
        self::assertSame((int) ceil($sides / 8), $towels, 'a towel folded twice has eight sides');
        self::assertSame(
            $sides,
            array_sum(
                array_map(
                    static fn(array $step): int => ((array) $step['textiles'])['sides'] ?? 0,
                    $sheet['plan']['steps'],
                ),
            ),
            'counted step by step',
        );
        $this->postJson(
            "/api/v1/sheets/{$sheet['id']}/finish",
            $this->turn(['worked_at' => '2026-11-25T10:00:00Z', 'minutes' => 100, 'textiles' => ['sides' => $sides]]),
        )->assertCreated();
        $pool = array_values(
            array_filter(
                $this->getJson('/api/v1/gear')->json('data'),
                static fn(array $one): bool => ($one['facts']['use'] ?? '') === 'wash',
            ),
        )[0];
        self::assertSame($towels, $pool['dirty'], 'in the laundry by the evening');
    }
}
