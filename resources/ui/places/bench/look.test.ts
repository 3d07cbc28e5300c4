import { describe, expect, it, vi } from 'vitest'
import type { Schemas } from '@/api/client'
import { blank, type Draft } from '@/places/turns/draft'
import {
  askOf,
  described,
  draftFrom,
  keepAsDraft,
  lookAt,
  soilOf,
  startFrom,
  takeByHand,
  tryOut,
  type Look,
} from './look'

const look = (more: Partial<Look> = {}): Look => ({ ...lookAt('UTC'), ...more })
const weather = { air_c: 14, rh: 0.7, wind_m_s: 2, sun_w_m2: 100, rain: false }

function choice(role: string, zone: string, id: string | null): Schemas['MatchProduct'] {
  return {
    key: `${role} ${zone}`,
    role,
    zone,
    step: 'wash',
    optional: false,
    why: '',
    dwell: null,
    at_most_s: null,
    cautions: [],
    product:
      id === null ? null : { id, name: id, line: null, applied: null, dilutions: {}, points: 0, cost_minor: null },
  }
}

function match(products: Schemas['MatchProduct'][], decision: Schemas['MatchTopper']['decision'] = 'apply') {
  return {
    method: { chosen: 'multi-towel' },
    products,
    topper: { decision },
  } as unknown as Schemas['Match']
}

describe('what is asked', () => {
  it('meets the dirtier of the two halves', () => {
    expect(soilOf(look({ upper: 1, lower: 4 }))).toBe(4)
    expect(askOf(look({ upper: 1, lower: 4 }), {}, weather, { id: 'v' }).seen.soil).toBe(4)
  })

  it('leaves unread what nobody has read', () => {
    const asked = askOf(look({ arrival: 'weak' }), {}, weather, { id: 'v' })
    expect(asked.seen.readings).toEqual({ paint: { arrival: 'weak' } })
    expect(asked.seen.wheel_soil).toBeNull()
    expect(asked.panel_c).toBeNull()
    expect(asked.vehicle_id).toBe('v')
  })

  it('describes a vehicle of no book, bare, unknown or coated', () => {
    const stack = (family: string) => askOf(look(), {}, weather, { ...described(), family }).vehicle?.stacks?.paint
    expect(stack('bare')).toEqual({ base: null })
    expect(stack('unknown')).toEqual({ unknown: true })
    expect(stack('wax')).toEqual({ base: { family: 'wax', designed: 'beads' } })
  })

  it('asks for what is planned by those who come, unless another scope was chosen', () => {
    const expected = {
      place: { water: 'treated' },
      weather,
      kinds: ['wash', 'topper'],
      scope: 'full',
      crew: 2,
      members: ['a', 'b'],
      soil: 2,
    } as Schemas['BenchExpected']
    expect(askOf(look(), {}, weather, { id: 'v' }, expected)).toMatchObject({
      kinds: ['wash', 'topper'],
      scope: 'full',
      crew: 2,
      members: ['a', 'b'],
    })
    expect(askOf(look({ scope: 'quick' }), {}, weather, { id: 'v' }, expected).scope).toBe('quick')
    expect(askOf(look(), {}, weather, { id: 'v' }).kinds).toBeUndefined()
  })
})

describe('a match as the beginning of a turn', () => {
  it('carries over what was seen and what was chosen, once a role', () => {
    const draft = draftFrom(
      look({ upper: 3, lower: 3, grit: true, arrival: 'flat', panelC: 21.5, reset: true }),
      { water: 'treated' },
      match([choice('soap', 'paint', 'a'), choice('soap', 'trim', 'b'), choice('foam', 'paint', null)]),
      'UTC',
      undefined,
    )
    expect(draft).toMatchObject({ soil: 3, grit: true, method: 'multi-towel', water: 'treated', purpose: 'reset' })
    expect(draft.panelC).toBe(21.5)
    expect(draft.readings).toEqual({ arrival: { whole: 'flat' } })
    expect(draft.products).toEqual({ soap: { id: 'a', zone: 'paint' } })
  })

  it('does not take a topper for used that waits for a reading', () => {
    const products = [choice('topper', 'paint', 't')]
    const taken = (decision: Schemas['MatchTopper']['decision']) =>
      draftFrom(look(), { water: 'tap' }, match(products, decision), 'UTC', undefined).products
    expect(taken('read-first')).toEqual({})
    expect(taken('apply')).toEqual({ topper: { id: 't', zone: 'paint' } })
  })

  it('keeps what was already typed', () => {
    const before = { ...blank('UTC', 'tap'), note: 'Chip on the bonnet', minutes: 70, panelC: 12 }
    const draft = draftFrom(look(), { water: 'tap' }, match([]), 'UTC', before)
    expect(draft).toMatchObject({ note: 'Chip on the bonnet', minutes: 70, panelC: 12, id: before.id })
  })
})

describe('what one sets', () => {
  it('starts from the last dirt until somebody says what they see', () => {
    const untouched = look()
    startFrom(untouched, 4)
    expect([untouched.upper, untouched.lower, untouched.lastSoil]).toEqual([4, 4, 4])
    for (const seen of [{ upper: 1 }, { lower: 3 }]) {
      const said = look(seen)
      startFrom(said, 4)
      expect([said.upper, said.lower, said.lastSoil]).toEqual([said.upper, seen.lower ?? 2, 4])
      expect(said.upper).toBe(seen.upper ?? 2)
    }
  })
  it('tries a school for once beside the others, takes a product and leaves it again', () => {
    const one = look({ tries: { rinse: 'top-down' }, taken: ['tar'] })
    tryOut(one, 'drying', 'air')
    tryOut(one, 'rinse', 'bottom-up')
    expect(one.tries).toEqual({ rinse: 'bottom-up', drying: 'air' })
    takeByHand(one, 'iron')
    expect(one.taken).toEqual(['tar', 'iron'])
    takeByHand(one, 'tar')
    expect(one.taken).toEqual(['iron'])
  })
  it('asks with all of it, on the day it is set for', () => {
    const asked = askOf(
      look({
        at: '2027-03-04T09:30',
        reset: true,
        afterWash: 'good',
        afterDecon: 'flat',
        taken: ['iron'],
        wheels: 3,
        panelC: 31,
      }),
      {},
      weather,
      described(),
    )
    expect(asked).toMatchObject({ on: '2027-03-04', taken: ['iron'], scope: 'usual', panel_c: 31 })
    expect(asked.seen).toMatchObject({
      purpose: 'reset',
      wheel_soil: 3,
      readings: { paint: { after_wash: 'good', after_decon: 'flat' } },
    })
    expect(asked.vehicle).toEqual({
      paint_m2: 10,
      tone: 'mid',
      hardness: 'medium',
      finish: [],
      wheel_finish: 'painted',
      material: 'steel',
      stacks: { paint: { base: { family: 'ceramic', designed: 'beads' } } },
    })
    expect(askOf(look(), {}, weather, { id: 'v' })).not.toHaveProperty('taken')
    expect(askOf(look(), {}, weather, { id: 'v' }).seen.purpose).toBe('maintain')
  })
})

describe('a match kept as a draft', () => {
  const keep = new Map<string, string>()
  const storage = {
    getItem: (key: string) => keep.get(key) ?? null,
    setItem: (key: string, value: string) => void keep.set(key, value),
  }

  it('lies where the turn’s form looks, over what was typed there', () => {
    vi.stubGlobal('localStorage', storage)
    const kept = () => JSON.parse(keep.get('turn-2-v') ?? 'null') as Draft
    keepAsDraft(
      'v',
      look({ afterWash: 'good', panelC: 20 }),
      { water: 'treated' },
      match([choice('soap', 'paint', 'lather')]),
      'UTC',
    )
    expect(kept()).toMatchObject({ water: 'treated', panelC: 20, products: { soap: { id: 'lather', zone: 'paint' } } })
    keep.set('turn-2-v', JSON.stringify({ ...kept(), note: 'Gull', minutes: 80 }))
    keepAsDraft('v', look({ arrival: 'weak', reset: true }), {}, match([]), 'UTC')
    expect(kept()).toMatchObject({
      note: 'Gull',
      minutes: 80,
      water: 'tap',
      panelC: 20,
      purpose: 'reset',
      products: {},
    })
    expect(kept().readings.after_wash?.whole).toBe('good')
    expect(kept().readings.arrival?.whole).toBe('weak')
    vi.unstubAllGlobals()
  })
})
