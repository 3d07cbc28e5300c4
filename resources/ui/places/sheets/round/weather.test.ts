import { expect, it } from 'vitest'
import { dried, noteSaid, rained, type WeatherNote } from './weather'

const nothing: WeatherNote = {
  on: '2026-12-01',
  low_c: null,
  high_c: null,
  wind_m_s: null,
  rh: null,
  cloud: null,
  rain_from: null,
  rain_until: null,
}

it('lets rain that is seen begin, go on and end, and leaves the rest as it was said', () => {
  const told = { ...nothing, low_c: 2, high_c: 5 }
  const first = rained(told, 9)
  expect(first).toEqual({ ...told, rain_from: 9, rain_until: 12 })
  expect(rained(first, 11)).toEqual({ ...told, rain_from: 9, rain_until: 14 })
  expect(rained(first, 15)).toEqual({ ...told, rain_from: 15, rain_until: 18 })
  expect(rained(nothing, 23).rain_until).toBe(24)
  expect(dried(first, 11)).toEqual({ ...told, rain_from: 9, rain_until: 11 })
  expect(dried(first, 9)).toEqual({ ...told, rain_from: 9, rain_until: 9 })
  expect(rained(dried(first, 9), 9).rain_until).toBe(12)
})

it('says what was said', () => {
  const units = { temperature: (c: number) => `${c} °C`, speedOut: (ms: number) => ms, speedUnit: { value: 'm/s' } }
  const hours = { '9': '09:00', '12': '12:00' }
  expect(noteSaid({ ...rained(nothing, 9), wind_m_s: 4 }, units, hours)).toBe(
    'By hand: wind 4 m/s, rain 09:00 to 12:00.',
  )
  expect(noteSaid({ ...dried(nothing, 9), low_c: -1, high_c: 3, rh: 0.8, cloud: 1 }, units, hours)).toBe(
    'By hand: -1 °C to 3 °C, humidity 80 %, cloud 100 %, no rain.',
  )
})
