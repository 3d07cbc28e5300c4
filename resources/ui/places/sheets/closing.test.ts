import { describe, expect, it } from 'vitest'
import type { Kept, Plan } from '@/offline/store'
import { leftByItself, noStep, textilesOf, turnOf, usesOf, waterOf, withoutStep } from './closing'
import { fold, type Step } from './fold'
import { answering, changes, merged, reread } from './found'
import { event, ms, step } from './scene'

const plan = (steps: Step[], finish = 60): Plan => ({ steps, finish, windows: undefined }) as unknown as Plan

describe('something found where nobody can be asked', () => {
  const now = plan([step('look'), step('wash'), step('dry')])
  const otherwise = {
    'soil:4': plan([step('look'), step('prewash'), step('wash'), step('dry')], 80),
    'on:tar': plan([step('look'), step('wash'), step('tar'), step('dry')], 70),
  }
  const seen = { soil: 2, grit: false, on: [] }
  it('puts together what was reckoned before leaving', () => {
    const plans = answering({ soil: 4, grit: false, on: ['tar', 'sap'] }, seen, otherwise)
    const after = merged(now, plans)
    expect(after.steps.map((one) => one.id)).toEqual(['look', 'prewash', 'wash', 'tar', 'dry'])
    expect(after.finish).toBe(80)
    expect(changes(now.steps, after.steps)).toEqual(['New: PREWASH.', 'New: TAR.'])
  })
  it('changes nothing when nothing is different', () => {
    expect(merged(now, answering(seen, seen, otherwise))).toBe(now)
  })
})

describe('what was planned and has no step', () => {
  const cold = {
    ...plan([step('wash'), step('decon', { fulfils: 'decon' })]),
    kinds: ['wash', 'decon', 'topper', 'base'],
    topper: { decision: 'none', says: 'Due, but not today', why: 'In the rain it would not hold.' },
  } as unknown as Plan
  it('is told apart from what can be ticked, with the reason that is known', () => {
    expect(withoutStep(cold)).toEqual(['topper', 'base'])
    expect(leftByItself(cold)).toEqual({ topper: 'In the rain it would not hold.', base: noStep })
  })
})

describe('the clean water, read where nobody can be asked', () => {
  const topper = step('topper', { group: 'topper', after: ['read'] })
  const dry = (after: string) => step('dry', { group: 'dry', after: [after] })
  const now = plan([step('wash'), step('read', { group: 'read', after: ['wash'] }), topper, dry('topper')])
  it('takes the topper away when it holds, and what waited for it goes on', () => {
    const holds = plan([step('wash'), step('read', { group: 'read', after: ['wash'] }), dry('read')])
    const after = reread(now, holds, ['wash', 'read'])
    expect(after.steps.map((one) => one.id)).toEqual(['wash', 'read', 'dry'])
    expect(after.steps.at(-1)?.after).toEqual(['read'])
  })
  it('brings decontamination and a second reading when it fails', () => {
    const iron = step('iron', { group: 'decon' })
    const again = step('read-again', { group: 'read', after: ['iron'] })
    const fails = plan([
      iron,
      step('wash'),
      step('read', { group: 'read', after: ['wash'] }),
      again,
      topper,
      dry('topper'),
    ])
    const after = reread(now, fails, ['wash', 'read'])
    expect(after.steps.map((one) => one.id).sort()).toEqual(['dry', 'iron', 'read', 'read-again', 'topper', 'wash'])
    expect(changes(now.steps, after.steps)).toEqual(['New: IRON.', 'New: READ-AGAIN.'])
  })
  it('stays as it is when nothing was reckoned for it', () => {
    expect(reread(now, undefined, [])).toBe(now)
  })
})

describe('closing', () => {
  const portion = (name: string, ml: number | null, zone = 'paint') => ({
    product_id: name,
    name,
    role: 'soap',
    zone,
    ml,
    why: '',
  })
  const steps = [
    step('foam', { portions: [portion('Lather', 40)], water_l: 2 }),
    step('wash', { portions: [portion('Plain', 30)], textiles: { sides: 20 } }),
    step('topper', { portions: [portion('Hood', 90)], only_if: 'the water asks' }),
  ]
  const kept = {
    id: 's',
    person: 0,
    otherwise: {},
    sheet: {
      crew: 1,
      facts: { seen: { soil: 2 } },
      plan: { ...plan(steps), method: 'multi-towel', water: 'tap', refused: [] },
    },
  } as unknown as Kept
  const state = fold([
    event('begin', null, 0),
    event('start', 'foam', 1),
    event('end', 'foam', 3),
    event('start', 'wash', 4),
    event('count', 'wash', 10, { facts: { what: 'sides', by: 17 } }),
    event('end', 'wash', 25),
    event('skip', 'topper', 26),
    event('found', null, 2, { facts: { soil: 3, grit: true, on: [] } }),
  ])
  it('takes what was done as planned, and counts as they were counted', () => {
    expect(usesOf(kept, state).map((use) => [use.name, use.ml])).toEqual([
      ['Lather', 40],
      ['Plain', 30],
    ])
    expect(textilesOf(kept, state)).toEqual({ sides: 17 })
    expect(waterOf(kept, state)).toBe(2)
  })
  it('writes the turn with what was found, how long it took and what was left out', () => {
    const uses = usesOf(kept, state)
    const turn = turnOf(
      kept,
      state,
      { id: 't', uses, textiles: { sides: 17, mitts: 0 }, water_l: 60, note: 'A chip', recommended: '', refused: [] },
      ms(30),
    )
    expect(turn).toMatchObject({
      soil: 3,
      grit: true,
      minutes: 30,
      method: 'multi-towel',
      note: 'A chip',
      textiles: { sides: 17 },
    })
    expect(turn.steps?.map((one) => [one.id, one.took_s, one.skipped])).toEqual([
      ['foam', 120, false],
      ['wash', 1260, false],
      ['topper', null, true],
    ])
  })
})
