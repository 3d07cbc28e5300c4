<?php

declare(strict_types=1);

namespace Tests\Cluster;

/** Writes down one turn after the other, of one vehicle, each with a little soap. */
final class Phone extends Asking
{
    private int $minutes = 0;

    public function __construct(
        int $port,
        string $secret,
        private readonly string $vehicle,
        private readonly string $soap,
    ) {
        parent::__construct($port, $secret);
    }

    protected function next(string $id): array
    {
        $this->minutes++;

        return [
            "vehicles/{$this->vehicle}/turns",
            [
                'id' => $id,
                'worked_at' => gmdate(DATE_ATOM, time() - 60 * $this->minutes),
                'soil' => 2,
                'method' => 'multi-towel',
                'water' => 'tap',
                'products' => [['product_id' => $this->soap, 'zone' => 'paint', 'quantity_ml' => 0.5]],
            ],
        ];
    }
}
