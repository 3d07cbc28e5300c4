<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\PlannedVisit;
use App\Record\Overtaken;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Vicissa\Core\Says\Said;

/**
 * A visit was cancelled, or something planned was left out of one: the plan takes it up again, and moves as little as
 * it can.
 */
final class OpenAgain implements ShouldQueue
{
    use Queueable;

    /** A search among few changes needs few steps. */
    private const SHAKES = 20;

    /** Somebody who moves one visit after the other may be faster several times. */
    public int $tries = 10;

    public int $timeout = 100;

    public function __construct(private readonly string $workspaceId, private readonly Said $why) {}

    public function handle(Tenancy $tenancy, ReplanWeeks $replanWeeks): void
    {
        $tenancy->within(
            $this->workspaceId,
            function () use ($replanWeeks): void {
                // Who doesn't plan weeks isn't planned for.
                if (PlannedVisit::query()->doesntExist()) {
                    return;
                }
                try {
                    $replanWeeks($this->why, null, shakes: self::SHAKES);
                } catch (Overtaken) {
                    $this->release(2);
                }
            },
            transaction: false,
        );
    }
}
