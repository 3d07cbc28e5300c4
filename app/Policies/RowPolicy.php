<?php

declare(strict_types=1);

namespace App\Policies;

use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Database\Eloquent\Model;

/**
 * Clients, sites, vehicles and products: everyone in the workspace works with them, the owner puts them away.
 * That a row is of this workspace is row-level security's to see to; it is checked again here all the same.
 */
final readonly class RowPolicy
{
    public function __construct(private Tenancy $tenancy) {}

    public function viewAny(User $user): bool
    {
        return $this->tenancy->entered();
    }

    public function view(User $user, Model $row): bool
    {
        return $this->isHere($row);
    }

    public function create(User $user): bool
    {
        return $this->tenancy->entered();
    }

    public function update(User $user, Model $row): bool
    {
        return $this->isHere($row);
    }

    public function archive(User $user, Model $row): bool
    {
        return $this->isHere($row) && $this->tenancy->isOwner();
    }

    private function isHere(Model $row): bool
    {
        return $row->getAttribute('workspace_id') === $this->tenancy->workspace()->id;
    }
}
