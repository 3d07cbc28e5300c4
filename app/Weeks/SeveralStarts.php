<?php

declare(strict_types=1);

namespace App\Weeks;

use Closure;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Process;
use Vicissa\Core\Planning\FoundPlan;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Planner;
use Vicissa\Core\Planning\Unmet;

/**
 * A plan searched for from several starts at once, each on a core of its own, of which the best counts. The first start
 * is that of a search alone, so more of them are never worse; those beside it give way to whoever asks for a page.
 */
final readonly class SeveralStarts
{
    /** Of more vehicles than this a start takes too much memory to stand beside another. */
    private const MANY = 500;

    private const GIVES_WAY = 10;

    private const LOOKS_EVERY_US = 50_000;

    /** The share of the whole that the first start is, where others are waited for. */
    private const FIRST = 0.75;

    /** @param float $patience  seconds the others are waited for at least, once the first is through */
    public function __construct(private float $patience = 3.0) {}

    /**
     * @param Closure(float): bool|null $told  as for Planner::plan; without it nobody waits long enough for others to pay
     */
    public function __invoke(Instance $instance, int $shakes = 0, ?Closure $told = null): FoundPlan
    {
        $many = $told === null || count($instance->vehicles) > self::MANY;
        $starts = $many ? 1 : config()->integer('vicissa.limits.plan_starts');
        $others = [];
        for ($seed = 2; $seed <= $starts; $seed++) {
            $others[] = $this->begin($instance, $shakes, $seed);
        }
        try {
            $begun = hrtime(true);
            $goesOn = true;
            $best = Planner::plan(
                $instance,
                $shakes,
                told: $told === null
                    ? null
                    : static function (float $share) use ($told, $others, &$goesOn): bool {
                        // Looking after them hands on what of the weeks did not go into their pipe at once.
                        array_map(static fn(InvokedProcess $other): bool => $other->running(), $others);

                        return $goesOn = $told($others === [] ? $share : self::FIRST * $share);
                    },
            );
            // Half as long again at most: on a busy machine the others are behind, and somebody sits before it.
            $from = hrtime(true);
            $until = $from + max(($from - $begun) / 2, 1e9 * $this->patience);
            foreach ($others as $other) {
                while ($goesOn && !self::isPerfect($best) && $other->running() && hrtime(true) < $until) {
                    usleep(self::LOOKS_EVERY_US);
                    $waited = (hrtime(true) - $from) / ($until - $from);
                    $goesOn = $told === null || $told(self::FIRST + (1.0 - self::FIRST) * min(1.0, $waited));
                }
                $found = $other->running() ? null : self::found($other);
                if ($found !== null && self::rank($found) < self::rank($best)) {
                    $best = $found;
                }
            }

            return $best;
        } finally {
            foreach ($others as $other) {
                if ($other->running()) {
                    $other->signal(SIGKILL);
                }
            }
        }
    }

    private function begin(Instance $instance, int $shakes, int $seed): InvokedProcess
    {
        return Process::input(serialize($instance))
            ->path(base_path())
            ->forever()
            ->start([
                'nice',
                '-n',
                (string) self::GIVES_WAY,
                PHP_BINARY,
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'opcache.jit=' . (ini_get('opcache.jit') ?: 'disable'),
                '-d',
                'opcache.jit_buffer_size=' . (ini_get('opcache.jit_buffer_size') ?: '0'),
                'artisan',
                'vicissa:start-search',
                (string) $seed,
                (string) $shakes,
            ]);
    }

    /** Null where a start came to nothing: the others stand. */
    private static function found(InvokedProcess $process): ?FoundPlan
    {
        $result = $process->wait();
        // From a process of our own, through a pipe nobody else writes to.
        $found = $result->successful() ? unserialize($result->output()) : null;
        if (!($found instanceof FoundPlan)) {
            Log::warning('start-of-search-failed', ['said' => mb_substr($result->errorOutput(), 0, 500)]);

            return null;
        }

        return $found;
    }

    /** @return array{int, float} what somebody asked for and is missed first, then points */
    private static function rank(FoundPlan $plan): array
    {
        return [
            count(array_filter($plan->unmet, static fn(Unmet $one): bool => $one->binding)),
            round($plan->cost->total, 6),
        ];
    }

    private static function isPerfect(FoundPlan $plan): bool
    {
        return self::rank($plan)[0] === 0 && $plan->cost->total <= $plan->bound + 1e-6;
    }
}
