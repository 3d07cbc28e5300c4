<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Problems\Problem;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Vicissa\Core\Says\Said;

/** Opens what a client was asked, for whoever has the link of the letter, and nothing else of the workspace. */
final readonly class OpenQuestion
{
    public function __construct(private Tenancy $tenancy) {}

    /**
     * @template T
     * @param callable(Proposal): T $work
     * @return T
     * @throws Problem  where the link is none, or the letter has not gone out yet
     */
    public function __invoke(string $id, string $signature, callable $work): mixed
    {
        $workspace = Str::isUuid($id) ? DB::selectOne('select workspace_of_proposal(?) as id', [$id])?->id : null;
        if ($workspace === null) {
            throw Problem::missing(Said::of('weeks.no-link'));
        }
        $this->tenancy->enter($workspace);
        try {
            $row = Proposal::query()->with('vehicle')->findOrFail($id);
            if (!hash_equals($row->signature(), $signature) || $row->status === 'waiting') {
                throw Problem::missing(Said::of('weeks.no-link'));
            }

            return $work($row);
        } finally {
            $this->tenancy->leave();
        }
    }
}
