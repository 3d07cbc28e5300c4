<?php

declare(strict_types=1);

namespace Tests;

use DomainException;
use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The arrows of the architecture (docs/architecture.md), checked by static analysis. */
final class ArchitectureTest
{
    public function testCoreDependsOnNothingButPsrAndArithmetic(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('Vicissa\Core'),
                    Selector::NOT(Selector::inNamespace('Vicissa\Core\Tests')),
                ),
            )
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Vicissa\Core'),
                Selector::inNamespace('Psr'),
                Selector::inNamespace('Brick\Math'),
            )
            ->because(
                'the rules and the computation must stand without a framework, a database or a clock of their own',
            );
    }

    public function testCoreIsImmutable(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('Vicissa\Core'),
                    Selector::NOT(Selector::inNamespace('Vicissa\Core\Tests')),
                    Selector::NOT(Selector::isEnum()),
                    Selector::NOT(Selector::extends(DomainException::class)),
                    Selector::NOT(Selector::classname('Vicissa\Core\Protection\Life\Normal')),
                    // What a search of the weeks has in hand; it never leaves it.
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\Ledger')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\Bound')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\MinutePrices')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\OwnSteps')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\Assignment')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\Planner')),
                    Selector::NOT(Selector::classname('Vicissa\Core\Planning\CourseSearch')),
                    // Tables that are made once.
                    Selector::NOT(Selector::classname('Vicissa\Core\Protection\Life\Learnt\Catalogue')),
                    // And a trial of the year ahead.
                    Selector::NOT(Selector::classname('Vicissa\Core\Ahead\LivedYear')),
                ),
            )
            ->shouldBeReadonly()
            ->because('values of the core never change under whoever holds them');
    }

    /**
     * The rooms from the ground up: each may know those before it, none those after it. What is told upwards goes as an
     * event or through an interface of the lower room.
     */
    private const ROOMS = [
        'Problems',
        'Tables',
        'Says',
        'Print',
        'Reckon',
        'Standins',
        'Tenancy',
        'Watch',
        'Letters',
        'Shelf',
        'Book',
        'Record',
        'Film',
        'Door',
        'Bench',
        'Weeks',
        'Proof',
        'Turns',
        'Sheets',
        'Money',
        'Archive',
    ];

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function roomsKnowOnlyThoseBeneath(): iterable
    {
        foreach (self::ROOMS as $i => $room) {
            $above = array_slice(self::ROOMS, $i + 1);
            if ($above !== []) {
                yield $room => PHPat::rule()
                    ->classes(self::room($room))
                    ->shouldNotDependOn()
                    ->classes(
                        ...array_map(
                            static fn(string $one): SelectorInterface => Selector::inNamespace("App\\{$one}"),
                            $above,
                        ),
                    )
                    ->because("{$room} stands beneath " . implode(', ', $above));
            }
        }
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function doorsKnowOnlyTheDoorsBeneath(): iterable
    {
        foreach (self::ROOMS as $i => $room) {
            $above = array_slice(self::ROOMS, $i + 1);
            if ($above !== []) {
                yield $room => PHPat::rule()
                    ->classes(Selector::inNamespace("App\\{$room}\\Http"))
                    ->shouldNotDependOn()
                    ->classes(
                        ...array_map(
                            static fn(string $one): SelectorInterface => Selector::inNamespace("App\\{$one}\\Http"),
                            $above,
                        ),
                    )
                    ->because('a controller may ask any room, but takes shapes only of those beneath it');
            }
        }
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function insideARoomNothingIsKnownOfHttp(): iterable
    {
        foreach (self::ROOMS as $room) {
            yield $room => PHPat::rule()
                ->classes(self::room($room))
                ->shouldNotDependOn()
                ->classes(
                    Selector::inNamespace('App\Http'),
                    Selector::inNamespace("App\\{$room}\\Http"),
                    Selector::inNamespace('Illuminate\Http'),
                    Selector::inNamespace('OpenApi'),
                )
                ->because('the same verbs serve HTTP, the command line and the demo');
        }
    }

    public function testNothingStandsOutsideTheRooms(): Rule
    {
        $known = [...self::ROOMS, 'Http', 'Console', 'Policies', 'Providers'];

        return PHPat::rule()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('App'),
                    ...array_map(
                        static fn(string $one): SelectorInterface => Selector::NOT(
                            Selector::inNamespace("App\\{$one}"),
                        ),
                        $known,
                    ),
                ),
            )
            ->shouldNotExist()
            ->because('whoever adds a line says whose it is');
    }

    public function testCommonHttpKnowsNoRoom(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http'))
            ->shouldNotDependOn()
            ->classes(
                ...array_map(
                    static fn(string $one): SelectorInterface => Selector::inNamespace("App\\{$one}"),
                    array_slice(self::ROOMS, (int) array_search('Shelf', self::ROOMS, true)),
                ),
            )
            ->because('it is the ground on which the rooms have their doors');
    }

    public function testReckoningIsOnlyAnAdapter(): Rule
    {
        return PHPat::rule()
            ->classes(self::room('Reckon'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('App\Reckon'),
                Selector::inNamespace('App\Says'),
                Selector::inNamespace('Vicissa\Core'),
            )
            ->because('the JSON form of a model adds nothing to it');
    }

    /** A room without its door. */
    private static function room(string $room): SelectorInterface
    {
        return Selector::AllOf(
            Selector::inNamespace("App\\{$room}"),
            Selector::NOT(Selector::inNamespace("App\\{$room}\\Http")),
        );
    }
}
