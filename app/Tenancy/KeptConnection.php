<?php

declare(strict_types=1);

namespace App\Tenancy;

use Illuminate\Database\Connectors\PostgresConnector;
use PDO;

/**
 * Connections that a worker keeps from request to request: getting in costs more than most answers. Whoever takes one
 * over finds it as new; nothing of the last one's workspace, person or settings is left on it.
 */
final class KeptConnection extends PostgresConnector
{
    /**
     * @param string $dsn
     * @param array<string, mixed> $config
     * @param array<int, mixed> $options
     */
    public function createConnection($dsn, array $config, array $options): PDO
    {
        $connection = parent::createConnection($dsn, $config, $options);
        if (($options[PDO::ATTR_PERSISTENT] ?? false) === true) {
            $connection->exec('discard all');
        }

        return $connection;
    }
}
