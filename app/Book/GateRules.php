<?php

declare(strict_types=1);

namespace App\Book;

use Carbon\CarbonImmutable;
use Vicissa\Core\Says\Said;

/** What a place asks of those who come: its hours, its register, its proof of insurance (domain §11). */
final readonly class GateRules
{
    /** So many days before it runs out one is reminded. */
    private const SOON_DAYS = 21;

    /**
     * @param CarbonImmutable $day       in the workspace's time zone
     * @param int|null $fromMin          when the visit is meant to begin, minutes of the day; null when nobody said
     * @param int|null $minutes          how long it takes
     * @return list<array{says: Said, grave: bool}>
     */
    public static function for(?Site $site, CarbonImmutable $day, ?int $fromMin = null, ?int $minutes = null): array
    {
        if ($site === null) {
            return [];
        }
        $expires = $site->certificate_expires_on;
        $hours = self::hours($site->hours);

        return array_values(
            array_filter([
                match (true) {
                    $expires === null => null,
                    $expires->toDateString() < $day->toDateString() => [
                        'says' => Said::of(
                            'gate.proof-ran-out',
                            site: $site->name,
                            on: Said::day($expires->toDateString()),
                        ),
                        'grave' => true,
                    ],
                    $expires->toDateString() <= $day->addDays(self::SOON_DAYS)->toDateString() => [
                        'says' => Said::of(
                            'gate.proof-runs-out',
                            site: $site->name,
                            on: Said::day($expires->toDateString()),
                        ),
                        'grave' => false,
                    ],
                    default => null,
                },
                match (true) {
                    $site->hours === null => null,
                    $hours !== null &&
                        $fromMin !== null &&
                        ($fromMin < $hours[0] || $fromMin + ($minutes ?? 0) > $hours[1])
                        => [
                        'says' => Said::of(
                            'gate.does-not-fit',
                            hours: $site->hours,
                            from: self::clock($fromMin),
                            minutes: $minutes ?? 0,
                        ),
                        'grave' => true,
                    ],
                    default => ['says' => Said::of('gate.open', hours: $site->hours), 'grave' => false],
                },
                ...self::register($site, $day->toDateString()),
                $site->access === null ? null : ['says' => Said::written($site->access), 'grave' => false],
            ]),
        );
    }

    /**
     * Who may go in, by its register; where the day is later than somebody's papers hold, they stay outside.
     *
     * @return list<array{says: Said, grave: bool}>
     */
    private static function register(Site $site, string $on): array
    {
        if (!$site->by_register) {
            return [];
        }
        $of = [];
        $site->loadMissing('admissions');
        foreach ($site->admissions as $one) {
            $until = $one->valid_until?->toDateString();
            $of[$one->person] =
                $until === null || !array_key_exists($one->person, $of)
                    ? $until
                    : min($of[$one->person] ?? $until, $until);
        }
        $gone = array_filter($of, static fn(?string $until): bool => $until !== null && $until < $on);
        $in = array_diff_key($of, $gone);
        $says =
            $in === []
                ? [
                    [
                        'says' => Said::of('gate.nobody-on-the-register', site: $site->name),
                        'grave' => true,
                    ],
                ]
                : [
                    [
                        'says' => Said::of(
                            'gate.on-the-register',
                            people: array_map(
                                static fn(string $who, ?string $until): string|Said => $until === null
                                    ? $who
                                    : Said::of('gate.until', who: $who, until: Said::day($until)),
                                array_keys($in),
                                array_values($in),
                            ),
                        ),
                        'grave' => false,
                    ],
                ];

        return [
            ...$says,
            ...array_map(
                static fn(string $who, string $until): array => [
                    'says' => Said::of(
                        'gate.was-on-the-register',
                        who: $who,
                        site: $site->name,
                        until: Said::day($until),
                    ),
                    'grave' => true,
                ],
                array_keys($gone),
                array_values($gone),
            ),
        ];
    }

    /** @return array{int, int}|null minutes of the day; null when it isn't written as two times */
    public static function hours(?string $hours): ?array
    {
        return preg_match('/\b(\d{1,2})[:.](\d{2})\s*(?:–|-|to)\s*(\d{1,2})[:.](\d{2})\b/u', (string) $hours, $m) === 1
            ? [60 * (int) $m[1] + (int) $m[2], 60 * (int) $m[3] + (int) $m[4]]
            : null;
    }

    private static function clock(int $minute): string
    {
        return sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    }
}
