<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;

/**
 * What goes away for good can be had back for a while by whoever took it away: the row, what went with it by foreign
 * keys, and the links to it that were let go. Tables that come later are found by their keys.
 */
final readonly class Removals
{
    private const KEPT_S = 900;

    public function __construct(private Tenancy $tenancy) {}

    public function remove(Model $row): void
    {
        DB::transaction(function () use ($row): void {
            $id = self::idOf($row);
            [$with, $links] = self::hangingOn($row->getTable(), [$id]);
            $kept = ['class' => $row::class, 'row' => $row->getRawOriginal(), 'with' => $with, 'links' => $links];
            $row->delete();
            DB::afterCommit(fn(): bool => Cache::put($this->key($id), Crypt::encrypt($kept), self::KEPT_S));
        });
    }

    /** Somebody asked to be forgotten: nothing that was removed before may bring them back. */
    public function letGo(): void
    {
        Cache::put($this->since(), Str::random(8), 2 * self::KEPT_S);
    }

    /** False when nobody here has removed it lately. Asked again, it stays as it is. */
    public function restore(string $id): bool
    {
        $sealed = Cache::get($this->key($id));
        if (!is_string($sealed)) {
            return false;
        }
        /** @var array{class: class-string<Model>, row: array<string, mixed>, with: list<array{string, string}>, links: list<array{string, string, string, string}>} $kept */
        $kept = Crypt::decrypt($sealed);

        return DB::transaction(static function () use ($kept, $id): bool {
            if ($kept['class']::query()->whereKey($id)->exists()) {
                return true;
            }
            $row = (new ($kept['class'])())->setRawAttributes($kept['row']);
            // What it pointed at may have gone as well.
            foreach (self::keys('conrelid', $row->getTable()) as ['to' => $to, 'column' => $column, 'how' => $how]) {
                $at = $row->getAttribute($column);
                if ($at !== null && DB::table($to)->where('id', $at)->doesntExist()) {
                    if ($how !== 'n') {
                        return false;
                    }
                    $row->setAttribute($column, null);
                }
            }
            $row->save();
            foreach ($kept['with'] as [$table, $row]) {
                DB::insert("insert into {$table} select * from jsonb_populate_record(null::{$table}, ?::jsonb)", [
                    $row,
                ]);
            }
            // What has been linked to something else meanwhile stays so.
            foreach ($kept['links'] as [$table, $column, $row, $to]) {
                DB::table($table)
                    ->where('id', $row)
                    ->whereNull($column)
                    ->update([$column => $to]);
            }

            return true;
        });
    }

    /**
     * @param list<string> $ids
     * @return array{list<array{string, string}>, list<array{string, string, string, string}>} rows that go with them as
     *     table and JSON, whoever is pointed at first; links as table, column, the row's id and what it pointed at
     */
    private static function hangingOn(string $table, array $ids): array
    {
        [$with, $links] = [[], []];
        foreach (self::keys('confrelid', $table) as ['from' => $from, 'column' => $column, 'how' => $how]) {
            $rows = DB::table($from)
                ->whereIn($column, $ids)
                ->orderBy('id')
                ->selectRaw("id, {$column} as at, to_jsonb({$from}) as row")
                ->get();
            foreach ($how === 'n' ? $rows : [] as $row) {
                $links[] = [$from, $column, (string) $row->id, (string) $row->at];
            }
            if ($how === 'c' && $rows->isNotEmpty()) {
                [$further, $let] = self::hangingOn(
                    $from,
                    array_values(array_map(strval(...), $rows->pluck('id')->all())),
                );
                array_push($with, ...$rows->map(static fn($row): array => [$from, (string) $row->row]), ...$further);
                array_push($links, ...$let);
            }
        }

        return [$with, $links];
    }

    /**
     * The foreign keys of a table (conrelid) or those that point at it (confrelid); the wall's own column says nothing.
     *
     * @param 'conrelid'|'confrelid' $side
     * @return list<array{from: string, to: string, column: string, how: string}> how: c takes the row along, n lets it go
     */
    private static function keys(string $side, string $table): array
    {
        /** @var list<object{from: string, to: string, column: string, how: string}> $keys */
        $keys = DB::select(
            <<<SQL
            select c.conrelid::regclass::text as "from", c.confrelid::regclass::text as "to", a.attname as "column", c.confdeltype as how
            from pg_constraint c
            join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any (c.conkey) and a.attname <> 'workspace_id'
            where c.contype = 'f' and c.{$side} = ?::regclass
            order by 1, 3
            SQL
            ,
            [$table],
        );

        return array_map(
            static fn(object $key): array => [
                'from' => $key->from,
                'to' => $key->to,
                'column' => $key->column,
                'how' => $key->how,
            ],
            $keys,
        );
    }

    private static function idOf(Model $row): string
    {
        $id = $row->getKey();

        return is_string($id) ? $id : throw new LogicException($row::class . ' has no key of its own.');
    }

    private function key(string $id): string
    {
        $since = Cache::get($this->since(), '');

        return 'removed ' .
            $this->tenancy->workspace()->id .
            ' ' .
            Auth::id() .
            ' ' .
            $id .
            (is_string($since) ? $since : '');
    }

    private function since(): string
    {
        return 'removed since ' . $this->tenancy->workspace()->id;
    }
}
