<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Sheet;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Matches and lays out the rest of a visit again, after something else was found. What is done stays done. */
final readonly class RematchSheet
{
    public function __construct(private LaySheet $laySheet) {}

    /**
     * @param array<string, mixed> $facts  as BenchInput
     * @param 1|2 $crew
     * @param list<string> $done
     */
    public function __invoke(Sheet $sheet, array $facts, int $crew, array $done): Sheet
    {
        return DB::transaction(function () use ($sheet, $facts, $crew, $done): Sheet {
            $sheet = Sheet::query()->with('vehicle.site')->whereKey($sheet->id)->lockForUpdate()->firstOrFail();
            $vehicle = $sheet->vehicle ?? throw new LogicException('A sheet has a vehicle.');
            unset($facts['expected']);
            $sheet->fill(['facts' => $facts, 'crew' => $crew, 'plan' => $this->laySheet->plan($vehicle, $crew, $facts, $done), 'version' => $sheet->version + 1])->save();

            return $sheet;
        });
    }
}
