<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bench\DrillAnswer;
use App\Bench\JudgeDrill;
use App\Book\Vehicle;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\Auth;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Says\Said;

/** The drill: the rules ask, answer with why, and remember what was hard. */
final class DrillTest extends TestCase
{
    public function testWhatTheRulesChooseIsRightAndWhatTheyRefuseIsWrong(): void
    {
        [$owner, $workspace] = $this->business();
        $this->vehicle($workspace);
        $this->actingAs($owner);
        for ($i = 0; $i < 12; $i++) {
            $case = $this->getJson('/api/v1/drill')->assertOk()->json('case');
            $ours = $this->ours($workspace, $case);
            $result = $this->answer($case, array_map(static fn(array $one): string => $one['ours'], $ours))
                ->assertCreated()
                ->json();
            foreach ($result['judged'] as $one) {
                self::assertTrue($one['right'], json_encode([$case, $one], JSON_THROW_ON_ERROR));
                self::assertNotSame('', $one['why']);
            }
            self::assertContains($ours['method']['ours'], array_column($case['methods'], 'value'));
        }
        // Twelve right ones later it is harder.
        self::assertGreaterThan(2, $this->getJson('/api/v1/drill')->json('standing.0.level'));
        // A bucket over gritty dirt is refused, and it says by what.
        $seed = $this->day(
            static fn(CaseDraw $case): bool => $case->soil >= 4 &&
                $case->place['water'] !== 'none' &&
                $case->weather['air_c'] > 3,
        );
        $vehicle = $this->inside($workspace, static fn(): Vehicle => Vehicle::query()->firstOrFail());
        $wrong = $this->postJson('/api/v1/drill', [
            'vehicle_id' => $vehicle->id,
            'seed' => $seed,
            'focus' => 'method',
            'level' => 1,
            'given' => ['method' => 'waterless', 'soap' => 'none', 'drying' => 'none', 'topper' => 'not-today'],
        ])
            ->assertCreated()
            ->json();
        self::assertFalse($wrong['judged'][0]['right']);
        self::assertStringContainsString('over its ceiling of 1', $wrong['judged'][0]['says']);
        self::assertLessThan(0.9, $wrong['standing'][0]['lately']);
        $this->assertProblem(
            $this->postJson('/api/v1/drill', [
                'vehicle_id' => $vehicle->id,
                'seed' => $seed,
                'focus' => 'method',
                'level' => 1,
                'given' => [],
            ]),
            422,
            '',
            '/given',
        );
    }

    public function testTheOwnerSeesWhatNeedsPracticeAndNobodyElseDoes(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $technician = $this->technician($workspace);
        $this->actingAs($technician);
        foreach ([true, false, false] as $right) {
            $this->inside(
                $workspace,
                fn(): DrillAnswer => DrillAnswer::query()->create([
                    'user_id' => $technician->id,
                    'facts' => ['vehicle_id' => $vehicle->id, 'seed' => 1, 'focus' => 'topper'],
                    'given' => [],
                    'right' => ['method' => true, 'soap' => true, 'drying' => true, 'topper' => $right],
                    'level' => 1,
                    'at' => $this->clock->now(),
                ]),
            );
            $this->clock->modify('+1 minute');
        }
        $this->getJson('/api/v1/drill/people')->assertForbidden();
        self::assertSame('topper', $this->getJson('/api/v1/drill')->json('case.focus'));
        Auth::forgetGuards();
        $people = $this->actingAs($owner, 'web')->getJson('/api/v1/drill/people')->assertOk()->json('data');
        self::assertSame(
            [[$technician->name, 3, 'topper']],
            array_map(static fn(array $one): array => [$one['name'], $one['answers'], $one['needs']], $people),
        );
        [$stranger] = $this->business('Elsewhere');
        Auth::forgetGuards();
        $this->actingAs($stranger, 'web');
        self::assertSame([], $this->getJson('/api/v1/drill/people')->json('data'));
        $this->assertProblem($this->getJson('/api/v1/drill'), 409, 'no vehicle');
    }

    /**
     * @param array<string, mixed> $case
     * @return array<string, array{right: bool, ours: string, says: Said|null, why: Said}>
     */
    private function ours(Workspace $workspace, array $case): array
    {
        return $this->inside(
            $workspace,
            static fn(): array => app(JudgeDrill::class)(
                Vehicle::query()->whereKey($case['vehicle_id'])->firstOrFail(),
                CaseDraw::of($case['seed'], Judgement::from($case['focus']), $case['level']),
                [],
            ),
        );
    }

    /**
     * @param array<string, mixed> $case
     * @param array<string, string> $given
     * @return TestResponse<Response>
     */
    private function answer(array $case, array $given): TestResponse
    {
        return $this->postJson('/api/v1/drill', [
            ...array_intersect_key($case, ['vehicle_id' => 1, 'seed' => 1, 'focus' => 1, 'level' => 1]),
            'given' => $given,
        ]);
    }

    /** @param callable(CaseDraw): bool $is */
    private function day(callable $is): int
    {
        for ($seed = 1; $seed < 10000; $seed++) {
            if ($is(CaseDraw::of($seed, Judgement::Method, 1))) {
                return $seed;
            }
        }
        self::fail('There is no such day.');
    }
}
