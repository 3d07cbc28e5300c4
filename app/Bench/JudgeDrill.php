<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Assessment;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Contaminant;
use Vicissa\Core\Matching\Turn\Decision;
use Vicissa\Core\Matching\Turn\Hour;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\MethodOption;
use Vicissa\Core\Matching\Turn\Place;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Practice\CaseDraw;
use Vicissa\Core\Practice\Judgement;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;

/**
 * A drill's case on a vehicle of the book, its choices, and what the rules say of an answer. The same seed is the same
 * case.
 */
final readonly class JudgeDrill
{
    public const WAYS = [
        'air-then-towel',
        'sheet-then-towel',
        'warm-air',
        'air-and-blot',
        'blot',
        'air-only',
        'towel',
        'at-once',
        'none',
    ];

    private const SOAPS = [Role::Soap, Role::Foam, Role::Rinseless, Role::Waterless];

    public function __construct(private MatchTurn $matchTurn) {}

    /** @return array{list<Bottle>, list<Said>} soaps to choose from, and what the vehicle is, in sentences */
    public function choices(Vehicle $vehicle, CaseDraw $case): array
    {
        [$situation] = $this->scene($vehicle, $case);
        $soaps = array_values(
            array_filter(
                $situation->shelf,
                static fn(Bottle $bottle): bool => in_array($bottle->traits->role, self::SOAPS, true),
            ),
        );
        $stack = $situation->vehicle->stack(Zone::Paint);
        $base =
            $stack->base === null
                ? Said::of('drill.unknown-base')
                : Said::of('record.family', family: $stack->base->family->value);
        $says = [
            $stack->isBare()
                ? Said::of('drill.bare')
                : Said::of(
                    'drill.on-paint',
                    stack: $stack->topper === null
                        ? $base
                        : Said::of(
                            'drill.topper-over',
                            topper: Said::of('record.family', family: $stack->topper->family->value),
                            base: $base,
                        ),
                ),
            Said::of(
                'drill.paint',
                hardness: $vehicle->hardness,
                facts: implode(', ', [$vehicle->tone, ...$vehicle->finish]),
            ),
        ];

        return [$soaps, $says];
    }

    /**
     * @param array<string, string> $given by judgement: method value or "none", product id or "none", way, decision
     *     value
     * @return array<string, array{right: bool, ours: string, says: Said|null, why: Said}> only what was to be judged
     */
    public function __invoke(Vehicle $vehicle, CaseDraw $case, array $given): array
    {
        [$situation, $schools] = $this->scene($vehicle, $case);
        $match = TurnMatch::of($situation, $schools);
        $judged = [Judgement::Method->value => $this->method($match, $given['method'] ?? '')];
        $asked = Method::tryFrom($given['method'] ?? '');
        $may =
            array_filter(
                $match->method->options,
                static fn(MethodOption $one): bool => $one->method === $asked && $one->allowed(),
            ) !== [];
        if ($asked !== null && $may && $asked !== $match->method->method()) {
            if (!$asked->needsHose()) {
                // Nobody's school; what goes with it is not what this case is about.
                return $judged;
            }
            // Whoever washes otherwise, and may, is judged by what goes with that.
            $match = TurnMatch::of($situation, $schools->with(School::Method, $asked->value));
        }
        if ($match->possible()) {
            $judged[Judgement::Soap->value] = $this->soap($match, $given['soap'] ?? '');
            $judged[Judgement::Drying->value] = [
                'right' => ($given['drying'] ?? '') === $match->drying->way->value,
                'ours' => $match->drying->way->value,
                'says' => null,
                'why' => Said::after($match->drying->why, $match->drying->how[0] ?? null),
            ];
            $judged[Judgement::Topper->value] = $this->topper($match, $given['topper'] ?? '');
        }

        return $judged;
    }

    /** @return array{Situation, Schools} */
    private function scene(Vehicle $vehicle, CaseDraw $case): array
    {
        $readings =
            $case->afterWash === null
                ? []
                : [Zone::Paint->value => [Stage::AfterWash->value => Behaviour::from($case->afterWash)]];

        return ($this->matchTurn)(
            $vehicle,
            new Assessment($case->soil, $case->grit, array_map(Contaminant::from(...), $case->on), readings: $readings),
            new Place(
                Water::from($case->place['water']),
                280.0,
                $case->place['water'] === 'treated' ? 8.0 : null,
                $case->place['pressure'],
                $case->place['power'],
                $case->place['shade'],
                $case->place['bay'],
                null,
            ),
            new Hour(
                new Air(
                    $case->weather['air_c'],
                    $case->weather['rh'],
                    $case->weather['wind_m_s'],
                    $case->weather['sun_w_m2'],
                ),
                $case->weather['rain'],
            ),
            Schools::of([]),
        );
    }

    /** @return array{right: bool, ours: string, says: Said|null, why: Said} */
    private function method(TurnMatch $match, string $given): array
    {
        $ours = $match->method->method()->value ?? 'none';
        $option =
            array_values(
                array_filter(
                    $match->method->options,
                    static fn(MethodOption $one): bool => $one->method->value === $given,
                ),
            )[0] ?? null;
        $says = match (true) {
            $given === $ours => null,
            $option === null => $ours === 'none' ? null : Said::of('drill.something-may-be-done'),
            $option->allowed() => Said::of(
                $match->method->chosen !== null && $option->risk > 1.15 * $match->method->chosen->risk
                    ? 'drill.allowed-with-more-risk'
                    : 'drill.allowed-too',
                method: Method::from($given)->says(),
            ),
            default => Said::of(
                'drill.refused',
                method: Method::from($given)->says(),
                why: Said::after(...$option->refused),
            ),
        };

        return [
            'right' => $given === $ours || $option?->allowed() === true,
            'ours' => $ours,
            'says' => $says,
            'why' => Said::after($match->method->why, ...$match->method->instead),
        ];
    }

    /** @return array{right: bool, ours: string, says: Said|null, why: Said} */
    private function soap(TurnMatch $match, string $given): array
    {
        $role = $match->method->method()?->role() ?? Role::Soap;
        $choice = $match->choice($role, Zone::Paint);
        $ours = $choice?->chosen;
        $passed =
            array_values(
                array_filter(
                    $match->passed,
                    static fn(Judged $one): bool => $one->bottle->id === $given && $one->zone === Zone::Paint,
                ),
            )[0] ?? null;
        $right =
            $given === ($ours->bottle->id ?? 'none') ||
            ($passed !== null && $passed->bottle->traits->role === $role && $passed->verdict->allowed());
        $says = match (true) {
            $given === ($ours->bottle->id ?? 'none') => null,
            $passed === null => Said::of('drill.not-for-this-method'),
            $passed->bottle->traits->role !== $role => Said::of('drill.another-role', bottle: $passed->bottle->name),
            $passed->verdict->allowed() => $passed->verdict->remarks === []
                ? Said::of('drill.ranks-lower', bottle: $passed->bottle->name)
                : Said::of('drill.would-do', bottle: $passed->bottle->name, remarks: self::remarks($passed)),
            default => Said::of('drill.ruled-out', bottle: $passed->bottle->name, remarks: self::remarks($passed)),
        };

        return [
            'right' => $right,
            'ours' => $ours->bottle->id ?? 'none',
            'says' => $says,
            'why' => $choice->why ?? Said::of('drill.nothing-fits'),
        ];
    }

    /** @return array{right: bool, ours: string, says: Said|null, why: Said} */
    private function topper(TurnMatch $match, string $given): array
    {
        $ours = $match->topper->decision;
        $right =
            $given === $ours->value ||
            ($ours === Decision::Optional && in_array($given, [Decision::Apply->value, Decision::None->value], true));

        return [
            'right' => $right,
            'ours' => $ours->value,
            'says' => $given === $ours->value || !$right ? null : Said::of('drill.either-way'),
            'why' => $match->topper->why,
        ];
    }

    private static function remarks(Judged $judged): Said
    {
        return Said::after(
            ...array_map(static fn(Remark $remark): Said => $remark->code->says(), $judged->verdict->remarks),
        );
    }
}
