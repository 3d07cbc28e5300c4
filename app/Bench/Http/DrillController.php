<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\DrillAnswer;
use App\Bench\JudgeDrill;
use App\Book\Vehicle;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Random\Randomizer;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Practice\Standing;
use Vicissa\Core\Says\Said;

/** Practice: a vehicle, a day, its dirt; choose, and hear why. */
#[
    Shape(
        'DrillStanding',
        new Field('judgement', 'string', null, ['method', 'soap', 'drying', 'topper']),
        new Field('asked', 'integer'),
        new Field('right', 'integer'),
        new Field('lately', 'number', 'Share, the newest weighing most'),
        new Field('level', 'integer'),
    ),
]
#[Shape('DrillChoice', new Field('value', 'string'), new Field('says', 'said'))]
#[
    Shape(
        'DrillPlace',
        new Field('water', 'string'),
        new Field('pressure', 'boolean'),
        new Field('power', 'boolean'),
        new Field('shade', 'boolean'),
        new Field('bay', 'boolean'),
    ),
]
#[
    Shape(
        'DrillWeather',
        new Field('air_c', 'number'),
        new Field('rh', 'number'),
        new Field('wind_m_s', 'number'),
        new Field('sun_w_m2', 'number'),
        new Field('rain', 'boolean'),
    ),
]
#[
    Shape(
        'DrillCase',
        new Field('vehicle_id', 'uuid'),
        new Field('vehicle', 'string'),
        new Field('says', 'said[]'),
        new Field('seed', 'integer'),
        new Field('focus', 'string'),
        new Field('level', 'integer'),
        new Field('soil', 'integer'),
        new Field('grit', 'boolean'),
        new Field('on', 'string[]'),
        new Field('after_wash', 'string?'),
        new Field('place', 'DrillPlace'),
        new Field('weather', 'DrillWeather'),
        new Field('methods', 'DrillChoice[]'),
        new Field('soaps', 'DrillChoice[]'),
        new Field('ways', 'DrillChoice[]'),
        new Field('decisions', 'DrillChoice[]'),
    ),
]
#[Shape('Drill', new Field('standing', 'DrillStanding[]'), new Field('case', 'DrillCase'))]
#[
    Shape(
        'DrillGiven',
        new Field('method', 'string'),
        new Field('soap?', 'string'),
        new Field('drying?', 'string'),
        new Field('topper?', 'string'),
    ),
]
#[
    Shape(
        'DrillInput',
        new Field('vehicle_id', 'uuid'),
        new Field('seed', 'integer'),
        new Field('focus', 'string'),
        new Field('level', 'integer'),
        new Field('given', 'DrillGiven'),
    ),
]
#[
    Shape(
        'DrillJudged',
        new Field('judgement', 'string'),
        new Field('right', 'boolean'),
        new Field('ours', 'string'),
        new Field('says', 'said', 'Of what was answered'),
        new Field('why', 'said', 'Of what the rules choose'),
    ),
]
#[Shape('DrillResult', new Field('judged', 'DrillJudged[]'), new Field('standing', 'DrillStanding[]'))]
#[
    Shape(
        'DrillPerson',
        new Field('name', 'string'),
        new Field('answers', 'integer'),
        new Field('last_at', 'date-time'),
        new Field('standing', 'DrillStanding[]'),
        new Field('needs', 'string', 'The judgement that needs practice most'),
    ),
]
final readonly class DrillController
{
    private const WAYS = [
        'air-then-towel',
        'sheet-then-towel',
        'warm-air',
        'towel',
        'air-and-blot',
        'blot',
        'air-only',
        'at-once',
        'none',
    ];

    /** So many of the newest answers say how somebody stands. */
    private const LOOKS_BACK = 200;

    public function __construct(
        private Tenancy $tenancy,
        private ClockInterface $clock,
        private JudgeDrill $judgeDrill,
    ) {}

    #[
        OA\Get(
            path: '/api/v1/drill',
            operationId: 'nextDrill',
            summary: 'The next case, by what one was wrong about lately',
            tags: ['Drill'],
        ),
    ]
    #[Returns('Drill')]
    public function next(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $standing = $this->standing($this->who($request)->id);
        $focus = $standing->focus();
        $level = $standing->of[$focus->value]['level'];
        $random = new Randomizer();
        $ids = Vehicle::query()->whereNull('archived_at')->orderBy('id')->pluck('id')->all();
        if ($ids === []) {
            throw Problem::conflict(Said::of('drill.no-vehicle'));
        }
        $vehicle = Vehicle::query()->whereKey($ids[$random->getInt(0, count($ids) - 1)])->firstOrFail();
        $seed = $random->getInt(1, 2_000_000_000);
        $case = CaseDraw::of($seed, $focus, $level);
        [$soaps, $says] = $this->judgeDrill->choices($vehicle, $case);
        $choice = static fn(string $value, string|Said $says): array => ['value' => $value, 'says' => $says];

        return new JsonResponse([
            'standing' => self::told($standing),
            'case' => [
                'vehicle_id' => $vehicle->id,
                'vehicle' => $vehicle->name,
                'says' => $says,
                'seed' => $seed,
                'focus' => $focus->value,
                'level' => $level,
                'soil' => $case->soil,
                'grit' => $case->grit,
                'on' => $case->on,
                'after_wash' => $case->afterWash,
                'place' => $case->place,
                'weather' => $case->weather,
                'methods' => [
                    ...array_map(
                        static fn(Method $method): array => $choice($method->value, $method->says()),
                        Method::cases(),
                    ),
                    $choice('none', Said::of('drill.none')),
                ],
                'soaps' => array_map(static fn(Bottle $bottle): array => $choice($bottle->id, $bottle->name), $soaps),
                'ways' => array_map(static fn(string $way): array => $choice($way, Said::of("way.{$way}")), self::WAYS),
                'decisions' => array_map(
                    static fn(Decision $decision): array => $choice($decision->value, $decision->says()),
                    Decision::cases(),
                ),
            ],
        ]);
    }

    #[OA\Post(path: '/api/v1/drill', operationId: 'answerDrill', tags: ['Drill'])]
    #[Takes('DrillInput')]
    #[Returns('DrillResult', 201)]
    public function answer(Request $request): JsonResponse
    {
        Gate::authorize('viewAny', Vehicle::class);
        $facts = $request->validate(
            [
                'vehicle_id' => ['required', 'uuid'],
                'seed' => ['required', 'integer', 'between:1,2000000000'],
                'focus' => ['required', Rule::enum(Judgement::class)],
                'level' => ['required', 'integer', 'between:1,' . Standing::HARDEST],
                'given' => ['required', 'array:method,soap,drying,topper'],
                'given.method' => ['required', 'string', 'max:40'],
                'given.*' => ['string', 'max:40'],
            ],
            ['given.method.required' => Teller::here()->say('drill.method')],
        );
        $vehicle = Vehicle::query()->whereKey($facts['vehicle_id'])->firstOrFail();
        $user = $this->who($request);
        /** @var array<string, string> $given */
        $given = $facts['given'];
        $judged = ($this->judgeDrill)(
            $vehicle,
            CaseDraw::of($facts['seed'], Judgement::from($facts['focus']), $facts['level']),
            $given,
        );
        DrillAnswer::query()->create([
            'user_id' => $user->id,
            'facts' => ['vehicle_id' => $vehicle->id, 'seed' => $facts['seed'], 'focus' => $facts['focus']],
            'given' => $given,
            'right' => array_map(static fn(array $one): bool => $one['right'], $judged),
            'level' => $facts['level'],
            'at' => $this->clock->now(),
        ]);

        return new JsonResponse(
            [
                'judged' => array_map(
                    static fn(string $name, array $one): array => ['judgement' => $name, ...$one],
                    array_keys($judged),
                    array_values($judged),
                ),
                'standing' => self::told($this->standing($user->id)),
            ],
            201,
        );
    }

    #[
        OA\Get(
            path: '/api/v1/drill/people',
            operationId: 'drillPeople',
            summary: 'Which judgements need practice, person by person; for the owner',
            tags: ['Drill'],
        ),
    ]
    #[Returns('DrillPerson', list: true)]
    public function people(): JsonResponse
    {
        Gate::authorize('manage', $this->tenancy->workspace());
        $rows = DrillAnswer::query()->with('user:id,name')->orderByDesc('at')->limit(5000)->get()->groupBy('user_id');

        return new JsonResponse([
            'data' => array_values(
                $rows
                    ->map(static function ($some): array {
                        $standing = Standing::of(
                            array_values(
                                $some
                                    ->take(self::LOOKS_BACK)
                                    ->reverse()
                                    ->map(static fn(DrillAnswer $one): array => $one->right)
                                    ->all(),
                            ),
                        );
                        $newest = $some->first();

                        return [
                            'name' => $newest->user->name ?? '',
                            'answers' => $some->count(),
                            'last_at' => $newest?->at->toIso8601ZuluString(),
                            'standing' => self::told($standing),
                            'needs' => $standing->focus()->value,
                        ];
                    })
                    ->sortBy('name')
                    ->all(),
            ),
        ]);
    }

    private function standing(string $user): Standing
    {
        return Standing::of(
            array_values(
                DrillAnswer::query()
                    ->where('user_id', $user)
                    ->orderByDesc('at')
                    ->orderByDesc('id')
                    ->limit(self::LOOKS_BACK)
                    ->get()
                    ->reverse()
                    ->map(static fn(DrillAnswer $one): array => $one->right)
                    ->all(),
            ),
        );
    }

    /** @return list<Told<'DrillStanding'>> */
    private static function told(Standing $standing): array
    {
        return array_map(
            static fn(string $name, array $one): array => [
                'judgement' => $name,
                ...$one,
                'lately' => round($one['lately'], 3),
            ],
            array_keys($standing->of),
            array_values($standing->of),
        );
    }

    private function who(Request $request): User
    {
        $user = $request->user();
        abort_unless($user instanceof User, 401);

        return $user;
    }
}
