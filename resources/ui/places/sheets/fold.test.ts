import { describe, expect, it } from 'vitest'
import { fold, isPaused, nextFor, stepOf, tookS, waitsFor, type Step } from './fold'
import { event, ms, step, wait } from './scene'

describe('what happened, folded', () => {
  it('keeps the first end, whoever noted it, and forgets what was undone', () => {
    const end = event('end', 'foam', 12)
    const state = fold([
      event('start', 'foam', 10),
      end,
      event('end', 'foam', 15, { device: 'd2' }),
      event('start', 'wash', 20, { id: 'mistake' }),
      event('undo', 'wash', 21, { facts: { of: 'mistake' } }),
    ])
    expect(stepOf(state, 'foam').endedAt).toBe(ms(12))
    expect(stepOf(state, 'wash').startedAt).toBeNull()
    expect(state.begunAt).toBe(ms(10))
  })

  it('knows a danger that was confirmed in other words, and one confirmed before dangers had names', () => {
    const state = fold([
      event('ack', 'foam', 1, { facts: { hazard: 'slippery', says: 'Schaum macht den Boden rutschig.' } }),
      event('ack', 'foam', 2, { facts: { says: 'Gloves.' } }),
    ])
    expect([...state.acked]).toEqual(['slippery', 'Schaum macht den Boden rutschig.', 'Gloves.'])
  })

  it('gives the same whatever order the events arrive in', () => {
    const events = [
      event('start', 'a', 1),
      event('end', 'a', 3),
      event('skip', 'b', 4),
      event('count', 'c', 5, { facts: { what: 'sides', by: 2 } }),
      event('count', 'c', 6, { facts: { what: 'sides', by: -1 } }),
      event('reading', 'c', 7, { facts: { zone: 'paint', stage: 'arrival', behaviour: 'weak' } }),
      event('reading', 'c', 8, { facts: { zone: 'paint', stage: 'arrival', behaviour: 'good' } }),
    ]
    expect(fold([...events].reverse())).toEqual(fold(events))
    expect(fold(events).counts.sides).toBe(1)
    expect(fold(events).readings).toEqual([{ zone: 'paint', stage: 'arrival', behaviour: 'good' }])
  })

  it('does not count the time the visit stood still', () => {
    const state = fold([
      event('start', 'a', 0),
      event('pause', null, 5),
      event('resume', null, 15),
      event('end', 'a', 20),
    ])
    expect(tookS(stepOf(state, 'a'), state.paused, ms(30))).toBe(600)
    expect(isPaused(fold([event('pause', null, 5)]))).toBe(true)
    expect(isPaused(state)).toBe(false)
  })
})

describe('what comes next', () => {
  const steps = [
    step('look', { start: 0 }),
    step('spray', { start: 4, after: ['look'], who: [2] }),
    step('rinse', { start: 9, wait: wait('spray', 60, 240), who: [2] }),
    step('mix', { start: 4, after: ['look'] }),
  ]
  it('is what was begun, then what may begin, for whoever holds the phone', () => {
    const state = fold([event('start', 'look', 0), event('end', 'look', 4)])
    expect(nextFor(1, steps, state)?.id).toBe('mix')
    expect(nextFor(2, steps, state)?.id).toBe('spray')
    const begun = fold([event('end', 'look', 4), event('start', 'spray', 5)])
    expect(nextFor(0, steps, begun)?.id).toBe('spray')
    expect(waitsFor(steps[2] as Step, begun, steps)).toEqual(['spray'])
  })
  it('does not wait for what was left out', () => {
    const state = fold([event('skip', 'look', 1), event('skip', 'spray', 1)])
    expect(waitsFor(steps[2] as Step, state, steps)).toEqual([])
  })
})
