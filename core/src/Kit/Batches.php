<?php

declare(strict_types=1);

namespace Vicissa\Core\Kit;

/**
 * What is left of which batch: what came in first goes out first. A count that finds less takes from the oldest, one
 * that finds more is a batch nobody knows.
 */
final readonly class Batches
{
    /** @param list<array{batch: string|null, expires: string|null, ml: float}> $left  oldest first */
    private function __construct(public array $left) {}

    /**
     * @param list<array{ml: float, batch: string|null, expires: string|null}> $moves in the order they happened; above
     *     nought came in, below went out
     */
    public static function of(array $moves): self
    {
        $left = [];
        foreach ($moves as $move) {
            if ($move['ml'] > 0.0) {
                $left[] = ['batch' => $move['batch'], 'expires' => $move['expires'], 'ml' => $move['ml']];

                continue;
            }
            $out = -$move['ml'];
            while ($out > 1e-9 && $left !== []) {
                $taken = min($out, $left[0]['ml']);
                $out -= $taken;
                $left[0]['ml'] -= $taken;
                if ($left[0]['ml'] <= 1e-9) {
                    array_shift($left);
                }
            }
        }

        return new self($left);
    }

    /** The batch that is in use now; null when there is none, or it has no name. */
    public function inUse(): ?string
    {
        return $this->left[0]['batch'] ?? null;
    }

    /**
     * What has run out or will by a day.
     *
     * @param string $by  date
     * @return list<array{batch: string|null, expires: string|null, ml: float}>
     */
    public function expiring(string $by): array
    {
        return array_values(
            array_filter(
                $this->left,
                static fn(array $one): bool => $one['expires'] !== null && $one['expires'] <= $by,
            ),
        );
    }
}
