import { describe, expect, it } from 'vitest'
import { bodyPath, dropPath, monthStarts, nicksPath, timeScale } from './geometry'

/** Reads a drop's path back: half-base, radius, whether the larger arc is drawn. */
function read(path: string) {
  const found = /^M([-\d.]+) ([-\d.]+)A([-\d.]+) [-\d.]+ 0 ([01]) 1 ([-\d.]+)/.exec(path)
  if (!found) throw new Error(path)
  return { half: (Number(found[5]) - Number(found[1])) / 2, radius: Number(found[3]), large: found[4] === '1' }
}

describe('drops', () => {
  it.each([45, 60, 72, 92, 100, 110, 130])('carry their true contact angle of %i°', (angle) => {
    const { half, radius, large } = read(dropPath(0, 0, angle, 200))
    const drawn = (Math.asin(half / radius) * 180) / Math.PI
    expect(large ? 180 - drawn : drawn).toBeCloseTo(angle, 0)
  })

  it('hold the same water whatever their angle', () => {
    const area = (angle: number) => {
      const { half, radius, large } = read(dropPath(0, 0, angle, 200))
      const theta = large ? Math.PI - Math.asin(half / radius) : Math.asin(half / radius)
      return radius ** 2 * (theta - Math.sin(theta) * Math.cos(theta))
    }
    for (const angle of [60, 92, 110]) expect(area(angle) / area(80)).toBeCloseTo(1, 1)
  })

  it('grow wider as they flatten, but never without bound', () => {
    const widths = [110, 92, 72, 42, 14, 0].map((angle) => read(dropPath(0, 0, angle, 10)).half)
    expect([...widths].sort((a, b) => a - b)).toEqual(widths)
    expect(Math.max(...widths)).toBeLessThanOrEqual(15)
  })
})

describe('ribbons', () => {
  const x = timeScale('2026-01-01T00:00:00Z', '2026-01-11T00:00:00Z', 1000)

  it('put moments where they belong', () => {
    expect(x('2026-01-01T00:00:00Z')).toBe(0)
    expect(x('2026-01-06T00:00:00Z')).toBe(500)
    expect(x(Date.parse('2026-01-11T00:00:00Z'))).toBe(1000)
  })

  it('are as thick as what is left, and end at today', () => {
    const body = bodyPath(
      [
        { at: '2026-01-01T00:00:00Z', left: 1 },
        { at: '2026-01-11T00:00:00Z', left: 0 },
      ],
      x,
      40,
      30,
      0,
      600,
    )
    expect(body).toBe('M0 40L0 10L600 40L600 40z')
  })

  it('are nicked once a wash, where the wear jumps', () => {
    const points = [
      { at: '2026-01-01T00:00:00Z', left: 1 },
      { at: '2026-01-06T00:00:00Z', left: 0.8 },
      { at: '2026-01-06T00:00:00Z', left: 0.7 },
      { at: '2026-01-11T00:00:00Z', left: 0.6 },
    ]
    const nicks = nicksPath(points, x, 40, 30)
    expect(nicks.match(/M/g)).toHaveLength(1)
    expect(nicks.startsWith('M497.4 15')).toBe(true)
  })

  it('have nothing to draw without points', () => {
    expect(bodyPath([], x, 40, 30, 0, 600)).toBe('')
    expect(nicksPath([], x, 40, 30)).toBe('')
  })

  it('know the months that begin within them', () => {
    expect(monthStarts('2026-11-15T00:00:00Z', '2027-02-15T00:00:00Z').map((month) => month.name)).toEqual([
      'Dec',
      'Jan',
      'Feb',
    ])
  })
})
