<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Standins\Messenger;
use App\Tenancy\Tenancy;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/**
 * Writes to clients what waits to be said: proposals, and a reminder the day before. Never in the quiet hours, never
 * twice.
 */
final readonly class TellClients
{
    public function __construct(
        private Tenancy $tenancy,
        private Messenger $messenger,
        private ClockInterface $clock,
    ) {}

    /** @return int how many letters went out */
    public function __invoke(): int
    {
        $workspace = $this->tenancy->workspace();
        $now = CarbonImmutable::instance($this->clock->now());
        $hour = (int) $now->setTimezone($workspace->time_zone)->format('G');
        if ($hour < config()->integer('vicissa.letters.from') || $hour >= config()->integer('vicissa.letters.until')) {
            return 0;
        }
        $today = $workspace->dateOf($now);
        $tomorrow = CarbonImmutable::parse($today)->addDay()->toDateString();

        return DB::transaction(function () use ($workspace, $now, $today, $tomorrow): int {
            $waiting = Proposal::query()
                ->with(['client', 'vehicle'])
                ->where('status', 'waiting')
                ->where('on', '>', $today)
                ->orderBy('on')
                ->orderBy('id')
                ->lockForUpdate()
                ->get();
            $standing = PlannedVisit::query()->whereIn('id', $waiting->pluck('visit_id'))->get()->keyBy('id');
            $letters = 0;
            // One letter a client, whatever it asks about; a visit that has moved meanwhile is not asked about any
            // more.
            foreach (
                $waiting
                    ->filter(
                        static fn(Proposal $one): bool => ($standing[$one->visit_id] ?? null)?->on->toDateString() ===
                            $one->on->toDateString(),
                    )
                    ->groupBy('client_id')
                as $some
            ) {
                $letters += $this->ask($workspace, $some);
                Proposal::query()
                    ->whereKey($some->modelKeys())
                    ->update(['status' => 'sent', 'sent_at' => $now]);
            }
            $remind = Proposal::query()
                ->with(['client', 'vehicle'])
                ->where('on', $tomorrow)
                ->whereIn('status', ['sent', 'accepted'])
                ->whereNull('reminded_at')
                ->orderBy('id')
                ->lockForUpdate()
                ->get();
            $on = PlannedVisit::query()->where('on', $tomorrow)->pluck('id')->flip();
            foreach ($remind as $proposal) {
                // Who was written to today knows.
                if (
                    isset($on[$proposal->visit_id]) &&
                    $proposal->client?->email !== null &&
                    $proposal->sent_at?->lessThan($now->subHours(20))
                ) {
                    $this->messenger->send(
                        $proposal->client->email,
                        "Tomorrow: {$proposal->vehicle?->name}",
                        "Tomorrow we come for {$proposal->vehicle?->name}: {$this->what(
                            $proposal,
                        )}.\n\nIf that no longer suits: {$this->link($proposal)}\n\n{$workspace->name}",
                        $workspace->id,
                    );
                    $letters++;
                }
            }
            Proposal::query()
                ->whereKey($remind->modelKeys())
                ->update(['reminded_at' => $now]);

            return $letters;
        });
    }

    /** @param Collection<int, Proposal> $proposals  of one client */
    private function ask(Workspace $workspace, Collection $proposals): int
    {
        $email = $proposals->first()?->client?->email;
        if ($email === null) {
            return 0;
        }
        $lines = $proposals->map(
            fn(Proposal $one): string => sprintf(
                "%s, %s: %s\n%s",
                CarbonImmutable::parse($one->on->toDateString())->format('l j F'),
                $one->vehicle->name ?? '',
                $this->what($one),
                $this->link($one),
            ),
        );
        $this->messenger->send(
            $email,
            $proposals->count() === 1 ? "A day for {$proposals->first()->vehicle?->name}" : 'Days for your vehicles',
            "We would like to come on these days. Each link lets you accept, or ask for another day:\n\n" .
                $lines->implode("\n\n") .
                "\n\n{$workspace->name}",
            $workspace->id,
        );

        return 1;
    }

    private function what(Proposal $proposal): string
    {
        return implode(
            ', ',
            array_map(
                static fn(string $kind): string => $kind === 'decon' ? 'decontamination' : $kind,
                $proposal->kinds,
            ),
        );
    }

    private function link(Proposal $proposal): string
    {
        return url("/answer/{$proposal->id}/{$proposal->signature()}");
    }
}
