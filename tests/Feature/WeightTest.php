<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\ProblemRenderer;
use App\Http\Slot;
use App\Reckon\Weights;
use App\Weeks\Closure;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** No request may be dear: each is weighed before anybody works on it, and what somebody has cost is told. */
final class WeightTest extends TestCase
{
    /** @return iterable<string, array{string, mixed}> */
    public static function heavy(): iterable
    {
        $hour = ['air_c' => 14, 'rh' => 0.7, 'wind_m_s' => 2, 'sun_w_m2' => 100];
        yield 'two thousand windows' => ['window', array_fill(0, 2000, [...$hour, 'tone' => 'dark'])];
        yield 'a tank that is drawn from twenty thousand times' => [
            'tank',
            ['draws' => array_fill(0, 20_000, ['start_min' => 0, 'minutes' => 1, 'l_min' => 1])],
        ];
        yield 'a curve of twenty thousand hours' => [
            'curve',
            ['hours' => array_fill(0, 20_000, $hour), 'tone' => 'dark'],
        ];
        yield 'five thousand vehicles' => [
            'plan',
            ['vehicles' => array_fill(0, 5000, []), 'days' => 56, 'crews' => [[]]],
        ];
        yield 'four hundred years' => ['plan', ['vehicles' => [[]], 'days' => 146_000, 'crews' => [[]]]];
        yield 'everybody else' => ['due', ['others' => array_fill_keys(range('a', 'z'), array_fill(0, 400, [1, 2]))]];
        yield 'a visit of eighty steps' => ['sheet', ['crew' => 2, 'steps' => array_fill(0, 80, [])]];
        yield 'a shelf of a shop, compared' => ['match', ['shelf' => array_fill(0, 900, []), 'compare' => true]];
        yield 'a week of hours' => ['visit', ['hours' => array_fill(0, 300, $hour)]];
    }

    #[DataProvider('heavy')]
    public function testWhatWeighsTooMuchIsNotWorkedOn(string $model, mixed $asked): void
    {
        [$owner] = $this->business();
        $answer = $this->actingAs($owner)->postJson("/api/v1/reckon/{$model}", $asked);
        $this->assertProblem($answer, 413, 'may weigh 1,000');
        self::assertLessThan(400, (int) $answer->headers->get('X-Cost-Ms'), 'refused before it is begun');
    }

    /** A day's usual questions are far from it. */
    public function testOrdinaryQuestionsAreLight(): void
    {
        foreach (['match' => 300, 'visit' => 60, 'sheet' => 700, 'plan' => 700] as $model => $most) {
            /** @var array<string, mixed> $example */
            $example = json_decode((string) file_get_contents(base_path("docs/examples/{$model}.json")), true);
            self::assertLessThan($most, Weights::of($model, $example), $model);
        }
    }

    public function testWhoeverHasSpentTheirMinuteWaits(): void
    {
        config(['vicissa.limits.cpu_ms' => 1]);
        [$owner] = $this->business();
        $this->actingAs($owner);
        /** @var array<string, mixed> $match */
        $match = json_decode((string) file_get_contents(base_path('docs/examples/match.json')), true);
        do {
            $answer = $this->postJson('/api/v1/reckon/match', [...$match, 'compare' => true]);
        } while ($answer->status() === 200 && (int) $answer->headers->get('X-Cost-Left-Ms') > 0);
        $refused = $this->getJson('/api/v1/me');
        $this->assertProblem($refused, 429, 'much in a short time');
        self::assertGreaterThan(0, (int) $refused->headers->get('Retry-After'));
        [$another] = $this->business('Another');
        self::assertSame(0, RateLimiter::attempts("cpu {$another->id}"), 'it is nobody else’s minute');
    }

    public function testNobodyTakesAllThePlaces(): void
    {
        config(['vicissa.limits.at_once' => 2, 'vicissa.limits.wait_ms' => 60]);
        [$owner] = $this->business();
        $one = Slot::take("cpu {$owner->id}", 2);
        $other = Slot::take("cpu {$owner->id}", 2);
        $this->assertProblem($this->actingAs($owner)->getJson('/api/v1/me'), 429, 'at once');
        $one?->leave();
        $this->getJson('/api/v1/me')->assertOk();
        $other?->leave();
    }

    /** Who comes while all places are taken has one as soon as one is free. */
    public function testAPlaceIsWaitedFor(): void
    {
        $held = Slot::take('somebody', 1);
        self::assertNotNull($held);
        self::assertNull(Slot::take('somebody', 1, 60));
        $held->leave();
        self::assertNotNull(Slot::take('somebody', 1, 60));
    }

    /** A disk that takes nothing more keeps nobody out: not by places, nor by what is written down of the door. */
    public function testAFullDiskKeepsNobodyOut(): void
    {
        [$owner] = $this->business();
        $before = storage_path();
        $kept = (string) ini_set('error_log', $own = storage_path('logs/own-door.log'));
        try {
            $this->app?->useStoragePath('/proc/nowhere');
            self::assertNotNull(Slot::take("cpu {$owner->id}", 0));
            config(['logging.channels.door.path' => '/proc/nowhere/door.log']);
            app('log')->forgetChannel('door');
            $this->postJson('/api/v1/auth/sign-in', [
                'email' => $owner->email,
                'password' => 'wrong one',
            ])->assertUnprocessable();
            // What happened at the door is said where anything can be said at all.
            self::assertStringContainsString('sign-in-failed', (string) file_get_contents($own));
            unlink($own);
        } finally {
            ini_set('error_log', $kept);
            $this->app?->useStoragePath($before);
        }
    }

    /** Whoever is nobody yet says little. */
    public function testBodiesHaveTheirMeasure(): void
    {
        $much = ['email' => str_repeat('a', 20_000), 'password' => 'x'];
        $this->assertProblem($this->postJson('/api/v1/auth/sign-in', $much, self::FROM_PAGE), 413, 'At most 16 kB');
        [$owner] = $this->business();
        $this->assertProblem(
            $this->actingAs($owner)->postJson('/api/v1/clients', [
                'name' => 'A',
                'notes' => str_repeat('a', 1_100_000),
            ]),
            413,
            '1,024 kB',
        );
        $nginx = (string) file_get_contents(base_path('bin/nginx.conf'));
        foreach (
            ['auth/ { client_max_body_size 16k', 'photos$ { client_max_body_size 12m', '{ client_max_body_size 6m']
            as $said
        ) {
            self::assertStringContainsString($said, $nginx);
        }
    }

    public function testAPictureOfFortyNineMegapixelsIsNotDrawn(): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $head = "\x89PNG\r\n\x1a\n" . pack('N', 13) . 'IHDR' . pack('NN', 7000, 7000) . "\x08\x02\x00\x00\x00";
        $file = UploadedFile::fake()->createWithContent('a.png', $head . pack('N', crc32(substr($head, 12))));
        $this->actingAs($owner);
        $this->assertProblem($this->sendPhoto($car->id, $file), 422, 'larger than any photo', '/file');
    }

    /** What runs out of its time or memory asked for too much: told so, and no fault of ours. */
    #[TestWith(['Maximum execution time of 10 seconds exceeded', 413])]
    #[TestWith(['Allowed memory size of 268435456 bytes exhausted (tried to allocate 20480 bytes)', 413])]
    #[TestWith(['Something else', 500])]
    public function testWhatRunsOutOfTimeIsToldSo(string $message, int $status): void
    {
        $answer = app(ProblemRenderer::class)->render(
            new FatalError($message, 0, ['type' => E_ERROR, 'message' => $message, 'file' => '', 'line' => 0]),
            Request::create('/api/v1/weeks'),
        );
        self::assertSame($status, $answer?->getStatusCode());
    }

    public function testLabelsEndSomewhere(): void
    {
        [$owner] = $this->business();
        $label = ['name' => 'A', 'dilution' => '1:10', 'mixed_on' => '2026-11-25', 'copies' => 40];
        $this->assertProblem(
            $this->actingAs($owner)->postJson('/api/v1/labels', [
                'size' => 'small',
                'labels' => array_fill(0, 4, $label),
            ]),
            422,
            '160 labels',
            '/labels',
        );
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function calendars(): iterable
    {
        $never = ['may never come round', '20260101'];
        yield 'a 30 February' => ['RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', ...$never];
        yield 'each February’s 31st' => [
            'RRULE:FREQ=MONTHLY;INTERVAL=12;BYMONTHDAY=31',
            'may never come round',
            '20260201',
        ];
        yield 'no step' => ['RRULE:FREQ=DAILY;INTERVAL=0', ...$never];
        yield 'seconds' => ['RRULE:FREQ=SECONDLY', ...$never];
        yield 'a fifth place of one' => ['RRULE:FREQ=MONTHLY;BYDAY=1MO;BYSETPOS=3', ...$never];
        yield 'a week that is none' => ['RRULE:FREQ=YEARLY;BYWEEKNO=60', ...$never];
        yield 'no kind' => ['RRULE:COUNT=3', ...$never];
        yield 'a day that is none' => ['X-A:B', 'can’t be read', '20269999'];
    }

    #[DataProvider('calendars')]
    public function testACalendarThatWouldNeverEndIsToldSo(string $line, string $says, string $begins): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $this->assertProblem($this->actingAs($owner)->import($car->id, $line, $begins), 422, $says);
        self::assertSame(0, $this->inside($workspace, static fn(): int => Closure::query()->count()));
    }

    public function testWhatHasGoneOnForACenturyGoesOn(): void
    {
        [$owner, $workspace] = $this->business();
        $car = $this->vehicle($workspace);
        $found = $this->actingAs($owner)->import($car->id, 'RRULE:FREQ=WEEKLY;INTERVAL=2', '19000101')->assertOk();
        self::assertCount(26, $found->json('data'));
        // Mondays, every second one, as from 1 January 1900.
        foreach ($found->json('data') as $one) {
            self::assertSame(
                0,
                ((int) (strtotime($one['from']) / 86400) - (int) (strtotime('1900-01-01') / 86400)) % 14,
            );
        }
        $this->import($car->id, 'RRULE:FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', '20200131')->assertOk();
        $this->import($car->id, 'RRULE:FREQ=MONTHLY;BYMONTHDAY=31', '20200131')->assertOk();
        $this->import($car->id, 'RRULE:FREQ=YEARLY', '20200504')->assertOk();
    }

    /** @return TestResponse<Response> */
    private function import(string $car, string $line, string $begins): TestResponse
    {
        return $this->postJson('/api/v1/days/import', [
            'vehicle_id' => $car,
            'as' => 'closed',
            'dry' => false,
            'ics' => implode("\r\n", [
                'BEGIN:VCALENDAR',
                'VERSION:2.0',
                'BEGIN:VEVENT',
                'UID:a',
                "DTSTART;VALUE=DATE:{$begins}",
                $line,
                'SUMMARY:Away',
                'END:VEVENT',
                'END:VCALENDAR',
                '',
            ]),
        ]);
    }
}
