<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection\Life\Learnt;

/** The ways in which layers may differ, with how likely each is before anything is known. Their tables are made once. */
final class Catalogue
{
    /** So many of them, the first, scatter plainly. */
    public const PLAINLY = 6;

    /** How likely lives scatter plainly, as under a hazard that grows, or in two kinds. */
    private const KINDS = [0.6, 0.15, 0.25];

    /** Standard deviation of ln life, with prior weight. */
    private const PLAIN = [[0.12, 0.05], [0.18, 0.2], [0.25, 0.45], [0.35, 0.14], [0.5, 0.1], [0.7, 0.06]];

    /** Weibull's shape, with prior weight. */
    private const AGEING = [[1.5, 0.15], [2.1, 0.25], [3.0, 0.35], [4.5, 0.25]];

    /** Standard deviation of each kind, share that ends early, by how much (ln); all as likely. */
    private const TWO = [
        [0.16, 0.2, 0.7],
        [0.16, 0.2, 1.0],
        [0.16, 0.5, 0.7],
        [0.16, 0.5, 1.0],
        [0.28, 0.2, 0.7],
        [0.28, 0.2, 1.0],
        [0.28, 0.5, 0.7],
        [0.28, 0.5, 1.0],
    ];

    /** @var list<Scatter>|null */
    private static ?array $all = null;

    /** @return list<Scatter> */
    public static function all(): array
    {
        return self::$all ??= [
            ...array_map(
                static fn(array $one): Scatter => Scatter::normal($one[0], self::KINDS[0] * $one[1]),
                self::PLAIN,
            ),
            ...array_map(
                static fn(array $one): Scatter => Scatter::ageing($one[0], self::KINDS[1] * $one[1]),
                self::AGEING,
            ),
            ...array_map(
                static fn(array $one): Scatter => Scatter::twoKinds(
                    $one[0],
                    $one[1],
                    $one[2],
                    self::KINDS[2] / count(self::TWO),
                ),
                self::TWO,
            ),
        ];
    }
}
