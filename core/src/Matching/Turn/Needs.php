<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Planning\Kind;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;

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
                        Said::of('needs.wheels-without-a-hose-with'),
                        optional: true,
                        hose: false,
                        soil: $soil,
                    ),
                    $soil >= $rules->wheelCleanerFrom => new Need(
                        Role::Wheel,
                        Zone::Wheels,
                        Step::Wheels,
                        Said::of('needs.brake-dust-on-the-wheels-of', soil: $soil),
                        soil: $soil,
                    ),
                    default => new Need(
                        Role::Soap,
                        Zone::Wheels,
                        Step::Wheels,
                        Said::of('needs.wheels-that-are-kept-weekly'),
                        soil: $soil,
                    ),
                },
                $scope->has(Item::Wheels) && $hose && ($seen->wheelIron || $soil >= $rules->wheelIronFrom)
                    ? new Need(Role::Iron, Zone::Wheels, Step::Wheels, Said::of('needs.brake-dust-that-has-burnt'))
                    : null,
                $topper->best() !== null && $scope->has(Item::Wheels)
                    ? new Need(
                        Role::Topper,
                        Zone::Wheels,
                        Step::Topper,
                        Said::of('needs.the-layer-on-the-wheels'),
                        hose: $hose,
                    )
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
                Said::of('needs.to-strip-old-wax-and'),
                toStrip: true,
            );
        }
        foreach ($chosen->path->stages as ['stage' => $stage]) {
            $needs[] = match ($stage) {
                Softening::PreWash => new Need(
                    Role::Prewash,
                    Zone::Paint,
                    Step::PreWash,
                    Said::of('needs.to-loosen-soil-before', soil: $seen->soil),
                    soil: $seen->soil,
                ),
                Softening::Foam, Softening::FoamAgain => new Need(
                    Role::Foam,
                    Zone::Paint,
                    Step::Foam,
                    $seen->wantsPreWash($rules) || $chosen->method === Method::Touchless
                        ? Said::of('needs.to-carry-the-dirt-off')
                        : Said::of('needs.to-soften-the-road-film'),
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
            $for = $sits ? Said::of('needs.to-soften-what-must-not-be') : Said::of('needs.to-loosen-what-the-road-has');
            $needs[] = $chosen->method->needsHose()
                ? new Need(Role::Prewash, Zone::Paint, Step::Soften, $for, optional: true, soil: $seen->soil)
                : new Need(
                    $chosen->method->role(),
                    Zone::Paint,
                    Step::Soften,
                    Said::of('needs.under-a-wet-cloth', for: $for),
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
                            ? Said::of('needs.tar-dissolved-and-never')
                            : Said::of('needs.sap-dissolved-and-never'),
                    )
                    : null,
                $seen->has(Contaminant::Rough)
                    ? new Need(
                        Role::ClayLube,
                        Zone::Paint,
                        Step::Decon,
                        Said::of('needs.what-still-feels-rough'),
                        optional: true,
                    )
                    : null,
            ]),
        );
    }

    /** Why the paint is decontaminated with an iron remover; null when it is not. */
    public static function whyDecon(Situation $situation): ?Said
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
            $seen->has(Contaminant::Iron) => Said::of('needs.iron-specks-in-the-paint'),
            $fails => Said::of('needs.to-see-whether-the-layer-is'),
            $situation->asked->wants(Kind::Decon) => Said::of('needs.decontamination-is-planned'),
            $situation->asked->wants(Kind::Recoat) => Said::of('needs.a-new-coating-wants-bare'),
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
                new Need(
                    $method->role(),
                    Zone::Paint,
                    Step::Wash,
                    Said::of('needs.the-wash'),
                    hose: false,
                    soil: $soil,
                ),
            ],
            default => array_values(
                array_filter([
                    new Need(Role::Soap, Zone::Paint, Step::Wash, Said::of('needs.the-contact-wash'), soil: $soil),
                    $situation->asked->scope->has(Item::Trim)
                        ? new Need(
                            Role::Soap,
                            Zone::Trim,
                            Step::Wash,
                            Said::of('needs.trim-from-the-same-bucket'),
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
                        Said::of('needs.the-coating-is-renewed'),
                        renews: $base,
                        hose: $method->needsHose(),
                    )
                    : null,
                $asked->wants(Kind::Base) && !$asked->wants(Kind::Recoat) && $base !== null
                    ? new Need(
                        Role::Base,
                        Zone::Paint,
                        Step::Topper,
                        Said::of('needs.the-base-is-renewed'),
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
            'every-wash' => Said::of('needs.your-school-uses-one-at'),
            'with-topper' => $topper->decision === Decision::Apply && $topper->best() !== null
                ? Said::of('needs.with-the-topper-to-spread')
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
                    ? new Need(Role::Glass, Zone::Glass, Step::Finish, Said::of('needs.glass-last-with-its-own'))
                    : null,
                $scope->has(Item::Dressing)
                    ? new Need(
                        Role::Tyre,
                        Zone::Tyres,
                        Step::Finish,
                        Said::of('needs.tyres-clean-and-dry'),
                        optional: true,
                    )
                    : null,
                $scope->has(Item::Trim)
                    ? new Need(
                        Role::Trim,
                        Zone::Trim,
                        Step::Finish,
                        Said::of('needs.trim-that-has-greyed'),
                        optional: true,
                    )
                    : null,
            ]),
        );
    }
}
