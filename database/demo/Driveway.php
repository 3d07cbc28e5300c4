<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Bench\ExpectVisit;
use App\Bench\GatherAtHand;
use App\Book\Vehicle;
use App\Record\Sheet;
use App\Sheets\FinishSheet;
use App\Sheets\LaySheet;
use App\Tenancy\User;
use App\Turns\KeepPhoto;
use Carbon\CarbonImmutable;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Uid\UuidV7;

/** Visits of the last weeks as they were worked: from a sheet, each step timed, some with pictures before and after. */
final class Driveway
{
    /** How this crew's minutes really compare with the rules: thorough at drying, quick with wheels. */
    private const TRUE_PACE = ['dry' => 1.3, 'wash' => 1.1, 'wheels-brush' => 0.8, 'glass' => 1.2, 'check' => 0.9];

    private Randomizer $chance;

    public function __construct(
        private readonly LaySheet $laySheet,
        private readonly ExpectVisit $expectVisit,
        private readonly GatherAtHand $gatherAtHand,
        private readonly FinishSheet $finishSheet,
        private readonly KeepPhoto $keepPhoto,
        private readonly Darkroom $darkroom,
    ) {
        $this->chance = new Randomizer(new Mt19937(2903));
    }

    /** @param array<string, mixed> $facts  of the turn */
    public function work(Vehicle $vehicle, User $writer, array $facts, CarbonImmutable $at): void
    {
        $expected = ($this->expectVisit)([[$vehicle, $at->toDateString()]], ($this->gatherAtHand)())[0]['wish']->facts;
        $sheet = ($this->laySheet)($vehicle, $at->toDateString(), 1, [
            ...$expected,
            'seen' => ['soil' => $facts['soil'], 'grit' => $facts['grit'], 'on' => []],
            'panel_c' => null,
        ]);
        $steps = [];
        /** @var list<array{id: string, name: string, kind: string, estimate_min: float, only_if: string|null}> $laid */
        $laid = $sheet->plan['steps'];
        foreach ($laid as $step) {
            $skipped = $step['only_if'] !== null;
            $pace = (self::TRUE_PACE[$step['kind']] ?? 1.0) * (0.8 + (0.4 * $this->chance->getInt(0, 1000)) / 1000);
            $steps[] = [
                'id' => $step['id'],
                'name' => $step['name'],
                'kind' => $step['kind'],
                'took_s' => $skipped ? null : (int) round(60.0 * $step['estimate_min'] * $pace),
                'estimate_min' => $step['estimate_min'],
                'skipped' => $skipped,
            ];
        }
        if ($this->chance->getInt(0, 2) === 0) {
            $this->photograph($vehicle, $sheet, $writer, (int) $facts['soil'], $at);
        }
        $minutes = max(20, (int) round(array_sum(array_column($steps, 'took_s')) / 60));
        ($this->finishSheet)($sheet, $writer, [
            ...$facts,
            'minutes' => $minutes,
            'steps' => $steps,
            'refused' => array_slice($sheet->plan['refused'], 0, 6),
            'water_l' => round(9.0 * $vehicle->paint_m2),
            'textiles' => ['large' => 1, 'medium' => 1, 'wheels' => 1],
        ]);
    }

    private function photograph(Vehicle $vehicle, Sheet $sheet, User $writer, int $soil, CarbonImmutable $at): void
    {
        foreach (['before' => $soil, 'after' => 0] as $stage => $dirt) {
            $this->keepPhoto->ofVehicle(
                $vehicle,
                $sheet,
                $writer,
                [
                    'id' => UuidV7::generate($at),
                    'zone' => 'paint',
                    'stage' => $stage,
                    'taken_at' => $at->addMinutes($stage === 'before' ? 2 : 84)->toIso8601String(),
                ],
                $this->darkroom->picture($vehicle->tone, $vehicle->body, $dirt, $this->chance->getInt(0, 1_000_000)),
            );
        }
    }
}
