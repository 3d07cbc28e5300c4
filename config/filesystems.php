<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'throw' => true],
        // Photos of vehicles: never served by the web server, only behind a policy.
        'photos' => ['driver' => 'local', 'root' => storage_path('photos'), 'throw' => true],
    ],
];
