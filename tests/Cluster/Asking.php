<?php

declare(strict_types=1);

namespace Tests\Cluster;

use CurlHandle;
use CurlMultiHandle;
use Illuminate\Support\Str;
use RuntimeException;

/** A phone that says one thing after the other; what is not acknowledged it says again, under the same id, until it is. */
abstract class Asking
{
    /** @var list<string>  ids that the server said it has, in the order of asking */
    public array $acknowledged = [];

    /** So often it had to ask again. */
    public int $again = 0;

    /** When it was last told that something is done. */
    public float $last = 0.0;

    private ?string $asking = null;

    private float $pause = 0.0;

    private bool $resting = false;

    private string $path = '';

    /** As it was asked the first time: the same again is the same. */
    private string $body = '';

    private readonly CurlMultiHandle $wire;

    private CurlHandle|false $asked = false;

    public function __construct(private readonly int $port, private readonly string $secret)
    {
        $this->wire = curl_multi_init();
    }

    /**
     * What it says next.
     *
     * @return array{string, array<string, mixed>}  an address and a body
     */
    abstract protected function next(string $id): array;

    /** @return list<string>  what it has asked for and heard nothing of */
    public function unheard(): array
    {
        return $this->asking === null ? [] : [$this->asking];
    }

    /** Begins nothing any more. */
    public function rest(): void
    {
        $this->resting = true;
    }

    /** The signal is lost in the middle of a word. */
    public function cut(): void
    {
        if ($this->asked !== false) {
            curl_multi_remove_handle($this->wire, $this->asked);
            curl_close($this->asked);
            $this->asked = false;
            $this->again++;
            $this->pause = microtime(true) + 1.0;
        }
    }

    /** Looks whether it was answered, and asks. */
    public function tick(): void
    {
        if ($this->asked === false) {
            if (microtime(true) >= $this->pause && ($this->asking !== null || !$this->resting)) {
                $this->ask();
            }

            return;
        }
        curl_multi_exec($this->wire, $running);
        if (curl_multi_info_read($this->wire) !== false) {
            $this->heard(
                (int) curl_getinfo($this->asked, CURLINFO_RESPONSE_CODE),
                (string) curl_multi_getcontent($this->asked),
            );
        }
    }

    private function ask(): void
    {
        if ($this->asking === null) {
            $this->asking = Str::uuid7()->toString();
            [$this->path, $body] = $this->next($this->asking);
            $this->body = (string) json_encode($body);
        }
        $this->asked = curl_init("http://127.0.0.1:{$this->port}/api/v1/{$this->path}");
        curl_setopt_array($this->asked, [
            CURLOPT_POST => true,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 20,
            CURLOPT_CONNECTTIMEOUT => 3,
            CURLOPT_HTTPHEADER => [
                "Authorization: Bearer {$this->secret}",
                'Accept: application/json',
                'Content-Type: application/json',
                "Idempotency-Key: {$this->asking}",
            ],
            CURLOPT_POSTFIELDS => $this->body,
        ]);
        curl_multi_add_handle($this->wire, $this->asked);
        curl_multi_exec($this->wire, $running);
    }

    private function heard(int $status, string $said): void
    {
        if ($this->asked !== false) {
            curl_multi_remove_handle($this->wire, $this->asked);
        }
        $this->asked = false;
        if ($status === 201 || $status === 200) {
            $this->acknowledged[] = (string) $this->asking;
            $this->asking = null;
            $this->last = microtime(true);
        } elseif ($status === 0 || $status === 429 || $status >= 500) {
            $this->again++;
            $this->pause = microtime(true) + 0.5;
        } else {
            throw new RuntimeException("{$status}: {$said}");
        }
    }
}
