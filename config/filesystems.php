<?php

declare(strict_types=1);

// Where a bucket is named, machines share what lies in files: pictures, and archives between request and worker.
$kept = static fn(string $folder, string $here): array => env('S3_BUCKET')
    ? [
        'driver' => 's3',
        'bucket' => env('S3_BUCKET'),
        'key' => env('S3_KEY'),
        'secret' => env('S3_SECRET'),
        'region' => env('S3_REGION', 'eu-1'),
        'endpoint' => env('S3_ENDPOINT'),
        // A server of one's own seldom has a name for each bucket.
        'use_path_style_endpoint' => (bool) env('S3_PATH_STYLE', true),
        'root' => $folder,
        'throw' => true,
        'http' => ['connect_timeout' => 3, 'timeout' => 60],
    ]
    : ['driver' => 'local', 'root' => $here, 'throw' => true];

return [
    'default' => 'local',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'throw' => true],
        // Photos of vehicles: never served by the web server, only behind a policy.
        'photos' => $kept('photos', storage_path('photos')),
        'archives' => $kept('archives', storage_path('app/archives')),
    ],
];
