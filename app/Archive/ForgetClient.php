<?php

declare(strict_types=1);

namespace App\Archive;

use App\Book\Client;
use App\Book\PlannedVisit;
use App\Book\Site;
use App\Book\Vehicle;
use App\Proof\RecordLink;
use App\Record\Photo;
use App\Standins\OutboxMessage;
use App\Tenancy\Removals;
use App\Weeks\CancelledVisit;
use App\Weeks\Closure;
use App\Weeks\Deadline;
use App\Weeks\Feed;
use App\Weeks\Proposal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/**
 * A client asks to be forgotten. Names, addresses, plates, pictures, letters and remarks go. What was done to an
 * unnamed vehicle with how much of what stays: stock, costs and the life of products rest on it, and it names nobody.
 */
final readonly class ForgetClient
{
    public function __construct(private ClockInterface $clock, private Removals $removals) {}

    /** @return array{gone: list<Said>, stays: list<Said>} in sentences */
    public function __invoke(Client $client): array
    {
        $photos = [];
        $told = DB::transaction(function () use ($client, &$photos): array {
            $vehicles = Vehicle::query()->where('client_id', $client->id)->orderBy('id')->get();
            $ids = $vehicles->modelKeys();
            $turns = DB::table('turns')->whereIn('vehicle_id', $ids)->count();
            $letters = OutboxMessage::query()->count();
            DB::select('select forget_client(?)', [$client->id]);
            // Answers kept sealed: whose they speak of can't be seen from outside.
            DB::table('idempotency_keys')->whereRaw("jsonb_exists(response, 'sealed')")->delete();
            $letters -= OutboxMessage::query()->count();
            foreach (Photo::query()->whereIn('vehicle_id', $ids)->get() as $photo) {
                $photos[] = $photo->path();
                $photo->delete();
            }
            $links =
                RecordLink::query()->whereIn('vehicle_id', $ids)->delete() +
                Feed::query()->whereIn('vehicle_id', $ids)->delete();
            Deadline::query()->whereIn('vehicle_id', $ids)->delete();
            // Why a visit was called off may say whose.
            CancelledVisit::query()
                ->whereIn('vehicle_id', $ids)
                ->update(['why' => null]);
            Closure::query()->whereIn('vehicle_id', $ids)->delete();
            Proposal::query()->where('client_id', $client->id)->delete();
            PlannedVisit::query()->whereIn('vehicle_id', $ids)->delete();
            $sites = Site::query()->where('client_id', $client->id)->get();
            Vehicle::withoutEvents(function () use ($vehicles): void {
                foreach ($vehicles as $i => $vehicle) {
                    $vehicle->update([
                        'name' => sprintf('Forgotten %s %d', $vehicle->body, $i + 1),
                        'plate' => null,
                        'client_id' => null,
                        'site_id' => null,
                        'archived_at' => $vehicle->archived_at ?? $this->clock->now(),
                        'version' => $vehicle->version + 1,
                    ]);
                }
            });
            Site::withoutEvents(static fn() => $sites->each(static fn(Site $site) => $site->delete()));
            Client::withoutEvents(static fn() => $client->delete());

            return [
                'gone' => [
                    Said::of('forgotten.client'),
                    Said::of('forgotten.places', places: $sites->count()),
                    Said::of('forgotten.vehicles', vehicles: $vehicles->count(), photos: count($photos)),
                    Said::of('forgotten.addresses', addresses: $links, letters: $letters),
                ],
                'stays' => [
                    Said::of('forgotten.turns', turns: $turns),
                    Said::of('forgotten.trail'),
                    Said::of('forgotten.backups'),
                ],
            ];
        });
        $this->removals->letGo();
        Storage::disk('photos')->delete($photos);

        return $told;
    }
}
