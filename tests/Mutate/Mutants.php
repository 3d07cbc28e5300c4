<?php

declare(strict_types=1);

namespace Tests\Mutate;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\NodeFinder;
use PhpParser\Parser;
use PhpParser\ParserFactory;

/**
 * Small lies a source file could tell: one operator, one figure, one truth turned round. Each a place in the text and
 * what would stand there.
 */
final class Mutants
{
    /** What each operator is mistaken for. */
    private const OPERATORS = [
        '<' => '<=',
        '<=' => '<',
        '>' => '>=',
        '>=' => '>',
        '===' => '!==',
        '!==' => '===',
        '+' => '-',
        '-' => '+',
        '*' => '/',
        '/' => '*',
        '&&' => '||',
        '||' => '&&',
    ];

    private readonly Parser $parser;

    private readonly NodeFinder $finder;

    public function __construct()
    {
        $this->parser = (new ParserFactory())->createForHostVersion();
        $this->finder = new NodeFinder();
    }

    /** @return list<array{line: int, at: int, length: int, to: string}> in the order of the text */
    public function of(string $code): array
    {
        $tree = $this->parser->parse($code) ?? [];
        $mutants = [];
        $idle = $this->idle($tree);
        // What an attribute or a constant's comment says is data of another kind; defaults and constants are ours to
        // check.
        foreach ($this->finder->find($tree, static fn(Node $node): bool => true) as $node) {
            if (isset($idle[$node->getStartFilePos()])) {
                continue;
            }
            foreach ($this->ofNode($node, $code) as [$at, $length, $to]) {
                $mutants["{$at} {$to}"] = [
                    'line' => substr_count($code, "\n", 0, $at) + 1,
                    'at' => $at,
                    'length' => $length,
                    'to' => $to,
                ];
            }
        }
        usort($mutants, static fn(array $a, array $b): int => [$a['at'], $a['to']] <=> [$b['at'], $b['to']]);

        return $mutants;
    }

    /**
     * Where a lie would be none: whether a list of cases is searched strictly, and how small "as good as nothing" is.
     *
     * @param array<Node> $tree
     * @return array<int, true> by place in the text
     */
    private function idle(array $tree): array
    {
        $idle = [];
        foreach ($this->finder->findInstanceOf($tree, Node\Expr\FuncCall::class) as $call) {
            if (
                $call->name instanceof Node\Name &&
                in_array($call->name->toString(), ['in_array', 'array_search', 'array_keys'], true) &&
                isset($call->getArgs()[2])
            ) {
                $idle[$call->getArgs()[2]->value->getStartFilePos()] = true;
            }
        }
        foreach ($this->finder->findInstanceOf($tree, Node\Scalar\Float_::class) as $float) {
            if ($float->value > 0.0 && $float->value < 1e-6) {
                $idle[$float->getStartFilePos()] = true;
            }
        }

        return $idle;
    }

    /** @param array{at: int, length: int, to: string, ...} $mutant */
    public static function apply(string $code, array $mutant): string
    {
        return substr_replace($code, $mutant['to'], $mutant['at'], $mutant['length']);
    }

    /** @return list<array{int, int, string}> */
    private function ofNode(Node $node, string $code): array
    {
        $from = $node->getStartFilePos();
        $length = $node->getEndFilePos() - $from + 1;
        $is = substr($code, $from, $length);

        return match (true) {
            $node instanceof BinaryOp => $this->ofOperator($node, $code),
            $node instanceof Node\Expr\BooleanNot => [[$from, 1, '']],
            $node instanceof Node\Scalar\Int_ => [[$from, $length, (string) ($node->value + 1)]],
            $node instanceof Node\Scalar\Float_ => [
                [$from, $length, $node->value === 0.0 ? '1.0' : var_export($node->value * 1.3, true)],
            ],
            $node instanceof Node\Expr\ConstFetch && strtolower($is) === 'true' => [[$from, $length, 'false']],
            $node instanceof Node\Expr\ConstFetch && strtolower($is) === 'false' => [[$from, $length, 'true']],
            $node instanceof Node\Expr\Ternary && $node->if !== null => [
                [
                    $node->cond->getStartFilePos(),
                    $node->cond->getEndFilePos() - $node->cond->getStartFilePos() + 1,
                    '! (' .
                    substr(
                        $code,
                        $node->cond->getStartFilePos(),
                        $node->cond->getEndFilePos() - $node->cond->getStartFilePos() + 1,
                    ) .
                    ')',
                ],
            ],
            $node instanceof Node\Expr\FuncCall &&
                in_array(
                    $is = $node->name instanceof Node\Name ? $node->name->toString() : '',
                    ['min', 'max', 'floor', 'ceil'],
                    true,
                )
                => [[$from, strlen($is), ['min' => 'max', 'max' => 'min', 'floor' => 'ceil', 'ceil' => 'floor'][$is]]],
            default => [],
        };
    }

    /** @return list<array{int, int, string}> */
    private function ofOperator(BinaryOp $node, string $code): array
    {
        $sigil = $node->getOperatorSigil();
        $to = self::OPERATORS[$sigil] ?? null;
        $after = $node->left->getEndFilePos() + 1;
        $at = $to === null ? false : strpos(substr($code, 0, $node->right->getStartFilePos()), $sigil, $after);

        return $to === null || $at === false ? [] : [[$at, strlen($sigil), $to]];
    }
}
