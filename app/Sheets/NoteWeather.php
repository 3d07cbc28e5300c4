<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Book\NotedWeather;
use App\Book\WeatherNote;
use Illuminate\Support\Facades\DB;

/** Somebody says how a day’s weather is, or takes it back. */
final readonly class NoteWeather
{
    public function __construct(private DrawRound $drawRound, private NotedWeather $weather) {}

    /**
     * @param array<string, float|int|null> $says  by the note’s fields; nothing at all takes back what was said
     * @return Told<'Round'> the day as it then stands
     */
    public function __invoke(string $on, array $says, ?string $by): array
    {
        return DB::transaction(function () use ($on, $says, $by): array {
            if (array_filter($says, static fn(float|int|null $one): bool => $one !== null) === []) {
                WeatherNote::query()->where('on', $on)->delete();
            } else {
                WeatherNote::query()->updateOrCreate(['on' => $on], [...$says, 'written_by' => $by]);
            }
            $this->weather->forget();

            return ($this->drawRound)($on);
        });
    }
}
