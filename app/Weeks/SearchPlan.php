<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Record\Overtaken;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;
use Vicissa\Core\Says\Said;

/**
 * A search for a plan that somebody waits for: it says how far it is, can be stopped, and never overwrites a change
 * made meanwhile.
 */
final class SearchPlan implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 650;

    public function __construct(
        private readonly string $workspaceId,
        private readonly string $runId,
        private readonly bool $afresh,
    ) {}

    public function handle(Tenancy $tenancy, ReplanWeeks $replanWeeks): void
    {
        // Progress has to be seen while it goes on, so no transaction is put round all of it.
        $tenancy->within(
            $this->workspaceId,
            function () use ($replanWeeks): void {
                $run = PlanRun::query()->find($this->runId);
                if ($run === null || $run->status !== 'waiting') {
                    return;
                }
                $set = static fn(array $facts, ?Said $says = null): int => PlanRun::query()
                    ->whereKey($run->id)
                    ->update([...$facts, 'says' => $says === null ? null : json_encode($says, JSON_THROW_ON_ERROR)]);
                $set(['status' => 'running']);
                try {
                    $plan = $replanWeeks(
                        Said::of('plan.again'),
                        $run->asked_by === null ? null : User::query()->find($run->asked_by),
                        afresh: $this->afresh,
                        told: function (float $share) use ($set, $run): bool {
                            $set(['progress' => $share]);

                            return PlanRun::query()->whereKey($run->id)->value('status') === 'running';
                        },
                    );
                    $stopped = PlanRun::query()->whereKey($run->id)->value('status') === 'stopped';
                    $set(
                        [
                            'status' => $stopped ? 'stopped' : 'done',
                            'progress' => 1,
                            'plan_id' => $plan->id,
                        ],
                        $stopped ? Said::of('search.stopped') : null,
                    );
                } catch (Overtaken) {
                    $set(['status' => 'overtaken'], Said::of('search.overtaken'));
                } catch (Throwable $e) {
                    $set(['status' => 'failed'], Said::of('search.failed'));
                    throw $e;
                }
            },
            transaction: false,
        );
    }
}
