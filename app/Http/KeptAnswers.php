<?php

declare(strict_types=1);

namespace App\Http;

use APCUIterator;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;

/**
 * Answers as they went out, compressed, in the memory that the processes of this machine share. What counts requests
 * lies there too and must never be thrown away for want of room: answers take a part of it and no more.
 */
final readonly class KeptAnswers
{
    /** Bytes, compressed: what is larger is computed each time. */
    private const LARGEST = 2_000_000;

    private const SHARE = 0.6;

    private const MARK = 'told ';

    private Repository $store;

    private bool $shared;

    public function __construct()
    {
        // Also where Redis counts requests: what is kept is this machine's.
        $this->shared = function_exists('apcu_enabled') && apcu_enabled();
        $this->store = Cache::store($this->shared ? 'apc' : 'array');
    }

    /**
     * @param list<mixed> $state  what it must have been told at
     * @return array{tag: string, zipped: string}|null
     */
    public function find(string $key, array $state): ?array
    {
        /** @var array{state: list<mixed>, tag: string, zipped: string}|null $kept */
        $kept = $this->store->get(self::MARK . $key);

        return $kept !== null && $kept['state'] === $state
            ? ['tag' => $kept['tag'], 'zipped' => $kept['zipped']]
            : null;
    }

    /**
     * @param list<mixed> $state
     * @return array{tag: string, zipped: string}
     */
    public function keep(string $key, array $state, string $body, int $seconds): array
    {
        $answer = ['tag' => self::tag($body), 'zipped' => (string) gzencode($body, 5)];
        if (strlen($answer['zipped']) <= self::LARGEST && $this->hasRoom()) {
            $this->store->put(self::MARK . $key, ['state' => $state, ...$answer], $seconds);
        }

        return $answer;
    }

    public static function tag(string $body): string
    {
        return '"' . hash('xxh128', $body) . '"';
    }

    private function hasRoom(): bool
    {
        if (!$this->shared) {
            return true;
        }
        /** @var array{num_seg: int, seg_size: float, avail_mem: float} $memory */
        $memory = apcu_sma_info(true);
        $left = $memory['avail_mem'] / max(1.0, $memory['num_seg'] * $memory['seg_size']);
        if ($left < 1.0 - self::SHARE) {
            // What nobody has asked for since is still there.
            apcu_delete(new APCUIterator('/' . preg_quote('_' . self::MARK, '/') . '/', APC_ITER_KEY));

            return false;
        }

        return true;
    }
}
