<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** Where good practitioners disagree (domain §5). A workspace picks its side; a vehicle may have its own. */
enum School: string
{
    case Method = 'method';
    case Wheels = 'wheels';
    case Foam = 'foam';
    case Rinse = 'rinse';
    case Order = 'order';
    case BareFace = 'bare-face';
    case DryingAid = 'drying-aid';
    case Topper = 'topper';
    case ToppingUp = 'topping-up';
    case Drying = 'drying';
    case Towel = 'towel';
    case Tyre = 'tyre';
    case Caution = 'caution';

    public function asks(): Said
    {
        return match ($this) {
            self::Method => Said::of('school.method-asks'),
            self::Wheels => Said::of('school.wheels-asks'),
            self::Foam => Said::of('school.foam-asks'),
            self::Rinse => Said::of('school.rinse-asks'),
            self::Order => Said::of('school.order-asks'),
            self::BareFace => Said::of('school.bare-face-asks'),
            self::DryingAid => Said::of('school.drying-aid-asks'),
            self::Topper => Said::of('school.topper-asks'),
            self::ToppingUp => Said::of('school.topping-up-asks'),
            self::Drying => Said::of('school.drying-asks'),
            self::Towel => Said::of('school.towel-asks'),
            self::Tyre => Said::of('school.tyre-asks'),
            self::Caution => Said::of('school.caution-asks'),
        };
    }

    /** @return non-empty-array<array-key, array{name: Said, reason: Said}> its sides, and one line for each */
    public function sides(): array
    {
        return match ($this) {
            self::Method => [
                'touchless' => [
                    'name' => Said::of('school.touchless'),
                    'reason' => Said::of('school.what-is-never-touched-is'),
                ],
                'multi-towel' => [
                    'name' => Said::of('school.many-towels'),
                    'reason' => Said::of('school.each-side-meets-the-paint'),
                ],
                'two-mitts' => [
                    'name' => Said::of('school.two-mitts'),
                    'reason' => Said::of('school.deep-pile-swallows-grit-the'),
                ],
                'one-mitt' => [
                    'name' => Said::of('school.one-mitt'),
                    'reason' => Said::of('school.least-to-wash-and-carry'),
                ],
            ],
            self::Wheels => [
                'wheels-first' => [
                    'name' => Said::of('school.wheels-first'),
                    'reason' => Said::of('school.their-dirt-splashes-on'),
                ],
                'paint-first' => [
                    'name' => Said::of('school.paint-first'),
                    'reason' => Said::of('school.nothing-dries-on-the-paint'),
                ],
            ],
            self::Foam => [
                'thick' => [
                    'name' => Said::of('school.thick'),
                    'reason' => Said::of('school.clings-and-softens-for'),
                ],
                'thin' => [
                    'name' => Said::of('school.thin'),
                    'reason' => Said::of('school.runs-and-takes-the-loosened'),
                ],
            ],
            self::Rinse => [
                'top-down' => [
                    'name' => Said::of('school.from-the-top-down'),
                    'reason' => Said::of('school.dirt-goes-the-way-water'),
                ],
                'bottom-up' => [
                    'name' => Said::of('school.from-below-upward'),
                    'reason' => Said::of('school.the-foam-above-still-works'),
                ],
            ],
            self::Order => [
                'by-cleanliness' => [
                    'name' => Said::of('school.by-cleanliness'),
                    'reason' => Said::of('school.cleanest-panels-first-the'),
                ],
                'free' => [
                    'name' => Said::of('school.order-free'),
                    'reason' => Said::of('school.with-a-fresh-side-for-every'),
                ],
            ],
            self::BareFace => [
                'refused' => [
                    'name' => Said::of('school.refused'),
                    'reason' => Said::of('school.they-hide-the-layer-that'),
                ],
                'tolerated' => [
                    'name' => Said::of('school.tolerated'),
                    'reason' => Said::of('school.slickness-and-gloss-for-a'),
                ],
            ],
            self::DryingAid => [
                'every-wash' => [
                    'name' => Said::of('school.every-wash'),
                    'reason' => Said::of('school.the-towel-glides-and-each'),
                ],
                'with-topper' => [
                    'name' => Said::of('school.only-with-a-topper'),
                    'reason' => Said::of('school.spreads-what-went-on'),
                ],
                'never' => ['name' => Said::of('school.never'), 'reason' => Said::of('school.nothing-builds-up-and')],
            ],
            self::Topper => [
                'every-wash' => [
                    'name' => Said::of('school.every-wash'),
                    'reason' => Said::of('school.never-a-gap-more-product'),
                ],
                'by-forecast' => [
                    'name' => Said::of('school.by-forecast'),
                    'reason' => Said::of('school.before-it-is-likely-to-have'),
                ],
                'when-it-fails' => [
                    'name' => Said::of('school.when-the-water-says-so'),
                    'reason' => Said::of('school.only-once-a-clean-reading'),
                ],
            ],
            self::ToppingUp => [
                'on-paint' => [
                    'name' => Said::of('school.on-the-paint'),
                    'reason' => Said::of('school.even-and-quick-mind-the'),
                ],
                'on-cloth' => [
                    'name' => Said::of('school.on-the-cloth'),
                    'reason' => Said::of('school.no-overspray-less-product'),
                ],
            ],
            self::Drying => [
                'by-surface' => [
                    'name' => Said::of('school.as-the-surface-asks'),
                    'reason' => Said::of('school.blown-where-it-beads'),
                ],
                'air-then-towel' => [
                    'name' => Said::of('school.air-then-towels'),
                    'reason' => Said::of('school.nearly-nothing-left-to-wipe'),
                ],
                'warm-air' => [
                    'name' => Said::of('school.warm-air'),
                    'reason' => Said::of('school.nothing-touches-the-paint'),
                ],
                'sheet-then-towel' => [
                    'name' => Said::of('school.sheeted-then-towels'),
                    'reason' => Said::of('school.a-gentle-open-hose-takes'),
                ],
                'towel' => [
                    'name' => Said::of('school.towels-alone'),
                    'reason' => Said::of('school.big-ones-laid-flat-and'),
                ],
            ],
            self::Towel => [
                'pre-damped' => [
                    'name' => Said::of('school.pre-damped'),
                    'reason' => Said::of('school.a-damp-towel-starts-to'),
                ],
                'dry' => ['name' => Said::of('school.dry'), 'reason' => Said::of('school.holds-the-most-a-drying-aid')],
            ],
            self::Tyre => [
                'satin' => ['name' => Said::of('school.satin'), 'reason' => Said::of('school.wiped-back-looks-like')],
                'gloss' => [
                    'name' => Said::of('school.gloss'),
                    'reason' => Said::of('school.a-second-thin-coat-darker'),
                ],
            ],
            self::Caution => [
                '10' => [
                    'name' => Said::of('school.in-100', n: 10),
                    'reason' => Said::of('school.early-almost-never-caught'),
                ],
                '30' => ['name' => Said::of('school.in-100', n: 30), 'reason' => Said::of('school.between-the-two')],
                '50' => [
                    'name' => Said::of('school.in-100', n: 50),
                    'reason' => Said::of('school.late-half-of-the-layers'),
                ],
            ],
        };
    }

    public function usual(): string
    {
        return match ($this) {
            self::Method => 'two-mitts',
            self::Wheels => 'wheels-first',
            self::Foam => 'thick',
            self::Rinse => 'top-down',
            self::Order => 'by-cleanliness',
            self::BareFace => 'refused',
            self::DryingAid => 'every-wash',
            self::Topper => 'by-forecast',
            self::ToppingUp => 'on-paint',
            self::Drying => 'by-surface',
            self::Towel => 'dry',
            self::Tyre => 'satin',
            self::Caution => '30',
        };
    }

    /**
     * What another side may change; everything else stays as it is.
     *
     * @return list<MatchPart>
     */
    public function governs(): array
    {
        return match ($this) {
            // What touches the paint, and whether a soap may at all, decides whether there is a turn: everything hangs
            // on it.
            self::Method, self::BareFace => MatchPart::cases(),
            self::Wheels => [MatchPart::Order],
            self::Foam => [MatchPart::Foaming],
            self::Rinse => [MatchPart::Rinsing],
            self::Order => [MatchPart::Washing],
            self::DryingAid => [MatchPart::DryingAid, MatchPart::Missing, MatchPart::Cautions],
            self::Topper, self::Caution => [
                MatchPart::Topper,
                MatchPart::ToppingUp,
                MatchPart::DryingAid,
                MatchPart::Sections,
                MatchPart::Missing,
                MatchPart::Cautions,
            ],
            self::ToppingUp => [MatchPart::ToppingUp],
            self::Drying => [MatchPart::Drying, MatchPart::Towels, MatchPart::Sections, MatchPart::Cautions],
            self::Towel => [MatchPart::Drying],
            self::Tyre => [MatchPart::Tyres],
        };
    }
}
