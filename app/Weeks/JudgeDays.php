<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Bench\AtHand;
use App\Bench\ExpectVisit;
use App\Bench\KeepLaid;
use App\Bench\LayVisit;
use App\Bench\OrdinaryDay;
use App\Bench\VisitWish;
use App\Book\Vehicle;
use Vicissa\Core\Planning\Day;
use Vicissa\Core\Planning\Kind;

/**
 * Which kinds the weather of a day takes from a vehicle: too cold for every topper on the shelf, too wet for a wax.
 * Found by laying the visit out as its sheet will be, so that nothing is planned for which the sheet has no step. What
 * was found is kept as long as nothing it rests on has changed.
 */
final readonly class JudgeDays
{
    public function __construct(
        private ExpectVisit $expectVisit,
        private LayVisit $layVisit,
        private KeepLaid $keepLaid,
    ) {}

    /**
     * @param list<array{Vehicle, non-empty-list<int>, non-empty-list<Kind>}> $asked vehicles, day numbers, and the
     *     kinds that may fall on these
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
                // What an ordinary day does not let be either is not the weather’s doing: the sheet says what is
                // wanting.
                $ordinary[count($visits)] = true;
                $visits[] = [$vehicle, Day::date($days[0])];
                $kinds[] = array_values($of);
            }
        }
        $wishes = $rests = [];
        foreach (($this->expectVisit)($visits, $atHand, laid: false) as $i => ['wish' => $wish]) {
            $facts = [
                ...$wish->facts,
                'kinds' => array_map(static fn(Kind $kind): string => $kind->value, [Kind::Wash, ...$kinds[$i]]),
                'scope' => $wish->vehicle->scope,
                ...isset($ordinary[$i]) ? ['weather' => OrdinaryDay::WEATHER] : [],
            ];
            $wishes[$i] = new VisitWish($wish->vehicle, $wish->on, 1, [], $facts);
            $rests[$i] = [$wish->vehicle, $facts];
        }
        $lost = $never = [];
        $laid = $this->keepLaid->each(
            'lacks',
            $rests,
            $atHand,
            fn(int $i): int => $this->lost($wishes[$i], $kinds[$i], $atHand),
        );
        foreach ($laid as $i => $bits) {
            $wish = $wishes[$i];
            if (isset($ordinary[$i])) {
                $never[$wish->vehicle->id] = ($never[$wish->vehicle->id] ?? 0) | $bits;
            } elseif ($bits !== 0) {
                $day = Day::number('on', $wish->on);
                $lost[$wish->vehicle->id][$day] = ($lost[$wish->vehicle->id][$day] ?? 0) | $bits;
            }
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
