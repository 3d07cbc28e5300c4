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
use App\Weeks\CancelledVisit;
use App\Weeks\Closure;
use App\Weeks\Deadline;
use App\Weeks\Feed;
use App\Weeks\Proposal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Psr\Clock\ClockInterface;

/**
 * A client asks to be forgotten. Names, addresses, plates, pictures, letters and remarks go. What was done to an
 * unnamed vehicle with how much of what stays: stock, costs and the life of products rest on it, and it names nobody.
 */
final readonly class ForgetClient
{
    public function __construct(private ClockInterface $clock) {}

    /** @return array{gone: list<string>, stays: list<string>} in sentences */
    public function __invoke(Client $client): array
    {
        $photos = [];
        $told = DB::transaction(function () use ($client, &$photos): array {
            $vehicles = Vehicle::query()->where('client_id', $client->id)->orderBy('id')->get();
            $ids = $vehicles->modelKeys();
            $turns = DB::table('turns')->whereIn('vehicle_id', $ids)->count();
            $letters = OutboxMessage::query()->count();
            DB::select('select forget_client(?)', [$client->id]);
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
                    'Name, contact, e-mail, telephone and notes of the client.',
                    sprintf('%d place%s with address and rules.', $sites->count(), $sites->count() === 1 ? '' : 's'),
                    sprintf(
                        'Names and plates of %d vehicle%s, %d photo%s, every remark in their turns.',
                        $vehicles->count(),
                        $vehicles->count() === 1 ? '' : 's',
                        count($photos),
                        count($photos) === 1 ? '' : 's',
                    ),
                    sprintf(
                        '%d address%s under which records or calendars could be read, %d letter%s, what was planned and asked.',
                        $links,
                        $links === 1 ? '' : 'es',
                        $letters,
                        $letters === 1 ? '' : 's',
                    ),
                ],
                'stays' => [
                    sprintf(
                        '%d turn%s of vehicles without a name: what was used, how long it took, how the water stood. Stock, costs and the lives of products rest on them.',
                        $turns,
                        $turns === 1 ? '' : 's',
                    ),
                    'That somebody was forgotten, when and by whom; not who.',
                    'Backups made before today, until they are overwritten; see the operator’s pages.',
                ],
            ];
        });
        Storage::disk('photos')->delete($photos);

        return $told;
    }
}
