<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The models in their JSON form, the same over HTTP and on the command line. */
final class ReckonTest extends TestCase
{
    private const MODELS = [
        'ratio' => 1e-6,
        'due' => 2e-3,
        'bead' => 1e-6,
        'diagnose' => 0,
        'verdict' => 0,
        'window' => 1e-3,
        'spots' => 1e-6,
        'towels' => 0,
        'lance' => 1e-6,
        'tank' => 1e-6,
    ];

    /** @return iterable<string, array{string, float}> */
    public static function models(): iterable
    {
        foreach (self::MODELS as $model => $tolerance) {
            yield $model => [$model, (float) $tolerance];
        }
    }

    #[DataProvider('models')]
    public function testEveryVectorOverHttpAndOnTheCommandLine(string $model, float $tolerance): void
    {
        /** @var list<array{name: string, input: array<string, mixed>, expect: array<string, mixed>}> $vectors */
        $vectors = json_decode(
            (string) file_get_contents(base_path("core/tests/vectors/{$model}.json")),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        $inputs = array_column($vectors, 'input');
        [$owner] = $this->business();
        $http = $this->actingAs($owner)
            ->postJson("/api/v1/reckon/{$model}", $inputs)
            ->assertOk()
            ->json();
        $process = $this->command($model, (string) json_encode($inputs));
        self::assertSame($http, json_decode($process->getOutput(), true));
        $errors = 0;
        foreach ($vectors as $i => $vector) {
            $errors += isset($vector['expect']['error']) ? 1 : 0;
            foreach ($vector['expect'] as $key => $value) {
                is_int($value) || is_float($value)
                    ? self::assertEqualsWithDelta(
                        $value,
                        $http[$i][$key],
                        $tolerance * max(1e-9, abs($value)),
                        "{$vector['name']} {$key}",
                    )
                    : self::assertSame($value, $http[$i][$key], "{$vector['name']} {$key}");
            }
        }
        self::assertSame($errors === 0 ? 0 : 1, $process->getExitCode());
    }

    #[TestWith(['match'])]
    #[TestWith(['sheet'])]
    #[TestWith(['plan'])]
    #[TestWith(['visit'])]
    public function testTheDocumentedExampleIsAnsweredAsDocumented(string $model): void
    {
        $input = (string) file_get_contents(base_path("docs/examples/{$model}.json"));
        $documented = json_decode(
            (string) file_get_contents(base_path("docs/examples/{$model}.answer.json")),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        $process = $this->command($model, $input);
        self::assertSame(0, $process->getExitCode());
        self::assertEquals($documented, json_decode($process->getOutput(), true));
        [$owner] = $this->business();
        self::assertEquals(
            $documented,
            $this->actingAs($owner)
                ->postJson("/api/v1/reckon/{$model}", json_decode($input, true))
                ->assertOk()
                ->json(),
        );
    }

    public function testEveryVisitOfTheVectorsOverHttpAndWhatCannotBeKeptIsNamed(): void
    {
        /**
         * @var list<array{name: string, input: array<string, mixed>, expect: array{best_known: int,
         *     proven: bool}}> $vectors
         */
        $vectors = json_decode(
            (string) file_get_contents(base_path('core/tests/vectors/sheet.json')),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        [$owner] = $this->business();
        $answers = $this->actingAs($owner)
            ->postJson('/api/v1/reckon/sheet', array_column($vectors, 'input'))
            ->assertOk()
            ->json();
        self::assertSame(
            array_map(static fn(array $vector): int => $vector['expect']['best_known'], $vectors),
            array_column($answers, 'finish'),
        );
        $clash = $this->postJson('/api/v1/reckon/sheet', [
            'crew' => 1,
            'steps' => [
                ['id' => 'spray', 'minutes' => 2],
                ['id' => 'brush', 'minutes' => 9, 'after' => ['spray']],
                [
                    'id' => 'rinse',
                    'minutes' => 1,
                    'after' => ['brush'],
                    'dwell' => ['of' => 'spray', 'min' => 1, 'max' => 5],
                ],
            ],
        ])
            ->assertOk()
            ->json();
        self::assertSame(['infeasible', ['spray', 'brush', 'rinse']], [$clash['error'], $clash['clash']]);
        self::assertStringContainsString('at most 5 min', $clash['message']);
    }

    /** @return iterable<string, array{string, mixed, string, string}> */
    public static function nonsense(): iterable
    {
        yield 'no height' => ['bead', ['base_mm' => 3], 'height_mm', 'is missing'];
        yield 'a drop of no width' => ['bead', ['base_mm' => 0, 'height_mm' => 1], 'base_mm', 'must lie between'];
        yield 'no reading' => ['diagnose', ['designed' => 'beads'], 'arrival', 'at least one reading'];
        yield 'an unknown reading' => [
            'diagnose',
            ['designed' => 'beads', 'arrival' => 'wet'],
            'arrival',
            'tight, good, weak',
        ];
        yield 'a backward label' => [
            'due',
            ['label_weeks' => [10, 4], 'own' => [], 'others' => [], 'worn' => 0],
            'label_weeks',
            'must not be shorter',
        ];
        yield 'a failure before it held' => [
            'due',
            ['label_weeks' => [4, 10], 'own' => [[5, 4]], 'worn' => 0],
            'own',
            'can’t fail before',
        ];
        yield 'pH of nothing known' => [
            'verdict',
            [
                'product' => [
                    'role' => 'soap',
                    'ph' => 20,
                    'leaves' => 'nothing',
                    'strips' => 'none',
                    'solvent' => false,
                    'surfaces' => ['paint'],
                    'may_dry' => true,
                    'rinse' => true,
                ],
                'layer' => 'wax',
                'finish' => [],
                'zone' => 'paint',
                'context' => ['water' => 'tap', 'purpose' => 'maintain', 'bare_face' => true, 'in_stock' => true],
            ],
            'product.ph',
            'between 0 and 14',
        ];
        yield 'a path into the object' => ['verdict', ['product' => ['role' => 'paint']], 'context', 'is missing'];
        yield 'a distance in words' => [
            'wear',
            ['storage' => 'garage', 'road' => 'normal', 'km_per_week' => 'far'],
            'km_per_week',
            'must be a number',
        ];
        yield 'no such hour' => [
            'window',
            [
                'air_c' => 20,
                'rh' => 65,
                'wind_m_s' => 1,
                'sun_w_m2' => 0,
                'absorptance' => 0.5,
                'panel_heat_j_m2k' => 2700,
                'panel_c' => 20,
                'film_kg_m2' => 0.1,
            ],
            'rh',
            '0.65 for 65 %',
        ];
        yield 'half a level of soil' => [
            'towels',
            ['area_m2' => 10, 'soil' => 2.5, 'prerinsed' => true, 'sides_per_towel' => 8],
            'soil',
            'whole number',
        ];
        yield 'a level of soil that is none' => [
            'towels',
            ['area_m2' => 10, 'soil' => 7, 'prerinsed' => true, 'sides_per_towel' => 8],
            'soil',
            '0 (clean) to 5 (caked)',
        ];
        yield 'less than no solids' => [
            'spots',
            ['tds_mg_l' => -3, 'film_kg_m2' => 0.05],
            'tds_mg_l',
            'must lie between',
        ];
        yield 'a hardness nobody can read' => ['hardness', ['text' => '12 °dX'], 'text', 'no hardness of water'];
        yield 'neither solids nor hardness' => ['spots', ['film_kg_m2' => 0.05], 'tds_mg_l', 'is missing'];
        yield 'a bottle without a use' => [
            'match',
            [
                'vehicle' => ['paint_m2' => 10],
                'seen' => ['soil' => 2],
                'weather' => ['air_c' => 10, 'rh' => 0.7, 'wind_m_s' => 1, 'sun_w_m2' => 0],
                'shelf' => [['name' => 'X', 'role' => 'shine', 'ph' => 7]],
            ],
            'shelf.0.role',
            'must be one of',
        ];
        yield 'a side that is none' => [
            'match',
            [
                'vehicle' => ['paint_m2' => 10],
                'seen' => ['soil' => 2],
                'weather' => ['air_c' => 10, 'rh' => 0.7, 'wind_m_s' => 1, 'sun_w_m2' => 0],
                'shelf' => [],
                'schools' => ['tyre' => 'matt'],
            ],
            'schools.tyre',
            'satin, gloss',
        ];
        yield 'a visit of strangers' => [
            'sheet',
            ['crew' => 1, 'steps' => [['id' => 'a', 'minutes' => 2, 'after' => ['b']]]],
            'steps.0.after.0',
            'not among the steps',
        ];
        yield 'a crew of nine' => [
            'sheet',
            ['crew' => 9, 'steps' => [['id' => 'a', 'minutes' => 2]]],
            'crew',
            'between 1 and 8',
        ];
        yield 'a horsebox of nothing' => [
            'area',
            ['length_m' => 6, 'width_m' => 0, 'height_m' => 3],
            'width_m',
            'between 0.5 and 4',
        ];
        yield 'a drop with one foot' => [
            'gauge',
            ['drops' => [['left' => [0, 0], 'right' => [1, 0], 'top' => [0, 9]]]],
            'drops.0.right',
            'one spot',
        ];
        yield 'no drop at all' => ['gauge', ['drops' => []], 'drops', 'at least one drop'];
        yield 'a text for a number' => ['ratio', ['text' => 15], 'text', 'must be a text'];
        yield 'a list for an object' => ['ratio', [[1, 2]], '', 'JSON object'];
    }

    #[DataProvider('nonsense')]
    public function testBadInputNamesTheField(string $model, mixed $input, string $field, string $says): void
    {
        [$owner] = $this->business();
        $this->actingAs($owner);
        $items = is_array($input) && array_is_list($input) ? $input : [$input];
        $error = $this->postJson("/api/v1/reckon/{$model}", $items)
            ->assertOk()
            ->json('0');
        self::assertSame(['invalid', $field], [$error['error'], $error['field']]);
        self::assertStringContainsString($says, $error['message']);
        if ($field !== '') {
            $this->assertProblem(
                $this->postJson("/api/v1/reckon/{$model}", $input),
                422,
                $says,
                '/' . str_replace('.', '/', $field),
            );
        }
    }

    public function testTheCommandLineRefusesWhatIsNoJson(): void
    {
        $process = $this->command('ratio', 'one to ten');
        self::assertSame(1, $process->getExitCode());
        self::assertStringContainsString('JSON object', $process->getOutput());
        self::assertSame(1, $this->command('shine', '{}')->getExitCode());
    }

    public function testWearAccruesAsPublished(): void
    {
        [$owner] = $this->business();
        $answer = $this->actingAs($owner)
            ->postJson('/api/v1/reckon/wear', [
                'storage' => 'outdoors',
                'road' => 'normal',
                'km_per_week' => 200,
                'washes_per_week' => 1,
                'days' => 14,
                'washes' => [['day' => 7, 'traits' => ['contact'], 'drying_aid' => true]],
            ])
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta(1.0, $answer['per_week'], 1e-12);
        self::assertEqualsWithDelta(1.5 + 0.25 - 0.35, $answer['worn'], 1e-12);
    }

    private function command(string $model, string $input): Process
    {
        $process = new Process(['php', base_path('artisan'), 'vicissa:reckon', $model], base_path());
        $process->setInput($input);
        $process->run();

        return $process;
    }
}
