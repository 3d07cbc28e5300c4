import { describe, expect, it } from 'vitest'
import { fold, isPaused, nextFor, stepOf, tookS, waitsFor } from './fold'
import { event, ms, step, wait } from './scene'

describe('a sheet as its events leave it', () => {
  it('begins once, ends once, and what is undone did not happen', () => {
    const twice = fold([
      event('start', 'wash', 1, { by: 'Tam' }),
      event('start', 'wash', 2, { by: 'Rhona' }),
      event('end', 'wash', 3),
      event('end', 'wash', 5),
      event('skip', 'wash', 6),
    ])
    expect(stepOf(twice, 'wash')).toEqual({ startedAt: ms(1), endedAt: ms(3), skipped: false, by: 'Tam' })
    expect(twice.begunAt).toBe(ms(1))
    const wrong = event('end', 'wash', 3)
    expect(stepOf(fold([wrong, event('undo', null, 4, { facts: { of: wrong.id } })]), 'wash').endedAt).toBeNull()
  })
  it('keeps the last reading of a place, and each of another', () => {
    const read = (minute: number, facts: object) => event('reading', null, minute, { facts: facts as never })
    const state = fold([
      read(1, { zone: 'paint', stage: 'arrival', behaviour: 'flat' }),
      read(2, { zone: 'paint', stage: 'arrival', behaviour: 'weak' }),
      read(3, { zone: 'paint', stage: 'arrival', behaviour: 'good', part: 'low' }),
      read(4, { zone: 'wheels', stage: 'arrival', behaviour: 'flat' }),
      read(5, { zone: 'paint', stage: 'after_wash', behaviour: 'tight' }),
    ])
    expect(state.readings.map((one) => one.behaviour)).toEqual(['weak', 'good', 'flat', 'tight'])
  })
  it('never counts below nought, and stands still only between pause and going on', () => {
    const count = (by: number, minute: number) => event('count', 'wash', minute, { facts: { what: 'sides', by } })
    expect(fold([count(2, 1), count(-5, 2), count(1, 3)]).counts).toEqual({ sides: 1 })
    const paused = [event('pause', null, 1), event('pause', null, 2)]
    expect([isPaused(fold([])), isPaused(fold(paused))]).toEqual([false, true])
    expect(fold(paused).paused).toHaveLength(1)
    expect(isPaused(fold([...paused, event('resume', null, 3)]))).toBe(false)
    expect(fold([event('resume', null, 3)]).paused).toEqual([])
  })
  it('remembers dangers by what they are, and whoever has it now', () => {
    const state = fold([
      event('ack', 'foam', 1, { facts: { hazard: 'fumes', says: 'It fumes.' } }),
      event('hand-over', null, 2, { facts: { name: 'Bo' } }),
      event('found', null, 3, { facts: { soil: 4, on: ['tar'] } }),
      event('found', null, 4, { facts: { grit: true, on: ['tar', 'sap'] } }),
    ])
    expect([...state.acked]).toEqual(['fumes', 'It fumes.'])
    expect(state.holder).toBe('Bo')
    expect(state.found).toEqual({ soil: 4, grit: true, on: ['tar', 'sap'] })
  })
  it('leaves out of a step’s time what the visit stood still', () => {
    const worked = { startedAt: ms(10), endedAt: ms(20), skipped: false, by: null }
    const pause = (from: number, to: number | null) => ({ from: ms(from), to: to === null ? null : ms(to) })
    expect(tookS(worked, [], ms(30))).toBe(600)
    expect(tookS(worked, [pause(5, 12), pause(18, null)], ms(30))).toBe(360)
    expect(tookS(worked, [pause(1, 4), pause(25, 28)], ms(30))).toBe(600)
    expect(tookS({ ...worked, skipped: true }, [], ms(30))).toBeNull()
    expect(tookS({ ...worked, startedAt: null }, [], ms(30))).toBeNull()
  })
  it('says what comes next, for each of those who work', () => {
    const wash = step('wash', { start: 5, after: ['rinse'], who: [1, 2] })
    const dry = step('dry', { start: 9, after: ['gone'], wait: wait('wash', 0, 60), who: [1] })
    const plan = [step('rinse', { start: 0, who: [1] }), wash, step('wheels', { start: 2, who: [2] }), dry]
    expect(nextFor(0, plan, fold([]))?.id).toBe('rinse')
    expect(nextFor(2, plan, fold([]))?.id).toBe('wheels')
    expect(nextFor(2, plan, fold([event('start', 'wash', 1)]))?.id).toBe('wash')
    expect(nextFor(2, plan, fold([event('end', 'wheels', 1)]))?.id).toBe('wash')
    expect(waitsFor(wash, fold([]), plan)).toEqual(['rinse'])
    expect(waitsFor(dry, fold([]), plan)).toEqual(['wash'])
    expect(nextFor(1, plan, fold(plan.map((one, i) => event('end', one.id, i))))).toBeNull()
  })
})
