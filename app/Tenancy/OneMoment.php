<?php

declare(strict_types=1);

namespace App\Tenancy;

use Closure;
use Illuminate\Support\Facades\DB;

/** Several readings of one state of everything, whatever others write meanwhile. */
final class OneMoment
{
    /**
     * Within a transaction already begun the readings see what that one sees.
     *
     * @template T
     * @param Closure(): T $read  writes nothing: a row that another has changed meanwhile can't be written from here
     * @return T
     */
    public static function of(Closure $read): mixed
    {
        $connection = DB::connection();

        return $connection instanceof WalledConnection && $connection->transactionLevel() === 0
            ? $connection->atOneMoment($read)
            : DB::transaction($read);
    }
}
