<?php

declare(strict_types=1);

namespace App\Film;

use App\Book\Layer;
use App\Book\Vehicle;
use App\Record\TurnLog;
use Vicissa\Core\Protection\Life\Learnt\LearntForecast;
use Vicissa\Core\Protection\WearPath;
use Vicissa\Core\Record\LayerSpan;

/** One layer's wear so far and its likely life: what every date and every drawing of it rests on. */
final readonly class Outlook
{
    /** Beyond this a date says nothing. */
    private const HORIZON_DAYS = 3650;

    /** Wear-weeks per week that are reckoned at least. */
    private const LEAST = 0.02;

    /**
     * @param array{float, float} $label  weeks
     * @param float $washesPerWeek        wear-weeks per week that washing is expected to add
     */
    private function __construct(
        public LayerSpan $span,
        public WearPath $path,
        public LearntForecast $life,
        public array $label,
        public int $own,
        public int $others,
        public float $washesPerWeek,
    ) {}

    /** Null where nothing wears. */
    public static function of(Layer $layer, Vehicle $vehicle, TurnLog $log, EvidenceBook $evidence): ?self
    {
        $label = $layer->labelWeeks();
        if ($label === null) {
            return null;
        }
        $span = $layer->span();
        [$fresh, $own, $others] = $evidence->about($layer, $label);
        $life = $fresh->heldTo($layer->held ?? 0.0, $layer->failed);

        return new self(
            $span,
            $log->path($vehicle->habits(), $span),
            $life,
            $label,
            $own,
            $others,
            (7.0 / $vehicle->cadence_target) *
                $log->during($span)->usualWash($span->zone, $span->family, $log->factors),
        );
    }

    /** Wear-weeks per week expected about a moment, washing taken along. */
    public function perWeek(int $moment): float
    {
        return max(self::LEAST, $this->path->idlePerWeek($this->span->day($moment)) + $this->washesPerWeek);
    }

    /** Wear-weeks expected between two moments, washing taken along. */
    public function expected(int $from, int $to): float
    {
        $days = $this->span->day($to) - $this->span->day($from);

        return max(
            (self::LEAST * $days) / 7.0,
            $this->path->idle($this->span->day($from), $this->span->day($to)) + ($this->washesPerWeek * $days) / 7.0,
        );
    }

    /** Wear-weeks behind it at a moment that is no later than now. */
    public function wornBy(int $moment): float
    {
        return $this->path->at($this->span->day($moment));
    }

    /** When so many in 100 such layers would have failed, now that it has held; null beyond the horizon. */
    public function moment(float $risk, int $now): ?int
    {
        return $this->reaches($this->life->quantile($risk), $now);
    }

    /** When so much wear is behind it; null beyond the horizon. */
    public function reaches(float $wear, int $now): ?int
    {
        $today = $this->span->day($now);
        $day = $this->path->reaches($wear, $today, $this->washesPerWeek, self::LEAST);

        return $day === null || $day > $today + self::HORIZON_DAYS ? null : $this->span->moment($day);
    }

    /** What was known of its end when all is known that was read. */
    public function lived(): float
    {
        return $this->life->quantile(0.5);
    }
}
