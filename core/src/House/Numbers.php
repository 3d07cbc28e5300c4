<?php

declare(strict_types=1);

namespace Vicissa\Core\House;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Planning\PlanRules;
use Vicissa\Core\Protection\WearFactors;

/** The numbers of the rules as a workspace has them: its own where it has some, the working defaults elsewhere. Each with its name, its limits and what it does. */
final readonly class Numbers
{
    /**
     * By id: group, what it says, unit, default, lowest, highest.
     *
     * @var array<string, array{string, string, string, float, float, float}>
     */
    public const CATALOGUE = [
        'wear.weather' => ['Wear', 'A week of standing outdoors', 'wear-weeks', 0.5, 0.0, 5.0],
        'wear.driving' => ['Wear', 'A week’s driving of the reference distance', 'wear-weeks', 0.25, 0.0, 5.0],
        'wear.reference_km' => ['Wear', 'The reference distance a week', 'km', 200.0, 10.0, 5000.0],
        'wear.washing' => ['Wear', 'One neutral contact wash', 'wear-weeks', 0.25, 0.0, 5.0],
        'wear.drying_aid' => ['Wear', 'What a fitting drying aid gives back', 'wear-weeks', 0.35, 0.0, 5.0],
        'wear.storage.heated-garage' => ['Where it stands', 'Heated garage', '×', 0.5, 0.0, 10.0],
        'wear.storage.garage' => ['Where it stands', 'Garage', '×', 0.6, 0.0, 10.0],
        'wear.storage.carport' => ['Where it stands', 'Carport', '×', 0.8, 0.0, 10.0],
        'wear.storage.outdoors' => ['Where it stands', 'Outdoors', '×', 1.0, 0.0, 10.0],
        'wear.storage.harsh' => ['Where it stands', 'Outdoors by the sea or in strong sun', '×', 1.3, 0.0, 10.0],
        'wear.road.normal' => ['Where it drives', 'Ordinary roads', '×', 1.0, 0.0, 10.0],
        'wear.road.unpaved' => ['Where it drives', 'Unpaved roads', '×', 1.3, 0.0, 10.0],
        'wear.road.salted' => ['Where it drives', 'Salted roads', '×', 1.6, 0.0, 10.0],
        'wear.wash.touchless' => ['How it is washed', 'Touchless', '×', 0.8, 0.0, 50.0],
        'wear.wash.rinseless' => ['How it is washed', 'Rinseless', '×', 0.9, 0.0, 50.0],
        'wear.wash.contact' => ['How it is washed', 'Contact wash, neutral', '×', 1.0, 0.0, 50.0],
        'wear.wash.waterless' => ['How it is washed', 'Waterless', '×', 1.0, 0.0, 50.0],
        'wear.wash.alkaline-prewash' => ['How it is washed', 'With an alkaline pre-wash', '×', 1.8, 0.0, 50.0],
        'wear.wash.iron-remover' => ['How it is washed', 'With iron remover', '×', 2.5, 0.0, 50.0],
        'wear.wash.machine-brush' => ['How it is washed', 'Brushes of a machine', '×', 4.0, 0.0, 50.0],
        'wear.wash.clay' => ['How it is washed', 'Clayed', '×', 4.0, 0.0, 50.0],
        'wear.wash.stripping-cleaner' => ['How it is washed', 'With a stripping cleaner', '×', 12.0, 0.0, 50.0],
        'match.ceiling.touchless' => ['How dirty is too dirty', 'Touchless, up to soil', '', 3.0, 0.0, 5.0],
        'match.ceiling.multi-towel' => ['How dirty is too dirty', 'Many towels, up to soil', '', 5.0, 0.0, 5.0],
        'match.ceiling.two-mitts' => ['How dirty is too dirty', 'Two mitts, up to soil', '', 5.0, 0.0, 5.0],
        'match.ceiling.one-mitt' => ['How dirty is too dirty', 'One mitt, up to soil', '', 4.0, 0.0, 5.0],
        'match.ceiling.rinseless' => ['How dirty is too dirty', 'Rinseless, up to soil', '', 2.0, 0.0, 5.0],
        'match.ceiling.waterless' => ['How dirty is too dirty', 'Waterless, up to soil', '', 1.0, 0.0, 5.0],
        'match.prewash_from' => ['How dirty is too dirty', 'A pre-wash before any contact, from soil', '', 3.0, 0.0, 5.0],
        'match.medium.multi-towel' => ['Contact risk', 'Many towels', '×', 0.6, 0.0, 10.0],
        'match.medium.two-mitts' => ['Contact risk', 'Two mitts', '×', 0.8, 0.0, 10.0],
        'match.medium.one-mitt' => ['Contact risk', 'One mitt', '×', 1.0, 0.0, 10.0],
        'match.medium.rinseless' => ['Contact risk', 'Rinseless', '×', 1.1, 0.0, 10.0],
        'match.medium.waterless' => ['Contact risk', 'Waterless', '×', 1.4, 0.0, 10.0],
        'match.softness.soft' => ['Contact risk', 'Soft paint', '×', 1.5, 0.1, 10.0],
        'match.softness.medium' => ['Contact risk', 'Medium paint', '×', 1.0, 0.1, 10.0],
        'match.softness.hard' => ['Contact risk', 'Hard paint', '×', 0.7, 0.1, 10.0],
        'match.rinse_leaves' => ['What a stage leaves', 'Rinse', 'of the soil', 0.5, 0.0, 1.0],
        'match.rinse_leaves_repelling' => ['What a stage leaves', 'Rinse, on a layer that repels', 'of the soil', 0.2, 0.0, 1.0],
        'match.prewash_leaves' => ['What a stage leaves', 'Pre-wash spray', 'of the soil', 0.5, 0.0, 1.0],
        'match.foam_leaves' => ['What a stage leaves', 'Foam and rinse', 'of the soil', 0.4, 0.0, 1.0],
        'match.frost_c' => ['Weather', 'No wet work outdoors below', '°C', 2.0, -10.0, 15.0],
        'match.wipe_from_c' => ['Weather', 'Ways that rinse off are easier below', '°C', 8.0, -10.0, 25.0],
        'match.show_shine_weeks' => ['Toppers', 'Shorter-lived by its label it is a show shine', 'weeks', 3.0, 0.0, 26.0],
        'plan.off_target' => ['The weeks', 'A day of a gap away from its wish', 'points', 1.0, 0.0, 1000.0],
        'plan.beyond_max' => ['The weeks', 'A day of a gap beyond its longest', 'points', 10.0, 0.0, 1000.0],
        'plan.topper_late' => ['The weeks', 'A day a topper is late', 'points', 8.0, 0.0, 1000.0],
        'plan.topper_early' => ['The weeks', 'A day a topper is early', 'points', 2.0, 0.0, 1000.0],
        'plan.decon_late' => ['The weeks', 'A day decontamination is late', 'points', 4.0, 0.0, 1000.0],
        'plan.decon_early' => ['The weeks', 'A day decontamination is early', 'points', 1.0, 0.0, 1000.0],
        'plan.poor_weather' => ['The weeks', 'A visit on a poor day', 'points', 15.0, 0.0, 1000.0],
        'plan.travel' => ['The weeks', 'A minute of travel', 'points', 0.1, 0.0, 100.0],
        'plan.overtime' => ['The weeks', 'A minute of overtime', 'points', 0.5, 0.0, 100.0],
        'plan.overtime_most' => ['The weeks', 'Overtime a day, at most', 'min', 60.0, 0.0, 600.0],
        'load.margin' => ['Into the van', 'More than the doses', '%', 20.0, 0.0, 300.0],
    ];

    /** Whole numbers: a soil level and minutes have no halves. */
    private const WHOLE = ['match.ceiling.', 'match.prewash_from', 'plan.overtime_most'];

    /** @param array<string, float> $own  only what differs from the defaults */
    private function __construct(public array $own) {}

    /**
     * @param array<array-key, mixed> $own  by id
     *
     * @throws InvalidInput where a number is unknown, or lies outside its limits
     */
    public static function of(array $own): self
    {
        $kept = [];
        foreach ($own as $id => $value) {
            [, $says, , $default, $low, $high] = self::CATALOGUE[$id] ?? throw InvalidInput::at((string) $id, 'There is no such number.');
            if (! is_int($value) && ! is_float($value)) {
                throw InvalidInput::at((string) $id, 'A number is needed here.');
            }
            if (! is_finite((float) $value) || $value < $low || $value > $high) {
                throw InvalidInput::at((string) $id, sprintf('“%s” has to lie between %s and %s.', $says, $low, $high));
            }
            if (array_filter(self::WHOLE, static fn(string $start): bool => str_starts_with((string) $id, $start)) !== [] && floor((float) $value) !== (float) $value) {
                throw InvalidInput::at((string) $id, sprintf('“%s” is a whole number.', $says));
            }
            if (abs((float) $value - $default) > 1e-12) {
                $kept[(string) $id] = (float) $value;
            }
        }
        ksort($kept);

        return new self($kept);
    }

    public function get(string $id): float
    {
        return $this->own[$id] ?? self::CATALOGUE[$id][3];
    }

    public function wear(): WearFactors
    {
        return new WearFactors($this->group('wear.storage.'), $this->group('wear.road.'), $this->group('wear.wash.'), $this->get('wear.weather'), $this->get('wear.driving'), $this->get('wear.washing'), $this->get('wear.reference_km'), $this->get('wear.drying_aid'));
    }

    public function match(): MatchRules
    {
        return new MatchRules(
            soilCeiling: array_map(intval(...), $this->group('match.ceiling.')),
            mediumFactor: ['touchless' => 0.0, ...$this->group('match.medium.')],
            softness: $this->group('match.softness.'),
            preWashFromSoil: (int) $this->get('match.prewash_from'),
            rinseLeaves: $this->get('match.rinse_leaves'),
            rinseLeavesRepelling: $this->get('match.rinse_leaves_repelling'),
            preWashLeaves: $this->get('match.prewash_leaves'),
            foamLeaves: $this->get('match.foam_leaves'),
            frostC: $this->get('match.frost_c'),
            topperLastsWeeks: $this->get('match.show_shine_weeks'),
            wipeFromC: $this->get('match.wipe_from_c'),
        );
    }

    public function plan(): PlanRules
    {
        return new PlanRules(
            $this->get('plan.off_target'),
            $this->get('plan.beyond_max'),
            [$this->get('plan.topper_late'), $this->get('plan.topper_early')],
            [$this->get('plan.decon_late'), $this->get('plan.decon_early')],
            poorWeather: $this->get('plan.poor_weather'),
            travel: $this->get('plan.travel'),
            overtime: $this->get('plan.overtime'),
            overtimeMost: (int) $this->get('plan.overtime_most'),
        );
    }

    /** Whether layers age otherwise than by the other's numbers. */
    public function wearsLike(self $other): bool
    {
        $wear = static fn(self $of): array => array_filter($of->own, static fn(string $id): bool => str_starts_with($id, 'wear.'), ARRAY_FILTER_USE_KEY);

        return $wear($this) === $wear($other);
    }

    /** @return array<string, float> by what stands after the start */
    private function group(string $start): array
    {
        $group = [];
        foreach (array_keys(self::CATALOGUE) as $id) {
            if (str_starts_with($id, $start)) {
                $group[substr($id, strlen($start))] = $this->get($id);
            }
        }

        return $group;
    }
}
