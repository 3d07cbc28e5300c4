<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * An archive or a long table that was handed in, or an archive that was asked for.
 *
 * @property string $id
 * @property self::IN|self::OUT $kind
 * @property string|null $asked_by
 * @property 'waiting'|'running'|'done'|'refused' $status
 * @property float $progress
 * @property int|null $rows
 * @property int|null $photos
 * @property mixed $says  why it was refused, in a code
 * @property array{done: bool, new: int, changed: int, same: int, wrong: int}|null $result  of a table
 * @property CarbonImmutable $asked_at
 */
class ArchiveRun extends Model
{
    use OfWorkspace;

    public const IN = 'in';

    public const OUT = 'out';

    /** So long what was written is there to be fetched. */
    public const KEPT_HOURS = 24;

    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['kind' => self::IN, 'status' => 'waiting', 'progress' => 0];

    public static function folder(): string
    {
        return storage_path('app/archives');
    }

    /** Of the file that was handed in. */
    public function path(): string
    {
        return self::folder() . '/' . $this->id;
    }

    /** Of the archive that was written. */
    public function written(): string
    {
        return $this->path() . '.zip';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['progress' => 'float', 'says' => 'json', 'result' => 'array', 'asked_at' => 'immutable_datetime'];
    }
}
