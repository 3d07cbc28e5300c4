<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Weeks\SeveralStarts;
use Illuminate\Console\Command;
use Vicissa\Core\Planning\Instance;
use Vicissa\Core\Planning\Planner;

/** One start of a search beside others ({@see SeveralStarts}): the weeks come in as they were put together, the plan goes out. */
final class StartSearch extends Command
{
    protected $signature = 'vicissa:start-search {seed} {shakes}';

    protected $description = 'Search for a plan from one start (asked by the queue)';

    protected $hidden = true;

    public function handle(): int
    {
        $instance = unserialize((string) stream_get_contents(STDIN));
        if (!($instance instanceof Instance)) {
            $this->error('These are no weeks.');

            return self::FAILURE;
        }
        // Whoever asked may be gone: nobody is searched for then.
        $parent = posix_getppid();
        $found = Planner::plan(
            $instance,
            (int) $this->argument('shakes'),
            (int) $this->argument('seed'),
            static fn(): bool => posix_getppid() === $parent,
        );
        $this->output->write(serialize($found));

        return self::SUCCESS;
    }
}
