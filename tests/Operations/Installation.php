<?php

declare(strict_types=1);

namespace Tests\Operations;

use RuntimeException;

/** An installation of its own beside the one under test: its files, its ports, its processes. */
final class Installation
{
    /** @var resource|null */
    private $running = null;

    private function __construct(
        public readonly string $folder,
        public readonly int $port,
        public readonly int $dbPort,
    ) {}

    /** @param array<string, string> $more  settings of its own, beside and over the usual ones */
    public static function fresh(string $name, array $more = []): self
    {
        $folder =
            (getenv('VICISSA_VAR') ?:
                throw new RuntimeException('VICISSA_VAR is not set: run these tests through bin/test.')) .
            "/operations/{$name}";
        exec('rm -rf ' . escapeshellarg($folder));
        mkdir("{$folder}/var", 0755, true);
        $one = new self($folder, self::freePort(), self::freePort());
        file_put_contents(
            "{$folder}/env",
            implode("\n", [
                'APP_ENV=production',
                'APP_DEBUG=false',
                'APP_KEY=base64:' . base64_encode(random_bytes(32)),
                "APP_URL=http://127.0.0.1:{$one->port}",
                'VICISSA_HOST=127.0.0.1',
                "VICISSA_PORT={$one->port}",
                'DB_HOST=127.0.0.1',
                "DB_PORT={$one->dbPort}",
                'DB_DATABASE=vicissa',
                'DB_USERNAME=vicissa_app',
                'DB_PASSWORD=' . bin2hex(random_bytes(8)),
                'VICISSA_DEMO=false',
                "VICISSA_STORAGE=\"{$folder}/var/storage\"",
                ...array_map(
                    static fn(string $key, string $value): string => "{$key}={$value}",
                    array_keys($more),
                    $more,
                ),
                '',
            ]),
        );

        return $one;
    }

    /** Another machine of the same: its own files and port, the same settings but for some. */
    public function second(string $name, bool $ownDatabase = false): self
    {
        $other = new self("{$this->folder}/{$name}", self::freePort(), $ownDatabase ? self::freePort() : $this->dbPort);
        mkdir("{$other->folder}/var/secrets", 0755, true);
        foreach (glob("{$this->folder}/var/secrets/*") ?: [] as $secret) {
            @copy($secret, "{$other->folder}/var/secrets/" . basename($secret));
        }
        $settings = (string) file_get_contents("{$this->folder}/env");
        file_put_contents(
            "{$other->folder}/env",
            str_replace(
                ["VICISSA_PORT={$this->port}", "DB_PORT={$this->dbPort}", "{$this->folder}/var/storage"],
                ["VICISSA_PORT={$other->port}", "DB_PORT={$other->dbPort}", "{$other->folder}/var/storage"],
                $settings,
            ),
        );

        return $other;
    }

    /** Begins bin/start, or another of its kind, and waits for the health check; false when it ended before that. */
    public function start(string $script = 'bin/start', bool $ownDatabase = true): bool
    {
        $this->begin($script);

        return $this->within(
            180,
            fn(): ?bool => match (true) {
                $this->answers($ownDatabase) => true,
                !$this->runs() => false,
                default => null,
            },
        ) ?? false;
    }

    /** Begins a script that goes on, and waits for nothing. */
    public function begin(string $script): void
    {
        $process = proc_open(
            ['setsid', 'bash', ...explode(' ', $script)],
            [
                ['file', '/dev/null', 'r'],
                ['file', "{$this->folder}/start.log", 'w'],
                ['file', "{$this->folder}/start.log", 'a'],
            ],
            $pipes,
            null,
            $this->environment(),
        );
        $this->running = is_resource($process) ? $process : throw new RuntimeException("{$script} could not be begun.");
    }

    public function pid(): int
    {
        return $this->running === null
            ? throw new RuntimeException('It does not run.')
            : proc_get_status($this->running)['pid'];
    }

    public function runs(): bool
    {
        return $this->running !== null && proc_get_status($this->running)['running'];
    }

    public function stop(): void
    {
        if ($this->running !== null && proc_get_status($this->running)['running']) {
            $process = $this->running;
            posix_kill($this->pid(), SIGTERM);
            $this->within(60, static fn(): ?bool => proc_get_status($process)['running'] ? null : true);
        }
        $this->running = null;
    }

    /** Kills outright what an own pid file names. */
    public function kill(string $service): void
    {
        $file =
            $service === 'postgres'
                ? "{$this->folder}/var/pg/postmaster.pid"
                : "{$this->folder}/var/run/pids/{$service}";
        // Zero would be all of us.
        $pid = (int) file_get_contents($file);
        $pid > 0 && posix_kill($pid, SIGKILL);
    }

    /** Whether pages are served and the database behind them, where it is its own, answers. */
    public function answers(bool $ownDatabase = true): bool
    {
        $answer = @file_get_contents(
            "http://127.0.0.1:{$this->port}/up",
            false,
            stream_context_create(['http' => ['timeout' => 2]]),
        );

        return $answer !== false && (!$ownDatabase || $this->database('select 1') === '1');
    }

    public function database(string $sql): ?string
    {
        [$code, $out] = $this->run(
            'PGPASSWORD=$(cat "$VICISSA_VAR/secrets/admin") psql -X -At -h 127.0.0.1 -p ' .
                $this->dbPort .
                ' -U vicissa_admin -d vicissa -c ' .
                escapeshellarg($sql),
        );

        return $code === 0 ? $out : null;
    }

    /** @return array{int, string} exit status, and what was said on either way out */
    public function run(string $command): array
    {
        $process = proc_open(
            ['bash', '-c', "exec 2>&1\n{$command}"],
            [0 => ['file', '/dev/null', 'r'], 1 => ['pipe', 'w']],
            $pipes,
            null,
            $this->environment(),
        );
        if (!is_resource($process)) {
            throw new RuntimeException("Could not be run: {$command}");
        }
        $out = trim((string) stream_get_contents($pipes[1]));

        return [proc_close($process), $out];
    }

    /**
     * @template T
     *
     * @param callable(): (T|null) $what
     * @return T|null
     */
    public function within(int $seconds, callable $what): mixed
    {
        $until = microtime(true) + $seconds;
        do {
            $found = $what();
            if ($found !== null) {
                return $found;
            }
            usleep(150_000);
        } while (microtime(true) < $until);

        return null;
    }

    public function said(): string
    {
        return (string) file_get_contents("{$this->folder}/start.log");
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            // As of a login that looks where programs are, and not where servers are.
            'PATH' => implode(':', preg_grep('/sbin$/', explode(':', (string) getenv('PATH')), PREG_GREP_INVERT) ?: []),
            'HOME' => $this->folder,
            'LANG' => 'C.UTF-8',
            'VICISSA_VAR' => "{$this->folder}/var",
            'VICISSA_ENV' => "{$this->folder}/env",
        ];
    }

    /** Below those that outgoing connections are given: else one of them may take it before who it is for. */
    public static function freePort(): int
    {
        for ($try = 0; $try < 100; $try++) {
            $port = random_int(15_000, 32_000);
            $socket = @stream_socket_server("tcp://127.0.0.1:{$port}");
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }
        throw new RuntimeException('There is no free port.');
    }
}
