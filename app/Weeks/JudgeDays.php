<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\AtHand;
use App\Bench\ExpectVisit;
use App\Bench\LayVisit;
use App\Bench\OrdinaryDay;
use App\Bench\VisitWish;
use App\Book\Layer;
use App\Book\Vehicle;
use App\Tenancy\Tenancy;
use Illuminate\Support\Facades\Cache;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Kind;

/**
 * Which kinds the weather of a day takes from a vehicle: too cold for every topper on the shelf, too wet for a wax. Found by laying the visit out as its sheet
 * will be, so that nothing is planned for which the sheet has no step. What was found is kept as long as nothing it rests on has changed.
 */
final readonly class JudgeDays
{
    private const KEPT_S = 12 * 86400;

    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
        private Tenancy $tenancy,
    ) {}

    /**
     * @param list<array{Vehicle, non-empty-list<int>, non-empty-list<Kind>}> $asked  vehicles, day numbers, and the kinds that may fall on these
     * @return array<string, array<int, int>> kind bits by vehicle and day
     */
    public function __invoke(array $asked, AtHand $atHand): array
    {
        $visits = $kinds = $ordinary = [];
        foreach ($asked as [$vehicle, $days, $all]) {
            // A new base takes the topper's step; what they need is asked for apart.
            foreach (
                array_filter([
                    array_filter($all, static fn(Kind $kind): bool => $kind !== Kind::Base),
                    in_array(Kind::Base, $all, true) ? [Kind::Base] : [],
                ])
                as $of
            ) {
                foreach ($days as $day) {
                    $visits[] = [$vehicle, Day::date($day)];
                    $kinds[] = array_values($of);
                }
                // What an ordinary day does not let be either is not the weather’s doing: the sheet says what is wanting.
                $ordinary[count($visits)] = true;
                $visits[] = [$vehicle, Day::date($days[0])];
                $kinds[] = array_values($of);
            }
        }
        $workspace = $this->tenancy->workspace();
        $common = hash(
            'xxh128',
            serialize([
                $workspace->id,
                $atHand->shelf,
                $atHand->gear->map(static fn($gear): array => [$gear->kind, $gear->facts])->all(),
                $workspace->schools,
                $workspace->numbers,
            ]),
        );
        $wishes = $keys = [];
        foreach (($this->expectVisit)($visits, $atHand, laid: false) as $i => ['wish' => $wish]) {
            $facts = [
                ...$wish->facts,
                'kinds' => array_map(static fn(Kind $kind): string => $kind->value, [Kind::Wash, ...$kinds[$i]]),
                'scope' => $wish->vehicle->scope,
                ...isset($ordinary[$i]) ? ['weather' => OrdinaryDay::WEATHER] : [],
            ];
            $wishes[$i] = new VisitWish($wish->vehicle, $wish->on, 1, [], $facts);
            $keys[$i] =
                'lacks ' .
                hash(
                    'xxh128',
                    serialize([
                        $common,
                        $facts,
                        array_diff_key($wish->vehicle->getAttributes(), [
                            'version' => 1,
                            'updated_at' => 1,
                            'note' => 1,
                        ]),
                        $wish->vehicle->standing
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
                    ]),
                );
        }
        $kept = $keys === [] ? [] : Cache::many(array_values(array_unique($keys)));
        $new = $lost = $never = [];
        foreach ($wishes as $i => $wish) {
            $bits = $kept[$keys[$i]] ?? null;
            if (!is_int($bits)) {
                $bits = $new[$keys[$i]] ??= $this->lost($wish, $kinds[$i], $atHand);
            }
            if (isset($ordinary[$i])) {
                $never[$wish->vehicle->id] = ($never[$wish->vehicle->id] ?? 0) | $bits;
            } elseif ($bits !== 0) {
                $day = Day::number('on', $wish->on);
                $lost[$wish->vehicle->id][$day] = ($lost[$wish->vehicle->id][$day] ?? 0) | $bits;
            }
        }
        if ($new !== []) {
            Cache::putMany($new, self::KEPT_S);
        }

        foreach ($lost as $id => $days) {
            $lost[$id] = array_filter(array_map(static fn(int $bits): int => $bits & ~$never[$id], $days));
        }

        return $lost;
    }

    /** @param list<Kind> $kinds */
    private function lost(VisitWish $wish, array $kinds, AtHand $atHand): int
    {
        $lacks = $this->layVisit->laying($wish, $atHand)->lacks($kinds);

        return array_reduce($lacks, static fn(int $bits, Kind $kind): int => $bits | $kind->bit(), 0);
    }
}
