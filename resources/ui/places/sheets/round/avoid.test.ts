import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { avoid } from './avoid'

function day(reasons: Record<number, Schemas['RoundHour']['avoid']>) {
  const hours = Array.from({ length: 13 }, (_, i) => ({
    at: `2026-07-01T${String(7 + i).padStart(2, '0')}:00:00Z`,
    hour: 7 + i,
    air_c: 20,
    rain_mm: 0,
    sureness: 1,
    panel_c: 30,
    working_s: 400,
    avoid: reasons[7 + i] ?? null,
  }))
  return { hours }
}

describe('the hours to avoid, in words', () => {
  it('says when there are none', () => {
    expect(avoid(day({}), 'UTC')).toBe('Any hour will do.')
  })

  it('joins hours that follow each other and keeps reasons apart', () => {
    const stop = day({ 8: 'rain', 12: 'dries-too-fast', 13: 'dries-too-fast', 14: 'dries-too-fast' })
    expect(avoid(stop, 'UTC')).toBe('Avoid 8 to 9 (rain), 12 to 15 (it dries too fast).')
  })

  it('counts in the workspace’s own hours', () => {
    expect(avoid(day({ 12: 'dries-too-fast' }), 'Europe/Athens')).toBe('Avoid 15 to 16 (it dries too fast).')
  })
})
