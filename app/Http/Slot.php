<?php

declare(strict_types=1);

namespace App\Http;
use RuntimeException;

/** One of the places somebody has for requests at once, on this machine. A process that dies gives its own back. */
final class Slot
{
    /** So many files at the most; two people who meet in one share its places. */
    private const SHELVES = 1024;

    /** @param resource $file */
    private function __construct(private $file) {}

    /** The first that is free; null when all are taken. */
    public static function take(string $whose, int $of): ?self
    {
        $folder = storage_path('framework/slots');
        is_dir($folder) ||
            @mkdir($folder, 0700, true) ||
            is_dir($folder) ||
            throw new RuntimeException("No folder {$folder}.");
        $shelf = crc32($whose) % self::SHELVES;
        for ($n = 0; $n < $of; $n++) {
            $file = fopen("{$folder}/{$shelf}-{$n}", 'c') ?: throw new RuntimeException('No place could be made.');
            if (flock($file, LOCK_EX | LOCK_NB)) {
                return new self($file);
            }
            fclose($file);
        }

        return null;
    }

    public function leave(): void
    {
        fclose($this->file);
    }
}
