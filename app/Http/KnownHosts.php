<?php

declare(strict_types=1);

namespace App\Http;

/** By which names this house is known: the one people type, and the machine itself. */
final class KnownHosts
{
    private const OURSELVES = ['localhost', '127.0.0.1', '[::1]'];

    /**
     * @param string $url  APP_URL
     * @return list<string> without ports
     */
    public static function of(string $url): array
    {
        $host = parse_url($url, PHP_URL_HOST);

        return array_values(array_unique([...self::OURSELVES, ...is_string($host) ? [mb_strtolower($host)] : []]));
    }
}
