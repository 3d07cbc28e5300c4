<?php

declare(strict_types=1);

namespace App\Sheets\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/**
 * One short answer that changes whenever the record, a sheet or the plan does, so that a desk sees at once what
 * happened on the driveway.
 */
#[Shape('Pulse', new Field('mark', 'string'))]
final class PulseController
{
    #[OA\Get(path: '/api/v1/pulse', operationId: 'pulse', tags: ['Sheets'])]
    #[Returns('Pulse')]
    public function __invoke(): JsonResponse
    {
        $row = DB::selectOne(
            'select (select id from turns order by workspace_id desc, id desc limit 1) as turn, (select id from turn_entries order by workspace_id desc, id desc limit 1) as entry, (select sum(version) || \'/\' || count(*) from sheets where updated_at > now() - interval \'3 days\') as sheets, (select max(received_at) from sheet_events where received_at > now() - interval \'3 days\') as event, (select max(computed_at) from forecasts) as forecast, (select max(changed_at)::text || \'/\' || count(*) || \'/\' || count(*) filter (where locked) from planned_visits where "on" > current_date - 1) as visits, (select max(made_at)::text || \'/\' || count(undone_at) from plans where made_at > now() - interval \'3 days\') as plan, (select max(asked_at)::text || \'/\' || string_agg(distinct status, \',\') from plan_runs where asked_at > now() - interval \'1 hour\') as run, (select max(updated_at)::text || \'/\' || count(*) from weather_notes) as weather',
        );

        return new JsonResponse(['mark' => substr(hash('sha256', (string) json_encode($row)), 0, 16)]);
    }
}
