<?php

declare(strict_types=1);

namespace App\Book\Http;

/** What a rhythm may be, of a programme or a vehicle's own. */
final class RhythmRules
{
    /**
     * @param string $new  "required" where a row can't be without its cadence, else "sometimes"
     * @return array<string, list<mixed>>
     */
    public static function of(string $new = 'sometimes'): array
    {
        return [
            'cadence_min' => [$new, 'integer', 'between:1,365'],
            'cadence_target' => [$new, 'integer', 'between:1,365'],
            'cadence_max' => [$new, 'integer', 'between:1,730'],
            'salt_target' => ['sometimes', 'nullable', 'integer', 'between:1,365'],
            'topper_weeks' => ['sometimes', 'nullable', 'integer', 'between:1,104'],
            'decon_days' => ['sometimes', 'nullable', 'integer', 'between:1,1460'],
            'scope' => ['sometimes', 'string', 'max:80', new KnownScope()],
            'full_every' => ['sometimes', 'nullable', 'integer', 'between:2,52'],
            'topper_washes' => ['sometimes', 'nullable', 'integer', 'between:1,60'],
        ];
    }
}
