<?php

declare(strict_types=1);

namespace App\Standins;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/**
 * A letter of a workspace, and how it fared.
 *
 * @property string $id
 * @property string|null $workspace_id
 * @property string $recipient
 * @property string $subject
 * @property string $body
 * @property string|null $calendar
 * @property self::KEPT|self::WAITING|self::SENT|self::FAILED|self::UNCLEAR $status
 * @property int $tries
 * @property string|null $fault  what the mail server said
 * @property CarbonImmutable|null $sent_at
 */
class OutboxMessage extends Model
{
    use HasUuids;

    /** Instead of sent: no mail is set up. */
    public const KEPT = 'kept';

    public const WAITING = 'waiting';

    public const SENT = 'sent';

    public const FAILED = 'failed';

    /** A worker died over it: it may have gone out. */
    public const UNCLEAR = 'unclear';

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['sent_at' => 'immutable_datetime'];
    }
}
