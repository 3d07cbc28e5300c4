<?php

declare(strict_types=1);

namespace App\Record;

use DateTimeImmutable;
use DateTimeZone;
use Vicissa\Core\Protection\Habits;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Protection\WearAccount;
use Vicissa\Core\Record\LayerSpan;

/** Where the wear of a layer came from until a moment, as it is told. */
final class LayerAccount
{
    /** A wash that takes more than this is named (a neutral contact wash takes 0.25). */
    private const HARD_WASH = 0.3;

    private const NAMED = 4;

    /** @return Told<'WearAccount'> wear-weeks */
    public static function of(
        Habits $habits,
        LayerSpan $span,
        float $life,
        int $until,
        TurnLog $log,
        DateTimeZone $zone,
    ): array {
        $account = WearAccount::of($habits, $log->washes($span), $span->day($until), $log->factors, $span->on);
        $hard = array_values(
            array_filter($account->washes, static fn(array $wash): bool => $wash['share'] > self::HARD_WASH),
        );
        $date = static fn(float $day): string => (new DateTimeImmutable('@' . $span->moment($day)))
            ->setTimezone($zone)
            ->format('Y-m-d');

        return [
            'worn' => round($account->worn, 3),
            'life' => round($life, 3),
            'days' => (int) floor($span->day($until)),
            'standing' => round($account->standing, 3),
            'driving' => round($account->driving, 3),
            'salt' => round($account->salt, 3),
            'washing' => round($account->washing(), 3),
            'given_back' => round($account->givenBack, 3),
            'washes' => count($account->washes),
            'hard' => array_map(
                static fn(array $wash): array => [
                    'on' => $date($wash['day']),
                    'share' => round($wash['share'], 3),
                    'traits' => array_map(static fn(WashTrait $trait): string => $trait->value, $wash['traits']),
                ],
                array_slice($hard, 0, self::NAMED),
            ),
        ];
    }
}
