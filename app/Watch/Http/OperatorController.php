<?php

declare(strict_types=1);

namespace App\Watch\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Watch\Lanes;
use App\Watch\Readiness;
use App\Watch\SlowQueries;
use App\Watch\Vault;
use App\Watch\Versions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** For whoever runs this installation, whoever they are in it: it shows no workspace's things. */
#[
    Shape(
        'Readiness',
        new Field('ready', 'boolean'),
        new Field('wrong', 'string[]', 'What is not as it should be', ['database', 'queue', 'scheduler', 'disk']),
        new Field('database', 'boolean'),
        new Field('queue_s', 'integer?', 'Seconds the oldest job waits'),
        new Field('failed_jobs', 'integer?'),
        new Field('scheduler_s', 'integer?', 'Since the scheduler’s last word'),
        new Field('disk_mb', 'integer', 'Left where pictures and logs are'),
    ),
]
#[
    Shape(
        'VaultDone',
        new Field('kind', 'string', null, ['base', 'photos', 'drill']),
        new Field('at', 'string?', 'When it was last tried'),
        new Field('ok', 'boolean?'),
        new Field('took_s', 'integer?'),
        new Field('says', 'string'),
        new Field('well_at', 'string?', 'When it last went well'),
        new Field('late', 'boolean', 'Whether that is too long ago'),
    ),
]
#[
    Shape(
        'Lane',
        new Field('lane', 'string'),
        new Field('waiting', 'integer'),
        new Field('put_off', 'integer', 'For a moment that is still to come'),
        new Field('at_work', 'integer'),
        new Field('oldest_s', 'integer'),
    ),
]
#[
    Shape(
        'FailedJob',
        new Field('id', 'string'),
        new Field('lane', 'string'),
        new Field('job', 'string'),
        new Field('says', 'string'),
        new Field('at', 'string'),
    ),
]
#[
    Shape(
        'SlowQuery',
        new Field('sql', 'string', 'Without what was put into it'),
        new Field('ms', 'integer'),
        new Field('asked', 'string'),
        new Field('at', 'string'),
    ),
]
#[
    Shape(
        'Versions',
        new Field('interface', 'string?'),
        new Field('schema', 'string?'),
        new Field('php', 'string'),
        new Field('framework', 'string'),
        new Field('postgres', 'string?'),
    ),
]
#[
    Shape(
        'Installation',
        new Field('readiness', 'Readiness'),
        new Field('vault', 'VaultDone[]', 'Empty where no vault is named'),
        new Field('lanes', 'Lane[]'),
        new Field('failed', 'FailedJob[]', 'Newest first'),
        new Field('slow', 'SlowQuery[]', 'Newest first'),
        new Field('restarts', 'string[]', 'What ended and was started again, newest first'),
        new Field('versions', 'Versions'),
    ),
]
final readonly class OperatorController
{
    private const RESTARTS = 10;

    public function __construct(private Lanes $lanes) {}

    #[
        OA\Get(
            path: '/api/v1/operator',
            operationId: 'showInstallation',
            summary: 'How this installation fares, for the token of VICISSA_WATCH_TOKEN',
            tags: ['Operator'],
        ),
    ]
    #[Returns('Installation')]
    public function show(Readiness $readiness, Vault $vault, SlowQueries $slow, Versions $versions): JsonResponse
    {
        $ready = $readiness->look();

        return new JsonResponse([
            'readiness' => $ready,
            'vault' => $vault->done(),
            'lanes' => $ready['database'] ? $this->lanes->waiting() : [],
            'failed' => $ready['database'] ? $this->lanes->failed() : [],
            'slow' => $slow->last(),
            'restarts' => self::restarts(),
            'versions' => $versions->told(),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/operator/failed/{id}/again',
            operationId: 'tryFailedAgain',
            summary: 'Puts a job that failed back into its lane',
            tags: ['Operator'],
        ),
    ]
    #[Returns(null, 204)]
    public function again(string $id): Response
    {
        abort_unless($this->lanes->again($id), 404);

        return new Response(status: 204);
    }

    #[
        OA\Delete(
            path: '/api/v1/operator/failed/{id}',
            operationId: 'dropFailed',
            summary: 'Gives a job up that failed',
            tags: ['Operator'],
        ),
    ]
    #[Returns(null, 204)]
    public function drop(string $id): Response
    {
        abort_unless($this->lanes->drop($id), 404);

        return new Response(status: 204);
    }

    /** @return list<string> */
    private static function restarts(): array
    {
        $file = dirname(storage_path()) . '/log/restarts.log';
        $lines = is_readable($file) ? explode("\n", trim((string) file_get_contents($file))) : [];

        return array_slice(array_reverse(array_values(array_filter($lines))), 0, self::RESTARTS);
    }
}
