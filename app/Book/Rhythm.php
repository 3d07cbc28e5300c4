<?php

declare(strict_types=1);

namespace App\Book;

/** What a programme hands to its vehicles, and a vehicle has of its own. */
final class Rhythm
{
    /** Days between visits, weeks between toppers, days between decontaminations. */
    public const SPANS = ['cadence_min', 'cadence_target', 'cadence_max', 'salt_target', 'topper_weeks', 'decon_days'];

    public const FIELDS = [...self::SPANS, 'scope', 'full_every', 'topper_washes'];

    public const CASTS = [
        'cadence_min' => 'integer',
        'cadence_target' => 'integer',
        'cadence_max' => 'integer',
        'salt_target' => 'integer',
        'topper_weeks' => 'integer',
        'decon_days' => 'integer',
        'full_every' => 'integer',
        'topper_washes' => 'integer',
    ];
}
