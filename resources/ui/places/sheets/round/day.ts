import type { Schemas } from '@/api/client'

export type Stop = Schemas['RoundStop']

/** Minutes of the day as a clock shows them; past midnight it goes on. */
export const clockOf = (minutes: number): string =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`

export const endOf = (stop: Stop): number => stop.begins_min + stop.minutes

/**
 * What has been begun goes on; else the stop of this minute or the first after it, of those that are not closed. Null
 * when the day is over.
 */
export const nextStop = (stops: Stop[], minute: number, status: (stop: Stop) => string | undefined): Stop | null =>
  stops.find((stop) => status(stop) === 'begun') ??
  stops.find((stop) => status(stop) !== 'finished' && minute < endOf(stop)) ??
  null

/** What an order comes to: minutes on the road, and when the last stop is done. */
export const comesTo = (stops: Stop[]): { road: number; ends: number } => ({
  road: stops.reduce((sum, stop) => sum + stop.leg_min, 0),
  ends: Math.max(0, ...stops.map(endOf)),
})

const more = (minutes: number) => `${Math.abs(minutes)} min ${minutes > 0 ? 'more' : 'less'} on the road`

/** What another order costs against the one before, in words; empty where it costs nothing. */
export function dearer(before: Stop[], after: Stop[]): string {
  const [was, is] = [comesTo(before), comesTo(after)]
  return [
    is.road === was.road ? '' : more(is.road - was.road),
    is.ends === was.ends ? '' : `done at ${clockOf(is.ends)} instead of ${clockOf(was.ends)}`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** Taken out of its place and put before another's. */
export function moved<T>(list: T[], from: number, to: number): T[] {
  const rest = [...list]
  const [one] = rest.splice(from, 1)
  return one === undefined ? list : [...rest.slice(0, to), one, ...rest.slice(to)]
}

/** The first stop whose drying is the same by the hour: one drawing serves them all. */
export const sameCurve = (stops: Stop[], stop: Stop): Stop =>
  stops.find((one) => JSON.stringify(one.hours) === JSON.stringify(stop.hours)) ?? stop
