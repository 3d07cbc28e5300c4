<?php

declare(strict_types=1);

namespace App\Book;

use App\Shelf\Product;
use App\Tenancy\Like;
use App\Tenancy\Tenancy;
use Illuminate\Database\Eloquent\Builder;
use Psr\Clock\ClockInterface;
use stdClass;

/** Whatever has a name, by part of it: what begins with it before what holds it, a few of each kind. */
final readonly class FindThings
{
    private const EACH = 6;

    private const VISITS = 3;

    /** What begins with it. */
    private const FIRST = 'name ilike ? desc';

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /** @return list<array{kind: string, id: string, name: string, beside: string|null, on: string|null}> */
    public function __invoke(string $text): array
    {
        $today = $this->tenancy->workspace()->dateOf($this->clock->now());
        $found = [];
        foreach (
            Vehicle::query()
                ->with('client:id,name')
                ->whereNull('archived_at')
                ->where(
                    static fn(Builder $query): Builder => self::named($query, $text)->orWhereHas(
                        'client',
                        static fn(Builder $client): Builder => self::named($client, $text),
                    ),
                )
                ->orderByRaw(self::FIRST, [Like::beginning($text)])
                ->orderBy('name')
                ->limit(self::EACH)
                ->get()
            as $vehicle
        ) {
            $found[] = self::told('vehicle', $vehicle->id, $vehicle->name, $vehicle->client?->name);
        }
        foreach (
            PlannedVisit::query()
                ->with('vehicle:id,name')
                ->where('on', '>=', $today)
                ->whereHas('vehicle', static fn(Builder $vehicle): Builder => self::named($vehicle, $text))
                ->orderBy('on')
                ->orderBy('id')
                ->limit(self::VISITS)
                ->get()
            as $visit
        ) {
            $found[] = self::told('visit', $visit->id, $visit->vehicle->name ?? '', null, $visit->on->toDateString());
        }

        return [
            ...$found,
            ...self::things('client', self::named(Client::query(), $text), $text),
            ...self::things('site', self::named(Site::query(), $text), $text),
            ...self::things('product', self::named(Product::query(), $text)->whereNull('archived_at'), $text),
        ];
    }

    /**
     * @template TRow of \Illuminate\Database\Eloquent\Model
     * @param Builder<TRow> $query
     * @return list<array{kind: string, id: string, name: string, beside: string|null, on: string|null}>
     */
    private static function things(string $kind, Builder $query, string $text): array
    {
        return array_values(
            $query
                ->orderByRaw(self::FIRST, [Like::beginning($text)])
                ->orderBy('name')
                ->limit(self::EACH)
                ->toBase()
                ->get(['id', 'name'])
                ->map(static fn(stdClass $row): array => self::told($kind, $row->id, $row->name, null))
                ->all(),
        );
    }

    /**
     * @template TRow of \Illuminate\Database\Eloquent\Model
     * @param Builder<TRow> $query
     * @return Builder<TRow>
     */
    private static function named(Builder $query, string $text): Builder
    {
        return $query->where('name', 'ilike', Like::holding($text));
    }

    /** @return array{kind: string, id: string, name: string, beside: string|null, on: string|null} */
    private static function told(string $kind, string $id, string $name, ?string $beside, ?string $on = null): array
    {
        return ['kind' => $kind, 'id' => $id, 'name' => $name, 'beside' => $beside, 'on' => $on];
    }
}
