<?php

declare(strict_types=1);

namespace Tests\Feature;

use PhpParser\Node;
use PhpParser\Node\FunctionLike;
use PhpParser\Node\Stmt;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** Functions one can hold: few things go in, and nothing is folded into itself too often. */
final class FunctionsTest extends TestCase
{
    private const PARAMETERS = 8;

    private const DEEP = 4;

    public function testNoneTakesTooMuchOrGoesTooDeep(): void
    {
        $found = [];
        $parser = (new ParserFactory())->createForHostVersion();
        $finder = new NodeFinder();
        foreach (['app', 'core/src', 'database'] as $folder) {
            $within = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . "/{$folder}"));
            foreach ($within as $file) {
                if (!str_ends_with((string) $file, '.php')) {
                    continue;
                }
                $tree = $parser->parse((string) file_get_contents((string) $file)) ?? [];
                /** @var list<FunctionLike> $functions */
                $functions = $finder->findInstanceOf($tree, FunctionLike::class);
                foreach ($functions as $function) {
                    $name = $function instanceof Stmt\ClassMethod ? $function->name->name : 'a closure';
                    $where = basename((string) $file) . ":{$function->getStartLine()} {$name}";
                    // A value is made of its properties, each named where it is given.
                    $properties = array_filter(
                        $function->getParams(),
                        static fn(Node\Param $one): bool => $one->isPromoted(),
                    );
                    if (count($function->getParams()) - count($properties) > self::PARAMETERS) {
                        $found[] = "{$where} takes " . count($function->getParams());
                    }
                    $deep = $this->deep($function->getStmts() ?? []);
                    if ($deep > self::DEEP) {
                        $found[] = "{$where} is {$deep} deep";
                    }
                }
            }
        }
        self::assertSame([], $found);
    }

    /** @param array<Node> $statements */
    private function deep(array $statements): int
    {
        $deepest = 0;
        foreach ($statements as $statement) {
            $bodies = match (true) {
                $statement instanceof Stmt\If_ => [
                    $statement->stmts,
                    $statement->else->stmts ?? [],
                    ...array_map(static fn(Stmt\ElseIf_ $one): array => $one->stmts, $statement->elseifs),
                ],
                $statement instanceof Stmt\Foreach_,
                $statement instanceof Stmt\For_,
                $statement instanceof Stmt\While_,
                $statement instanceof Stmt\Do_
                    => [$statement->stmts],
                $statement instanceof Stmt\TryCatch => [
                    $statement->stmts,
                    ...array_map(static fn(Stmt\Catch_ $one): array => $one->stmts, $statement->catches),
                ],
                default => null,
            };
            $inner = $bodies === null ? 0 : 1 + max([0, ...array_map($this->deep(...), $bodies)]);
            $deepest = max($deepest, $inner);
        }

        return $deepest;
    }
}
