<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Crew;
use Vicissa\Core\Planning\PlanCrew;

/** Who works when: each crew's week, with the days that are otherwise. */
final readonly class ReadCrews
{
    /**
     * @param iterable<Closure> $closed  days on which nobody works
     * @return list<PlanCrew>
     */
    public function __invoke(Calendar $calendar, iterable $closed): array
    {
        [$start, $end] = [$calendar->start, $calendar->end()];
        $everywhere = $calendar->closed($closed);
        $crews = Crew::query()->with('days')->whereNull('archived_at')->orderBy('name')->orderBy('id')->get();
        $of = [];
        foreach ($crews as $crew) {
            $week = $crew->minutes;
            $minutes = [];
            for ($day = $start; $day < $end; $day++) {
                $minutes[$day] = (int) ($week[(int) gmdate('N', $day * 86400)] ?? 0);
            }
            foreach ($crew->days as $other) {
                $minutes[$calendar->day($other->on)] = $other->minutes;
            }
            $of[] = new PlanCrew(
                $crew->id,
                array_filter(
                    array_diff_key($minutes, $everywhere),
                    static fn(int $some, int $day): bool => $some > 0 && $day >= $start && $day < $end,
                    ARRAY_FILTER_USE_BOTH,
                ),
                $crew->people,
            );
        }

        return $of;
    }
}
