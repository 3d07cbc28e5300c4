<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What the program says and keeps is kept as a code with what goes into it, so that it can be read in any language and
 * its words can change. Sentences that stand are turned into their codes where they are known; what isn't known, such
 * as another language's, stays as it was written. Forecasts are reckoned anew anyhow.
 */
return new class extends Migration {
    private const COLUMNS = [
        'forecasts' => 'why',
        'plans' => 'why',
        'plan_runs' => 'says',
        'sheet_events' => 'conflict',
    ];

    /** Sentences as they were until now: pattern, code, and the names of what stands in it. */
    private const KNOWN = [
        'plans' => [
            ['^First plan$', 'plan.first', []],
            ['^Planned again$', 'plan.again', []],
            ['^(.+): left out of the visit of (\d{4}-\d\d-\d\d)$', 'plan.left-out', ['vehicle', 'on']],
            ['^(.+): what the water said on (\d{4}-\d\d-\d\d)$', 'plan.water-said', ['vehicle', 'on']],
            ['^(.+): the visit of (\d{4}-\d\d-\d\d) cancelled$', 'plan.cancelled', ['vehicle', 'on']],
            ['^(.+) moved from (\d{4}-\d\d-\d\d) to (\d{4}-\d\d-\d\d)$', 'plan.moved', ['vehicle', 'from', 'to']],
        ],
        'plan_runs' => [
            ['^Stopped before it began\.$', 'search.stopped-before', []],
            ['^Stopped; the best found until then stands\.$', 'search.stopped', []],
            ['^The plan was changed meanwhile, so .*$', 'search.overtaken', []],
            ['^The search ended by itself\. .*$', 'search.failed', []],
        ],
        'sheet_events' => [
            ['^It came in after the turn had been closed\.$', 'sheet.after-closing', []],
            ['^The turn had been closed already; .*$', 'sheet.closed-already', []],
            ['^(.+) had ended this step already, at (\d\d:\d\d)\.$', 'sheet.step-twice', ['name', 'time'], 'end'],
            ['^(.+) had left out this step already, at (\d\d:\d\d)\.$', 'sheet.step-twice', ['name', 'time'], 'skip'],
        ],
    ];

    /** What quotes take for granted. */
    private const ASSUMED = [
        ['^Visits come as often as the rhythm wishes, ', 'quote.visits', []],
        ['^Materials are the mean of what the vehicle’s turns ', 'quote.materials', []],
        ['^Who shares a trip shares its cost, ', 'quote.trip', []],
        ['^An hour of a person costs (.+), a minute of the van (.+); ', 'quote.rates', ['hour', 'minute']],
        ['^nothing has been recorded of it in a year, ', 'quote.unrecorded', []],
        ['^no price is known of (.+): not in the cost, and not free\.$', 'quote.unpriced', ['names']],
        ['^Line (\d+): (.+)$', 'quote.line', ['line', 'says']],
    ];

    public function up(): void
    {
        $this->forget();
        foreach (self::COLUMNS as $table => $column) {
            DB::statement("alter table {$table} alter column {$column} type jsonb using to_jsonb({$column})");
            foreach (self::KNOWN[$table] ?? [] as $known) {
                $this->convert($table, $column, $known[0], $known[1], $known[2], $known[3] ?? null);
            }
        }
        foreach (DB::table('quotes')->get(['id', 'answer']) as $quote) {
            $answer = json_decode($quote->answer, true, 64, JSON_THROW_ON_ERROR);
            foreach (array_intersect(['assumes', 'inside'], array_keys($answer)) as $list) {
                $answer[$list] = array_map($this->assumed(...), $answer[$list]);
            }
            DB::table('quotes')
                ->where('id', $quote->id)
                ->update(['answer' => json_encode($answer, JSON_THROW_ON_ERROR)]);
        }
    }

    /** Why a plan was made names who was moved: forgetting looks into the codes now. */
    private function forget(): void
    {
        $was =
            "update plans set why = replace(why, named.name, 'a forgotten vehicle') where workspace_id = here and position(named.name in why) > 0;";
        // By the fact, never in the text of the whole: a name may hold quotation marks, or be a word that a code holds too.
        $is = <<<'SQL'
        update plans set why = jsonb_set(why, '{vehicle}', '{"@said": "plan.forgotten-vehicle"}') where workspace_id = here and why ->> 'vehicle' = named.name;
        update plans set why = to_jsonb(replace(why #>> '{}', named.name, 'a forgotten vehicle')) where workspace_id = here and jsonb_typeof(why) = 'string' and position(named.name in why #>> '{}') > 0;
        SQL;
        /** @var object{source: string} $function */
        $function = DB::selectOne("select pg_get_functiondef('forget_client(uuid)'::regprocedure) as source");
        if (!str_contains($function->source, $was)) {
            throw new LogicException('Forgetting a client is not as it was left.');
        }
        DB::unprepared(str_replace($was, $is, $function->source));
    }

    public function down(): void
    {
        foreach (self::COLUMNS as $table => $column) {
            // Words can be made of codes again, but not here.
            DB::statement("alter table {$table} alter column {$column} type text using ({$column} #>> '{}')");
        }
    }

    private function assumed(mixed $said): mixed
    {
        foreach (is_string($said) ? self::ASSUMED : [] as [$pattern, $code, $names]) {
            if (preg_match("/{$pattern}/u", $said, $m) === 1) {
                $facts = array_combine($names, array_slice($m, 1));

                return [
                    '@said' => $code,
                    ...$facts,
                    ...isset($facts['line'])
                        ? ['line' => (int) $facts['line'], 'says' => $this->assumed($m[2] ?? null)]
                        : [],
                ];
            }
        }

        return $said;
    }

    /** @param list<string> $names */
    private function convert(
        string $table,
        string $column,
        string $pattern,
        string $code,
        array $names,
        ?string $kind,
    ): void {
        $facts = ["'@said', " . $this->quoted($code)];
        foreach ($names as $i => $name) {
            $value = sprintf('(regexp_match(%s #>> \'{}\', %s))[%d]', $column, $this->quoted($pattern), $i + 1);
            $facts[] =
                $this->quoted($name) .
                ', ' .
                (in_array($name, ['on', 'from', 'to'], true)
                    ? "jsonb_build_object('@said', 'day', 'on', {$value})"
                    : $value);
        }
        if ($kind !== null) {
            $facts[] = "'kind', " . $this->quoted($kind);
        }
        DB::statement(
            "update {$table} set {$column} = jsonb_build_object(" .
                implode(', ', $facts) .
                ") where jsonb_typeof({$column}) = 'string' and {$column} #>> '{}' ~ " .
                $this->quoted($pattern),
        );
    }

    private function quoted(string $text): string
    {
        return "'" . str_replace("'", "''", $text) . "'";
    }
};
