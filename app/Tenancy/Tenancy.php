<?php

declare(strict_types=1);

namespace App\Tenancy;

use LogicException;

/**
 * Which workspace the present request or job works in. PostgreSQL's row-level security reads it from two settings that
 * last as long as a transaction; without them every tenant table looks empty and takes no rows.
 */
final class Tenancy
{
    private ?Workspace $workspace = null;

    private ?Membership $membership = null;

    public function __construct(private readonly WalledConnection $database) {}

    /** Names the person first, so that their memberships can be seen before a workspace is chosen. */
    public function actAs(string $userId): void
    {
        $this->database->wall(person: $userId);
    }

    /**
     * @param Membership|null $membership  as whom; null for work the program does by itself
     */
    public function enter(string $workspaceId, ?Membership $membership = null): Workspace
    {
        $this->membership = $membership;
        $this->database->wall(workspace: $workspaceId);

        return $this->workspace = Workspace::query()->findOrFail($workspaceId);
    }

    /** Opens the door to a workspace that is about to be created under this id. */
    public function found(string $workspaceId): void
    {
        $this->database->wall(workspace: $workspaceId);
    }

    public function leave(): void
    {
        $this->workspace = $this->membership = null;
        $this->database->wall('', '');
    }

    public function workspace(): Workspace
    {
        return $this->workspace ?? throw new LogicException('No workspace has been entered.');
    }

    /** The workspace's settings have just been changed. */
    public function renew(Workspace $workspace): void
    {
        $this->workspace = $workspace;
    }

    public function isOwner(): bool
    {
        return $this->membership?->isOwner() ?? false;
    }

    public function entered(): bool
    {
        return $this->workspace !== null;
    }

    /**
     * Work of a job, in its workspace; one that runs within a request finds that workspace entered already and leaves
     * it so.
     *
     * @param callable(): mixed $work
     * @param bool $transaction  false where others should see what it writes before it ends
     */
    public function within(string $workspaceId, callable $work, bool $transaction = true): void
    {
        $inherited = $this->entered();
        if (!$inherited) {
            $this->enter($workspaceId);
        }
        try {
            $transaction ? $this->database->transaction(static fn(): mixed => $work()) : $work();
        } finally {
            if (!$inherited) {
                $this->leave();
            }
        }
    }
}
