<?php

declare(strict_types=1);

namespace Tests;

use DomainException;
use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The arrows of the architecture (docs/architecture.md), checked by static analysis. */
final class ArchitectureTest
{
    public function testCoreDependsOnNothingButPsrAndArithmetic(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::AllOf(Selector::inNamespace('Vicissa\Core'), Selector::NOT(Selector::inNamespace('Vicissa\Core\Tests'))))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Vicissa\Core'), Selector::inNamespace('Psr'), Selector::inNamespace('Brick\Math'))
            ->because('the rules and the computation must stand without a framework, a database or a clock of their own');
    }

    public function testCoreIsImmutable(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::AllOf(
                Selector::inNamespace('Vicissa\Core'),
                Selector::NOT(Selector::inNamespace('Vicissa\Core\Tests')),
                Selector::NOT(Selector::isEnum()),
                Selector::NOT(Selector::extends(DomainException::class)),
                Selector::NOT(Selector::classname('Vicissa\Core\Protection\Life\Normal')),
                // What a search of the weeks has in hand; it never leaves it.
                Selector::NOT(Selector::classname('Vicissa\Core\Planning\Ledger')),
                Selector::NOT(Selector::classname('Vicissa\Core\Planning\Bound')),
                Selector::NOT(Selector::classname('Vicissa\Core\Planning\Assignment')),
                Selector::NOT(Selector::classname('Vicissa\Core\Planning\Planner')),
            ))
            ->shouldBeReadonly()
            ->because('values of the core never change under whoever holds them');
    }

    public function testActionsKnowNothingOfHttp(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Record'), Selector::inNamespace('App\Reckon'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('Illuminate\Http'))
            ->because('the same verbs serve HTTP, the command line and the demo');
    }

    public function testModelsDoNotReachUp(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Models'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Actions'), Selector::inNamespace('App\Http'), Selector::inNamespace('App\Record'))
            ->because('arrows point from HTTP through actions to the models and the core');
    }

    public function testReckoningIsOnlyAnAdapter(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Reckon'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('App\Reckon'), Selector::inNamespace('Vicissa\Core'))
            ->because('the JSON form of a model adds nothing to it');
    }
}
