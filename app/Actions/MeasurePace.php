<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\StepTime;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Sheet\Visit\Pace;

/** The workspace's own pace, from how long its steps have taken lately. */
final readonly class MeasurePace
{
    /** So many visits of each kind of step are looked back at. */
    private const LOOK_BACK = 40;

    public function __invoke(): Pace
    {
        $recent = DB::query()->fromSub(StepTime::query()->select(['kind', 'estimated_min', 'took_min'])->selectRaw('row_number() over (partition by kind order by at desc, id desc) as nth'), 'recent')
            ->where('nth', '<=', self::LOOK_BACK)->get();

        return Pace::measured(array_values($recent->map(static fn(object $one): array => ['kind' => (string) $one->kind, 'estimated' => (float) $one->estimated_min, 'took' => (float) $one->took_min])->all()));
    }
}
