<?php

declare(strict_types=1);

namespace App\Policies;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;

/** Settings, people, tokens and messages are the owner's. */
final readonly class WorkspacePolicy
{
    public function __construct(private Tenancy $tenancy) {}

    public function manage(User $user, Workspace $workspace): bool
    {
        return $workspace->id === $this->tenancy->workspace()->id && $this->tenancy->isOwner();
    }
}
