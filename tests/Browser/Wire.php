<?php

declare(strict_types=1);

namespace Tests\Browser;

use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A wire between a browser and the stack that can really be cut: a process that passes bytes on, and can be stopped.
 */
final class Wire
{
    private ?Process $process = null;

    private function __construct(public readonly int $port, private readonly string $to) {}

    public static function to(string $url): self
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $wire = new self($port, parse_url($url, PHP_URL_HOST) . ':' . parse_url($url, PHP_URL_PORT));
        $wire->mend();

        return $wire;
    }

    public function url(): string
    {
        return "http://127.0.0.1:{$this->port}";
    }

    public function mend(): void
    {
        $this->process = new Process([PHP_BINARY, __DIR__ . '/wire-process.php', (string) $this->port, $this->to]);
        $this->process->setTimeout(null);
        $this->process->start();
        for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $this->port) === false; $i++) {
            usleep(50_000);
        }
    }

    /** Every connection ends in the middle of whatever it was saying, and none is taken any more. */
    public function cut(): void
    {
        $this->process?->stop(0, SIGKILL);
        $this->process = null;
    }
}
