<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;

/** One model of the core in its JSON form (domain §14): the same over HTTP and on the command line. */
interface Model
{
    public function name(): string;

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput when a field is missing, of the wrong kind, or impossible
     */
    public function reckon(Input $input): array;
}
