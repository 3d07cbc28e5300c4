<?php

declare(strict_types=1);

namespace App\Door;

use Closure;
use Illuminate\Redis\Connections\Connection;
use Psr\Clock\ClockInterface;
use SessionHandlerInterface;

/** Sessions that stand in Redis, with a list by person of where they are: the framework's own know nobody. */
final readonly class RedisSessions implements SessionBook, SessionHandlerInterface
{
    /**
     * @param int $seconds  after which one that nobody uses is gone
     * @param Closure(): array{user: string|null, address: string|null, agent: string|null} $whose  of this request
     */
    public function __construct(
        private Connection $redis,
        private ClockInterface $clock,
        private int $seconds,
        private Closure $whose,
    ) {}

    public function open(string $path, string $name): bool
    {
        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function read(string $id): string
    {
        return (string) $this->redis->command('get', [self::key($id)]);
    }

    public function write(string $id, string $data): bool
    {
        $this->redis->command('setex', [self::key($id), $this->seconds, $data]);
        ['user' => $user, 'address' => $address, 'agent' => $agent] = ($this->whose)();
        if ($user !== null) {
            $seen = $this->clock->now()->getTimestamp();
            $this->note($user, ['id' => $id, 'address' => $address, 'agent' => $agent, 'seen' => $seen]);
        }

        return true;
    }

    /** @param array{id: string, address: string|null, agent: string|null, seen: int} $one */
    private function note(string $user, array $one): void
    {
        $note = json_encode($one, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
        $this->redis->command('hset', [self::list($user), $one['id'], $note]);
        $this->redis->command('expire', [self::list($user), $this->seconds]);
    }

    public function destroy(string $id): bool
    {
        $this->redis->command('del', [self::key($id)]);

        return true;
    }

    public function gc(int $max_lifetime): int
    {
        return 0;
    }

    public function of(string $user): array
    {
        $found = $this->listed($user);
        usort($found, static fn(array $a, array $b): int => $b['seen'] <=> $a['seen']);

        return array_slice($found, 0, self::MOST);
    }

    public function end(string $user, string ...$ids): void
    {
        foreach ($this->listed($user) as $one) {
            if (in_array($one['id'], $ids, true)) {
                $this->redis->command('del', [self::key($one['id'])]);
                $this->redis->command('hdel', [self::list($user), $one['id']]);
            }
        }
    }

    public function endAll(string $user, ?string $but = null): void
    {
        $this->end($user, ...array_diff(array_column($this->listed($user), 'id'), [$but]));
    }

    /** @return list<array{id: string, address: string|null, agent: string|null, seen: int}>  those that still stand */
    private function listed(string $user): array
    {
        $found = [];
        foreach ((array) $this->redis->command('hgetall', [self::list($user)]) as $id => $note) {
            if ((int) $this->redis->command('exists', [self::key((string) $id)]) === 0) {
                $this->redis->command('hdel', [self::list($user), (string) $id]);

                continue;
            }
            /** @var array{id: string, address: string|null, agent: string|null, seen: int} $one */
            $one = json_decode((string) $note, true, 2, JSON_THROW_ON_ERROR);
            $found[] = $one;
        }

        return $found;
    }

    private static function key(string $id): string
    {
        return "session:{$id}";
    }

    private static function list(string $user): string
    {
        return "sessions-of:{$user}";
    }
}
