import { describe, expect, it } from 'vitest'
import { moved, outline, withTopper, withWash } from './tryAhead'

const plan = { washes: ['2026-12-01', '2026-12-15', '2026-12-29'], topper: '2026-12-15', productId: 'hood' }

describe('moving what is planned', () => {
  it('takes the topper along with its wash', () => {
    const next = withWash(plan, '2026-12-15', '2026-12-10')
    expect(next.washes).toEqual(['2026-12-01', '2026-12-10', '2026-12-29'])
    expect(next.topper).toBe('2026-12-10')
  })

  it('never puts two washes on one day', () => {
    expect(withWash(plan, '2026-12-15', '2026-12-29')).toBe(plan)
  })

  it('puts a topper on at a wash, the nearest', () => {
    expect(withTopper(plan, '2026-12-24').topper).toBe('2026-12-29')
    expect(withTopper({ ...plan, washes: [] }, '2026-12-24').topper).toBeNull()
  })

  it('keeps a day within the reach, over the end of a year too', () => {
    expect(moved('2026-12-29', 5, '2026-11-26', '2027-02-17')).toBe('2027-01-03')
    expect(moved('2026-12-01', -30, '2026-11-26', '2027-02-17')).toBe('2026-11-26')
  })

  it('draws the spread from the long life back along the short', () => {
    const points = [
      { at: 'a', low: 0.4, mid: 0.5, high: 0.6 },
      { at: 'b', low: 0, mid: 0.2, high: 0.3 },
    ]
    const drawn = outline(
      points,
      (at) => (at === 'a' ? 0 : 10),
      (left) => 100 - 100 * left,
    )
    expect(drawn.middle).toBe('M0,50L10,80')
    expect(drawn.spread).toBe('M0,40L10,70L10,100L0,60Z')
  })
})
