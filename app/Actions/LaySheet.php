<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Sheet;
use App\Models\TurnEntry;
use App\Models\Vehicle;
use App\Reckon\Input;
use App\Reckon\TalkTable;
use App\Record\AtHand;
use App\Record\SheetPlan;
use App\Standins\Weather;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use LogicException;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Sheet\Visit\Outfit;
use Vicissa\Core\Sheet\Visit\Remedies;
use Vicissa\Core\Sheet\Visit\Visit;

/** Lays out a visit from what was seen, or from what is to be expected when nobody has looked yet. */
final readonly class LaySheet
{
    /** When the weather of a day is asked and nobody said at what hour. */
    private const USUAL_HOUR = 10;

    public function __construct(
        private SetScene $setScene,
        private Equip $equip,
        private GatherAtHand $gatherAtHand,
        private Weather $weather,
        private Tenancy $tenancy,
    ) {}

    /**
     * @param 1|2 $crew
     * @param array<string, mixed>|null $facts  as BenchInput; null for what is to be expected
     */
    public function __invoke(Vehicle $vehicle, string $on, int $crew, ?array $facts = null, ?string $id = null): Sheet
    {
        $facts ??= $this->expected($vehicle, $on);

        return Sheet::query()->create([
            ...($id === null ? [] : ['id' => $id]),
            'vehicle_id' => $vehicle->id, 'on' => $on, 'crew' => $crew, 'facts' => $facts, 'plan' => $this->plan($vehicle, $crew, $facts),
        ]);
    }

    /**
     * The plan of a visit from its facts. Raises InvalidInput where they make no sense.
     *
     * @param 1|2 $crew
     * @param array<string, mixed> $facts
     * @param list<string> $done  steps that are done
     * @return array<string, mixed>
     */
    public function plan(Vehicle $vehicle, int $crew, array $facts, array $done = []): array
    {
        $atHand = ($this->gatherAtHand)();
        [$situation, $schools] = $this->scene($vehicle, $facts, $atHand);
        $outfit = ($this->equip)($crew, Body::from($vehicle->body), $vehicle->site, $atHand);
        $visit = Visit::of($situation, $schools, $outfit, $done);

        return [...$this->told($visit, $situation, $schools, $outfit, $done), 'windows' => SheetPlan::windows($visit, $situation), 'talk' => TalkTable::of(($paint = $situation->vehicle->stack(Zone::Paint))->designed(), $paint->topper !== null)];
    }

    /**
     * What the plan would be if something else were found: for a phone that can ask nobody. One for each level of soil, for
     * grit, for each thing that may sit on the paint, and for each way the clean water may stand.
     *
     * @return array<string, array<string, mixed>> by "soil:4", "grit", "on:tar", "read:weak"
     */
    public function otherwise(Sheet $sheet): array
    {
        $vehicle = $sheet->vehicle ?? throw new LogicException('A sheet has a vehicle.');
        $atHand = ($this->gatherAtHand)();
        $vehicle->loadMissing('standing.forecast');
        $outfit = ($this->equip)($sheet->crew, Body::from($vehicle->body), $vehicle->site, $atHand);
        $plans = [];
        foreach ($this->variations($sheet->facts) as $name => $facts) {
            [$situation, $schools] = $this->scene($vehicle, $facts, $atHand);
            $plans[$name] = $this->told(Visit::of($situation, $schools, $outfit), $situation, $schools, $outfit, []);
        }

        return $plans;
    }

    /**
     * What visits to come are likely to be: one person, what is to be expected, nothing kept. Queries don't grow with the visits.
     *
     * @param list<array{Vehicle, string}> $visits  vehicle and day
     * @return list<array<string, mixed>> as plan, without what only a phone needs
     */
    public function foreseen(array $visits, AtHand $atHand): array
    {
        if ($visits === []) {
            return [];
        }
        $vehicles = (new Collection(array_column($visits, 0)))->loadMissing(['site', 'standing.forecast']);
        $last = TurnEntry::query()->join('turns', 'turns.current_entry_id', '=', 'turn_entries.id')->whereIn('turns.vehicle_id', $vehicles->modelKeys())
            ->selectRaw('distinct on (turns.vehicle_id) turns.vehicle_id as of_vehicle, turn_entries.soil, turn_entries.grit')->orderBy('turns.vehicle_id')->orderByDesc('turns.worked_at')->get()->keyBy('of_vehicle');
        $plans = [];
        foreach ($visits as [$vehicle, $on]) {
            [$situation, $schools] = $this->scene($vehicle, $this->facts($vehicle, $on, $last->get($vehicle->id)), $atHand);
            $outfit = ($this->equip)(1, Body::from($vehicle->body), $vehicle->site, $atHand);
            $plans[] = SheetPlan::of(Visit::of($situation, $schools, $outfit), $situation, $outfit->body, [], $outfit->pace);
        }

        return $plans;
    }

    /** @return array<string, mixed> as BenchInput */
    public function expected(Vehicle $vehicle, string $on): array
    {
        return $this->facts($vehicle, $on, TurnEntry::query()->whereIn('id', $vehicle->turns()->select('current_entry_id'))->orderByDesc('worked_at')->first(['soil', 'grit']));
    }

    /** @return array<string, mixed> as BenchInput */
    private function facts(Vehicle $vehicle, string $on, ?TurnEntry $last): array
    {
        $site = $vehicle->site;
        $at = CarbonImmutable::parse($on, $this->tenancy->workspace()->time_zone)->setTime(self::USUAL_HOUR, 0);
        $hour = $this->weather->hours($site->latitude ?? Weather::SOMEWHERE[0], $site->longitude ?? Weather::SOMEWHERE[1], $at, 1)[0];

        return [
            'seen' => ['soil' => $last->soil ?? 2, 'grit' => $last->grit ?? false, 'on' => []],
            'place' => $site === null ? ['water' => 'tap'] : [
                'water' => $site->water, 'tap_tds_mg_l' => $site->tds_mg_l, 'treated_tds_mg_l' => $site->treated_tds_mg_l, 'pressure' => $site->pressure,
                'power' => $site->power, 'shade' => $site->shade, 'bay' => $site->bay, 'run_off' => $site->run_off,
            ],
            'weather' => ['air_c' => $hour->air->airC, 'rh' => $hour->air->rh, 'wind_m_s' => $hour->air->windMS, 'sun_w_m2' => $hour->air->sunWM2, 'rain' => $hour->rainMm >= 0.5],
            'expected' => true,
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{Situation, Schools}
     */
    private function scene(Vehicle $vehicle, array $facts, AtHand $atHand): array
    {
        [$situation, $schools] = ($this->setScene)(new Input($facts), $vehicle, $atHand->shelf);
        $without = $facts['without'] ?? [];

        return [is_array($without) && $without !== [] ? $situation->without(array_values(array_filter($without, is_string(...)))) : $situation, $schools];
    }

    /**
     * @param list<string> $done
     * @return array<string, mixed>
     */
    private function told(Visit $visit, Situation $situation, Schools $schools, Outfit $outfit, array $done): array
    {
        return SheetPlan::of($visit, $situation, $outfit->body, Remedies::for($visit, $situation, $schools, $outfit), $outfit->pace, $done);
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
            if (! in_array($one->value, $on, true)) {
                $all["on:{$one->value}"] = [...$facts, 'seen' => [...$seen, 'on' => [...$on, $one->value]]];
            }
        }

        $readings = is_array($seen['readings'] ?? null) ? $seen['readings'] : [];
        $paint = is_array($readings['paint'] ?? null) ? $readings['paint'] : [];
        foreach (Behaviour::cases() as $one) {
            $all["read:{$one->value}"] = [...$facts, 'seen' => [...$seen, 'readings' => [...$readings, 'paint' => [...$paint, 'after_wash' => $one->value]]]];
        }

        return $all;
    }
}
