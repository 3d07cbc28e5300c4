<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Bench\AtHand;
use App\Bench\ExpectVisit;
use App\Bench\GatherAtHand;
use App\Bench\LaidVisit;
use App\Bench\LayVisit;
use App\Bench\NameDifferences;
use App\Bench\VisitWish;
use App\Book\Vehicle;
use App\Reckon\TalkTable;
use App\Reckon\VisitAnswer;
use App\Record\Sheet;
use App\Standins\Weather;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use LogicException;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Remedies;
use Vicissa\Core\Visit\Urge;

/** Lays out a visit as a sheet, from what was seen, or from what is to be expected when nobody has looked yet. */
final readonly class LaySheet
{
    /** The hours among which a better one is looked for. */
    private const FIRST_HOUR = 7;

    private const HOURS = 13;

    public function __construct(
        private LayVisit $layVisit,
        private ExpectVisit $expectVisit,
        private NameDifferences $nameDifferences,
        private GatherAtHand $gatherAtHand,
        private Weather $weather,
        private Tenancy $tenancy,
    ) {}

    /**
     * @param int|null $crew  how many work at it; those of the plan when left out
     * @param array<string, mixed>|null $facts  as BenchInput; null for what is to be expected
     * @param string|null $scope  when somebody wants another than the plan
     *
     * @throws VisitGoesOn
     */
    public function __invoke(
        Vehicle $vehicle,
        string $on,
        ?int $crew = null,
        ?array $facts = null,
        ?string $id = null,
        ?string $scope = null,
    ): Sheet {
        $atHand = ($this->gatherAtHand)();
        ['wish' => $wish] = ($this->expectVisit)([[$vehicle, $on]], $atHand, laid: false)[0];
        // What was seen replaces what was expected; what is planned stays.
        $facts = [
            ...$facts ?? $wish->facts,
            ...$facts === null
                ? []
                : array_diff_key(array_intersect_key($wish->facts, ['kinds' => 1, 'scope' => 1]), $facts),
            ...$scope === null ? [] : ['scope' => $scope],
        ];
        $wish = new VisitWish($vehicle, $on, $crew ?? $wish->people, $wish->members, $facts);

        $plan = $this->plan($wish, $atHand);

        return DB::transaction(static function () use ($vehicle, $on, $id, $wish, $facts, $plan): Sheet {
            // Two who lay it at once come one after the other.
            Vehicle::query()
                ->whereKey($vehicle->id)
                ->lockForUpdate()
                ->first(['id']);
            // One visit has one sheet: an earlier one that nobody has begun makes way, with one that is begun one goes on.
            $visit = Sheet::query()->where('vehicle_id', $vehicle->id)->where('on', $on);
            $begun = (clone $visit)->where('status', 'begun')->first();
            if ($begun instanceof Sheet) {
                throw new VisitGoesOn($begun);
            }
            $visit->where('status', 'laid')->update(['status' => 'dropped', 'version' => DB::raw('version + 1')]);

            return Sheet::query()->create([
                ...$id === null ? [] : ['id' => $id],
                'vehicle_id' => $vehicle->id,
                'on' => $on,
                'crew' => $wish->people,
                'facts' => $facts,
                'plan' => $plan,
            ]);
        });
    }

    /**
     * The plan of a visit from its facts. Raises InvalidInput where they make no sense.
     *
     * @param list<string> $done  steps that are done
     * @return Told<'SheetPlan'>
     */
    public function plan(VisitWish $wish, ?AtHand $atHand = null, array $done = []): array
    {
        $atHand ??= ($this->gatherAtHand)();
        $laid = ($this->layVisit)($wish, $atHand, $done);

        return [
            ...$this->told($laid, $done),
            'urges' => $this->urges($laid, $wish),
            // Once it has begun, what was expected is behind it.
            'expected' => $done === [] ? ($this->nameDifferences)($wish, $laid->visit, $atHand) : null,
            'windows' => VisitAnswer::windows($laid->visit, $laid->situation),
            'talk' => TalkTable::of(
                ($paint = $laid->situation->vehicle->stack(Zone::Paint))->designed(),
                $paint->topper !== null,
            ),
        ];
    }

    /** A sheet's own wish: its facts, its people, whoever the plan sends. */
    public function wishOf(Sheet $sheet, ?AtHand $atHand = null): VisitWish
    {
        $vehicle = $sheet->vehicle ?? throw new LogicException('A sheet has a vehicle.');
        $members = ($this->expectVisit)(
            [[$vehicle, $sheet->on->toDateString()]],
            $atHand ?? ($this->gatherAtHand)(),
            laid: false,
        )[0]['wish']->members;

        return new VisitWish($vehicle, $sheet->on->toDateString(), $sheet->crew, $members, $sheet->facts);
    }

    /**
     * What the plan would be if something else were found: for a phone that can ask nobody. One for each level of soil,
     * for grit, for each thing that may sit on the paint, for each way the clean water may stand, and for each scope.
     *
     * @return array<string, Told<'SheetPlan'>> by "soil:4", "grit", "on:tar", "read:weak", "scope:quick"
     */
    public function otherwise(Sheet $sheet): array
    {
        $atHand = ($this->gatherAtHand)();
        $wish = $this->wishOf($sheet, $atHand);
        $wish->vehicle->loadMissing('standing.forecast');
        $plans = [];
        foreach ($this->variations($sheet->facts) as $name => $facts) {
            $plans[$name] = $this->told(
                ($this->layVisit)(
                    new VisitWish($wish->vehicle, $wish->on, $wish->people, $wish->members, $facts),
                    $atHand,
                ),
                [],
            );
        }

        return $plans;
    }

    /**
     * @param list<string> $done
     * @return Told<'SheetPlan'>
     */
    private function told(LaidVisit $laid, array $done): array
    {
        return VisitAnswer::of(
            $laid->visit,
            $laid->situation,
            $laid->outfit->body,
            Remedies::for($laid->visit, $laid->situation, $laid->schools, $laid->outfit),
            $laid->outfit->pace,
            $done,
        );
    }

    /**
     * Shade, or a better hour of the day, where the sun spoils a step.
     *
     * @return list<array{kind: string, says: Said, hour: int|null}>
     */
    private function urges(LaidVisit $laid, VisitWish $wish): array
    {
        $site = $wish->vehicle->site;
        $zone = $this->tenancy->workspace()->time_zone;
        $hours = [];
        foreach (
            $laid->situation->later->air->sunWM2 < 200.0 && $laid->situation->later->panelC < 30.0
                ? []
                : $this->weather->hours(
                    $site->latitude ?? Weather::SOMEWHERE[0],
                    $site->longitude ?? Weather::SOMEWHERE[1],
                    CarbonImmutable::parse($wish->on, $zone)->setTime(self::FIRST_HOUR, 0),
                    self::HOURS,
                )
            as $hour
        ) {
            $hours[(int) CarbonImmutable::instance($hour->at)->setTimezone($zone)->format('G')] = [
                'air' => $hour->air,
                'rain' => $hour->rainMm >= $this->tenancy->workspace()->house()->sky->wetMm,
            ];
        }

        return array_map(
            static fn(Urge $urge): array => ['kind' => $urge->kind, 'says' => $urge->says, 'hour' => $urge->hour],
            Urge::for($laid->visit->laying, $laid->situation, $laid->schools, $hours, ExpectVisit::USUAL_HOUR),
        );
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, array<string, mixed>>
     */
    private function variations(array $facts): array
    {
        $seen = is_array($facts['seen'] ?? null) ? $facts['seen'] : [];
        $on = is_array($seen['on'] ?? null) ? $seen['on'] : [];
        $all = [];
        foreach (range(0, 5) as $soil) {
            if ($soil !== ($seen['soil'] ?? null)) {
                $all["soil:{$soil}"] = [...$facts, 'seen' => [...$seen, 'soil' => $soil]];
            }
        }
        if (($seen['grit'] ?? false) !== true) {
            $all['grit'] = [...$facts, 'seen' => [...$seen, 'grit' => true]];
        }
        foreach (Contaminant::cases() as $one) {
            if (!in_array($one->value, $on, true)) {
                $all["on:{$one->value}"] = [...$facts, 'seen' => [...$seen, 'on' => [...$on, $one->value]]];
            }
        }

        $readings = is_array($seen['readings'] ?? null) ? $seen['readings'] : [];
        $paint = is_array($readings['paint'] ?? null) ? $readings['paint'] : [];
        foreach (Behaviour::cases() as $one) {
            $all["read:{$one->value}"] = [
                ...$facts,
                'seen' => [...$seen, 'readings' => [...$readings, 'paint' => [...$paint, 'after_wash' => $one->value]]],
            ];
        }
        foreach (['quick', 'usual', 'full'] as $scope) {
            if ($scope !== ($facts['scope'] ?? 'usual')) {
                $all["scope:{$scope}"] = [...$facts, 'scope' => $scope];
            }
        }

        return $all;
    }
}
