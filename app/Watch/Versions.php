<?php

declare(strict_types=1);

namespace App\Watch;

use Illuminate\Database\ConnectionInterface;
use Illuminate\Foundation\Application;
use Throwable;

/** What runs here. */
final readonly class Versions
{
    public function __construct(private ConnectionInterface $database) {}

    /** @return Told<'Versions'>  null where nobody knows */
    public function told(): array
    {
        $schema = $postgres = null;
        try {
            $schema = $this->database->table('migrations')->max('migration');
            $postgres = $this->database->selectOne('show server_version')->server_version;
        } catch (Throwable) {
            // The database is away; the rest is known.
        }
        $manifest = public_path('build/manifest.json');

        return [
            'interface' => is_file($manifest) ? substr(hash_file('sha256', $manifest) ?: '', 0, 12) : null,
            'schema' => is_string($schema) ? $schema : null,
            'php' => PHP_VERSION,
            'framework' => Application::VERSION,
            'postgres' => is_string($postgres) ? $postgres : null,
        ];
    }
}
