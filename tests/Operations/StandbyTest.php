<?php

declare(strict_types=1);

namespace Tests\Operations;

use PHPUnit\Framework\TestCase;

/** A second machine follows the first and takes its place when that is lost, with all that was acknowledged. */
final class StandbyTest extends TestCase
{
    /** How many rows each table has, but for what whoever serves notes by the minute. */
    private const ROWS = <<<'SQL'
    select string_agg(format('%s %s', table_name, (xpath('/row/n/text()', query_to_xml(format(
        'select count(*) as n from %I', table_name), false, true, '')))[1]), ', ' order by table_name)
    from information_schema.tables where table_schema = 'public' and table_name not in ('cache', 'cache_locks', 'jobs')
    SQL;

    private ?Installation $first = null;

    private ?Installation $second = null;

    protected function tearDown(): void
    {
        $this->second?->stop();
        $this->first?->stop();
    }

    public function testItHasEveryChangeAndTakesThePlaceOfTheFirst(): void
    {
        $this->first = Installation::fresh('first');
        self::assertTrue($this->first->start(), $this->first->said());
        $this->first->database("create table kept as select 'before it followed' as what");
        $this->second = $this->first->second('second', ownDatabase: true);
        [$code, $says] = $this->second->run('bin/standby promote');
        self::assertSame([1, true], [$code, str_contains($says, 'Nothing here follows')], $says);

        $this->second->begin("bin/standby {$this->first->dbPort}");
        $follows = fn(): ?bool => $this->second->database('select pg_is_in_recovery()') === 't' ? true : null;
        self::assertTrue($this->second->within(90, $follows), $this->second->said());
        $this->first->database("insert into kept values ('and after')");
        $both = fn(): ?bool => $this->second->database('select count(*) from kept') === '2' ? true : null;
        self::assertTrue($this->second->within(20, $both), $this->second->said());
        self::assertNull($this->second->database("insert into kept values ('here')"), 'It only reads.');
        [$code, $says] = $this->second->run('bin/standby lag');
        self::assertStringContainsString(' bytes behind', $says, (string) $code);
        [$code, $says] = $this->second->run('bin/start');
        self::assertSame(
            [1, true],
            [$code, str_contains($says, 'already running') || str_contains($says, 'follows another')],
            $says,
        );

        // Everything of the first is gone at once; nobody could say good-bye.
        $rows = $this->first->database(self::ROWS);
        self::assertNotNull($rows);
        $this->first->kill('postgres');
        $this->first->stop();
        [$code, $says] = $this->second->run('bin/standby promote');
        self::assertSame(0, $code, $says);
        self::assertTrue(
            $this->second->within(20, fn(): ?bool => $this->second->runs() === true ? null : true),
            $this->second->said(),
        );
        self::assertTrue($this->second->start(), $this->second->said());
        self::assertSame($rows, $this->second->database(self::ROWS));
        self::assertNotNull($this->second->database("insert into kept values ('here')"));
    }
}
