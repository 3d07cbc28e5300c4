<?php

declare(strict_types=1);

namespace App\Tenancy;

use Carbon\CarbonImmutable;
use Closure;
use DateTimeInterface;
use Illuminate\Database\PostgresConnection;
use PDOException;

/**
 * A connection that says with every transaction in whose workspace it is, and for no longer: what is set ends with the
 * transaction, so that a pooler may give the next one to anybody. A statement by itself gets a transaction of its own.
 */
final class WalledConnection extends PostgresConnection
{
    private const FAILED = '25P02';

    private string $workspace = '';

    private string $person = '';

    private bool $oneMoment = false;

    /** From here on; an empty string for nobody. */
    public function wall(?string $workspace = null, ?string $person = null): void
    {
        $this->workspace = $workspace ?? $this->workspace;
        $this->person = $person ?? $this->person;
        if ($this->transactions > 0) {
            try {
                $this->getPdo()->exec($this->settings());
            } catch (PDOException $e) {
                // One that has failed hears nothing until it is undone, and then it is said again.
                if ($e->getCode() !== self::FAILED) {
                    throw $e;
                }
            }
        }
    }

    /**
     * Moments go in as UTC, whatever zone whoever made them was in.
     *
     * @param array<mixed> $bindings
     * @return array<mixed>
     */
    public function prepareBindings(array $bindings): array
    {
        return parent::prepareBindings(
            array_map(
                static fn(mixed $one): mixed => $one instanceof DateTimeInterface
                    ? CarbonImmutable::instance($one)->utc()
                    : $one,
                $bindings,
            ),
        );
    }

    /**
     * @param string $query
     * @param array<mixed> $bindings
     * @param Closure(string, array<mixed>): mixed $callback
     */
    protected function run($query, $bindings, Closure $callback): mixed
    {
        return parent::run(
            $query,
            $bindings,
            $this->transactions > 0 || $this->pretending || $this->workspace . $this->person === ''
                ? $callback
                : fn(string $query, array $bindings): mixed => $this->alone(
                    static fn(): mixed => $callback($query, $bindings),
                ),
        );
    }

    /** @param Closure(): mixed $work */
    private function alone(Closure $work): mixed
    {
        $pdo = $this->getPdo();
        $pdo->exec('begin; ' . $this->settings());
        $done = false;
        try {
            $result = $work();
            $done = true;
        } finally {
            // Whatever went wrong is told as it was; a connection that is gone has nothing left to undo.
            if (!$done && $pdo->inTransaction()) {
                $pdo->exec('rollback');
            }
        }
        $pdo->exec('commit');

        return $result;
    }

    /**
     * A transaction all of whose readings see one state of everything. It has to be asked for before anything else is
     * said in it.
     *
     * @template T
     * @param Closure(): T $read
     * @return T
     */
    public function atOneMoment(Closure $read): mixed
    {
        $this->oneMoment = true;
        try {
            return $this->transaction(function () use ($read): mixed {
                $this->oneMoment = false;

                return $read();
            });
        } finally {
            $this->oneMoment = false;
        }
    }

    protected function executeBeginTransactionStatement(): void
    {
        parent::executeBeginTransactionStatement();
        if ($this->oneMoment) {
            $this->getPdo()->exec('set transaction isolation level repeatable read');
        }
        if ($this->workspace . $this->person !== '') {
            $this->getPdo()->exec($this->settings());
        }
    }

    /**
     * Undone up to a savepoint, the settings are those of that time as well.
     *
     * @param int $toLevel
     */
    protected function performRollBack($toLevel): void
    {
        parent::performRollBack($toLevel);
        if ($toLevel > 0) {
            $this->getPdo()->exec($this->settings());
        }
    }

    /** Whoever comes in anew changes the state anew (StateMark), also within a transaction of somebody else. */
    private function settings(): string
    {
        $pdo = $this->getPdo();

        [$workspace, $person] = [$pdo->quote($this->workspace), $pdo->quote($this->person)];

        return "select set_config('vicissa.workspace', {$workspace}, true), set_config('vicissa.user', {$person}, true), set_config('vicissa.changed', '', true)";
    }
}
