<?php

declare(strict_types=1);

namespace App\Record;

use App\Tenancy\OfWorkspace;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Vicissa\Core\Says\Said;

/**
 * What happened on the driveway, as a device wrote it down. Never changed.
 *
 * @property string $id      made on the device
 * @property string $sheet_id
 * @property string $device
 * @property int $seq        counts up on that device
 * @property string $kind
 * @property string|null $step
 * @property array<string, mixed> $facts
 * @property CarbonImmutable $at
 * @property string $written_by
 * @property string|Said|null $conflict  what it contradicts, as it is kept; both are
 */
class SheetEvent extends Model
{
    use OfWorkspace;

    /** What can happen. */
    public const KINDS = [
        'begin',
        'start',
        'end',
        'skip',
        'undo',
        'ack',
        'reading',
        'found',
        'count',
        'note',
        'pause',
        'resume',
        'hand-over',
        'sun',
        'finish',
    ];

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'facts' => 'array',
            'conflict' => 'json',
            'at' => 'immutable_datetime',
            'received_at' => 'immutable_datetime',
            'seq' => 'integer',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function writer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'written_by');
    }
}
