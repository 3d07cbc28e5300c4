import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import {
  dayAndTime,
  dayIn,
  daysUntil,
  fromToday,
  fromWallClock,
  hourIn,
  isoOf,
  shortDay,
  wallClock,
  monthsSaid,
} from './dates'

// The device stands in Auckland (vitest.config.ts); what counts is the workspace's zone.
describe('days are the workspace’s', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    vi.setSystemTime(new Date('2026-11-25T23:30:00Z'))
  })
  afterEach(() => vi.useRealTimers())

  it('on both sides of midnight', () => {
    expect(dayIn('UTC')).toBe('2026-11-25')
    expect(dayIn('Pacific/Auckland')).toBe('2026-11-26')
    expect(dayIn('America/New_York', '2026-11-26T03:00:00Z')).toBe('2026-11-25')
  })

  it('counted as calendar days, not as hours', () => {
    expect(daysUntil('2026-11-26', 'UTC')).toBe(1)
    expect(daysUntil('2026-11-26T00:10:00Z', 'UTC')).toBe(1)
    expect(daysUntil('2026-11-26', 'Pacific/Auckland')).toBe(0)
    // A clock change lies between.
    expect(daysUntil('2027-03-30', 'Europe/London')).toBe(125)
  })

  it.each([
    ['2026-11-25', 'today'],
    ['2026-11-26', 'in 1 day'],
    ['2026-11-23', '2 days ago'],
    ['2026-12-14', 'in 19 days'],
    ['2027-01-06', 'in 6 weeks'],
    ['2027-07-01', 'in 7 months'],
    ['2024-11-25', '2 years ago'],
  ])('%s is %s', (day, words) => {
    expect(fromToday(day, 'UTC')).toBe(words)
  })

  it('named with the year only when it is another one', () => {
    expect(shortDay('2026-12-02', 'UTC')).toBe('2 Dec')
    expect(shortDay('2027-01-06', 'UTC')).toBe('6 Jan 2027')
    expect(shortDay('2026-12-31T23:30:00Z', 'Pacific/Auckland')).toBe('1 Jan 2027')
  })

  it('with the time of the place', () => {
    expect(dayAndTime('2026-11-25T09:05:00Z', 'America/New_York')).toContain('04:05')
  })
})

describe('the clock on the wall', () => {
  it.each(['UTC', 'Europe/London', 'Pacific/Auckland', 'Asia/Kolkata', 'America/St_Johns'])(
    'goes there and back in %s',
    (zone) => {
      for (const moment of [
        '2026-01-15T08:30:00.000Z',
        '2026-07-15T08:30:00.000Z',
        '2026-10-25T03:30:00.000Z',
        '2026-03-29T12:00:00.000Z',
      ]) {
        expect(fromWallClock(zone, wallClock(zone, new Date(moment)))).toBe(moment)
      }
    },
  )

  it('gives nothing for what is no time', () => {
    expect(fromWallClock('UTC', '')).toBe('')
  })
})

describe('months', () => {
  it('are said as stretches, over the turn of the year too', () => {
    expect(monthsSaid([1, 2, 3, 11, 12])).toBe('Nov to Mar')
    expect(monthsSaid([4])).toBe('Apr')
    expect(monthsSaid([1, 2, 6])).toBe('Jan to Feb, Jun')
    expect(monthsSaid([])).toBe('')
    expect(monthsSaid(Array.from({ length: 12 }, (_, i) => i + 1))).toBe('all year')
  })
})

describe('a day or an hour by itself', () => {
  it('is the device’s where a picker gives one, and the workspace’s where it is said', () => {
    expect(isoOf(new Date(2026, 10, 5, 0, 10))).toBe('2026-11-05')
    expect([hourIn('UTC', '2026-11-25T09:30:00Z'), hourIn('Asia/Kolkata', '2026-11-25T09:30:00Z')]).toEqual(['9', '15'])
    expect(dayAndTime('2026-11-25T09:05:00Z', 'UTC')).toBe('Wed, 25 Nov 2026, 09:05')
  })
  it.each([
    [20, 'in 20 days'],
    [21, 'in 3 weeks'],
    [119, 'in 17 weeks'],
    [120, 'in 4 months'],
    [699, 'in 23 months'],
    [700, 'in 2 years'],
    [-1, '1 day ago'],
  ])('%i days away is %s', (days, words) => {
    expect(fromToday(new Date(Date.now() + days * 86_400_000).toISOString(), 'UTC')).toBe(words)
  })
})
