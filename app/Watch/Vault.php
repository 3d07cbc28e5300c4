<?php

declare(strict_types=1);

namespace App\Watch;

use DateTimeImmutable;
use Psr\Clock\ClockInterface;
use Throwable;

/** What was last put into the vault and tried out of it, as bin/lib.sh notes it (`vault_note`). */
final readonly class Vault
{
    /** What is done there, and hours after which it is late. */
    private const KINDS = ['base' => 30, 'photos' => 3, 'drill' => 8 * 24];

    public function __construct(private ClockInterface $clock) {}

    /** @return list<Told<'VaultDone'>>  empty where no vault is named */
    public function done(): array
    {
        $folder = storage_path('vault');
        if (!is_dir($folder)) {
            return [];
        }
        $done = [];
        foreach (self::KINDS as $kind => $hours) {
            $last = self::read("{$folder}/{$kind}.json");
            $well = self::read("{$folder}/{$kind}-well.json");
            $done[] = [
                'kind' => $kind,
                'at' => $last['at'] ?? null,
                'ok' => $last['ok'] ?? null,
                'took_s' => $last['took_s'] ?? null,
                'says' => $last['says'] ?? '',
                'well_at' => $well['at'] ?? null,
                'late' => $well === null || $this->age($well['at']) > 3600 * $hours,
            ];
        }

        return $done;
    }

    /** Seconds. */
    public function age(string $at): int
    {
        return $this->clock->now()->getTimestamp() - (new DateTimeImmutable($at))->getTimestamp();
    }

    /** @return array{at: string, ok: bool, took_s: int, says: string}|null */
    private static function read(string $file): ?array
    {
        try {
            /** @var array{at: string, ok: bool, took_s: int, says: string} $note */
            $note = json_decode((string) file_get_contents($file), true, 4, JSON_THROW_ON_ERROR);

            return $note;
        } catch (Throwable) {
            return null;
        }
    }
}
