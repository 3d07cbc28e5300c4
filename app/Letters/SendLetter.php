<?php

declare(strict_types=1);

namespace App\Letters;

use App\Standins\OutboxMessage;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Psr\Clock\ClockInterface;
use SensitiveParameter;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Throwable;

/**
 * One letter. What the mail server put off is tried again; what it refused is told to the owner. It never goes out
 * twice: where nobody knows whether it did, since the worker died over it, a person decides.
 */
final class SendLetter implements ShouldQueue, ShouldBeEncrypted
{
    use Queueable;

    /** Minutes until the next try. */
    private const AGAIN = [1, 5, 20, 60, 180, 360, 720];

    /** So long it is known that a letter is being sent. */
    private const HELD_DAYS = 8;

    public int $tries = 9;

    public int $timeout = 60;

    public function __construct(
        private readonly string $id,
        private readonly string $recipient,
        private readonly string $subject,
        #[SensitiveParameter] private readonly string $body,
        private readonly ?string $workspaceId,
        private readonly ?string $calendar,
    ) {}

    public function handle(Mailer $mailer, Tenancy $tenancy, Repository $cache, ClockInterface $clock): void
    {
        if ($this->workspaceId === null) {
            $this->send($mailer, $cache, $clock, null);
        } else {
            $tenancy->within(
                $this->workspaceId,
                fn() => $this->send($mailer, $cache, $clock, $tenancy->workspace()->name),
                transaction: false,
            );
        }
    }

    private function send(Mailer $mailer, Repository $cache, ClockInterface $clock, ?string $sender): void
    {
        // Whoever was forgotten meanwhile is not written to.
        if ($this->workspaceId !== null && OutboxMessage::query()->whereKey($this->id)->doesntExist()) {
            return;
        }
        $held = "letter {$this->id}";
        if (!$cache->add($held, true, 86400 * self::HELD_DAYS)) {
            $this->note(OutboxMessage::UNCLEAR);

            return;
        }
        try {
            $mailer->to($this->recipient)->send(new Letter($this->subject, $this->body, $sender, $this->calendar));
            $this->note(OutboxMessage::SENT, ['sent_at' => $clock->now(), 'fault' => null]);
        } catch (TransportExceptionInterface $e) {
            // The server has said that it did not take it, or was never reached.
            $cache->forget($held);
            $wait = self::AGAIN[$this->attempts() - 1] ?? null;
            $fault = ['fault' => mb_strimwidth($e->getMessage(), 0, 300)];
            if ($e->getCode() >= 500 || $wait === null) {
                $this->note(OutboxMessage::FAILED, $fault);
            } else {
                $this->note(OutboxMessage::WAITING, $fault);
                $this->release(60 * $wait);
            }
        }
    }

    /** @param array<string, mixed> $facts */
    private function note(string $status, array $facts = []): void
    {
        if ($this->workspaceId !== null) {
            OutboxMessage::query()
                ->whereKey($this->id)
                ->update([...$facts, 'status' => $status, 'tries' => $this->attempts()]);
        }
    }

    public function failed(?Throwable $e): void
    {
        if ($this->workspaceId !== null) {
            app(Tenancy::class)->within(
                $this->workspaceId,
                fn() => $this->note(OutboxMessage::FAILED, [
                    'fault' => mb_strimwidth((string) $e?->getMessage(), 0, 300),
                ]),
            );
        }
    }
}
