<?php

declare(strict_types=1);

namespace App\Money;

use App\Book\Client;
use App\Tenancy\OfWorkspace;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A year as it was offered, with what it rested on. Written once.
 *
 * @property string $id
 * @property string|null $client_id
 * @property string $title
 * @property array<string, mixed> $facts
 * @property array<string, mixed> $answer  as QuoteAnswer; in older archives without what is ours alone
 * @property CarbonImmutable $made_at
 */
class Quote extends Model
{
    use OfWorkspace;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['facts' => 'array', 'answer' => 'array', 'made_at' => 'immutable_datetime'];
    }

    /**
     * What it says. In one from an older archive nobody has told apart what is ours alone: none of it is the client's
     * to read.
     *
     * @return Told<'QuoteAnswer'>
     */
    public function told(): array
    {
        /** @var Told<'QuoteAnswer'> */
        return isset($this->answer['inside'])
            ? $this->answer
            : [...$this->answer, 'assumes' => [], 'inside' => $this->answer['assumes'] ?? []];
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }
}
