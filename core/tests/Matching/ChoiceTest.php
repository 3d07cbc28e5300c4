<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Choice;
use Vicissa\Core\Matching\Turn\NoneFits;
use Vicissa\Core\Matching\Turn\Ranking;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;

/** What a choice says of itself. */
final class ChoiceTest extends TestCase
{
    public function testHowLongItSits(): void
    {
        self::assertSame('let it sit 3 min, at most 8 min', Told::en($this->choice(Role::Foam)->dwell()));
        self::assertMatchesRegularExpression(
            '/^within \d+ min$/',
            Told::en($this->choice(Role::Soap)->dwell()),
            'what needs no time to work is off before it dries',
        );
    }

    public function testWhyNothingFitsAndWhatWouldHelp(): void
    {
        $none = static fn(Role $role, array $facts): NoneFits => Ranking::of(
            Scene::of($facts),
            Schools::of(),
            $role,
            $role === Role::Wheel ? Zone::Wheels : Zone::Glass,
        )->none();
        self::assertSame(NoneFits::NotOnTheShelf, $none(Role::Glass, ['without' => ['Pane']]));
        self::assertSame(NoneFits::TooHot, $none(Role::Glass, ['panel' => 62.0, 'weather' => [33, 0.3, 0.0, 900.0]]));
        self::assertSame(NoneFits::TooCold, $none(Role::Glass, ['panel' => 2.5, 'weather' => [3, 0.8, 1.0, 0.0]]));
        self::assertSame(NoneFits::OnlyAnAcid, $none(Role::Wheel, ['wheels' => 4, 'without' => ['Mild Wheel']]));
        foreach (NoneFits::cases() as $why) {
            self::assertStringContainsString('glass cleaner', Told::en($why->says(Role::Glass)));
            self::assertStringEndsWith('.', Told::en($why->remedy(Role::Glass, Zone::Glass)));
        }
        self::assertSame('A warmer hour, or a bay.', Told::en(NoneFits::TooCold->remedy(Role::Glass, Zone::Glass)));
        self::assertSame('Bring a tank.', Told::en(NoneFits::NeedsWater->remedy(Role::Soap, Zone::Paint)));
        self::assertEquals(
            NoneFits::TooHot->remedy(Role::Soap, Zone::Paint),
            NoneFits::DriesFirst->remedy(Role::Soap, Zone::Paint),
        );
    }

    private function choice(Role $role): Choice
    {
        $choices = array_values(
            array_filter(
                TurnMatch::of(Scene::of([]), Schools::of())->choices,
                static fn(Choice $choice): bool => $choice->need->role === $role,
            ),
        );
        self::assertNotSame([], $choices, $role->value);

        return $choices[0];
    }
}
