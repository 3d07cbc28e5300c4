<?php

declare(strict_types=1);

namespace App\Proof;

use App\Book\Layer;
use App\Record\TurnLog;
use LogicException;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Proof\SurvivalCurve;
use Vicissa\Core\Protection\WashTrait;
use Vicissa\Core\Record\LayerSpan;
use Vicissa\Core\Record\LoggedTurn;

/**
 * Layers told apart by how they were washed while they were on. Their lives are counted in the wear of weather and road
 * alone, so that habits are evened out and what the washing did stays in; 1 is the middle life of the same product
 * here.
 */
final class WashedLives
{
    /** A habit is what was done in at least this share of the washes. */
    private const MOSTLY = 0.5;

    /** A strong pre-wash every third time is enough to count as strong. */
    private const OFTEN = 1 / 3;

    /**
     * @param iterable<array{list<Layer>, TurnLog}> $some  layers with their vehicles, and what was done there: a few
     *     vehicles at a time, since many years of many vehicles are too much at once
     * @return array<string, array<string, list<FailureInterval>>> lives by question and answer
     */
    public static function of(iterable $some): array
    {
        $lives = $washed = [];
        foreach ($some as [$layers, $log]) {
            foreach ($layers as $layer) {
                $span = $layer->span();
                $turns = $log->during($span)->turns;
                if ($layer->product_id !== null && $turns !== []) {
                    $lives[$layer->product_id][$layer->id] = self::life($layer, $span, $turns, $log);
                    $washed[$layer->id] = self::answers($turns, $span);
                }
            }
        }
        $by = [];
        foreach ($lives as $ofProduct) {
            $middle = SurvivalCurve::of(array_values($ofProduct), band: false)->median();
            if ($middle === null || $middle <= 0.0 || count($ofProduct) < SurvivalCurve::TOO_FEW) {
                continue;
            }
            foreach ($ofProduct as $id => $life) {
                foreach ($washed[$id] as $question => $answer) {
                    $by[$question][$answer][] = FailureInterval::of(
                        $life->held / $middle,
                        $life->failed === null ? null : $life->failed / $middle,
                    );
                }
            }
        }

        return $by;
    }

    /** @param non-empty-list<LoggedTurn> $turns */
    private static function life(Layer $layer, LayerSpan $span, array $turns, TurnLog $log): FailureInterval
    {
        $path = $log->path(
            ($layer->vehicle ?? throw new LogicException('A layer without its vehicle.'))->habits(),
            $span,
        );
        $end = $span->day($turns[count($turns) - 1]->at);
        $idle = static fn(?float $wear): ?float => $wear === null
            ? null
            : $path->idle(0.0, $path->reaches($wear, $end, 0.0, 0.02) ?? $end);
        $held = $idle($layer->held) ?? 0.0;
        $failed = $idle($layer->failed);

        return FailureInterval::of($held, $failed === null ? null : max($failed, $held + 1e-6));
    }

    /**
     * @param non-empty-list<LoggedTurn> $turns
     * @return array<string, string>
     */
    private static function answers(array $turns, LayerSpan $span): array
    {
        $methods = array_count_values(array_map(static fn(LoggedTurn $turn): string => $turn->method->value, $turns));
        arsort($methods);
        $share = static fn(callable $is): float => count(array_filter($turns, $is)) / count($turns);

        return [
            'method' => (string) array_key_first($methods),
            'drying-aid' =>
                $share(static fn(LoggedTurn $turn): bool => $turn->dryingAidFor($span->zone, $span->family)) >=
                self::MOSTLY
                    ? 'mostly'
                    : 'seldom',
            'prewash' =>
                $share(
                    static fn(LoggedTurn $turn): bool => in_array(
                        WashTrait::AlkalinePrewash,
                        $turn->traits($span->zone),
                        true,
                    ),
                ) >= self::OFTEN
                    ? 'strong'
                    : 'gentle',
        ];
    }
}
