<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

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

    public function asks(): string
    {
        return match ($this) {
            self::Method => 'What touches the paint, when it has the choice',
            self::Wheels => 'Wheels first or paint first',
            self::Foam => 'How thick the foam is',
            self::Rinse => 'Which way it is rinsed',
            self::Order => 'Which panel comes next',
            self::BareFace => 'Wax and oils on a coating',
            self::DryingAid => 'When a drying aid is used',
            self::Topper => 'When the topper goes on',
            self::ToppingUp => 'Where the topper is sprayed',
            self::Drying => 'How the water comes off, when it has the choice',
            self::Towel => 'How the drying towel starts',
            self::Tyre => 'How tyres are left',
            self::Caution => 'How many layers may have failed by their date',
        };
    }

    /** @return non-empty-array<array-key, array{name: string, reason: string}> its sides, and one line for each */
    public function sides(): array
    {
        return match ($this) {
            self::Method => [
                'touchless' => [
                    'name' => 'Touchless',
                    'reason' => 'What is never touched is never scratched; a faint film stays when it is dirtier.',
                ],
                'multi-towel' => [
                    'name' => 'Many towels',
                    'reason' => 'Each side meets the paint once, so no grit is carried on.',
                ],
                'two-mitts' => [
                    'name' => 'Two mitts',
                    'reason' => 'Deep pile swallows grit; the dirty lower third gets a mitt of its own.',
                ],
                'one-mitt' => [
                    'name' => 'One mitt',
                    'reason' => 'Least to wash and carry; fine on cars that are never really dirty.',
                ],
            ],
            self::Wheels => [
                'wheels-first' => [
                    'name' => 'Wheels first',
                    'reason' => 'Their dirt splashes on paint that is still to be washed.',
                ],
                'paint-first' => [
                    'name' => 'Paint first',
                    'reason' => 'Nothing dries on the paint while one kneels at a wheel.',
                ],
            ],
            self::Foam => [
                'thick' => [
                    'name' => 'Thick',
                    'reason' => 'Clings and softens for longer, above all on upright panels.',
                ],
                'thin' => ['name' => 'Thin', 'reason' => 'Runs, and takes the loosened dirt along; less product.'],
            ],
            self::Rinse => [
                'top-down' => ['name' => 'From the top down', 'reason' => 'Dirt goes the way water goes.'],
                'bottom-up' => [
                    'name' => 'From below upward',
                    'reason' => 'The foam above still works while the dirtiest part is flushed.',
                ],
            ],
            self::Order => [
                'by-cleanliness' => [
                    'name' => 'By cleanliness',
                    'reason' => 'Cleanest panels first, the lower third last: little dirt travels.',
                ],
                'free' => [
                    'name' => 'Order-free',
                    'reason' => 'With a fresh side for every stretch the way round is the quickest. Many towels only.',
                ],
            ],
            self::BareFace => [
                'refused' => ['name' => 'Refused', 'reason' => 'They hide the layer that was paid for.'],
                'tolerated' => [
                    'name' => 'Tolerated',
                    'reason' => 'Slickness and gloss for a few days, with a caution.',
                ],
            ],
            self::DryingAid => [
                'every-wash' => [
                    'name' => 'Every wash',
                    'reason' => 'The towel glides, and each wash gives a little back.',
                ],
                'with-topper' => [
                    'name' => 'Only with a topper',
                    'reason' => 'Spreads what went on; otherwise water is lubricant enough.',
                ],
                'never' => ['name' => 'Never', 'reason' => 'Nothing builds up, and readings show the layer itself.'],
            ],
            self::Topper => [
                'every-wash' => ['name' => 'Every wash', 'reason' => 'Never a gap; more product, more time.'],
                'by-forecast' => [
                    'name' => 'By forecast',
                    'reason' => 'Before it is likely to have failed, not sooner.',
                ],
                'when-it-fails' => [
                    'name' => 'When the water says so',
                    'reason' => 'Only once a clean reading fails: each layer gives all it has.',
                ],
            ],
            self::ToppingUp => [
                'on-paint' => ['name' => 'On the paint', 'reason' => 'Even and quick; mind the wind and the glass.'],
                'on-cloth' => ['name' => 'On the cloth', 'reason' => 'No overspray, less product.'],
            ],
            self::Drying => [
                'by-surface' => [
                    'name' => 'As the surface asks',
                    'reason' => 'Blown where it beads, sheeted where it does not.',
                ],
                'air-then-towel' => [
                    'name' => 'Air, then towels',
                    'reason' => 'Nearly nothing left to wipe, and gaps are dry.',
                ],
                'warm-air' => [
                    'name' => 'Warm air',
                    'reason' => 'Nothing touches the paint, and seals dry too; slower, and it wants a socket.',
                ],
                'sheet-then-towel' => [
                    'name' => 'Sheeted, then towels',
                    'reason' => 'A gentle open hose takes most of it; no noise, no power.',
                ],
                'towel' => [
                    'name' => 'Towels alone',
                    'reason' => 'Big ones laid flat and pulled: nothing to carry but cloth.',
                ],
            ],
            self::Towel => [
                'pre-damped' => ['name' => 'Pre-damped', 'reason' => 'A damp towel starts to drink at once.'],
                'dry' => ['name' => 'Dry', 'reason' => 'Holds the most; a drying aid makes it glide.'],
            ],
            self::Tyre => [
                'satin' => ['name' => 'Satin', 'reason' => 'Wiped back: looks like rubber, slings nothing.'],
                'gloss' => ['name' => 'Gloss', 'reason' => 'A second thin coat: darker, and the owner sees it.'],
            ],
            self::Caution => [
                '10' => ['name' => '10 in 100', 'reason' => 'Early: almost never caught out, more topper used.'],
                '30' => ['name' => '30 in 100', 'reason' => 'Between the two.'],
                '50' => ['name' => '50 in 100', 'reason' => 'Late: half of the layers have failed by their date.'],
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
