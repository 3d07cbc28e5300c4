<?php

declare(strict_types=1);

namespace App\Models;

use App\Tenancy\OfWorkspace;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** A turn as someone wrote it down: the record itself, or a correction of it. Never changed. */
class TurnEntry extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return [
            'worked_at' => 'immutable_datetime', 'written_at' => 'immutable_datetime', 'grit' => 'boolean', 'clay' => 'boolean', 'panel_c' => 'float',
            'diagnoses' => 'array', 'refused' => 'array', 'next_on' => 'date:Y-m-d', 'next_kinds' => 'array', 'due_before' => 'array', 'due_after' => 'array',
            'soil' => 'integer', 'minutes' => 'integer', 'revision' => 'integer',
        ];
    }

    /** @return HasMany<TurnProduct, $this> */
    public function products(): HasMany
    {
        return $this->hasMany(TurnProduct::class, 'entry_id')->orderBy('id');
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'entry_id');
    }

    /** @return BelongsTo<User, $this> */
    public function writer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'written_by');
    }
}
