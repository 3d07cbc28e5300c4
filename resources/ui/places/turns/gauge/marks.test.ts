import { describe, expect, it } from 'vitest'
import { blankDrop, next, nudge, parts } from './marks'

describe('marks of the gauge', () => {
  it('asks for the mark that is missing', () => {
    const drop = blankDrop()
    expect(next(drop, 'left')).toBe('left')
    drop.left = [0, 0]
    expect(next(drop, 'left')).toBe('right')
    drop.right = [9, 0]
    drop.top = [4, -5]
    expect(next(drop, 'top')).toBe('top')
    // What may be left out is never asked for.
    expect([drop.near, drop.mirror]).toEqual([null, null])
  })
  it('moves by the arrow keys and by nothing else', () => {
    expect(nudge([5, 5], 'ArrowUp', 10)).toEqual([5, -5])
    expect(nudge([5, 5], 'ArrowRight', 1)).toEqual([6, 5])
    expect(nudge([5, 5], 'ArrowLeft', 1)).toEqual([4, 5])
    expect(nudge([5, 5], 'ArrowDown', 2)).toEqual([5, 7])
    expect(nudge([5, 5], 'Enter', 1)).toBeNull()
    expect(parts.map((one) => one.says)).toEqual(['Left foot', 'Right foot', 'Top'])
  })
})
