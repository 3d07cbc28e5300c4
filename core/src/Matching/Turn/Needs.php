<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Stage;

/** Which roles the turn has to fill, on which zones. */
final readonly class Needs
{
    /** @return list<Need> in the order of the visit, one for each role and zone */
    public static function of(
        Situation $situation,
        Schools $schools,
        MethodChoice $method,
        TopperChoice $topper,
        TopperChoice $wheelTopper,
    ): array {
        if ($method->chosen === null) {
            return [];
        }
        $needs = [
            ...self::wheels($situation, $method->chosen->method, $wheelTopper),
            ...self::before($situation, $method->chosen),
            ...self::decon($situation, $method->chosen->method),
            ...self::wash($situation, $method->chosen->method),
            ...self::layers($situation, $method->chosen->method, $topper),
            ...self::after($situation, $schools, $method, $topper),
        ];
        $once = [];
        foreach ($needs as $need) {
            $once[$need->key()] ??= $need;
        }

        return array_values($once);
    }

    /** @return list<Need> */
    private static function wheels(Situation $situation, Method $method, TopperChoice $topper): array
    {
        [$seen, $rules, $scope] = [$situation->seen, $situation->rules, $situation->asked->scope];
        $hose = $method->needsHose();
        $soil = $seen->wheels();

        return array_values(
            array_filter([
                match (true) {
                    // In passing they are rinsed, or wiped with the last side.
                    !$scope->has(Item::Wheels) => null,
                    !$hose => new Need(
                        $method->role(),
                        Zone::Wheels,
                        Step::Wheels,
                        'Wheels without a hose, with the last towels',
                        optional: true,
                        hose: false,
                        soil: $soil,
                    ),
                    $soil >= $rules->wheelCleanerFrom => new Need(
                        Role::Wheel,
                        Zone::Wheels,
                        Step::Wheels,
                        sprintf('Brake dust on the wheels (%d of 5)', $soil),
                        soil: $soil,
                    ),
                    default => new Need(
                        Role::Soap,
                        Zone::Wheels,
                        Step::Wheels,
                        'Wheels that are kept weekly need soap only',
                        soil: $soil,
                    ),
                },
                $scope->has(Item::Wheels) && $hose && ($seen->wheelIron || $soil >= $rules->wheelIronFrom)
                    ? new Need(Role::Iron, Zone::Wheels, Step::Wheels, 'Brake dust that has burnt in')
                    : null,
                $topper->best() !== null && $scope->has(Item::Wheels)
                    ? new Need(Role::Topper, Zone::Wheels, Step::Topper, 'The layer on the wheels', hose: $hose)
                    : null,
            ]),
        );
    }

    /** @return list<Need> */
    private static function before(Situation $situation, MethodOption $chosen): array
    {
        [$seen, $rules] = [$situation->seen, $situation->rules];
        $needs = [];
        if ($seen->isReset() && $chosen->method->needsHose()) {
            $needs[] = new Need(
                Role::Prewash,
                Zone::Paint,
                Step::PreWash,
                'To strip old wax and sealant',
                toStrip: true,
            );
        }
        foreach ($chosen->path->stages as ['stage' => $stage]) {
            $needs[] = match ($stage) {
                Softening::PreWash => new Need(
                    Role::Prewash,
                    Zone::Paint,
                    Step::PreWash,
                    sprintf('To loosen soil %d before anything touches it', $seen->soil),
                    soil: $seen->soil,
                ),
                Softening::Foam, Softening::FoamAgain => new Need(
                    Role::Foam,
                    Zone::Paint,
                    Step::Foam,
                    $seen->wantsPreWash($rules) || $chosen->method === Method::Touchless
                        ? 'To carry the dirt off without touching'
                        : 'To soften the road film',
                    optional: !$seen->wantsPreWash($rules) && $chosen->method !== Method::Touchless,
                    soil: $seen->soil,
                ),
                Softening::Rinse => null,
            };
        }
        // One spray serves both for softening and before the wash: it is chosen once.
        $sits = $seen->has(Contaminant::Insects, Contaminant::BirdLime);
        $low = $seen->has(Contaminant::Salt) || $seen->soil >= $rules->lowerThirdFromSoil;
        if ($sits || ($low && $chosen->method->needsHose())) {
            $for = $sits
                ? 'To soften what must not be scrubbed'
                : 'To loosen what the road has thrown on the lower third';
            $needs[] = $chosen->method->needsHose()
                ? new Need(Role::Prewash, Zone::Paint, Step::Soften, $for, optional: true, soil: $seen->soil)
                : new Need(
                    $chosen->method->role(),
                    Zone::Paint,
                    Step::Soften,
                    "{$for}, under a wet cloth",
                    optional: true,
                    hose: false,
                    soil: $seen->soil,
                );
        }

        return array_values(array_filter($needs));
    }

    /** @return list<Need> */
    private static function decon(Situation $situation, Method $method): array
    {
        $seen = $situation->seen;
        $wants = self::whyDecon($situation);
        if (!$method->needsHose()) {
            // It can't be rinsed off thoroughly; Doubts say so.
            return [];
        }

        return array_values(
            array_filter([
                $wants !== null ? new Need(Role::Iron, Zone::Paint, Step::Decon, $wants) : null,
                $seen->has(Contaminant::Tar, Contaminant::Sap)
                    ? new Need(
                        Role::Tar,
                        Zone::Paint,
                        Step::Decon,
                        $seen->has(Contaminant::Tar)
                            ? 'Tar, dissolved and never scrubbed'
                            : 'Sap, dissolved and never scrubbed',
                    )
                    : null,
                $seen->has(Contaminant::Rough)
                    ? new Need(
                        Role::ClayLube,
                        Zone::Paint,
                        Step::Decon,
                        'What still feels rough after that: clay as the last resort',
                        optional: true,
                    )
                    : null,
            ]),
        );
    }

    /** Why the paint is decontaminated with an iron remover; null when it is not. */
    public static function whyDecon(Situation $situation): ?string
    {
        $seen = $situation->seen;
        $stack = $situation->vehicle->stack(Zone::Paint);
        $fails =
            !$stack->isBare() &&
            $seen->reading(Stage::AfterDecon) === null &&
            ($seen->reading(Stage::AfterWash)?->holds($stack->designed()) === false ||
                ($seen->reading(Stage::AfterWash) === null &&
                    ($situation->vehicle->renewals[Zone::Paint->value]->suspect ?? false)));

        return match (true) {
            $seen->has(Contaminant::Iron) => 'Iron specks in the paint',
            $fails => 'To see whether the layer is only clogged',
            $situation->asked->wants(Kind::Decon) => 'Decontamination is planned for this visit',
            $situation->asked->wants(Kind::Recoat) => 'A new coating wants bare, clean paint',
            default => null,
        };
    }

    /** @return list<Need> */
    private static function wash(Situation $situation, Method $method): array
    {
        $soil = $situation->seen->soil;

        return match ($method) {
            Method::Touchless => [],
            Method::Rinseless, Method::Waterless => [
                new Need($method->role(), Zone::Paint, Step::Wash, 'The wash', hose: false, soil: $soil),
            ],
            default => array_values(
                array_filter([
                    new Need(Role::Soap, Zone::Paint, Step::Wash, 'The contact wash', soil: $soil),
                    $situation->asked->scope->has(Item::Trim)
                        ? new Need(
                            Role::Soap,
                            Zone::Trim,
                            Step::Wash,
                            'Trim, from the same bucket where it may',
                            optional: true,
                            soil: $soil,
                        )
                        : null,
                ]),
            ),
        };
    }

    /** @return list<Need> what stays on the paint */
    private static function layers(Situation $situation, Method $method, TopperChoice $topper): array
    {
        $asked = $situation->asked;
        $base = $situation->vehicle->stack(Zone::Paint)->base;

        return array_values(
            array_filter([
                $asked->wants(Kind::Recoat)
                    ? new Need(
                        Role::Base,
                        Zone::Paint,
                        Step::Topper,
                        'The coating is renewed',
                        renews: $base,
                        hose: $method->needsHose(),
                    )
                    : null,
                $asked->wants(Kind::Base) && !$asked->wants(Kind::Recoat) && $base !== null
                    ? new Need(
                        Role::Base,
                        Zone::Paint,
                        Step::Topper,
                        'The base is renewed',
                        renews: $base,
                        hose: $method->needsHose(),
                    )
                    : null,
                $topper->best() !== null
                    ? new Need(
                        Role::Topper,
                        Zone::Paint,
                        Step::Topper,
                        $topper->decision->says(),
                        optional: $topper->decision !== Decision::Apply,
                        hose: $method->needsHose(),
                    )
                    : null,
            ]),
        );
    }

    /** @return list<Need> */
    private static function after(
        Situation $situation,
        Schools $schools,
        MethodChoice $method,
        TopperChoice $topper,
    ): array {
        $scope = $situation->asked->scope;
        $renews = $situation->asked->wants(Kind::Base) || $situation->asked->wants(Kind::Recoat);
        $aid = match ($schools->side(School::DryingAid)) {
            'every-wash' => 'Your school uses one at every wash',
            'with-topper' => $topper->decision === Decision::Apply && $topper->best() !== null
                ? 'With the topper, to spread it'
                : null,
            default => null,
        };
        // What is wiped on wants bare, dry paint under it; what is rinsed on wants nothing of another kind over it.
        $onBare = $renews || ($topper->best()?->bottle->applied === 'wipe' && $topper->decision === Decision::Apply);
        $hose = $method->method()?->needsHose() === true;

        return array_values(
            array_filter([
                // Nothing is rubbed over a film, and a reset wants nothing left behind.
                $aid !== null && $hose && !$onBare && !$method->leavesFilm() && !$situation->seen->isReset()
                    ? new Need(
                        Role::DryingAid,
                        Zone::Paint,
                        Step::Dry,
                        $aid,
                        beside: $topper->best()?->bottle->traits->leaves,
                    )
                    : null,
                $scope->has(Item::Glass) && !$scope->isQuick()
                    ? new Need(Role::Glass, Zone::Glass, Step::Finish, 'Glass last, with its own towel')
                    : null,
                $scope->has(Item::Dressing)
                    ? new Need(Role::Tyre, Zone::Tyres, Step::Finish, 'Tyres, clean and dry', optional: true)
                    : null,
                $scope->has(Item::Trim)
                    ? new Need(Role::Trim, Zone::Trim, Step::Finish, 'Trim that has greyed', optional: true)
                    : null,
            ]),
        );
    }
}
