import { locale } from './i18n'

const DAY = 86_400_000

// Making a formatter costs a hundred times what using it does: each is made once.
const made = new Map<string, Intl.DateTimeFormat>()

function formatter(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = locale + JSON.stringify(options)
  const known = made.get(key)
  if (known) return known
  const fresh = new Intl.DateTimeFormat(locale, options)
  made.set(key, fresh)
  return fresh
}

/** A calendar day of the workspace's zone, "2026-11-25". */
export function dayIn(zone: string, moment: Date | string | number = Date.now()): string {
  return formatter('sv-SE', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(
    new Date(moment),
  )
}

/** The calendar day a date of this device falls on, "2026-11-25". */
export const isoOf = (date: Date): string => formatter('sv-SE', { dateStyle: 'short' }).format(date)

/** "25 Nov", with the year when it is another one. */
export function shortDay(moment: string, zone: string): string {
  const day = moment.length === 10 ? moment : dayIn(zone, moment)
  const other = day.slice(0, 4) !== dayIn(zone).slice(0, 4)
  return formatter(locale(), {
    day: 'numeric',
    month: 'short',
    ...(other ? { year: 'numeric' } : {}),
    timeZone: 'UTC',
  }).format(new Date(day + 'T12:00:00Z'))
}

export function dayAndTime(moment: string, zone: string): string {
  return formatter(locale(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  }).format(new Date(moment))
}

/** Whole calendar days from today to a day; negative in the past. */
export function daysUntil(moment: string, zone: string): number {
  const day = moment.length === 10 ? moment : dayIn(zone, moment)
  return Math.round((Date.parse(day + 'T00:00:00Z') - Date.parse(dayIn(zone) + 'T00:00:00Z')) / DAY)
}

/** "today", "in 12 days", "in 7 weeks", "3 days ago". */
export function fromToday(moment: string, zone: string): string {
  const days = daysUntil(moment, zone)
  if (days === 0) return 'today'
  const size = Math.abs(days)
  const words =
    size < 21
      ? `${size} ${size === 1 ? 'day' : 'days'}`
      : size < 120
        ? `${Math.round(size / 7)} weeks`
        : size < 700
          ? `${Math.round(size / 30.4)} months`
          : `${Math.round(size / 365)} years`
  return days > 0 ? `in ${words}` : `${words} ago`
}

/** The local wall-clock value of a datetime input for a moment, and back. */
export function wallClock(zone: string, moment: Date = new Date()): string {
  return formatter('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' }).format(moment).replace(' ', 'T')
}

export function fromWallClock(zone: string, value: string): string {
  // Guess as if the zone were UTC, then correct by what that moment reads there; twice, for the hours around a clock change.
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(value)) return ''
  let moment = Date.parse(value + ':00Z')
  if (Number.isNaN(moment)) return ''
  for (let round = 0; round < 2; round++) {
    moment += Date.parse(value + ':00Z') - Date.parse(wallClock(zone, new Date(moment)) + ':00Z')
  }
  return new Date(moment).toISOString()
}

/** The hour of a moment in a zone, "9". */
export function hourIn(zone: string, moment: string): string {
  return String(
    Number(formatter(locale(), { timeZone: zone, hour: '2-digit', hour12: false }).format(new Date(moment))),
  )
}

/** "Nov" for 11. */
export const monthName = (month: number): string =>
  formatter(locale(), { month: 'short', timeZone: 'UTC' }).format(new Date(Date.UTC(2026, month - 1, 1)))

/** Months as they are said: "Nov to Mar" where they follow each other, else one by one. */
export function monthsSaid(months: number[]): string {
  const set = new Set(months)
  if (set.size === 12) return 'all year'
  const starts = months.filter((month) => !set.has(month === 1 ? 12 : month - 1))
  return starts
    .map((start) => {
      let end = start
      while (set.has((end % 12) + 1)) end = (end % 12) + 1
      return start === end ? monthName(start) : `${monthName(start)} to ${monthName(end)}`
    })
    .join(', ')
}
