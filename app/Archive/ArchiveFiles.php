<?php

declare(strict_types=1);

namespace App\Archive;

use Illuminate\Contracts\Filesystem\Factory;
use Illuminate\Contracts\Filesystem\Filesystem;
use RuntimeException;

/**
 * Files of archives between a request and a worker, which may be on another machine: worked on where one is, and laid by
 * on the disk for archives where that is shared (S3).
 */
final readonly class ArchiveFiles
{
    private const DISK = 'archives';

    public function __construct(private Factory $disks) {}

    /** What was handed in lies at its path; whoever takes it in finds it. */
    public function handedIn(ArchiveRun $run): void
    {
        if (self::isShared() && is_file($run->path())) {
            $this->layBy($run->path());
        }
    }

    /** Brings it to its path. */
    public function bring(string $path): void
    {
        if (self::isShared() && !is_file($path) && $this->disk()->exists(basename($path))) {
            $this->take($path);
        }
    }

    /** What was written at the path is whole: it gets its own name, or none. */
    public function written(string $path): void
    {
        if (!rename($path, "{$path}.zip")) {
            throw new RuntimeException('There is no room for an archive.');
        }
        if (self::isShared()) {
            $this->layBy("{$path}.zip");
        }
    }

    /** The archive that was written, here; null when it is gone. */
    public function fetch(ArchiveRun $run): ?string
    {
        if (self::isShared() && $this->disk()->exists(basename($run->written()))) {
            $this->take($run->written());
        }

        return is_file($run->written()) ? $run->written() : null;
    }

    /** Whether it lies elsewhere as well, so that what is here may go. */
    public static function isShared(): bool
    {
        return config('filesystems.disks.' . self::DISK . '.driver') !== 'local';
    }

    public function gone(string $path): void
    {
        @unlink($path);
        if (self::isShared()) {
            $this->disk()->delete(basename($path));
        }
    }

    /** @param int $before  a Unix time */
    public function prune(int $before): void
    {
        foreach (glob(ArchiveRun::folder() . '/*') ?: [] as $file) {
            if (filemtime($file) < $before) {
                unlink($file);
            }
        }
        foreach (self::isShared() ? $this->disk()->files() : [] as $file) {
            if ($this->disk()->lastModified($file) < $before) {
                $this->disk()->delete($file);
            }
        }
    }

    private function layBy(string $path): void
    {
        $file = fopen($path, 'rb') ?: throw new RuntimeException('An archive went before it was laid by.');
        $this->disk()->writeStream(basename($path), $file);
        unlink($path);
    }

    private function take(string $path): void
    {
        is_dir(dirname($path)) || mkdir(dirname($path), 0700, true);
        $from = $this->disk()->readStream(basename($path)) ?? throw new RuntimeException('An archive went meanwhile.');
        if (file_put_contents($path, $from) === false) {
            throw new RuntimeException('There is no room for an archive.');
        }
    }

    private function disk(): Filesystem
    {
        return $this->disks->disk(self::DISK);
    }
}
