<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Says\Language;
use App\Says\Teller;
use App\Standins\Messenger;
use App\Tenancy\Tenancy;
use App\Tenancy\Workspace;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component\VCalendar;

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
                        $this->teller($proposal)->say('letter.tomorrow', vehicle: $proposal->vehicle->name ?? ''),
                        $this->teller($proposal)->say(
                            'letter.tomorrow-we-come',
                            vehicle: $proposal->vehicle->name ?? '',
                            kinds: $this->what($proposal),
                            link: $this->link($proposal),
                            business: $workspace->name,
                        ),
                        $workspace->id,
                        $this->calendar(new Collection([$proposal])),
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
        $first = $proposals->first();
        $email = $first?->client?->email;
        if ($first === null || $email === null) {
            return 0;
        }
        $teller = $this->teller($first);
        $lines = $proposals->map(
            fn(Proposal $one): string => $teller->say(
                'letter.on-that-day',
                on: $teller->weekday($one->on->toDateString()),
                vehicle: $one->vehicle->name ?? '',
                kinds: $this->what($one),
                link: $this->link($one),
            ),
        );
        $this->messenger->send(
            $email,
            $proposals->count() === 1
                ? $teller->say('letter.a-day-for', vehicle: $first->vehicle->name ?? '')
                : $teller->say('letter.days-for-your-vehicles'),
            $teller->say('letter.we-would-like-to-come', days: $lines->implode("\n\n"), business: $workspace->name),
            $workspace->id,
            $this->calendar($proposals),
        );

        return 1;
    }

    /**
     * The days for the client's calendar: whole days, since the hour follows on the eve at the earliest. A feed of the
     * same visits has them under the same names.
     *
     * @param Collection<int, Proposal> $proposals
     */
    private function calendar(Collection $proposals): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Vicissa//Letters//EN', 'VERSION' => '2.0', 'METHOD' => 'PUBLISH']);
        foreach ($proposals as $one) {
            $event = $calendar->createComponent('VEVENT', [
                'UID' => "{$one->visit_id}@vicissa",
                'DTSTAMP' => $one->asked_at->utc(),
                'STATUS' => $one->status === 'accepted' ? 'CONFIRMED' : 'TENTATIVE',
                'SUMMARY' => ($one->vehicle->name ?? '') . ': ' . $this->what($one),
                'URL' => $this->link($one),
            ]);
            $event->add('DTSTART', $one->on->format('Ymd'), ['VALUE' => 'DATE']);
            $calendar->add($event);
        }

        return $calendar->serialize();
    }

    private function what(Proposal $proposal): string
    {
        return implode(
            ', ',
            array_map(
                fn(string $kind): string => $this->teller($proposal)->say('record.kind', kind: $kind),
                $proposal->kinds,
            ),
        );
    }

    /** In the client's own language. */
    private function teller(Proposal $proposal): Teller
    {
        return new Teller(Language::tryFrom($proposal->client->language ?? '') ?? Language::English);
    }

    private function link(Proposal $proposal): string
    {
        return url("/answer/{$proposal->id}/{$proposal->signature()}");
    }
}
