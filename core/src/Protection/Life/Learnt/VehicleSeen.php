<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

/** What one vehicle's layers of a product say, for each way to scatter and each spread between vehicles. */
final readonly class VehicleSeen
{
    /**
     * @param array<int, array<int, float>> $alongT         by way: likelihood, the best taken as one
     * @param array<int, list<array<int, float>>> $alongMu  by way and spread of v: ln likelihood
     */
    public function __construct(public int $layers, public array $alongT, public array $alongMu) {}
}
