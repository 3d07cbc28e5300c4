<?php

declare(strict_types=1);

namespace App\Watch;

use Illuminate\Log\Logger;
use Monolog\Handler\ErrorLogHandler;
use Monolog\Handler\FallbackGroupHandler;
use Monolog\Logger as Channel;

/**
 * A line that can't be written where it belongs (a full disk, a file of another's) goes to the process's own error log.
 * Nobody's work fails for it.
 */
final class NeverFails
{
    public function __invoke(Logger $logger): void
    {
        $channel = $logger->getLogger();
        if ($channel instanceof Channel) {
            $channel->setHandlers([new FallbackGroupHandler([...$channel->getHandlers(), new ErrorLogHandler()])]);
        }
    }
}
