<?php

declare(strict_types=1);

namespace Vicissa\Core\Kit;

use Vicissa\Core\InvalidInput;

/**
 * When a pool of towels has to be laundered, so that every day has its clean ones: as late as can be, all that is dirty
 * at once, since a drum half full washes nothing better. Between use and the cupboard lies a night.
 */
final readonly class Laundry
{
    private function __construct(
        /**
         * @var list<array{before: string, pieces: int}> washes: the day they have to be clean for, and how many go in
         */
        public array $washes,
        /** The most that are missing on any one day, whatever is washed. */
        public int $short,
        public int $cleanAtEnd,
        public int $dirtyAtEnd,
    ) {}

    /**
     * @param int $pieces  in the pool
     * @param int $dirty   of these, now
     * @param array<string, int> $needs  pieces by date
     *
     * @throws InvalidInput
     */
    public static function of(int $pieces, int $dirty, array $needs): self
    {
        InvalidInput::unlessBetween('pieces', $pieces, 0, 100000);
        InvalidInput::unlessBetween('dirty', $dirty, 0, $pieces);
        ksort($needs);
        $clean = $pieces - $dirty;
        $short = 0;
        $washes = [];
        foreach ($needs as $date => $need) {
            InvalidInput::unlessBetween("needs.{$date}", $need, 0, 100000);
            if ($need > $clean && $dirty > 0) {
                $washes[] = ['before' => (string) $date, 'pieces' => $dirty];
                [$clean, $dirty] = [$clean + $dirty, 0];
            }
            $short = max($short, $need - $clean);
            $used = min($need, $clean);
            $clean -= $used;
            $dirty += $used;
        }

        return new self($washes, $short, $clean, $dirty);
    }
}
