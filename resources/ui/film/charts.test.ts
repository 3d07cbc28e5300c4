import { expect, it } from 'vitest'
import { along, between, through } from './charts'

it('draws lines and bands through points, and nothing through none', () => {
  const x = along([0, 10], [40, 140])
  const y = along([0, 1], [100, 0])
  const points = [
    { at: 0, low: 0.2, high: 0.8 },
    { at: 5, low: 0.1234, high: 0.5 },
  ]
  expect(
    through(
      points,
      (point) => x(point.at),
      (point) => y(point.high),
    ),
  ).toBe('M40,20L90,50')
  expect(
    between(
      points,
      (point) => x(point.at),
      (point) => y(point.low),
      (point) => y(point.high),
    ),
  ).toBe('M40,20L90,50L90,87.7L40,80Z')
  expect([
    through(
      [],
      () => 0,
      () => 0,
    ),
    between(
      [],
      () => 0,
      () => 0,
      () => 0,
    ),
  ]).toEqual(['', ''])
})

it('goes down in steps where a figure holds until it is read again', () => {
  const points = [
    { at: 0, holds: 20 },
    { at: 90, holds: 50 },
  ]
  expect(
    through(
      points,
      (point) => point.at,
      (point) => point.holds,
      'steps',
    ),
  ).toBe('M0,20L90,20L90,50')
})
