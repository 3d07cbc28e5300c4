<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\Caller;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/**
 * What happened at the door: who came in or failed to, what was opened, made, given away or taken back. In the
 * workspace's trail for its owners, and a line of JSON each in a log of its own for whoever watches over the machine.
 * Never a secret, never a password.
 */
final readonly class DoorLog
{
    public function __construct(private Tenancy $tenancy, private ClockInterface $clock, private Caller $caller) {}

    /** @param array<string, string|int|null> $facts */
    public function note(string $kind, array $facts = [], ?User $who = null): void
    {
        $who ??= $this->caller->user();
        if ($this->tenancy->entered() || $who === null) {
            $this->write($kind, $facts, $who);

            return;
        }
        // At the door no workspace is open yet: the owners of each they work in see it.
        $this->tenancy->actAs($who->id);
        $workspaces = DB::table('memberships')->where('user_id', $who->id)->pluck('workspace_id');
        $this->tenancy->leave();
        foreach ($workspaces as $workspace) {
            $this->tenancy->within((string) $workspace, fn() => $this->write($kind, $facts, $who));
        }
        if ($workspaces->isEmpty()) {
            $this->write($kind, $facts, $who);
        }
    }

    /** @param array<string, string|int|null> $facts */
    private function write(string $kind, array $facts, ?User $who): void
    {
        $at = $this->clock->now();
        $row = [
            'id' => Str::uuid7($at)->toString(),
            'workspace_id' => $this->tenancy->entered() ? $this->tenancy->workspace()->id : null,
            'user_id' => $who?->id,
            'kind' => $kind,
            'address' => $this->caller->address(),
        ];
        DB::table('security_events')->insert([
            ...$row,
            'facts' => json_encode((object) $facts, JSON_THROW_ON_ERROR),
            'at' => $at,
        ]);
        // A disk without room keeps nobody out.
        rescue(fn() => Log::channel('door')->info($kind, [...$row, 'facts' => $facts]), report: false);
    }
}
