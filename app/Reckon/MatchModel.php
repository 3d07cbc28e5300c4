<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\Material;
use Vicissa\Core\Drying\Tone;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Turn\Asked;
use Vicissa\Core\Matching\Turn\Assessment;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Coat;
use Vicissa\Core\Matching\Turn\Conditions;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\MatchedVehicle;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Turn\Renewal;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
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
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\WhatIf;

/** `match`: the whole choice for a turn. */
final readonly class MatchModel implements Model
{
    public function name(): string
    {
        return 'match';
    }

    /** @return Told<'ReckonedMatch'> */
    public function reckon(Input $input): array
    {
        $vehicle = self::vehicle($input->object('vehicle'));
        $place = self::place($input->objectOrEmpty('place'));
        $schools = Schools::of($input->has('schools') ? $input->object('schools')->all() : []);
        $situation = new Situation(
            $vehicle,
            self::seen($input->object('seen')),
            $place,
            Conditions::at(
                self::air($input->object('weather')),
                $vehicle,
                $place,
                $input->numberOrNull('panel_c'),
                $input->object('weather')->flag('rain', false),
            ),
            array_map(static fn(Input $product): Bottle => ShelfReading::bottle($product), $input->objects('shelf')),
            asked: self::asked($input),
        );
        $outfit = new Outfit(1, $input->choiceOrNull('body', Body::class) ?? Body::Saloon);

        $here = Laying::of($situation, $schools, $outfit);

        return [
            ...MatchAnswer::of($here, $schools),
            ...$input->flag('compare', false)
                ? [
                    'otherwise' => MatchAnswer::otherwise([
                        ...WhatIf::otherwise($situation, $schools, $outfit, $here),
                        ...WhatIf::elsewhere($situation, $schools, $outfit, $here),
                    ]),
                ]
                : [],
        ];
    }

    /** What is planned, how much it takes in, and what somebody chose by hand. */
    public static function asked(Input $input): Asked
    {
        $taken = array_values(array_filter($input->has('taken') ? $input->items('taken') : [], is_string(...)));
        $scope = $input->textOrNull('scope');

        return new Asked(
            $input->has('kinds') ? $input->choices('kinds', Kind::class) : null,
            $scope === null ? Scope::usual() : Scope::of($scope),
            $taken,
        );
    }

    public static function air(Input $weather): Air
    {
        return new Air(
            $weather->number('air_c'),
            $weather->number('rh'),
            $weather->number('wind_m_s'),
            $weather->number('sun_w_m2'),
            $weather->numberOrNull('cloud'),
        );
    }

    public static function place(Input $place): Place
    {
        return new Place(
            $place->choiceOrNull('water', Water::class) ?? Water::Tap,
            $place->numberOrNull('tap_tds_mg_l'),
            $place->numberOrNull('treated_tds_mg_l'),
            $place->flag('pressure', true),
            $place->flag('power', true),
            $place->flag('shade', false),
            $place->flag('bay', false),
            $place->textOrNull('run_off'),
            $place->flag('battery', false),
            $place->numberOrNull('tap_hardness_mg_l'),
        );
    }

    public static function seen(Input $seen): Assessment
    {
        $readings = [];
        $zones = $seen->objectOrEmpty('readings');
        foreach ($zones->keys() as $zone) {
            if (Zone::tryFrom((string) $zone) === null) {
                throw $zones->wrong((string) $zone, Said::of('input.zone'));
            }
            $stages = $zones->object((string) $zone);
            foreach ($stages->keys() as $stage) {
                if (Stage::tryFrom((string) $stage) === null) {
                    throw $stages->wrong((string) $stage, Said::of('input.stage'));
                }
                $readings[(string) $zone][(string) $stage] = $stages->choice((string) $stage, Behaviour::class);
            }
        }

        return new Assessment(
            $seen->whole('soil'),
            $seen->flag('grit', false),
            $seen->has('on') ? $seen->choices('on', Contaminant::class) : [],
            $seen->has('wheel_soil') ? $seen->whole('wheel_soil') : null,
            $seen->flag('wheel_iron', false),
            $readings,
            $seen->flag('loose_edges', false),
            $seen->choiceOrNull('purpose', Purpose::class) ?? Purpose::Maintain,
        );
    }

    public static function vehicle(Input $vehicle): MatchedVehicle
    {
        $stacks = $renewals = [];
        $zones = $vehicle->objectOrEmpty('stacks');
        foreach ($zones->keys() as $zone) {
            $stacks[(string) $zone] = self::stack($zones->object((string) $zone));
        }
        $due = $vehicle->objectOrEmpty('renewals');
        foreach ($due->keys() as $zone) {
            $renewals[(string) $zone] = self::renewal($due->object((string) $zone));
        }
        $hardness = $vehicle->textOrNull('hardness') ?? 'medium';

        return new MatchedVehicle(
            $vehicle->number('paint_m2'),
            $vehicle->choiceOrNull('tone', Tone::class) ?? Tone::Mid,
            match ($hardness) {
                'soft', 'medium', 'hard' => $hardness,
                default => throw $vehicle->wrong('hardness', Said::of('input.hardness')),
            },
            $vehicle->has('finish') ? $vehicle->choices('finish', Finish::class) : [],
            $vehicle->choiceOrNull('wheel_finish', WheelFinish::class) ?? WheelFinish::Painted,
            $stacks,
            $renewals,
            $vehicle->has('next_turn_in_days') ? $vehicle->whole('next_turn_in_days') : 14,
            $vehicle->choiceOrNull('material', Material::class) ?? Material::Steel,
        );
    }

    private static function stack(Input $zone): Stack
    {
        $topper = $zone->has('topper') ? self::coat($zone->object('topper')) : null;
        if ($zone->flag('unknown', false)) {
            return Stack::unknown($topper);
        }

        return Stack::of($zone->has('base') ? self::coat($zone->object('base')) : null, $topper);
    }

    private static function coat(Input $coat): Coat
    {
        return new Coat(
            $coat->choice('family', Family::class),
            $coat->textOrNull('line'),
            $coat->textOrNull('name'),
            $coat->choiceOrNull('designed', Designed::class) ?? Designed::Beads,
        );
    }

    private static function renewal(Input $renewal): Renewal
    {
        $days = [];
        $due = $renewal->objectOrEmpty('due_in_days');
        foreach (array_keys(School::Caution->sides()) as $caution) {
            if ($due->has((string) $caution)) {
                $days[(string) $caution] = $due->number((string) $caution);
            }
        }

        return new Renewal($days, $renewal->flag('failed', false), $renewal->flag('suspect', false));
    }
}
