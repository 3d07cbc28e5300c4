<?php

declare(strict_types=1);

namespace App\Tenancy;

/** The processor's time, which a busy neighbour doesn't take from anybody as it does the clock's. */
final class Processor
{
    /** Milliseconds this process has used so far. */
    public static function usedMs(): int
    {
        $use = getrusage();

        return $use === false
            ? 0
            : 1000 * ($use['ru_utime.tv_sec'] + $use['ru_stime.tv_sec']) +
                    intdiv($use['ru_utime.tv_usec'] + $use['ru_stime.tv_usec'], 1000);
    }
}
