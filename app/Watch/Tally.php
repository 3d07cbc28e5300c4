<?php

declare(strict_types=1);

namespace App\Watch;

use APCUIterator;

/**
 * Counts that all processes of this machine's php-fpm share. Where there is no shared memory (the command line, tests) they
 * are this process's own.
 */
final class Tally
{
    private const PREFIX = 'tally ';

    /** @var array<string, int> */
    private array $own = [];

    public function add(string $name, int $many = 1): void
    {
        if (self::shared()) {
            apcu_inc(self::PREFIX . $name, $many);

            return;
        }
        $this->own[$name] = ($this->own[$name] ?? 0) + $many;
    }

    /** @return array<string, int>  by name, in its order */
    public function all(): array
    {
        $found = $this->own;
        if (self::shared()) {
            $found = [];
            foreach (new APCUIterator('/^' . self::PREFIX . '/', APC_ITER_KEY | APC_ITER_VALUE) as $key => $entry) {
                $found[substr((string) $key, strlen(self::PREFIX))] = (int) $entry['value'];
            }
        }
        ksort($found);

        return $found;
    }

    private static function shared(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled();
    }
}
