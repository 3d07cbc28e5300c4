<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Record\Sheet;
use Illuminate\Support\Facades\DB;

/** Matches and lays out the rest of a visit again, after something else was found. What is done stays done. */
final readonly class RematchSheet
{
    public function __construct(private LaySheet $laySheet) {}

    /**
     * @param array<string, mixed> $facts  as BenchInput
     * @param list<string> $done
     */
    public function __invoke(Sheet $sheet, array $facts, int $crew, array $done): Sheet
    {
        return DB::transaction(function () use ($sheet, $facts, $crew, $done): Sheet {
            $sheet = Sheet::query()->with('vehicle.site')->whereKey($sheet->id)->lockForUpdate()->firstOrFail();
            unset($facts['expected']);
            // What is planned stays planned, whatever was found.
            $facts += array_intersect_key($sheet->facts, ['kinds' => 1, 'scope' => 1, 'taken' => 1]);
            $sheet->fill(['facts' => $facts, 'crew' => $crew]);
            $sheet
                ->fill([
                    'plan' => $this->laySheet->plan($this->laySheet->wishOf($sheet), done: $done),
                    'version' => $sheet->version + 1,
                ])
                ->save();

            return $sheet;
        });
    }
}
