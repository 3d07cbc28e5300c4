<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Method;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\MatchPart;
use Vicissa\Core\Matching\Turn\MatchRules;
use Vicissa\Core\Matching\Turn\School;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Tests\Visit\Days;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\PartChange;
use Vicissa\Core\Visit\WhatIf;

/** What has to hold of every match, over scenes drawn at random. */
final class MatchPropertiesTest extends TestCase
{
    use TestTrait;

    public function testADirtierCarNeverGetsARiskierMedium(): void
    {
        $rules = new MatchRules();
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed) use ($rules): void {
                [$facts, $schools] = self::scene($seed);
                $last = INF;
                for ($soil = 0; $soil <= 5; $soil++) {
                    $chosen = TurnMatch::of(
                        Scene::of(['soil' => $soil, ...array_diff_key($facts, ['soil' => 1])]),
                        $schools,
                    )->method->method();
                    // Where touchless ends contact begins: that is its ceiling, not a liberty. And refused is never
                    // risky.
                    if ($chosen === null || $chosen === Method::Touchless) {
                        continue;
                    }
                    self::assertLessThanOrEqual($last, $rules->medium($chosen), "soil {$soil}");
                    $last = $rules->medium($chosen);
                }
            });
    }

    public function testOverItsCeilingAMethodIsRefusedAndWhatIsRefusedIsNeverChosen(): void
    {
        $this->limitTo(120)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$facts, $schools] = self::scene($seed);
                $situation = Scene::of($facts);
                $match = TurnMatch::of($situation, $schools);
                foreach ($match->method->options as $option) {
                    self::assertTrue(
                        $situation->seen->soil <= $situation->rules->ceiling($option->method) || !$option->allowed(),
                    );
                }
                self::assertTrue($match->method->chosen === null || $match->method->chosen->allowed());
                foreach ($match->choices as $choice) {
                    self::assertTrue($choice->chosen === null || $choice->chosen->allowed(), $choice->need->key());
                    self::assertNotSame('', $choice->why);
                }
                self::assertSame(!$match->possible(), Laying::of($situation, $schools, self::outfit())->steps === []);
                self::assertSame($match->possible(), $match->method->instead === []);
            });
    }

    public function testTakingAProductOffTheShelfNeverBringsABlockedOneOn(): void
    {
        $this->limitTo(40)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$facts, $schools] = self::scene($seed);
                $before = TurnMatch::of(Scene::of($facts), $schools);
                foreach (self::names($before->choices) as $gone) {
                    $after = TurnMatch::of(
                        Scene::of([...$facts, 'without' => [...$facts['without'] ?? [], $gone]]),
                        $schools,
                    );
                    self::assertNotContains($gone, self::names($after->choices));
                    foreach ($after->choices as $choice) {
                        self::assertTrue($choice->chosen === null || $choice->chosen->allowed());
                    }
                }
            });
    }

    public function testAnotherSideChangesOnlyWhatItsSchoolGoverns(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$facts, $schools] = self::scene($seed);
                $scene = Scene::of($facts);
                $here = Laying::of($scene, $schools, self::outfit());
                foreach (WhatIf::otherwise($scene, $schools, self::outfit(), $here) as $other) {
                    $governed = $other->school?->governs() ?? [];
                    foreach ($other->changes as $change) {
                        self::assertContains(
                            $change->part,
                            $governed,
                            sprintf(
                                '%s → %s changed %s: %s | %s',
                                $other->school?->value,
                                $other->side,
                                $change->part->value,
                                implode('; ', Told::all($change->was)),
                                implode('; ', Told::all($change->becomes)),
                            ),
                        );
                    }
                }
            });
    }

    public function testTheSchoolsEverythingHangsOnChangeNothingWithoutCause(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$facts, $schools] = self::scene($seed);
                $situation = Scene::of($facts);
                $here = Laying::of($situation, $schools, self::outfit());
                foreach (array_keys(School::Method->sides()) as $side) {
                    $there = Laying::of($situation, $schools->with(School::Method, (string) $side), self::outfit());
                    if ($there->match->method->method() === $here->match->method->method()) {
                        self::assertSame([], PartChange::between($here, $there), "the same method under {$side}");
                    }
                }
                $plain = new Situation(
                    $situation->vehicle,
                    $situation->seen,
                    $situation->place,
                    $situation->now,
                    array_values(
                        array_filter(
                            $situation->shelf,
                            static fn(Bottle $bottle): bool => !$bottle->traits->leaves->shines(),
                        ),
                    ),
                    $situation->rules,
                );
                self::assertSame(
                    [],
                    PartChange::between(
                        Laying::of($plain, $schools->with(School::BareFace, 'refused'), self::outfit()),
                        Laying::of($plain, $schools->with(School::BareFace, 'tolerated'), self::outfit()),
                    ),
                    'nothing on the shelf leaves wax or oils',
                );
            });
    }

    public function testTheOrderOfTheShelfDecidesNothingAndEverythingOnItIsAccountedFor(): void
    {
        $this->limitTo(60)
            ->forAll(Generators::choose(0, 1_000_000))
            ->then(function (int $seed): void {
                [$facts, $schools] = self::scene($seed);
                $situation = Scene::of($facts);
                mt_srand($seed);
                $shuffled = $situation->shelf;
                usort($shuffled, static fn(): int => mt_rand(-1, 1));
                $again = new Situation(
                    $situation->vehicle,
                    $situation->seen,
                    $situation->place,
                    $situation->now,
                    $shuffled,
                    $situation->rules,
                );
                $match = TurnMatch::of($situation, $schools);
                self::assertSame(
                    [],
                    PartChange::between(
                        Laying::of($situation, $schools, self::outfit()),
                        Laying::of($again, $schools, self::outfit()),
                    ),
                );
                $accounted = array_unique([
                    ...self::names($match->choices),
                    ...array_map(static fn(Judged $judged): string => $judged->bottle->name, $match->passed),
                ]);
                self::assertEqualsCanonicalizing(
                    array_map(static fn(Bottle $bottle): string => $bottle->name, $situation->shelf),
                    $accounted,
                );
            });
    }

    public function testEverySideOfEverySchoolHasItsReasonAndAUsualOne(): void
    {
        foreach (School::cases() as $school) {
            self::assertArrayHasKey($school->usual(), $school->sides());
            self::assertGreaterThan(1, count($school->sides()));
            foreach ($school->sides() as $side) {
                self::assertStringEndsWith('.', Told::en($side['reason']));
            }
            self::assertNotSame([], $school->governs());
        }
        self::assertCount(count(MatchPart::cases()), Laying::of(Scene::of(), Schools::of(), self::outfit())->parts());
    }

    private static function outfit(): Outfit
    {
        return new Outfit(1, Body::Estate);
    }

    /**
     * @param list<Choice> $choices
     * @return list<string>
     */
    private static function names(array $choices): array
    {
        return array_values(
            array_unique(
                array_filter(array_map(static fn(Choice $choice): ?string => $choice->chosen?->bottle->name, $choices)),
            ),
        );
    }

    /**
     * @return array{array<string, mixed>, Schools} a scene from a seed: weather, place, vehicle, dirt, shelf and
     *     schools
     */
    private static function scene(int $seed): array
    {
        mt_srand($seed);
        $one = static fn(array $of) => $of[mt_rand(0, count($of) - 1)];
        $some = static fn(array $of, int $in): array => array_values(
            array_filter($of, static fn(): bool => mt_rand(1, $in) === 1),
        );
        $names = array_map(static fn(Bottle $bottle): string => $bottle->name, Scene::shelf());
        $schools = Schools::of();
        foreach (School::cases() as $school) {
            $schools = $schools->with($school, (string) $one(array_keys($school->sides())));
        }

        return [
            [
                'soil' => mt_rand(0, 5),
                'grit' => mt_rand(1, 4) === 1,
                'on' => $some(['insects', 'bird-lime', 'sap', 'tar', 'iron', 'salt', 'rough'], 6),
                'base' => $one(Days::BASES),
                'topper_on' => $one([null, ['silica-spray', 'Karst'], ['wax', 'Beeswing']]),
                'finish' => $some(['matte', 'soft', 'single-stage', 'decals'], 5),
                'tone' => $one(['white', 'silver', 'mid', 'dark', 'black']),
                'hardness' => $one(['soft', 'medium', 'hard']),
                'wheel_finish' => $one(['painted', 'gloss-black', 'bare-metal', 'chrome']),
                'wheels' => $one([null, 0, 2, 4]),
                'due' => $one([null, -8, 3, 20, 60]),
                'failed' => mt_rand(1, 6) === 1,
                'water' => $one(['none', 'tap', 'tap', 'treated']),
                'tap' => $one([null, 20.0, 300.0]),
                'pressure' => mt_rand(1, 3) > 1,
                'power' => mt_rand(1, 3) > 1,
                'bay' => mt_rand(1, 6) === 1,
                'weather' => [mt_rand(-6, 34), mt_rand(25, 95) / 100, mt_rand(0, 90) / 10, mt_rand(0, 8) * 100],
                'panel' => $one([null, 2.0, 15.0, 28.0]),
                'rain' => mt_rand(1, 5) === 1,
                'purpose' => $one(['maintain', 'maintain', 'maintain', 'reset']),
                'without' => $some($names, 8),
                'read' => $one([
                    [],
                    ['arrival' => 'flat'],
                    ['arrival' => 'tight'],
                    ['after_wash' => 'weak'],
                    ['after_wash' => 'tight'],
                    ['after_wash' => 'weak', 'after_decon' => 'good'],
                ]),
            ],
            $schools,
        ];
    }
}
