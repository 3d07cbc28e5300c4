<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Problems\Problem;
use App\Tenancy\Patience;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\Cache;

/**
 * Keeps what laid-out visits came to until something they rest on changes: the vehicle and what lies on it, shelf,
 * gear, schools, numbers, and what the asker names besides. What has changed has another key, so nothing has to be
 * thrown away.
 */
final readonly class KeepLaid
{
    /** Longer than any weather is known ahead. */
    private const KEPT_S = 12 * 86400;

    private const AT_ONCE = 20;

    private const LOOKED_UP = 200;

    /** What of a vehicle bears on no visit. */
    private const BESIDE = ['version' => 1, 'updated_at' => 1, 'note' => 1];

    public function __construct(private Tenancy $tenancy, private Patience $patience) {}

    /**
     * @template TKey of array-key
     * @template TLaid of array<string, mixed>|int
     * @param string $what  whose answers these are
     * @param array<TKey, array{Vehicle, mixed}> $asked  the vehicle, and what else its answer rests on
     * @param callable(TKey): TLaid $lay
     * @return array<TKey, TLaid>
     * @throws Problem  where there is so much to lay that whoever asks should come again; what was laid is kept
     */
    public function each(string $what, array $asked, AtHand $atHand, callable $lay): array
    {
        if ($asked === []) {
            return [];
        }
        $common = $this->common($atHand);
        $keys = array_map(
            static fn(array $one): string => "{$what} " . self::hash([$common, self::restsOn($one[0]), $one[1]]),
            $asked,
        );
        $kept = [];
        // The store looks each key up among all it was asked for.
        foreach (array_chunk(array_values(array_unique($keys)), self::LOOKED_UP) as $some) {
            $kept += Cache::many($some);
        }
        $wanting = count(array_filter($kept, is_null(...)));
        $new = $laid = [];
        foreach ($keys as $i => $key) {
            if (!isset($kept[$key])) {
                $kept[$key] = $new[$key] = $lay($i);
                $wanting--;
            }
            // Whoever asks again comes further each time; whoever is cut off in the midst of many leaves what was laid
            // to whoever asks next.
            $over = $new !== [] && $wanting > 0 && $this->patience->isOver();
            if ($over || count($new) >= self::AT_ONCE) {
                Cache::putMany($new, self::KEPT_S);
                $new = [];
            }
            if ($over) {
                throw Problem::beingLaid(count($kept) - $wanting, count($kept));
            }
            /** @var TLaid $answer */
            $answer = $kept[$key];
            $laid[$i] = $answer;
        }
        if ($new !== []) {
            Cache::putMany($new, self::KEPT_S);
        }

        return $laid;
    }

    private function common(AtHand $atHand): string
    {
        $workspace = $this->tenancy->workspace();

        return self::hash([
            $workspace->id,
            $atHand->shelf,
            $atHand->gear->map(static fn($gear): array => [$gear->kind, $gear->facts])->all(),
            $workspace->schools,
            $workspace->numbers,
        ]);
    }

    /** @return list<mixed> what of a vehicle bears on its visits */
    public static function restsOn(Vehicle $vehicle): array
    {
        return [
            array_diff_key($vehicle->getAttributes(), self::BESIDE),
            $vehicle->standing
                ->map(
                    static fn(Layer $layer): array => [
                        $layer->zone,
                        $layer->kind,
                        $layer->family,
                        $layer->line,
                        $layer->designed,
                        $layer->failed_at,
                        $layer->suspect_at,
                    ],
                )
                ->all(),
        ];
    }

    /** @param list<mixed> $facts */
    private static function hash(array $facts): string
    {
        return hash('xxh128', serialize($facts));
    }
}
