<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/**
 * Asks clients about planned visits, each visit and day once. What is asked in the quiet hours goes out in the morning.
 */
final readonly class ProposeVisits
{
    public function __construct(
        private Tenancy $tenancy,
        private TellClients $tellClients,
        private ClockInterface $clock,
    ) {}

    /**
     * @param list<string>|null $visits  these; null for all until a day
     * @return array{asked: int, unreachable: list<string>} how many are new, and vehicles whose client has no address
     */
    public function __invoke(?array $visits, ?string $until): array
    {
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());
        $rows = PlannedVisit::query()
            ->with('vehicle.client')
            ->where('on', '>', $today)
            ->when(
                $visits !== null,
                static fn($query) => $query->whereIn('id', $visits),
                static fn($query) => $query->where('on', '<=', $until),
            )
            ->orderBy('on')
            ->orderBy('id')
            ->get();
        $unreachable = [];
        $asked = DB::transaction(function () use ($rows, &$unreachable): int {
            $asked = 0;
            foreach ($rows as $visit) {
                $client = $visit->vehicle?->client;
                if ($client === null || $client->email === null) {
                    $unreachable[] = $visit->vehicle->name ?? '';

                    continue;
                }
                $proposal = Proposal::query()->firstOrCreate(
                    ['visit_id' => $visit->id, 'on' => $visit->on->toDateString()],
                    [
                        'vehicle_id' => $visit->vehicle_id,
                        'client_id' => $client->id,
                        'kinds' => $visit->kinds,
                        'status' => 'waiting',
                        'asked_at' => $this->clock->now(),
                    ],
                );
                $asked += $proposal->wasRecentlyCreated ? 1 : 0;
            }

            return $asked;
        });
        ($this->tellClients)();

        return ['asked' => $asked, 'unreachable' => array_values(array_unique($unreachable))];
    }
}
