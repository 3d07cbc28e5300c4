<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Stage;

/** Which roles the turn has to fill, on which zones. */
final readonly class Needs
{
    /** From this much dirt on wheels want a cleaner of their own; kept weekly, soap does. */
    private const WHEEL_CLEANER_FROM = 2;

    /** From here on brake dust has burnt in. */
    private const WHEEL_IRON_FROM = 4;

    /** @return list<Need> in the order of the visit, one for each role and zone */
    public static function of(Situation $situation, Schools $schools, MethodChoice $method, TopperChoice $topper, TopperChoice $wheelTopper): array
    {
        if ($method->chosen === null) {
            return [];
        }
        $needs = [
            ...self::wheels($situation, $method->chosen->method, $wheelTopper),
            ...self::before($situation, $method->chosen),
            ...self::decon($situation),
            ...self::wash($method->chosen->method),
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
        $seen = $situation->seen;

        return array_values(array_filter([
            match (true) {
                ! $method->needsHose() => new Need(Role::Rinseless, Zone::Wheels, Step::Wheels, 'Wheels without a hose, with the last towels', optional: true),
                $seen->wheels() >= self::WHEEL_CLEANER_FROM => new Need(Role::Wheel, Zone::Wheels, Step::Wheels, sprintf('Brake dust on the wheels (%d of 5)', $seen->wheels())),
                default => new Need(Role::Soap, Zone::Wheels, Step::Wheels, 'Wheels that are kept weekly need soap only'),
            },
            $method->needsHose() && ($seen->wheelIron || $seen->wheels() >= self::WHEEL_IRON_FROM) ? new Need(Role::Iron, Zone::Wheels, Step::Wheels, 'Brake dust that has burnt in') : null,
            $topper->best() !== null ? new Need(Role::Topper, Zone::Wheels, Step::Topper, 'The layer on the wheels') : null,
        ]));
    }

    /** @return list<Need> */
    private static function before(Situation $situation, MethodOption $chosen): array
    {
        $needs = [];
        if ($situation->seen->isReset()) {
            $needs[] = new Need(Role::Prewash, Zone::Paint, Step::PreWash, 'To strip old wax and sealant', toStrip: true);
        }
        if ($situation->seen->has(Contaminant::Insects, Contaminant::BirdLime)) {
            $needs[] = $chosen->method->needsHose()
                ? new Need(Role::Prewash, Zone::Paint, Step::Soften, 'To soften what must not be scrubbed', optional: true)
                : new Need(Role::Rinseless, Zone::Paint, Step::Soften, 'To soften what must not be scrubbed, under a wet cloth', optional: true);
        }
        foreach ($chosen->path->stages as ['stage' => $stage]) {
            $needs[] = match ($stage) {
                Softening::PreWash => new Need(Role::Prewash, Zone::Paint, Step::PreWash, sprintf('To loosen soil %d before anything touches it', $situation->seen->soil)),
                Softening::Foam, Softening::FoamAgain => new Need(Role::Foam, Zone::Paint, Step::Foam, $situation->seen->wantsPreWash($situation->rules) || $chosen->method === Method::Touchless
                    ? 'To carry the dirt off without touching' : 'To soften the road film', optional: ! $situation->seen->wantsPreWash($situation->rules) && $chosen->method !== Method::Touchless),
                Softening::Rinse => null,
            };
        }

        return array_values(array_filter($needs));
    }

    /** @return list<Need> */
    private static function decon(Situation $situation): array
    {
        $seen = $situation->seen;
        $designed = $situation->vehicle->stack(Zone::Paint)->designed();
        $fails = $seen->reading(Stage::AfterDecon) === null && $seen->reading(Stage::AfterWash)?->holds($designed) === false && ! $situation->vehicle->stack(Zone::Paint)->isBare();

        return array_values(array_filter([
            $seen->has(Contaminant::Iron) || $fails ? new Need(Role::Iron, Zone::Paint, Step::Decon, $seen->has(Contaminant::Iron) ? 'Iron specks in the paint' : 'To see whether the layer is only clogged') : null,
            $seen->has(Contaminant::Tar, Contaminant::Sap) ? new Need(Role::Tar, Zone::Paint, Step::Decon, $seen->has(Contaminant::Tar) ? 'Tar, dissolved and never scrubbed' : 'Sap, dissolved and never scrubbed') : null,
            $seen->has(Contaminant::Rough) ? new Need(Role::ClayLube, Zone::Paint, Step::Decon, 'What still feels rough after that: clay as the last resort', optional: true) : null,
        ]));
    }

    /** @return list<Need> */
    private static function wash(Method $method): array
    {
        return match ($method) {
            Method::Touchless => [],
            Method::Rinseless, Method::Waterless => [new Need($method->role(), Zone::Paint, Step::Wash, 'The wash')],
            default => [
                new Need(Role::Soap, Zone::Paint, Step::Wash, 'The contact wash'),
                new Need(Role::Soap, Zone::Trim, Step::Wash, 'Trim, from the same bucket where it may', optional: true),
            ],
        };
    }

    /** @return list<Need> */
    private static function after(Situation $situation, Schools $schools, MethodChoice $method, TopperChoice $topper): array
    {
        $aid = match ($schools->side(School::DryingAid)) {
            'every-wash' => 'Your school uses one at every wash',
            'with-topper' => $topper->decision === Decision::Apply && $topper->best() !== null ? 'With the topper, to spread it' : null,
            default => null,
        };

        return array_values(array_filter([
            $topper->best() !== null ? new Need(Role::Topper, Zone::Paint, Step::Topper, $topper->decision->says(), optional: $topper->decision !== Decision::Apply) : null,
            // Nothing is rubbed over a film, and a reset wants nothing left behind.
            $aid !== null && ! $method->leavesFilm() && ! $situation->seen->isReset() ? new Need(Role::DryingAid, Zone::Paint, Step::Dry, $aid) : null,
            new Need(Role::Glass, Zone::Glass, Step::Finish, 'Glass last, with its own towel'),
            new Need(Role::Tyre, Zone::Tyres, Step::Finish, 'Tyres, clean and dry', optional: true),
            new Need(Role::Trim, Zone::Trim, Step::Finish, 'Trim that has greyed', optional: true),
        ]));
    }
}
