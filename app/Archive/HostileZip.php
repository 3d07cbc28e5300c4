<?php

declare(strict_types=1);

namespace App\Archive;

use Vicissa\Core\Says\Said;
use ZipArchive;

/**
 * A file from a stranger: nothing it says of itself is believed. What it claims is measured before anything is unpacked,
 * and what comes out is counted while it comes.
 */
final class HostileZip
{
    /** Files in it. */
    private const FILES = 6_000;

    private const JSON_BYTES = 48_000_000;

    private const PHOTO_BYTES = 12_000_000;

    private const TOTAL_BYTES = 900_000_000;

    /** Text is packed to a fiftieth at the very best; what is packed closer is packed to burst. */
    private const RATIO = 60;

    private int $out = 0;

    private function __construct(private readonly ZipArchive $zip) {}

    /** @throws BadArchive */
    public static function open(string $path): self
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new BadArchive(Said::of('archive.no-zip'));
        }
        if ($zip->numFiles > self::FILES) {
            throw new BadArchive(Said::of('archive.files', most: self::FILES));
        }
        $total = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            $size = (int) ($stat['size'] ?? 0);
            $total += $size;
            if ($size > 1_000_000 && $size > self::RATIO * max(1, (int) ($stat['comp_size'] ?? 0))) {
                throw new BadArchive(Said::of('archive.bursts'));
            }
        }
        if ($total > self::TOTAL_BYTES) {
            throw new BadArchive(Said::of('archive.large'));
        }
        $stat = $zip->statName('archive.json');
        if ($stat === false || $stat['size'] > self::JSON_BYTES) {
            throw new BadArchive(Said::of('archive.no-json'));
        }

        return new self($zip);
    }

    /** @throws BadArchive */
    public function json(): string
    {
        return $this->read('archive.json', self::JSON_BYTES) ?? throw new BadArchive(Said::of('archive.no-json'));
    }

    /**
     * @return string|null null where there is none
     *
     * @throws BadArchive
     */
    public function photo(string $id): ?string
    {
        return $this->read("photos/{$id}.jpg", self::PHOTO_BYTES);
    }

    public function close(): void
    {
        $this->zip->close();
    }

    private function read(string $name, int $most): ?string
    {
        $stream = $this->zip->getStream($name);
        if ($stream === false) {
            return null;
        }
        $text = '';
        while (!feof($stream)) {
            $part = @fread($stream, 65_536);
            if ($part === false) {
                break;
            }
            $text .= $part;
            $this->out += strlen($part);
            if (strlen($text) > $most || $this->out > self::TOTAL_BYTES) {
                fclose($stream);

                throw new BadArchive(Said::of('archive.bursts'));
            }
        }
        fclose($stream);

        return $text;
    }
}
