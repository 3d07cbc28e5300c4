<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Tests\Operations\Installation;

/**
 * Several machines on one: three databases that agree on a first (Patroni, etcd), what leads to it (HAProxy, PgBouncer),
 * Redis, an S3 server, two that serve, and nginx in front; by the files of docs/deploy.
 */
final class Cluster
{
    public const ADMIN = 'cluster-admin';

    /** @var array<string, resource> */
    private array $running = [];

    /** @var list<Installation> */
    public array $nodes = [];

    public readonly int $front;

    /** @var array<string, array{db: int, rest: int}> */
    private array $members = [];

    private readonly Installation $here;

    private readonly int $first;

    public function __construct()
    {
        [$this->front, $this->first] = [Installation::freePort(), Installation::freePort()];
        [$pooler, $redis, $s3] = [Installation::freePort(), Installation::freePort(), Installation::freePort()];
        $this->here = Installation::fresh('cluster', [
            'APP_URL' => "http://127.0.0.1:{$this->front}",
            'TRUSTED_PROXIES' => '127.0.0.1',
            'DB_POOLER_PORT' => (string) $pooler,
            'REDIS_URL' => "redis://127.0.0.1:{$redis}",
            'S3_ENDPOINT' => "http://127.0.0.1:{$s3}",
            'S3_BUCKET' => 'vicissa',
            'S3_KEY' => 'S3RVER',
            'S3_SECRET' => 'S3RVER',
            'VICISSA_WATCH_TOKEN' => 'sea-pink-watch',
            'VICISSA_LIMIT_API' => '100000',
            'VICISSA_LIMIT_AT_ONCE' => '64',
            'VICISSA_LIMIT_CPU_MS' => '100000000',
        ]);
        $env = "{$this->here->folder}/env";
        file_put_contents(
            $env,
            str_replace("DB_PORT={$this->here->dbPort}", "DB_PORT={$this->first}", (string) file_get_contents($env)),
        );
        $this->databases();
        $this->pooler($pooler);
        $this->run(
            'redis',
            'redis-server',
            '--port',
            (string) $redis,
            '--bind',
            '127.0.0.1',
            '--save',
            '',
            '--appendonly',
            'no',
        );
        $this->run(
            's3',
            'node_modules/.bin/s3rver',
            '-d',
            "{$this->here->folder}/bucket",
            '-a',
            '127.0.0.1',
            '-p',
            (string) $s3,
            '--no-vhost-buckets',
            '--configure-bucket',
            'vicissa',
        );
    }

    /** Roles, tables, two machines that serve, and the one in front. */
    public function serve(): void
    {
        [$code, $says] = $this->here->run('DB_ADMIN_PASSWORD=' . self::ADMIN . ' bin/serve --set-up');
        $code === 0 || throw new RuntimeException($says);
        foreach (['one', 'two'] as $name) {
            $node = $this->here->second($name);
            $node->start('bin/serve', false) || throw new RuntimeException($node->said());
            $this->nodes[] = $node;
        }
        $this->front();
    }

    public function stop(): void
    {
        foreach ($this->nodes as $node) {
            $node->stop();
        }
        foreach (array_keys($this->running) as $name) {
            $this->kill($name, SIGTERM);
        }
        // Whom Patroni was killed over.
        exec('pkill -INT -f -- ' . escapeshellarg("-D {$this->here->folder}/"));
    }

    /** A machine that serves is gone from one moment to the next, with all that runs on it. */
    public function loseNode(int $which): void
    {
        $var = "{$this->nodes[$which]->folder}/var";
        foreach ([...glob("{$var}/run/pids/keeper-*") ?: [], ...glob("{$var}/run/pids/*") ?: []] as $file) {
            $pid = (int) explode(' ', (string) @file_get_contents($file))[0];
            if ($pid > 0) {
                str_contains($file, 'keeper-') ? posix_kill($pid, SIGKILL) : posix_kill(-$pid, SIGKILL);
            }
        }
        posix_kill(-$this->nodes[$which]->pid(), SIGKILL);
    }

    /** A machine with a database is gone from one moment to the next. */
    public function loseDatabase(string $name): void
    {
        $pid = (int) explode("\n", (string) file_get_contents("{$this->here->folder}/{$name}/pg/postmaster.pid"))[0];
        $this->kill("patroni {$name}", SIGKILL);
        posix_kill($pid, SIGKILL);
    }

    public function bringBack(string $name): void
    {
        $this->patroni($name);
    }

    /** Which is the first; null when none is. */
    public function first(): ?string
    {
        foreach ($this->members as $name => ['rest' => $rest]) {
            if ($this->is($rest, 'primary')) {
                return $name;
            }
        }

        return null;
    }

    /** Those that follow the first and have all it has. */
    public function following(): int
    {
        return count(array_filter($this->members, fn(array $one): bool => $this->is($one['rest'], 'replica')));
    }

    public function isSynchronous(): bool
    {
        return array_filter($this->members, fn(array $one): bool => $this->is($one['rest'], 'synchronous')) !== [];
    }

    /** As the first says; null when it does not answer. */
    public function database(string $sql): ?string
    {
        [$code, $out] = $this->here->run(
            'PGCONNECT_TIMEOUT=3 PGPASSWORD=' .
                self::ADMIN .
                " psql -X -At -h 127.0.0.1 -p {$this->first} -U vicissa_admin -d vicissa -c " .
                escapeshellarg($sql),
        );

        return $code === 0 ? $out : null;
    }

    public function log(): string
    {
        return implode(
            "\n",
            array_map(
                static fn(string $file): string => "== {$file}\n" . implode('', array_slice(file($file) ?: [], -12)),
                glob("{$this->here->folder}/*.log") ?: [],
            ),
        );
    }

    private function databases(): void
    {
        [$client, $peer] = [Installation::freePort(), Installation::freePort()];
        $this->run(
            'etcd',
            'etcd',
            '--data-dir',
            "{$this->here->folder}/etcd",
            ...[
                '--listen-client-urls',
                "http://127.0.0.1:{$client}",
                '--advertise-client-urls',
                "http://127.0.0.1:{$client}",
            ],
            ...[
                '--listen-peer-urls',
                "http://127.0.0.1:{$peer}",
                '--initial-advertise-peer-urls',
                "http://127.0.0.1:{$peer}",
            ],
            ...['--initial-cluster', "default=http://127.0.0.1:{$peer}", '--log-level', 'error'],
        );
        $servers = '';
        foreach (['a', 'b', 'c'] as $name) {
            ['db' => $db, 'rest' => $rest] = $this->members[$name] = [
                'db' => Installation::freePort(),
                'rest' => Installation::freePort(),
            ];
            mkdir("{$this->here->folder}/{$name}/run", 0777, true);
            file_put_contents(
                "{$this->here->folder}/{$name}/patroni.yml",
                strtr((string) file_get_contents('docs/deploy/patroni.yml'), [
                    'name: NAME' => "name: {$name}",
                    'HERE:8008' => "127.0.0.1:{$rest}",
                    'HERE:5432' => "127.0.0.1:{$db}",
                    '[10.0.0.11:2379, 10.0.0.12:2379, 10.0.0.13:2379]' => "[127.0.0.1:{$client}]",
                    '10.0.0.0/24' => '127.0.0.1/32',
                    '/var/lib/postgresql/15/vicissa' => "{$this->here->folder}/{$name}/pg",
                    '/var/run/postgresql' => "{$this->here->folder}/{$name}/run",
                    'password: ADMIN' => 'password: ' . self::ADMIN,
                    'password: STANDBY' => 'password: cluster-standby',
                ]),
            );
            chmod("{$this->here->folder}/{$name}/patroni.yml", 0644);
            $servers .= "    server {$name} 127.0.0.1:{$db} check port {$rest}\n";
        }
        if (posix_geteuid() === 0) {
            exec(
                'chown -R postgres: ' .
                    implode(
                        ' ',
                        array_map(fn(string $name): string => escapeshellarg("{$this->here->folder}/{$name}"), [
                            'a',
                            'b',
                            'c',
                        ]),
                    ),
            );
        }
        array_map($this->patroni(...), ['a', 'b', 'c']);
        $leads = str_replace(
            '127.0.0.1:5000',
            "127.0.0.1:{$this->first}",
            (string) file_get_contents('docs/deploy/haproxy.cfg'),
        );
        file_put_contents(
            "{$this->here->folder}/haproxy.cfg",
            preg_replace('/^    server .*\n/m', '', $leads) . $servers,
        );
        $this->run('haproxy', 'haproxy', '-db', '-f', "{$this->here->folder}/haproxy.cfg");
    }

    private function patroni(string $name): void
    {
        $this->run(
            "patroni {$name}",
            ...self::asPostgres(),
            ...['env', "HOME={$this->here->folder}/{$name}", 'patroni', "{$this->here->folder}/{$name}/patroni.yml"],
        );
    }

    /** @return list<string> */
    private static function asPostgres(): array
    {
        return posix_geteuid() === 0 ? ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups'] : [];
    }

    private function pooler(int $port): void
    {
        preg_match('/^DB_PASSWORD=(.+)$/m', (string) file_get_contents("{$this->here->folder}/env"), $found);
        file_put_contents("{$this->here->folder}/userlist.txt", "\"vicissa_app\" \"" . ($found[1] ?? '') . "\"\n");
        file_put_contents(
            "{$this->here->folder}/pgbouncer.ini",
            strtr((string) file_get_contents('docs/deploy/pgbouncer.ini'), [
                'port=5480' => "port={$this->first}",
                'listen_port = 6432' => "listen_port = {$port}",
                '/etc/pgbouncer/userlist.txt' => "{$this->here->folder}/userlist.txt",
            ]) . "unix_socket_dir =\n",
        );
        $this->run('pgbouncer', ...self::asPostgres(), ...['pgbouncer', "{$this->here->folder}/pgbouncer.ini"]);
    }

    private function front(): void
    {
        $folder = "{$this->here->folder}/front";
        mkdir($folder, 0777);
        chmod($folder, 0777);
        $nodes = strtr((string) file_get_contents('docs/deploy/nginx-nodes.conf'), [
            '10.0.0.21:8680' => "127.0.0.1:{$this->nodes[0]->port}",
            '10.0.0.22:8680' => "127.0.0.1:{$this->nodes[1]->port}",
        ]);
        file_put_contents(
            "{$folder}/nginx.conf",
            <<<CONF
            daemon off;
            pid {$folder}/nginx.pid;
            error_log {$folder}/../nginx.log;
            events {}
            http {
                access_log off;
                client_body_temp_path {$folder}/body; proxy_temp_path {$folder}/proxy; fastcgi_temp_path {$folder}/fastcgi;
                uwsgi_temp_path {$folder}/uwsgi; scgi_temp_path {$folder}/scgi;
                {$nodes}
                server {
                    listen 127.0.0.1:{$this->front};
                    location / { proxy_pass http://vicissa; proxy_set_header Host \$http_host; proxy_set_header X-Forwarded-For \$remote_addr; }
                }
            }
            CONF
            ,
        );
        $this->run('nginx', 'nginx', '-p', $folder, '-c', "{$folder}/nginx.conf");
    }

    private function is(int $port, string $what): bool
    {
        $headers = @get_headers(
            "http://127.0.0.1:{$port}/{$what}",
            false,
            stream_context_create(['http' => ['timeout' => 2]]),
        );

        return is_array($headers) && str_contains((string) $headers[0], ' 200');
    }

    private function run(string $name, string ...$command): void
    {
        $log = ['file', "{$this->here->folder}/" . strtr($name, ' ', '-') . '.log', 'a'];
        $process = proc_open(
            ['setsid', ...array_values($command)],
            [['file', '/dev/null', 'r'], $log, $log],
            $pipes,
            null,
            [
                'PATH' => getenv('PATH') . ':/usr/sbin:/sbin',
                'LANG' => 'C.UTF-8',
                'HOME' => $this->here->folder,
            ],
        );
        $this->running[$name] = is_resource($process)
            ? $process
            : throw new RuntimeException("{$name} could not be begun.");
    }

    private function kill(string $name, int $signal): void
    {
        $status = proc_get_status($this->running[$name]);
        if ($status['running']) {
            posix_kill(-$status['pid'], $signal) || posix_kill($status['pid'], $signal);
        }
        unset($this->running[$name]);
    }
}
