<?php

declare(strict_types=1);

namespace Tests\Chaos;

use Illuminate\Support\Str;
use Tests\Cluster\Asking;

/** Ticks one step after the other on a sheet, in order; the next only when the one before is acknowledged. */
final class SheetPhone extends Asking
{
    private int $seq = 0;

    private readonly string $device;

    public function __construct(int $port, string $secret, private readonly string $sheet)
    {
        parent::__construct($port, $secret);
        $this->device = Str::uuid7()->toString();
    }

    protected function next(string $id): array
    {
        return [
            "sheets/{$this->sheet}/events",
            [
                'events' => [
                    [
                        'id' => $id,
                        'device' => $this->device,
                        'seq' => ++$this->seq,
                        'kind' => 'note',
                        'step' => 'look',
                        'facts' => ['text' => "the {$this->seq}th"],
                        'at' => gmdate(DATE_ATOM),
                    ],
                ],
            ],
        ];
    }
}
