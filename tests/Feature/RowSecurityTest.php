<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Book\Client;
use App\Book\Vehicle;
use App\Tenancy\EachWorkspace;
use App\Tenancy\OneMoment;
use App\Tenancy\Tenancy;
use App\Tenancy\Workspace;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Tries to get from one workspace into another, below and above the application's own checks. */
final class RowSecurityTest extends TestCase
{
    private const TENANT = [
        'memberships',
        'invitations',
        'idempotency_keys',
        'outbox_messages',
        'clients',
        'sites',
        'vehicles',
        'products',
        'turns',
        'turn_entries',
        'turn_products',
        'readings',
        'layers',
        'forecasts',
    ];

    public function testTheRoleOwnsNothingAndCannotBypass(): void
    {
        $role = DB::selectOne(
            'select rolsuper, rolbypassrls, rolcreaterole, rolcreatedb from pg_roles where rolname = current_user',
        );
        self::assertSame([false, false, false, false], array_values((array) $role));
        self::assertSame([], DB::select('select tablename from pg_tables where tableowner = current_user'));
    }

    public function testEveryTableOfAWorkspaceIsGuarded(): void
    {
        $unguarded = DB::select("select c.table_name from information_schema.columns c join pg_class t on t.relname = c.table_name and t.relnamespace = 'public'::regnamespace
            where c.table_schema = 'public' and c.column_name = 'workspace_id' and not t.relrowsecurity");
        // Tokens are looked up before a workspace is known; queries on them name workspace and person.
        self::assertSame(['personal_access_tokens'], array_column($unguarded, 'table_name'));
    }

    /** @return iterable<string, array{string}> */
    public static function tables(): iterable
    {
        foreach (self::TENANT as $table) {
            yield $table => [$table];
        }
    }

    #[DataProvider('tables')]
    public function testWithoutAWorkspaceATableLooksEmpty(string $table): void
    {
        [, $workspace] = $this->business();
        $this->vehicle($workspace);
        self::assertSame(0, DB::table($table)->count());
    }

    public function testAConnectionThatIsTakenOverIsAsNew(): void
    {
        DB::rollBack();
        $ask =
            "select pg_backend_pid() pid, current_setting('vicissa.workspace', true) workspace, current_setting('vicissa.user', true) person, current_setting('timezone') zone";
        DB::select(
            "select set_config('vicissa.workspace', ?, false), set_config('vicissa.user', ?, false), set_config('timezone', 'Asia/Tokyo', false)",
            [Str::uuid7()->toString(), Str::uuid7()->toString()],
        );
        $before = (array) DB::selectOne($ask);
        DB::purge();
        $after = (array) DB::selectOne($ask);
        self::assertSame($before['pid'], $after['pid']);
        self::assertSame(['', '', 'UTC'], [(string) $after['workspace'], (string) $after['person'], $after['zone']]);
    }

    /** What is said with every transaction comes after what it has to be: it was the other way round. */
    public function testReadingsOfOneMomentAreOfOneMoment(): void
    {
        DB::rollBack();
        app(Tenancy::class)->actAs(Str::uuid7()->toString());
        self::assertSame(
            'repeatable read',
            OneMoment::of(static fn(): string => DB::selectOne('show transaction_isolation')->transaction_isolation),
        );
        self::assertSame('read committed', DB::selectOne('show transaction_isolation')->transaction_isolation);
    }

    /** A row can't point at one of another workspace, whoever writes it. */
    public function testEveryPointerCarriesItsWorkspace(): void
    {
        $loose = DB::select(
            <<<'SQL'
            select child.relname || '.' || c.conname as name from pg_constraint c
            join pg_class parent on parent.oid = c.confrelid join pg_class child on child.oid = c.conrelid
            join pg_attribute a on a.attrelid = parent.oid and a.attname = 'workspace_id'
            join pg_attribute b on b.attrelid = child.oid and b.attname = 'workspace_id'
            where c.contype = 'f' and not b.attnum = any(c.conkey)
            SQL
            ,
        );
        self::assertSame([], array_column($loose, 'name'));
    }

    /**
     * What engines ask of tables that they spread by a column: it stands first in every key of a tenant's table, which refers
     * to others of its own or to tables that are everywhere. Whoever adds a table decides which of the three it is.
     */
    public function testKeysBeginWithTheWorkspace(): void
    {
        $everywhere = ['users', 'workspaces', 'recovery_codes', 'sessions', 'password_reset_tokens', 'migrations'];
        $machine = ['cache', 'cache_locks', 'jobs', 'failed_jobs'];
        // Found by a secret or a signature before anybody knows whose they are.
        $doors = [
            'feeds',
            'invitations',
            'outbox_messages',
            'personal_access_tokens',
            'proposals',
            'record_links',
            'security_events',
        ];
        $tables = array_column(DB::select("select tablename from pg_tables where schemaname = 'public'"), 'tablename');
        $spread = array_values(array_diff($tables, $everywhere, $machine, $doors));
        self::assertGreaterThan(35, count($spread));
        /** @var list<object{at: string, name: string, first: string}> $keys */
        $keys = DB::select(
            <<<'SQL'
            select t.relname as at, i.relname as name, a.attname as first from pg_index x
            join pg_class t on t.oid = x.indrelid join pg_class i on i.oid = x.indexrelid
            join pg_attribute a on a.attrelid = t.oid and a.attnum = x.indkey[0]
            where t.relnamespace = 'public'::regnamespace and x.indisunique
            SQL
            ,
        );
        $wrong = array_filter(
            $keys,
            static fn(object $key): bool => in_array($key->at, $spread, true) && $key->first !== 'workspace_id',
        );
        self::assertSame([], array_column($wrong, 'name'));
        self::assertSame([], array_values(array_diff($spread, array_column($keys, 'at'))), 'each has a key');
        $pointers = DB::select(
            <<<'SQL'
            select child.relname as at, c.conname as name, parent.relname as to, a.attname as first from pg_constraint c
            join pg_class parent on parent.oid = c.confrelid join pg_class child on child.oid = c.conrelid
            join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
            where c.contype = 'f' and c.connamespace = 'public'::regnamespace
            SQL
            ,
        );
        self::assertGreaterThan(80, count($pointers));
        foreach ($pointers as $pointer) {
            self::assertTrue(
                in_array($pointer->to, $everywhere, true) ||
                    (in_array($pointer->to, $spread, true) && $pointer->first === 'workspace_id'),
                "{$pointer->name} refers to {$pointer->to}",
            );
            self::assertFalse(
                in_array($pointer->at, $everywhere, true) && in_array($pointer->to, $spread, true),
                $pointer->name,
            );
        }
    }

    /** The owner of the tables is held as well, and what runs as somebody else finds no name of a stranger's making. */
    public function testWallsHoldForTheOwnerAndFunctionsLookNowhereElse(): void
    {
        $tables = DB::select(
            "select relname from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relrowsecurity and not relforcerowsecurity",
        );
        self::assertSame([], array_column($tables, 'relname'));
        $functions = DB::select(
            "select proname, proconfig::text as config, proowner::regrole::text as owner from pg_proc where pronamespace = 'public'::regnamespace and prosecdef",
        );
        self::assertGreaterThan(4, count($functions));
        foreach ($functions as $function) {
            self::assertStringContainsString('pg_temp', $function->config, $function->proname);
            self::assertSame('vicissa_door', $function->owner, $function->proname);
        }
    }

    public function testAnotherWorkspacesRowsCannotBeSeenChangedDeletedOrPlanted(): void
    {
        [, $ours] = $this->business('Ours');
        [, $theirs] = $this->business('Theirs');
        $vehicle = $this->vehicle($theirs);
        app(Tenancy::class)->enter($ours->id);

        self::assertNull(Vehicle::query()->find($vehicle->id));
        self::assertSame(
            0,
            DB::table('vehicles')
                ->where('id', $vehicle->id)
                ->update(['name' => 'Stolen']),
        );
        self::assertSame(0, DB::table('vehicles')->where('id', $vehicle->id)->delete());
        self::assertSame(0, DB::table('layers')->where('vehicle_id', $vehicle->id)->count());
        $this->refused(static fn() => Client::query()->create(['name' => 'Planted', 'workspace_id' => $theirs->id]));
        $own = $this->inside($ours, static fn() => Client::query()->create(['name' => 'Own']));
        app(Tenancy::class)->enter($ours->id);
        $this->refused(
            static fn() => DB::table('clients')
                ->where('id', $own->id)
                ->update(['workspace_id' => $theirs->id]),
        );
    }

    public function testTheGuardCannotBeTakenDown(): void
    {
        foreach (
            [
                'alter table vehicles disable row level security',
                'drop policy vehicles_of_workspace on vehicles',
                'set role vicissa_owner',
                'set session authorization vicissa_owner',
                'truncate vehicles',
            ]
            as $attempt
        ) {
            $this->refused(static fn() => DB::unprepared($attempt));
        }
    }

    public function testWhatIsRecordedCannotBeRewritten(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner)
            ->postJson(
                "/api/v1/vehicles/{$vehicle->id}/turns",
                $this->turn(['readings' => [['stage' => 'after_wash', 'zone' => 'paint', 'behaviour' => 'good']]]),
            )
            ->assertCreated();
        app(Tenancy::class)->enter($workspace->id);
        foreach (
            [
                'update turn_entries set soil = 0',
                "update readings set behaviour = 'tight'",
                'delete from readings',
                'delete from turn_entries',
                'delete from turns',
                'update turns set vehicle_id = gen_random_uuid()',
            ]
            as $rewriting
        ) {
            $this->refused(static fn() => DB::unprepared($rewriting));
        }
    }

    public function testIdsOfAnotherWorkspaceAreUnknownOverHttp(): void
    {
        [$owner] = $this->business('Ours');
        [, $theirs] = $this->business('Theirs');
        $vehicle = $this->vehicle($theirs);
        $client = $this->inside($theirs, static fn() => Client::query()->create(['name' => 'Theirs']));
        $this->actingAs($owner);

        foreach (
            [
                "/api/v1/vehicles/{$vehicle->id}",
                "/api/v1/vehicles/{$vehicle->id}/film",
                "/api/v1/vehicles/{$vehicle->id}/turns",
                "/api/v1/clients/{$client->id}",
                '/api/v1/vehicles/not-an-id',
            ]
            as $path
        ) {
            $this->assertProblem($this->getJson($path), 404, 'no such thing in this workspace');
        }
        $this->assertProblem(
            $this->postJson("/api/v1/vehicles/{$vehicle->id}/turns", $this->turn()),
            404,
            'no such thing',
        );
        // An id smuggled into a body is no better than one in the address.
        $this->assertProblem(
            $this->postJson('/api/v1/sites', ['name' => 'Yard', 'client_id' => $client->id]),
            422,
            'no such thing in this workspace',
            '/client_id',
        );
    }

    public function testNobodyEntersAWorkspaceTheyDoNotBelongTo(): void
    {
        [$owner] = $this->business('Ours');
        [, $theirs] = $this->business('Theirs');
        $this->assertProblem(
            $this->actingAs($owner)->postJson("/api/v1/workspaces/{$theirs->id}/enter", [], self::FROM_PAGE),
            403,
            'belong to that workspace',
        );
        $this->assertProblem(
            $this->actingAs($owner)
                ->withSession(['workspace_id' => $theirs->id])
                ->withHeader('Origin', 'http://127.0.0.1:8680')
                ->getJson('/api/v1/me'),
            403,
            'no longer belong',
        );
    }

    public function testAJobWorksInItsOwnWorkspaceAndLeavesIt(): void
    {
        [, $workspace] = $this->business();
        $this->vehicle($workspace);
        $seen = [];
        app(EachWorkspace::class)(static function () use (&$seen): void {
            $seen[] = Vehicle::query()->count();
        });
        self::assertContains(1, $seen);
        self::assertSame(0, Vehicle::query()->count());
        self::assertNull(Workspace::query()->find($workspace->id));
    }

    private function refused(callable $attempt): void
    {
        $name = 'attempt_' . Str::lower(Str::random(6));
        DB::unprepared("savepoint {$name}");
        try {
            $attempt();
            self::fail('The database let it through.');
        } catch (QueryException $e) {
            DB::unprepared("rollback to savepoint {$name}");
            self::assertContains((string) $e->getCode(), ['42501', '42000', '22023']);
        }
    }
}
