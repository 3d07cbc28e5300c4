import { describe, expect, it } from 'vitest'
import { clockOf, comesTo, dearer, moved, nextStop, sameCurve, type Stop } from './day'

const stop = (name: string, begins_min: number, minutes: number, leg_min = 0, hours: unknown[] = []) =>
  ({ vehicle_id: name, name, begins_min, minutes, leg_min, hours }) as unknown as Stop
const day = [stop('a', 495, 90, 15), stop('b', 600, 60, 10), stop('c', 680, 45, 20)]

describe('a day of stops', () => {
  it('goes on with what was begun, passes what is closed, and else goes by the clock', () => {
    const at = (minute: number, sheets: Record<string, string> = {}) =>
      nextStop(day, minute, (one) => sheets[one.name])?.name
    expect([at(0), at(584), at(585), at(725)]).toEqual(['a', 'a', 'b', undefined])
    expect(at(700, { b: 'begun', a: 'finished' })).toBe('b')
    expect(at(500, { a: 'finished' })).toBe('b')
    expect(at(500, { a: 'laid' })).toBe('a')
    expect(at(0, { a: 'finished', b: 'finished', c: 'finished' })).toBeUndefined()
    expect(nextStop([], 0, () => undefined)).toBeNull()
  })

  it('says what another order costs, and nothing where it costs nothing', () => {
    expect(comesTo(day)).toEqual({ road: 45, ends: 725 })
    expect(dearer(day, day)).toBe('')
    expect(dearer(day, [stop('b', 490, 60, 25), stop('a', 570, 90, 25)])).toBe(
      '5 min more on the road, done at 11:00 instead of 12:05',
    )
    expect(dearer([stop('a', 480, 60, 9)], [stop('a', 480, 60, 7)])).toBe('2 min less on the road')
  })

  it('moves one stop before another, either way', () => {
    expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a'])
    expect(moved(['a', 'b', 'c'], 2, 0)).toEqual(['c', 'a', 'b'])
    expect(moved(['a', 'b', 'c'], 1, 1)).toEqual(['a', 'b', 'c'])
    expect(moved([], 0, 1)).toEqual([])
  })

  it('draws one curve for stops that dry alike', () => {
    const [a, b, c] = [
      stop('a', 0, 1, 0, [{ at: 1 }]),
      stop('b', 0, 1, 0, [{ at: 2 }]),
      stop('c', 0, 1, 0, [{ at: 1 }]),
    ]
    expect(sameCurve([a, b, c], c).name).toBe('a')
    expect(sameCurve([a, b, c], b).name).toBe('b')
  })

  it('writes minutes as a clock does', () => {
    expect(clockOf(495)).toBe('08:15')
    expect(clockOf(1441)).toBe('00:01')
  })
})
