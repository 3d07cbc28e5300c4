<?php

declare(strict_types=1);

namespace App\Http;

/** From which addresses a page may sign in with a cookie: the one people type, and the machine itself. */
final class StatefulDomains
{
    /** @return list<string> hosts, with the port where the address names one */
    public static function of(string $url): array
    {
        $host = parse_url($url, PHP_URL_HOST);
        $port = parse_url($url, PHP_URL_PORT);
        $own = is_string($host) ? [$host . (is_int($port) ? ":{$port}" : '')] : [];

        return array_values(array_unique(['localhost', '127.0.0.1', ...$own]));
    }
}
