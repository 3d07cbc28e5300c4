<?php

declare(strict_types=1);

// Passes bytes between a port and an address until it is killed (Wire).
[, $port, $to] = $argv;
$server = stream_socket_server("tcp://127.0.0.1:{$port}") ?: exit(1);
/** @var array<int, resource> $peer by stream number, the other end */
$peer = $streams = [];
for (;;) {
    $read = [$server, ...array_values($streams)];
    $write = $except = null;
    if (stream_select($read, $write, $except, 5) === false) {
        continue;
    }
    foreach ($read as $stream) {
        if ($stream === $server) {
            $near = @stream_socket_accept($server, 0);
            $far = $near === false ? false : @stream_socket_client("tcp://{$to}", timeout: 5);
            if ($near !== false && $far !== false) {
                foreach ([[$near, $far], [$far, $near]] as [$one, $other]) {
                    stream_set_blocking($one, true);
                    $streams[(int) $one] = $one;
                    $peer[(int) $one] = $other;
                }
            }

            continue;
        }
        $id = (int) $stream;
        if (!isset($peer[$id])) {
            continue;
        }
        $bytes = fread($stream, 65536);
        if ($bytes === false || $bytes === '') {
            $other = $peer[$id];
            unset($streams[$id], $peer[$id], $streams[(int) $other], $peer[(int) $other]);
            fclose($stream);
            fclose($other);
        } else {
            @fwrite($peer[$id], $bytes);
        }
    }
}
