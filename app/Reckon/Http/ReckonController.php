<?php

declare(strict_types=1);

namespace App\Reckon\Http;

use App\Problems\Problem;
use App\Reckon\Reckoning;
use App\Reckon\Weights;
use App\Tenancy\Processor;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Vicissa\Core\Says\Said;

/** The models of the core, one JSON object or an array of them. */
final class ReckonController
{
    private const MOST = 2000;

    /** Each model has an address of its own in the API document (Console\Commands\WriteOpenApi). */
    public function __invoke(Request $request, string $model, Reckoning $reckoning): JsonResponse
    {
        abort_unless($reckoning->knows($model), 404);
        $body = json_decode($request->getContent(), true, 64);
        if (!is_array($body)) {
            throw Problem::field('', Said::of('input.json'));
        }
        if ($body !== [] && array_is_list($body)) {
            if (count($body) > self::MOST) {
                throw Problem::field('', Said::of('input.most', most: self::MOST));
            }

            self::weigh($model, $body);

            $begun = Processor::usedMs();
            $most = config()->integer('vicissa.limits.reckon_ms');

            return $this->answer(
                $reckoning->all($model, $body, static function () use ($begun, $most): void {
                    // Whatever it was weighed at.
                    if (Processor::usedMs() - $begun > $most) {
                        throw Problem::dear(Said::of('problem.stopped'));
                    }
                })['results'],
            );
        }
        self::weigh($model, [$body]);

        return $this->answer($reckoning->one($model, $body));
    }

    /** @param array<array-key, mixed> $items */
    private static function weigh(string $model, array $items): void
    {
        $weight = array_sum(
            array_map(static fn(mixed $item): float => is_array($item) ? Weights::of($model, $item) : 0.0, $items),
        );
        if ($weight > Weights::MOST) {
            throw Problem::dear(
                Said::of(
                    'problem.weighs',
                    weight: (int) round(min($weight, 1e9)),
                    most: Weights::MOST,
                    steps: Weights::STEPS,
                    model: $model,
                ),
            );
        }
    }

    /** @param array<array-key, mixed> $result */
    private function answer(array $result): JsonResponse
    {
        // 250.0 stays 250.0, as on the command line.
        return new JsonResponse($result, options: JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
    }
}
