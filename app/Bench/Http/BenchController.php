<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\AtHand;
use App\Bench\Equip;
use App\Bench\ExpectVisit;
use App\Bench\GatherAtHand;
use App\Bench\NameDifferences;
use App\Bench\OrdinaryDay;
use App\Bench\SetScene;
use App\Bench\VisitWish;
use App\Book\Site;
use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Reckon\Input;
use App\Reckon\MatchAnswer;
use App\Reckon\MatchModel;
use App\Reckon\VisitAnswer;
use App\Standins\Weather;
use App\Standins\WeatherHour;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Visit;
use Vicissa\Core\Visit\WhatIf;

/** The bench: the match for a vehicle as one changes what is seen, where and when. Reads only. */
final class BenchController
{
    private const MOST_HOURS = 24 * 10;

    #[
        OA\Post(
            path: '/api/v1/bench/match',
            operationId: 'matchTurn',
            summary: 'Method, products for every zone, topper, rinse, drying, cautions, and why; what was ruled out; what is missing',
            tags: ['Bench'],
        ),
    ]
    #[Takes('BenchInput')]
    #[Returns('Match')]
    public function match(
        Request $request,
        SetScene $setScene,
        Equip $equip,
        GatherAtHand $gatherAtHand,
        NameDifferences $nameDifferences,
    ): JsonResponse {
        $input = new Input($request->json()->all());
        $atHand = $gatherAtHand();
        [$situation, $schools] = $this->situation($input, $setScene, $atHand);
        $outfit = $this->outfit($input, $equip, $atHand);
        $visit = Visit::of($situation, $schools, $outfit);

        return new JsonResponse([
            ...MatchAnswer::of($visit->laying, $schools),
            'totals' => VisitAnswer::totals($visit->totals),
            'problem' => $visit->totals->minutes === null ? $visit->problems[0] ?? null : null,
            'expected' => $this->expectedOf($input, $visit, $atHand, $nameDifferences),
            ...$input->flag('compare', false)
                ? [
                    'otherwise' => MatchAnswer::otherwise([
                        ...WhatIf::otherwise($situation, $schools, $outfit, $visit->laying),
                        ...WhatIf::elsewhere($situation, $schools, $outfit, $visit->laying),
                    ]),
                ]
                : [],
        ]);
    }

    #[
        OA\Get(
            path: '/api/v1/bench/expected',
            operationId: 'expectVisit',
            summary: 'What a visit starts from until somebody looks: the place with what comes along, the hour’s weather, what is planned for the day and who comes',
            tags: ['Bench'],
            parameters: [
                new OA\QueryParameter(
                    name: 'vehicle',
                    description: 'None: nowhere in particular',
                    schema: new OA\Schema(type: 'string', format: 'uuid'),
                ),
                new OA\QueryParameter(
                    name: 'at',
                    description: 'Now when left out',
                    schema: new OA\Schema(type: 'string', format: 'date-time'),
                ),
            ],
        ),
    ]
    #[Returns('BenchExpected')]
    public function expected(
        Request $request,
        ExpectVisit $expectVisit,
        GatherAtHand $gatherAtHand,
        ClockInterface $clock,
        Tenancy $tenancy,
    ): JsonResponse {
        $asked = $request->validate(['vehicle' => ['sometimes', 'uuid'], 'at' => ['sometimes', 'date']]);
        $at = isset($asked['at']) ? Instant::of($asked['at']) : CarbonImmutable::instance($clock->now());
        if (abs($at->diffInDays($clock->now())) > 400) {
            throw Problem::field('at', Said::of('bench.weather-reach'));
        }
        $vehicle = isset($asked['vehicle']) ? $this->vehicle($asked['vehicle']) : null;
        $vehicle?->loadMissing(['site', 'standing.forecast']);
        $atHand = $gatherAtHand();
        $wish =
            $vehicle === null
                ? null
                : $expectVisit([[$vehicle, $tenancy->workspace()->dateOf($at)]], $atHand, laid: false)[0]['wish'];

        return new JsonResponse([
            'place' => ExpectVisit::place($vehicle, $atHand),
            'weather' => $expectVisit->sky($vehicle?->site, $at),
            'kinds' => $wish->facts['kinds'] ?? null,
            'scope' => $wish->facts['scope'] ?? 'usual',
            'crew' => $wish->people ?? 1,
            'members' => $wish->members ?? [],
            'soil' => data_get($wish?->facts, 'seen.soil', OrdinaryDay::SOIL),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/bench/doses',
            operationId: 'doseTurn',
            summary: 'What to mix for the match, in which vessels, to which marks, in the order of filling',
            tags: ['Bench'],
        ),
    ]
    #[Takes('BenchInput')]
    #[Returns('Doses')]
    public function doses(Request $request, SetScene $setScene, Equip $equip, GatherAtHand $gatherAtHand): JsonResponse
    {
        $input = new Input($request->json()->all());
        $atHand = $gatherAtHand();
        [$situation, $schools] = $this->situation($input, $setScene, $atHand);

        return new JsonResponse([
            'fills' => VisitAnswer::fills(
                Laying::of($situation, $schools, $this->outfit($input, $equip, $atHand))->doses,
            ),
        ]);
    }

    #[
        OA\Get(
            path: '/api/v1/schools',
            operationId: 'listSchools',
            summary: 'Where practitioners disagree: every school, its sides and one reason for each',
            tags: ['Bench'],
        ),
    ]
    #[Returns('School', list: true)]
    public function schools(): JsonResponse
    {
        return new JsonResponse([
            'data' => array_map(
                static fn(School $school): array => [
                    'school' => $school->value,
                    'asks' => $school->asks(),
                    'sides' => array_map(
                        static fn(int|string $side, array $words): array => ['side' => (string) $side, ...$words],
                        array_keys($school->sides()),
                        array_values($school->sides()),
                    ),
                ],
                School::cases(),
            ),
        ]);
    }

    #[
        OA\Get(
            path: '/api/v1/weather',
            operationId: 'weather',
            summary: 'Hour by hour from a moment on, at a site',
            tags: ['Bench'],
            parameters: [
                new OA\QueryParameter(name: 'site', schema: new OA\Schema(type: 'string', format: 'uuid')),
                new OA\QueryParameter(
                    name: 'from',
                    description: 'Now when left out',
                    schema: new OA\Schema(type: 'string', format: 'date-time'),
                ),
                new OA\QueryParameter(name: 'hours', schema: new OA\Schema(type: 'integer', maximum: self::MOST_HOURS)),
            ],
        ),
    ]
    #[Returns('WeatherHour', list: true)]
    public function weather(Request $request, Weather $weather, ClockInterface $clock): JsonResponse
    {
        $asked = $request->validate([
            'site' => ['sometimes', 'uuid'],
            'from' => ['sometimes', 'date'],
            'hours' => ['sometimes', 'integer', 'between:1,' . self::MOST_HOURS],
        ]);
        $site = isset($asked['site']) ? Site::query()->whereKey($asked['site'])->first() : null;
        [$latitude, $longitude] =
            $site?->latitude !== null && $site->longitude !== null
                ? [$site->latitude, $site->longitude]
                : Weather::SOMEWHERE;
        $from = isset($asked['from']) ? Instant::of($asked['from']) : CarbonImmutable::instance($clock->now());
        if (abs($from->diffInDays($clock->now())) > 400) {
            throw Problem::field('from', Said::of('bench.weather-reach'));
        }

        return new JsonResponse([
            'data' => array_map(
                static fn(WeatherHour $hour): array => [
                    'at' => $hour->at->format('Y-m-d\TH:i:s\Z'),
                    'air_c' => $hour->air->airC,
                    'rh' => $hour->air->rh,
                    'wind_m_s' => $hour->air->windMS,
                    'sun_w_m2' => $hour->air->sunWM2,
                    'cloud' => $hour->cloud,
                    'rain_mm' => $hour->rainMm,
                    'air_off_k' => $hour->airOffK,
                    'sureness' => $hour->sureness,
                ],
                $weather->hours($latitude, $longitude, $from, $request->integer('hours', 1)),
            ),
        ]);
    }

    /** @return array<string, mixed>|null */
    private function expectedOf(Input $input, Visit $visit, AtHand $atHand, NameDifferences $nameDifferences): ?array
    {
        [$id, $on] = [$input->textOrNull('vehicle_id'), $input->textOrNull('on')];
        if ($id === null || $on === null) {
            return null;
        }
        $day = Validator::make(
            ['on' => $on],
            ['on' => ['date_format:Y-m-d', 'after:-400 days', 'before:+400 days']],
        )->validate()['on'];

        return $nameDifferences(
            new VisitWish(
                $this->vehicle($id),
                (string) $day,
                $input->has('crew') ? $input->whole('crew') : 1,
                self::members($input),
                $input->all(),
            ),
            $visit,
            $atHand,
        );
    }

    /** @return array{Situation, Schools} */
    private function situation(Input $input, SetScene $setScene, AtHand $atHand): array
    {
        $id = $input->textOrNull('vehicle_id');

        return $setScene(
            $input,
            $id !== null ? $this->vehicle($id) : MatchModel::vehicle($input->object('vehicle')),
            $atHand->shelf,
        );
    }

    /** With the vehicle's own body and pace, so that the bench says what the sheet will. */
    private function outfit(Input $input, Equip $equip, AtHand $atHand): Outfit
    {
        $id = $input->textOrNull('vehicle_id');
        $vehicle = $id === null ? null : $this->vehicle($id);
        $body =
            $vehicle === null ? $input->choiceOrNull('body', Body::class) ?? Body::Saloon : Body::from($vehicle->body);

        $crew = $input->has('crew') ? $input->whole('crew') : 1;
        InvalidInput::unlessBetween($input->at('crew'), $crew, 1, 8);

        return $equip($crew, $body, $vehicle?->site, $atHand, $atHand->pace->for($vehicle?->id, self::members($input)));
    }

    /** @return list<string> */
    private static function members(Input $input): array
    {
        return $input->has('members') ? array_values(array_filter($input->items('members'), is_string(...))) : [];
    }

    private function vehicle(string $id): Vehicle
    {
        $vehicle = Str::isUuid($id) ? Vehicle::query()->find($id) : null;
        Gate::authorize('view', $vehicle ??= throw Problem::field('vehicle_id', Said::of('problem.no-vehicle')));

        return $vehicle;
    }
}
