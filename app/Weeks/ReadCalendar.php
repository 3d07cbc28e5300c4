<?php

declare(strict_types=1);

namespace App\Weeks;

use App\Book\Vehicle;
use App\Tables\UnreadableFile;
use App\Tenancy\Tenancy;
use Carbon\CarbonImmutable;
use DateInterval;
use DateTimeZone;
use Exception;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Vicissa\Core\Says\Said;

/** A client's calendar as days on which a vehicle is away, or as deadlines; repeated events are laid out for a year. */
final readonly class ReadCalendar
{
    private const AHEAD_DAYS = 366;

    private const MOST = 300;

    public function __construct(private Tenancy $tenancy, private ClockInterface $clock) {}

    /**
     * @param 'closed'|'deadline' $as
     * @return list<array{from: string, to: string, note: string}> what was found, or done
     *
     * @throws UnreadableFile
     */
    public function __invoke(Vehicle $vehicle, string $ics, string $as, int $within, bool $dry): array
    {
        $found = $this->events($ics);
        if (!$dry) {
            DB::transaction(static function () use ($vehicle, $found, $as, $within): void {
                foreach ($found as $event) {
                    $as === 'deadline'
                        ? Deadline::query()->updateOrCreate(
                            ['vehicle_id' => $vehicle->id, 'on' => $event['from']],
                            ['within_days' => $within, 'note' => $event['note'] ?: null],
                        )
                        : Closure::query()->updateOrCreate(
                            ['vehicle_id' => $vehicle->id, 'from_on' => $event['from'], 'to_on' => $event['to']],
                            ['note' => $event['note'] ?: null],
                        );
                }
            });
        }

        return $found;
    }

    /** @return list<array{from: string, to: string, note: string}> */
    private function events(string $ics): array
    {
        $zone = new DateTimeZone($this->tenancy->workspace()->time_zone);
        $from = CarbonImmutable::instance($this->clock->now())->setTimezone($zone)->startOfDay();
        try {
            $calendar = Reader::read($ics, Reader::OPTION_FORGIVING);
            if (!($calendar instanceof VCalendar)) {
                throw new UnreadableFile(Said::of('file.no-calendar'));
            }
            RepeatRules::tame($calendar, $from);
            $laid = $calendar->expand($from, $from->add(new DateInterval('P' . self::AHEAD_DAYS . 'D')), $zone);
        } catch (ParseException | InvalidDataException | MaxInstancesExceededException $e) {
            throw new UnreadableFile(Said::of('file.calendar-unread', why: $e->getMessage()));
        } catch (UnreadableFile $e) {
            throw $e;
        } catch (Exception) {
            // Dates and zones that are none: the library lets through what PHP says of them.
            throw new UnreadableFile(Said::of('file.calendar-dates'));
        }
        $found = [];
        foreach ($laid->select('VEVENT') as $event) {
            if (
                !($event instanceof VEvent) ||
                (string) ($event->STATUS ?? '') === 'CANCELLED' ||
                !isset($event->DTSTART)
            ) {
                continue;
            }
            $whole = !$event->DTSTART->hasTime();
            $begins = CarbonImmutable::instance($event->DTSTART->getDateTime($zone))->setTimezone($zone);
            $ends = isset($event->DTEND)
                ? CarbonImmutable::instance($event->DTEND->getDateTime($zone))->setTimezone($zone)
                : $begins;
            // The end of an event is the moment after it.
            $last = $ends > $begins ? ($whole ? $ends->subDay() : $ends->subSecond()) : $begins;
            $found[$begins->toDateString() . ' ' . $last->toDateString()] = [
                'from' => $begins->toDateString(),
                'to' => $last->toDateString(),
                'note' => mb_substr(trim((string) ($event->SUMMARY ?? '')), 0, 240),
            ];
        }
        if (count($found) > self::MOST) {
            throw new UnreadableFile(Said::of('file.events', count: count($found), most: self::MOST));
        }
        ksort($found);

        return array_values($found);
    }
}
