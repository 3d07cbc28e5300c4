<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * An archive or a long table that was handed in.
 *
 * @property string $id
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

    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['status' => 'waiting', 'progress' => 0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['progress' => 'float', 'says' => 'json', 'result' => 'array', 'asked_at' => 'immutable_datetime'];
    }
}
