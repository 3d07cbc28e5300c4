<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Letters\MailMessenger;
use App\Letters\SendLetter;
use App\Standins\Messenger;
use App\Standins\OutboxMessage;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Mail;
use Symfony\Component\Mailer\Envelope;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\RawMessage;
use Tests\TestCase;

/** Letters by mail: what goes out, what becomes of what does not, and that nothing goes out twice. */
final class LetterTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config([
            'vicissa.messenger' => MailMessenger::class,
            'mail.default' => 'array',
            'mail.from.address' => 'us@example.test',
        ]);
        Cache::flush();
    }

    public function testALetterHasTextAndHtmlAndTheDaysItSpeaksOf(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        $this->inside($workspace, static function () use ($workspace): void {
            app(Messenger::class)->send(
                'odile@example.test',
                'A day for the <van>',
                "We come & wash.\n\nSay yes: https://example.test/answer/1/ab.\nThank you",
                $workspace->id,
                "BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n",
            );
        });
        $mail = $this->sent()->sole();
        self::assertSame(
            ['odile@example.test', 'us@example.test', 'Marram'],
            [$mail->getTo()[0]->getAddress(), $mail->getFrom()[0]->getAddress(), $mail->getFrom()[0]->getName()],
        );
        self::assertSame(
            "We come & wash.\n\nSay yes: https://example.test/answer/1/ab.\nThank you",
            trim((string) $mail->getTextBody()),
        );
        $html = (string) $mail->getHtmlBody();
        self::assertStringContainsString('We come &amp; wash.</p>', $html);
        self::assertStringContainsString(
            '<a href="https://example.test/answer/1/ab">https://example.test/answer/1/ab</a>.<br',
            $html,
        );
        self::assertStringContainsString('A day for the &lt;van&gt;', $html);
        self::assertStringContainsString('text/calendar', $mail->getAttachments()[0]->asDebugString());
        $this->getJson('/api/v1/messages')
            ->assertOk()
            ->assertJson(['data' => [['status' => 'sent', 'tries' => 1, 'fault' => null]]]);
    }

    public function testWhatTheServerSaysBecomesOfALetter(): void
    {
        [$owner, $workspace] = $this->business();
        $this->actingAs($owner);
        foreach ([[451, 'waiting'], [0, 'waiting'], [550, 'failed']] as [$code, $status]) {
            Mail::extend('cross', fn() => $this->refusing($code));
            Mail::purge();
            config(['mail.mailers.cross' => ['transport' => 'cross'], 'mail.default' => 'cross']);
            $this->postJson('/api/v1/invitations', [
                'email' => "new{$code}@example.test",
                'role' => 'technician',
            ])->assertCreated();
            $told = $this->getJson('/api/v1/messages')->json('data.0');
            self::assertSame(
                ["new{$code}@example.test", $status, "No: {$code}"],
                [$told['recipient'], $told['status'], $told['fault']],
            );
        }
        $id = $this->getJson('/api/v1/messages')->json('data.0.id');
        config(['mail.default' => 'array']);
        Mail::purge();
        $this->postJson("/api/v1/messages/{$id}/again")->assertNoContent();
        self::assertSame('new550@example.test', $this->sent()->sole()->getTo()[0]->getAddress());
        $this->assertProblem($this->postJson("/api/v1/messages/{$id}/again"), 409, 'on its way');
        $this->actingAs($this->technician($workspace))
            ->postJson("/api/v1/messages/{$id}/again")
            ->assertForbidden();
    }

    /** A worker that died while it sent may have sent it: nobody but a person sends it again. */
    public function testNothingGoesOutTwice(): void
    {
        [, $workspace] = $this->business();
        $id = $this->inside($workspace, static function () use ($workspace): string {
            app(Messenger::class)->send('odile@example.test', 'About', 'Text', $workspace->id);

            return OutboxMessage::query()->sole()->id;
        });
        self::assertCount(1, $this->sent());
        $gone = '01900000-0000-7000-8000-000000000000';
        dispatch_sync(new SendLetter($gone, 'forgotten@example.test', 'About', 'Text', $workspace->id, null));
        dispatch_sync(new SendLetter($id, 'odile@example.test', 'About', 'Text', $workspace->id, null));
        self::assertCount(1, $this->sent());
        self::assertSame(
            'unclear',
            $this->inside($workspace, static fn(): string => OutboxMessage::query()->sole()->status),
        );
    }

    /** What is one's own account's is written down nowhere it could be read. */
    public function testALetterWithASecretIsSealed(): void
    {
        [$owner] = $this->business();
        $this->postJson('/api/v1/auth/forgot', ['email' => $owner->email])->assertSuccessful();
        self::assertStringContainsString('/reset-password?token=', (string) $this->sent()->sole()->getTextBody());
        self::assertSame(0, OutboxMessage::query()->count());
        self::assertContains(ShouldBeEncrypted::class, class_implements(SendLetter::class) ?: []);
    }

    /** @return Collection<int, Email> */
    private function sent(): Collection
    {
        $transport = Mail::mailer('array')->getSymfonyTransport();
        self::assertInstanceOf(ArrayTransport::class, $transport);

        return $transport->messages()->map(static function ($sent): Email {
            $mail = $sent->getOriginalMessage();
            self::assertInstanceOf(Email::class, $mail);

            return $mail;
        });
    }

    private function refusing(int $code): ArrayTransport
    {
        return new class ($code) extends ArrayTransport {
            public function __construct(private readonly int $with)
            {
                parent::__construct();
            }

            public function send(RawMessage $message, ?Envelope $envelope = null): never
            {
                throw new TransportException("No: {$this->with}", $this->with);
            }
        };
    }
}
