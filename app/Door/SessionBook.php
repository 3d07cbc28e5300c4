<?php

declare(strict_types=1);

namespace App\Door;

/** Who is signed in where, whatever keeps the sessions. */
interface SessionBook
{
    /** So many of one person are told. */
    public const MOST = 50;

    /**
     * @return list<array{id: string, address: string|null, agent: string|null, seen: int}>  the newest first; seen is a
     *     Unix time
     */
    public function of(string $user): array;

    /** Ends those of a person that are named. */
    public function end(string $user, string ...$ids): void;

    public function endAll(string $user, ?string $but = null): void;
}
