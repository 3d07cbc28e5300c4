<?php

declare(strict_types=1);

namespace App\Record;

use Illuminate\Support\Facades\DB;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;

/**
 * When vehicles were washed and decontaminated last, found at the ends of their records: years of turns are not read
 * for two dates. What counts as decontaminated is LoggedTurn's to say; here it is said to the database.
 */
final readonly class LastDone
{
    /** @param array<string, array{washed: int, decontaminated: int|null}> $at */
    private function __construct(private array $at) {}

    /** @param list<string> $vehicles */
    public static function of(array $vehicles): self
    {
        $rows = DB::select(
            <<<'SQL'
            select v.id, extract(epoch from last.worked_at)::bigint as washed, extract(epoch from decon.worked_at)::bigint as decontaminated
            from unnest(?::uuid[]) as v (id)
            cross join lateral (
                select l.worked_at from turns l where l.vehicle_id = v.id order by l.worked_at desc limit 1
            ) as last
            left join lateral (
                select l.worked_at from turns l join turn_entries e on e.id = l.current_entry_id
                where l.vehicle_id = v.id and (e.clay or exists (
                    select from turn_products p where p.entry_id = e.id and p.zone = ? and p.role = ?
                ))
                order by l.worked_at desc limit 1
            ) as decon on true
            SQL
            ,
            ['{' . implode(',', $vehicles) . '}', Zone::Paint->value, Role::Iron->value],
        );
        $at = [];
        foreach ($rows as $row) {
            $at[(string) $row->id] = [
                'washed' => (int) $row->washed,
                'decontaminated' => $row->decontaminated === null ? null : (int) $row->decontaminated,
            ];
        }

        return new self($at);
    }

    /** Seconds since 1970; null where nobody has been there yet. */
    public function washed(string $vehicle): ?int
    {
        return $this->at[$vehicle]['washed'] ?? null;
    }

    /** Seconds since 1970; null where that has never been done. */
    public function decontaminated(string $vehicle): ?int
    {
        return $this->at[$vehicle]['decontaminated'] ?? null;
    }
}
