import { describe, expect, it } from 'vitest'
import type { Kept } from '@/offline/store'
import { inspected, leftOut, turnOf, usesOf, textilesOf, waterOf, whySaid, whyLeft, noStep } from './closing'
import { fold } from './fold'
import { event, ms, step } from './scene'

const portion = (product_id: string, ml: number | null, zone = 'paint') => ({
  product_id,
  name: product_id,
  role: 'soap',
  zone,
  ml,
  why: '',
  paste: false,
})
const steps = [
  step('look'),
  step('foam', {
    portions: [portion('lather', 40), portion('soap', null, 'wheels')],
    water_l: 3,
    textiles: { sides: 4 },
  }),
  step('wash', {
    portions: [portion('lather', 10), portion('soap', 5, 'wheels')],
    water_l: 2.6,
    textiles: { sides: 8, mitts: 1 },
  }),
  step('clay', { kind: 'clay', fulfils: 'decon', water_l: 9 }),
  step('inspect', { fulfils: 'inspection' }),
]
const kept = (more: object = {}, facts: object = {}) =>
  ({
    id: 's',
    person: 0,
    otherwise: {},
    sheet: {
      crew: 2,
      facts: { seen: { soil: 2 }, ...facts },
      plan: {
        steps,
        method: 'two-mitts',
        water: 'treated',
        kinds: ['wash', 'decon', 'inspection', 'topper'],
        topper: { decision: 'none', says: '', why: '' },
        ...more,
      },
    },
  }) as unknown as Kept
const done = (...ids: string[]) =>
  fold([event('begin', null, 0), ...ids.flatMap((id, i) => [event('start', id, i + 1), event('end', id, i + 2)])])
const closing = (more: object = {}) => ({
  id: 't',
  uses: [],
  textiles: {},
  water_l: null,
  note: '',
  recommended: '',
  refused: [],
  ...more,
})

describe('what was used', () => {
  it('adds up by product and place over the steps that were done', () => {
    expect(usesOf(kept(), done('foam', 'wash'))).toEqual([
      { product_id: 'lather', name: 'lather', zone: 'paint', planned: 50, ml: 50 },
      { product_id: 'soap', name: 'soap', zone: 'wheels', planned: 5, ml: 5 },
    ])
    expect(usesOf(kept(), done('foam')).map((use) => use.ml)).toEqual([40, null])
    expect(usesOf(kept(), done())).toEqual([])
  })
  it('counts towels as planned where nobody counted, and never a panel', () => {
    expect(textilesOf(kept(), done('foam', 'wash'))).toEqual({ sides: 12, mitts: 1 })
    const counted = fold([
      event('end', 'wash', 1),
      event('count', 'wash', 2, { facts: { what: 'sides', by: 5 } }),
      event('count', 'wash', 3, { facts: { what: 'wash/bonnet', by: 1 } }),
    ])
    expect(textilesOf(kept(), counted)).toEqual({ sides: 5, mitts: 1 })
  })
  it('counts the litres of what was done, whole', () => {
    expect([waterOf(kept(), done()), waterOf(kept(), done('foam', 'wash'))]).toEqual([0, 6])
    expect(waterOf(kept(), fold([event('skip', 'clay', 1)]))).toBe(0)
  })
})

describe('what was planned', () => {
  it('is left out unless a tick did it, and the wash never is', () => {
    expect(leftOut(kept(), done('clay'))).toEqual(['inspection', 'topper'])
    expect(leftOut(kept(), fold([event('skip', 'clay', 1)]))).toEqual(['decon', 'inspection', 'topper'])
    expect(leftOut(kept({ kinds: null }), done())).toEqual([])
  })
  it('was looked over only where that was planned and ticked', () => {
    expect([inspected(kept(), done('inspect')), inspected(kept(), done())]).toEqual([true, false])
    expect(inspected(kept({ kinds: ['wash'] }), done('inspect'))).toBe(false)
    expect(inspected(kept({ kinds: null }), done('inspect'))).toBe(false)
  })
  it('keeps the reason as it was given', () => {
    expect([whySaid(whyLeft[1]), whySaid(noStep), whySaid('Rained off')]).toEqual([whyLeft[1], noStep, 'Rained off'])
  })
})

describe('the turn as it goes to the record', () => {
  it('takes what was found, else what was seen', () => {
    const plain = turnOf(kept(), done('wash'), closing(), ms(40))
    expect(plain).toMatchObject({
      id: 't',
      soil: 2,
      grit: false,
      minutes: 40,
      method: 'two-mitts',
      purpose: 'maintain',
      water: 'treated',
      panel_c: null,
      clay: false,
      note: null,
      products: [],
      crew: 2,
      water_l: null,
      scope: 'usual',
      inspection: null,
      recommended: null,
    })
    expect(plain.left_out).toEqual([
      { kind: 'decon', why: 'Not said' },
      { kind: 'inspection', why: 'Not said' },
      { kind: 'topper', why: 'Not said' },
    ])
    const seen = { seen: { soil: 1, grit: true, purpose: 'reset' }, panel_c: 21, scope: 'full' }
    expect(turnOf(kept({}, seen), done(), closing(), ms(1))).toMatchObject({
      soil: 1,
      grit: true,
      purpose: 'reset',
      panel_c: 21,
      scope: 'full',
      minutes: 1,
    })
  })
  it('writes what was measured, counted, noted and left out', () => {
    const state = fold([
      event('begin', null, 0),
      event('start', 'clay', 1),
      event('end', 'clay', 9),
      event('start', 'inspect', 9),
      event('end', 'inspect', 10),
      event('note', null, 3, { facts: { says: 'Chip' } }),
      event('sun', null, 3, { facts: { panel_c: 31, sun_w_m2: 500 } }),
      event('pause', null, 4),
      event('resume', null, 6),
    ])
    const turn = turnOf(
      kept(),
      state,
      closing({
        uses: [
          { product_id: 'a', name: 'a', zone: 'paint', planned: 3, ml: 3.14 },
          { product_id: 'b', name: 'b', zone: 'glass', planned: 3, ml: 0.05 },
          { product_id: 'c', name: 'c', zone: 'glass', planned: null, ml: null },
        ],
        textiles: { sides: 3, mitts: 0 },
        water_l: 12,
        note: 'And a scratch',
        recommended: 'A new topper',
        left: { topper: 'The weather' },
        seen: ['scratch'],
      }),
      ms(20),
    )
    expect(turn).toMatchObject({
      minutes: 18,
      panel_c: 31,
      clay: true,
      note: 'Chip\nAnd a scratch',
      textiles: { sides: 3 },
      water_l: 12,
      recommended: 'A new topper',
      left_out: [{ kind: 'topper', why: 'The weather' }],
      inspection: { seen: ['scratch'], note: null },
    })
    expect(turn.products?.map((use) => use.quantity_ml)).toEqual([3.1, null, null])
    expect(turn.steps?.find((one) => one.id === 'clay')).toMatchObject({ took_s: 360, skipped: false, estimate_min: 5 })
    expect(turn.steps?.find((one) => one.id === 'wash')).toMatchObject({ took_s: null, skipped: true })
  })
  it('never lasts longer than a day, whatever a clock says', () => {
    expect(turnOf(kept(), done(), closing(), ms(0) + 90 * 3_600_000).minutes).toBe(1440)
    expect(turnOf(kept(), fold([]), closing(), ms(0)).minutes).toBe(1)
  })
})
