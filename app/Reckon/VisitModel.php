<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Drying\Air;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Conditions;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Mix\Doses\Vessel;
use Vicissa\Core\Mix\Doses\VesselKind;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\PaceBook;
use Vicissa\Core\Visit\Remedies;
use Vicissa\Core\Visit\TankAtHand;
use Vicissa\Core\Visit\Urge;
use Vicissa\Core\Visit\Visit;

/**
 * `visit`: a visit laid out whole, from the vehicle, the day, the place, the crew with its gear and pace, and what is
 * planned (domain §15).
 */
final readonly class VisitModel implements Model
{
    public function name(): string
    {
        return 'visit';
    }

    /** @return Told<'SheetPlan'> */
    public function reckon(Input $input): array
    {
        $vehicle = MatchModel::vehicle($input->object('vehicle'));
        $place = MatchModel::place($input->objectOrEmpty('place'));
        $schools = Schools::of($input->has('schools') ? $input->object('schools')->all() : []);
        $weather = $input->object('weather');
        $situation = new Situation(
            $vehicle,
            MatchModel::seen($input->object('seen')),
            $place,
            Conditions::at(
                MatchModel::air($weather),
                $vehicle,
                $place,
                $input->numberOrNull('panel_c'),
                $weather->flag('rain', false),
            ),
            array_map(static fn(Input $product): Bottle => ShelfReading::bottle($product), $input->objects('shelf')),
            asked: MatchModel::asked($input),
        );
        $outfit = self::outfit($input);
        $done = array_values(array_filter($input->has('done') ? $input->items('done') : [], is_string(...)));
        $visit = Visit::of($situation, $schools, $outfit, $done);

        return [
            ...VisitAnswer::of(
                $visit,
                $situation,
                $outfit->body,
                Remedies::for($visit, $situation, $schools, $outfit),
                $outfit->pace,
                $done,
            ),
            'urges' => array_map(
                static fn(Urge $urge): array => ['kind' => $urge->kind, 'says' => $urge->says, 'hour' => $urge->hour],
                Urge::for(
                    $visit->laying,
                    $situation,
                    $schools,
                    self::hours($input),
                    $input->has('hour') ? $input->whole('hour') : null,
                ),
            ),
        ];
    }

    private static function outfit(Input $input): Outfit
    {
        $crew = $input->has('crew') ? $input->whole('crew') : 1;
        InvalidInput::unlessBetween('crew', $crew, 1, 8, 'people');
        $lance = $input->has('lance') ? $input->object('lance') : null;
        $tank = $input->has('tank') ? $input->object('tank') : null;
        $pace = [];
        foreach ($input->has('pace') ? $input->objects('pace') : [] as $one) {
            $pace[] = [
                'kind' => $one->textOrNull('kind'),
                'person' => $one->textOrNull('person'),
                'vehicle' => $one->textOrNull('vehicle') ?? 'this',
                'estimated' => $one->number('estimated'),
                'took' => $one->number('took'),
            ];
        }

        return new Outfit(
            $crew,
            $input->choiceOrNull('body', Body::class) ?? Body::Saloon,
            array_map(
                static fn(Input $vessel): Vessel => new Vessel(
                    $vessel->text('name'),
                    $vessel->choice('kind', VesselKind::class),
                    $vessel->number('ml'),
                ),
                $input->has('vessels') ? $input->objects('vessels') : [],
            ),
            $lance === null
                ? null
                : Lance::calibrated(
                    $lance->number('washer_l_min'),
                    $lance->number('bottle_ml'),
                    $lance->number('empties_s'),
                ),
            $tank === null
                ? null
                : new TankAtHand(
                    $tank->number('holds_l'),
                    $tank->number('start_l'),
                    $tank->numberOrNull('make_l_min') ?? 0.0,
                ),
            PaceBook::of($pace)->for(
                'this',
                array_values(array_filter($input->has('people') ? $input->items('people') : [], is_string(...))),
            ),
        );
    }

    /** @return array<int, array{air: Air, rain: bool}> */
    private static function hours(Input $input): array
    {
        $hours = [];
        foreach ($input->has('hours') ? $input->objects('hours') : [] as $hour) {
            $hours[$hour->whole('hour')] = ['air' => MatchModel::air($hour), 'rain' => $hour->flag('rain', false)];
        }

        return $hours;
    }
}
