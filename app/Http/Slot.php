<?php

declare(strict_types=1);

namespace App\Http;
/** One of the places somebody has for requests at once, on this machine. A process that dies gives its own back. */
final class Slot
{
    /** So many files at the most; two people who meet in one share its places. */
    private const SHELVES = 1024;

    /** @param resource|null $file  null where the disk takes none: then nobody is held up */
    private function __construct(private $file) {}

    /** So many may wait for a place; whoever comes then is sent away. */
    private const WAIT = 2;

    private const LOOK_EACH_US = 30_000;

    /** The first that is free, or becomes so in a moment; null when all are taken and enough wait already. */
    public static function take(string $whose, int $of, int $waitMs = 0): ?self
    {
        $one = self::free($whose, $of);
        if ($one !== null || $waitMs === 0) {
            return $one;
        }
        $chair = self::free("waits {$whose}", self::WAIT);
        $until = microtime(true) + $waitMs / 1000;
        while ($chair !== null && $one === null && microtime(true) < $until) {
            usleep(self::LOOK_EACH_US);
            $one = self::free($whose, $of);
        }
        $chair?->leave();

        return $one;
    }

    private static function free(string $whose, int $of): ?self
    {
        $folder = storage_path('framework/slots');
        if (!is_dir($folder) && !@mkdir($folder, 0700, true) && !is_dir($folder)) {
            return new self(null);
        }
        $shelf = crc32($whose) % self::SHELVES;
        for ($n = 0; $n < $of; $n++) {
            $file = @fopen("{$folder}/{$shelf}-{$n}", 'c');
            if ($file === false) {
                return new self(null);
            }
            if (flock($file, LOCK_EX | LOCK_NB)) {
                return new self($file);
            }
            fclose($file);
        }

        return null;
    }

    public function leave(): void
    {
        if (is_resource($this->file)) {
            fclose($this->file);
        }
    }
}
