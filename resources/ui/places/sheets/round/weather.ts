import type { Schemas } from '@/api/client'

export type WeatherNote = Schemas['WeatherNoteInput']

/** A shower that nobody knows the end of. */
const SHOWER_H = 3

/** It rains since this hour, or since the hour that was said before, if that one is not over. */
export function rained(note: WeatherNote, hour: number): WeatherNote {
  const { rain_from: from, rain_until: until } = note
  const goesOn = from !== null && until !== null && from <= hour && hour <= until && from < until
  return { ...note, rain_from: goesOn ? from : hour, rain_until: Math.min(24, hour + SHOWER_H) }
}

/** The rain ended before this hour; it stays dry where it had only begun in it. */
export const dried = (note: WeatherNote, hour: number): WeatherNote => ({
  ...note,
  rain_from: Math.min(note.rain_from ?? hour, hour),
  rain_until: hour,
})

type Units = { temperature: (c: number) => string; speedOut: (ms: number) => number; speedUnit: { value: string } }

/** What somebody said of a day, in a line. */
export function noteSaid(note: Omit<WeatherNote, 'on'>, units: Units, hours: Record<string, string>): string {
  const { low_c: low, high_c: high, wind_m_s: wind, rain_from: from, rain_until: until } = note
  return `By hand: ${[
    low !== null && high !== null ? `${units.temperature(low)} to ${units.temperature(high)}` : '',
    wind !== null ? `wind ${units.speedOut(wind)} ${units.speedUnit.value}` : '',
    note.rh !== null ? `humidity ${Math.round(note.rh * 100)} %` : '',
    note.cloud !== null ? `cloud ${Math.round(note.cloud * 100)} %` : '',
    from !== null && until !== null ? (from === until ? 'no rain' : `rain ${hours[from]} to ${hours[until]}`) : '',
  ]
    .filter(Boolean)
    .join(', ')}.`
}
