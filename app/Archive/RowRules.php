<?php

declare(strict_types=1);

namespace App\Archive;

/** The rules of the book's edge for a row that doesn't come through a form. */
interface RowRules
{
    /**
     * @param 'client'|'site'|'vehicle'|'turn' $what
     * @param array<string, mixed> $facts
     * @return array<string, string> sentences by field
     */
    public function errors(string $what, array $facts, bool $new): array;
}
