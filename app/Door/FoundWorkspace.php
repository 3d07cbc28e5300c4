<?php

declare(strict_types=1);

namespace App\Door;

use App\Shelf\StockStarterShelf;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Vicissa\Core\Units\Measures;

/** A new business: its owner, its settings, and a shelf of plain unbranded bottles to begin with. */
final readonly class FoundWorkspace
{
    public function __construct(private Tenancy $tenancy, private StockStarterShelf $stockStarterShelf) {}

    /**
     * @param array{name: string, email: string, password: string} $owner
     * @param array{name: string, time_zone?: string, units?: string, schools?: array<string, string>,
     *     salt_months?: list<int>} $workspace
     * @return array{User, Workspace}
     */
    public function __invoke(array $owner, array $workspace, bool $starterShelf = true): array
    {
        return DB::transaction(function () use ($owner, $workspace, $starterShelf): array {
            $user = User::query()->create([...$owner, 'email' => mb_strtolower($owner['email'])]);
            $id = Str::uuid7()->toString();
            $this->tenancy->actAs($user->id);
            $this->tenancy->found($id);
            Workspace::query()->create([
                'id' => $id,
                'hardness_unit' => Measures::from($workspace['units'] ?? 'metric')->hardness()->value,
                ...$workspace,
            ]);
            $membership = Membership::query()->create([
                'workspace_id' => $id,
                'user_id' => $user->id,
                'role' => 'owner',
            ]);
            $entered = $this->tenancy->enter($id, $membership);
            if ($starterShelf) {
                ($this->stockStarterShelf)();
            }

            return [$user, $entered];
        });
    }
}
