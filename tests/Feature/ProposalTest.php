<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Client;
use App\Book\PlannedVisit;
use App\Book\Vehicle;
use App\Record\Photo;
use App\Standins\OutboxMessage;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use App\Weeks\CancelledVisit;
use App\Weeks\Proposal;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Tests\TestCase;

/**
 * Clients are asked, answer by a link that shows nothing else, and are reminded; in quiet hours nothing goes out, and
 * nothing twice.
 */
final class ProposalTest extends TestCase
{
    public function testADayIsProposedOnceAndAccepted(): void
    {
        [$owner, $workspace, $visit] = $this->planned();
        self::assertSame(
            ['asked' => 1, 'unreachable' => []],
            $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])
                ->assertOk()
                ->json(),
        );
        self::assertSame(
            0,
            $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])->json('asked'),
            'asked once',
        );
        $letters = $this->letters($workspace);
        self::assertCount(1, $letters);
        self::assertSame(['owner@isles.example', 'A day for Hearse'], [$letters[0]->recipient, $letters[0]->subject]);
        self::assertSame('sent', $this->getJson('/api/v1/weeks')->json('visits.0.proposed'));
        $link = $this->link($letters[0]->body);
        Auth::forgetGuards();
        $asked = $this->getJson("/api/v1/answers/{$link}")
            ->assertOk()
            ->json();
        self::assertSame(
            ['vehicle', 'from', 'on', 'kinds', 'status', 'language', 'wish_on', 'wish'],
            array_keys($asked),
            'and nothing else',
        );
        $this->postJson("/api/v1/answers/{$link}", ['accept' => true])
            ->assertOk()
            ->assertJsonPath('status', 'accepted');
        // A link that was tampered with, and one that is nobody's.
        $this->getJson('/api/v1/answers/' . substr($link, 0, -1) . ($link[-1] === '0' ? '1' : '0'))->assertNotFound();
        $this->getJson('/api/v1/answers/' . $workspace->id . '/' . str_repeat('a', 40))->assertNotFound();
        $this->getJson('/api/v1/weeks')->assertUnauthorized();
        $after = $this->actingAs($owner, 'web')->getJson('/api/v1/weeks')->json('visits.0');
        self::assertSame([true, 'accepted'], [$after['locked'], $after['proposed']], 'what both promised stays');
    }

    public function testAClientIsWrittenToInTheirLanguage(): void
    {
        [, $workspace, $visit] = $this->planned();
        $this->inside($workspace, static fn() => Client::query()->update(['language' => 'de']));
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])->assertOk();
        $letter = $this->letters($workspace)[0];
        self::assertSame('Ein Tag für Hearse', $letter->subject);
        self::assertMatchesRegularExpression(
            '/\n\n(Mon|Diens|Mitt|Donners|Frei)\w*, \d+\. \w+, Hearse: Wäsche/u',
            $letter->body,
        );
        Auth::forgetGuards();
        $this->getJson('/api/v1/answers/' . $this->link($letter->body))
            ->assertOk()
            ->assertJsonPath('language', 'de');
    }

    public function testAnotherDayIsAskedForAndAMovedVisitIsNotAnsweredAnyMore(): void
    {
        [$owner, $workspace, $visit] = $this->planned();
        $this->postJson('/api/v1/weeks/proposals', ['until' => '2026-12-20'])->assertOk();
        $link = $this->link($this->letters($workspace)[0]->body);
        $this->assertProblem(
            $this->postJson("/api/v1/answers/{$link}", ['accept' => false, 'wish_on' => '2026-11-01']),
            422,
            'choose one to come',
        );
        $this->postJson("/api/v1/answers/{$link}", [
            'accept' => false,
            'wish_on' => '2026-12-09',
            'wish' => 'We are away',
        ])
            ->assertOk()
            ->assertJsonPath('status', 'asked');
        Auth::forgetGuards();
        $this->actingAs($owner, 'web');
        $wish = $this->getJson('/api/v1/weeks')->json('wishes.0');
        self::assertSame(
            [$visit['id'], '2026-12-09', 'We are away'],
            [$wish['visit_id'], $wish['wish_on'], $wish['wish']],
        );
        $to = array_values(
            array_filter(
                $this->getJson("/api/v1/weeks/visits/{$visit['id']}/else")->json('days'),
                static fn(array $day): bool => $day['cost'] !== null,
            ),
        )[0]['on'];
        $this->postJson("/api/v1/weeks/visits/{$visit['id']}/move", ['on' => $to])
            ->assertOk()
            ->assertJsonPath('wishes', []);
        $this->getJson("/api/v1/answers/{$link}")
            ->assertOk()
            ->assertJsonPath('status', 'moved');
        $this->assertProblem(
            $this->postJson("/api/v1/answers/{$link}", ['accept' => true]),
            409,
            'has changed meanwhile',
        );
    }

    public function testAClientSeesTheLastVisitAndMayCancel(): void
    {
        Storage::fake('photos');
        [, $workspace, $visit] = $this->planned();
        $vehicle = $visit['vehicle_id'];
        $turn = $this->postJson(
            "/api/v1/vehicles/{$vehicle}/turns",
            $this->turn([
                'worked_at' => '2026-11-24T09:00:00Z',
                'minutes' => 77,
                'note' => 'Not for the client',
                'readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'weak']],
            ]),
        )
            ->assertCreated()
            ->json('id');
        $photo = (string) Str::uuid7();
        $this->post(
            "/api/v1/vehicles/{$vehicle}/photos",
            [
                'file' => UploadedFile::fake()->image('a.jpg', 64, 48),
                'id' => $photo,
                'zone' => 'paint',
                'stage' => 'after',
                'taken_at' => '2026-11-24T10:00:00Z',
            ],
            ['Accept' => 'application/json'],
        )->assertCreated();
        $this->inside(
            $workspace,
            static fn() => Photo::query()
                ->whereKey($photo)
                ->update(['turn_id' => $turn]),
        );
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])->assertOk();
        $link = $this->link($this->letters($workspace)[0]->body);
        Auth::forgetGuards();
        $last = $this->getJson("/api/v1/answers/{$link}/last")
            ->assertOk()
            ->json();
        self::assertSame(['2026-11-24', 'weak'], [$last['turn']['on'], $last['turn']['readings'][0]['behaviour']]);
        self::assertSame([$photo], array_column($last['turn']['photos'], 'id'));
        self::assertNotSame([], $last['due']);
        self::assertSame([null, null, null], [$last['turn']['note'], $last['turn']['by'], $last['turn']['minutes']]);
        $this->inside(
            $workspace,
            static fn() => Photo::query()
                ->whereKey($photo)
                ->update(['stage' => 'during']),
        );
        $this->getJson("/api/v1/answers/{$link}/photos/{$photo}")->assertNotFound();
        self::assertSame([], $this->getJson("/api/v1/answers/{$link}/last")->json('turn.photos'));
        $this->inside(
            $workspace,
            static fn() => Photo::query()
                ->whereKey($photo)
                ->update(['stage' => 'after']),
        );
        $this->get("/api/v1/answers/{$link}/photos/{$photo}")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg');
        $this->getJson("/api/v1/answers/{$link}/photos/" . Str::uuid7())->assertNotFound();
        $wrong = substr($link, 0, -1) . ($link[-1] === '0' ? '1' : '0');
        $this->getJson("/api/v1/answers/{$wrong}/last")->assertNotFound();
        $this->getJson("/api/v1/answers/{$wrong}/photos/{$photo}")->assertNotFound();

        // It belongs to somebody else meanwhile: what was done to it is theirs.
        $sold = fn(?string $to): mixed => $this->inside(
            $workspace,
            static fn() => Vehicle::query()
                ->whereKey($vehicle)
                ->update(['client_id' => $to]),
        );
        $client = $this->inside(
            $workspace,
            static fn(): mixed => Vehicle::query()->whereKey($vehicle)->value('client_id'),
        );
        $sold(null);
        self::assertSame(['turn' => null, 'due' => []], $this->getJson("/api/v1/answers/{$link}/last")->json());
        $this->getJson("/api/v1/answers/{$link}/photos/{$photo}")->assertNotFound();
        $sold($client);

        $this->postJson("/api/v1/answers/{$link}", ['accept' => true, 'cancel' => true])->assertStatus(422);
        $this->postJson("/api/v1/answers/{$link}", ['accept' => false, 'cancel' => true, 'wish' => 'We are away'])
            ->assertOk()
            ->assertJsonPath('status', 'cancelled');
        $this->getJson("/api/v1/answers/{$link}")->assertJsonPath('status', 'cancelled');
        $this->assertProblem($this->postJson("/api/v1/answers/{$link}", ['accept' => true]), 409, 'changed');
        $this->inside($workspace, static function () use ($visit): void {
            self::assertFalse(PlannedVisit::query()->whereKey($visit['id'])->exists());
            $cancelled = CancelledVisit::query()->whereKey($visit['id'])->sole();
            self::assertSame(['client', 'We are away'], [$cancelled->cancelled_by, $cancelled->why]);
        });
    }

    public function testTheDayEndsWhereTheWorkspaceIs(): void
    {
        [, $workspace, $visit] = $this->planned();
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])->assertOk();
        $link = $this->link($this->letters($workspace)[0]->body);
        $this->inside($workspace, static fn() => $workspace->update(['time_zone' => 'Pacific/Honolulu']));
        // In Greenwich the day is over; there it is seven in the evening, or two in the morning after.
        $this->clock->modify("{$visit['on']} 05:00:00 +1 day");
        $this->postJson("/api/v1/answers/{$link}", ['accept' => true])
            ->assertOk()
            ->assertJsonPath('status', 'accepted');
        $this->clock->modify('+7 hours');
        $this->assertProblem(
            $this->postJson("/api/v1/answers/{$link}", ['accept' => true]),
            409,
            'has changed meanwhile',
        );
    }

    public function testNothingGoesOutInTheQuietHoursAndRemindersGoOnce(): void
    {
        $clock = new MockClock('2026-11-25 21:30:00');
        [, $workspace, $visit] = $this->planned();
        $this->app->instance(ClockInterface::class, $clock);
        $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])
            ->assertOk()
            ->assertJsonPath('asked', 1);
        self::assertCount(0, $this->letters($workspace));
        $clock->modify('2026-11-26 08:05:00');
        $this->artisan('vicissa:tell');
        $this->artisan('vicissa:tell');
        self::assertCount(1, $this->letters($workspace), 'in the morning, once');
        $clock->modify(CarbonImmutable::parse($visit['on'])->subDay()->setTime(9, 0)->toIso8601String());
        $this->artisan('vicissa:tell');
        $this->artisan('vicissa:tell');
        $letters = $this->letters($workspace);
        self::assertCount(2, $letters);
        self::assertSame('Tomorrow: Hearse', $letters[1]->subject);
    }

    public function testWhoHasNoAddressIsNamed(): void
    {
        [, $workspace, $visit] = $this->planned();
        $this->inside($workspace, static fn() => Client::query()->update(['email' => null]));
        self::assertSame(
            ['asked' => 0, 'unreachable' => ['Hearse']],
            $this->postJson('/api/v1/weeks/proposals', ['visits' => [$visit['id']]])->json(),
        );
        self::assertSame(0, $this->inside($workspace, static fn(): int => Proposal::query()->count()));
    }

    /** @return array{User, Workspace, array<string, mixed>} signed in, with one vehicle planned a few days ahead */
    private function planned(): array
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace, 'ceramic', '2025-05-01', 'Hearse');
        $this->inside($workspace, static function () use ($vehicle): void {
            $client = Client::query()->create(['name' => 'Quayle', 'email' => 'owner@isles.example']);
            Vehicle::query()
                ->whereKey($vehicle->id)
                ->update(['client_id' => $client->id]);
        });
        $this->actingAs($owner);
        $this->postJson('/api/v1/crews', [
            'name' => 'The van',
            'minutes' => ['1' => 420, '2' => 420, '3' => 420, '4' => 420, '5' => 300],
        ])->assertCreated();
        $this->postJson('/api/v1/closures', [
            'vehicle_id' => $vehicle->id,
            'from_on' => '2026-11-26',
            'to_on' => '2026-12-01',
        ])->assertCreated();
        $this->postJson('/api/v1/weeks/plan');

        return [$owner, $workspace, $this->getJson('/api/v1/weeks')->json('visits.0')];
    }

    /** @return list<OutboxMessage> */
    private function letters(Workspace $workspace): array
    {
        return $this->inside(
            $workspace,
            static fn(): array => array_values(
                OutboxMessage::query()->orderBy('created_at')->orderBy('id')->get()->all(),
            ),
        );
    }

    private function link(string $body): string
    {
        self::assertSame(1, preg_match('#/answer/([0-9a-f-]{36}/[0-9a-f]{40})#', $body, $found));

        return $found[1] ?? '';
    }
}
