<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\ConnectionInterface;

/** For work the program does by itself: opens one workspace after the other. */
final readonly class EachWorkspace
{
    public function __construct(private Tenancy $tenancy, private ConnectionInterface $database) {}

    /** @param callable(): void $work */
    public function __invoke(callable $work): void
    {
        foreach ($this->database->select('select id from workspace_ids() as id') as $row) {
            $this->tenancy->enter($row->id);
            try {
                $work();
            } finally {
                $this->tenancy->leave();
            }
        }
    }
}
