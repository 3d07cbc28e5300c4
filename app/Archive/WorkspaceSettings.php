<?php

declare(strict_types=1);

namespace App\Archive;

use App\Tenancy\Workspace;
use Illuminate\Support\Facades\Validator;
use Throwable;
use Vicissa\Core\House\Numbers;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Money\Rates;
use Vicissa\Core\Says\Said;

/** Settings of a workspace as an archive has them, looked at like those that are typed. */
final class WorkspaceSettings
{
    /**
     * @param array<string, mixed> $known
     * @return array<string, mixed>
     *
     * @throws BadArchive
     */
    public static function checked(array $known): array
    {
        $wrong = Validator::make($known, [
            ...Workspace::RULES,
            'rates' => ['sometimes', 'array'],
            'numbers' => ['sometimes', 'array'],
        ])->errors();
        if ($wrong->has('time_zone')) {
            throw new BadArchive(Said::of('archive.zone'));
        }
        if ($wrong->isNotEmpty()) {
            throw new BadArchive(Said::of('archive.setting', name: (string) ($wrong->keys()[0] ?? '')));
        }
        foreach (
            ['schools' => Schools::of(...), 'rates' => Rates::read(...), 'numbers' => Numbers::of(...)]
            as $name => $read
        ) {
            try {
                isset($known[$name]) && $known[$name] !== [] ? $read($known[$name]) : null;
            } catch (Throwable) {
                throw new BadArchive(Said::of('archive.setting', name: $name));
            }
        }

        return $known;
    }
}
