import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { blank, bodyOf, draftOf, readingsOf, readsOf } from './draft'

const entry = {
  worked_at: '2026-11-20T09:30:00Z',
  minutes: 80,
  soil: 3,
  grit: true,
  method: 'two-mitts',
  purpose: 'reset',
  water: 'treated',
  panel_c: -1.5,
  clay: true,
  note: 'Gull',
  readings: [
    { stage: 'arrival', zone: 'paint', part: 'whole', sheets_s: null, behaviour: 'flat', angle_deg: null },
    { stage: 'after_wash', zone: 'paint', part: 'whole', sheets_s: null, behaviour: 'good', angle_deg: 91.5 },
    { stage: 'after_wash', zone: 'wheels', behaviour: 'weak', angle_deg: 70 },
  ],
  products: [
    { product_id: 'soap', role: 'soap', zone: 'paint', quantity_ml: 30, name: '', remarks: [] },
    { product_id: 'hood', role: 'topper', zone: 'paint', quantity_ml: 90, name: '', remarks: [] },
    { product_id: 'wheel-hood', role: 'topper', zone: 'wheels', quantity_ml: 40, name: '', remarks: [] },
  ],
} as unknown as Schemas['TurnEntry']

describe('a turn being corrected', () => {
  it('left alone says what was saved, to the last angle, quantity and zone', () => {
    const body = bodyOf(draftOf(entry, 'Pacific/Auckland'), 'Pacific/Auckland', entry)
    expect(body.worked_at).toBe('2026-11-20T09:30:00.000Z')
    expect([
      body.minutes,
      body.soil,
      body.grit,
      body.method,
      body.purpose,
      body.water,
      body.panel_c,
      body.clay,
      body.note,
    ]).toEqual([80, 3, true, 'two-mitts', 'reset', 'treated', -1.5, true, 'Gull'])
    expect(body.readings).toEqual(expect.arrayContaining(entry.readings))
    expect(body.readings).toHaveLength(3)
    expect(body.products).toEqual(
      expect.arrayContaining(
        entry.products.map(({ product_id, zone, quantity_ml }) => ({ product_id, zone, quantity_ml })),
      ),
    )
    expect(body.products).toHaveLength(3)
  })

  it('loses a measured angle when the reading is another one', () => {
    const draft = draftOf(entry, 'UTC')
    draft.readings.after_wash = { whole: 'tight' }
    expect(bodyOf(draft, 'UTC', entry).readings).toContainEqual({
      stage: 'after_wash',
      zone: 'paint',
      part: 'whole',
      behaviour: 'tight',
      angle_deg: null,
      sheets_s: null,
    })
  })

  it('keeps parts and the seconds of a sheet through a correction', () => {
    const reads = { after_wash: { whole: 'good', low: 'flat', sheets_s: 21 } } as const
    const rows = readingsOf(reads)
    expect(rows.map((row) => [row.part, row.behaviour, row.sheets_s])).toEqual([
      ['whole', 'good', 21],
      ['low', 'flat', null],
    ])
    expect(readsOf(rows as Schemas['Reading'][])).toEqual(reads)
  })

  it('reads other zones on the clean surface, and takes a reading out', () => {
    const draft = draftOf(entry, 'UTC')
    expect(draft.zones).toEqual({ wheels: 'weak' })
    draft.zones = { glass: 'tight' }
    const others = bodyOf(draft, 'UTC', entry).readings?.filter((row) => row.zone !== 'paint')
    expect(others).toEqual([{ stage: 'after_wash', zone: 'glass', behaviour: 'tight' }])
  })

  it('drops a product that was not used after all', () => {
    const draft = draftOf(entry, 'UTC')
    draft.products.soap = undefined
    expect(bodyOf(draft, 'UTC', entry).products?.map((use) => use.product_id)).toEqual(['hood', 'wheel-hood'])
  })
})

describe('a turn begun', () => {
  it('starts with the water of the place and its own id and key', () => {
    const [one, other] = [blank('UTC', 'none'), blank('UTC', undefined)]
    expect([one.water, other.water]).toEqual(['none', 'tap'])
    expect(one.id).not.toBe(other.id)
    expect(one.key).not.toBe(other.key)
  })

  it('sends what is missing as missing, so that the server can say what it needs', () => {
    const body = bodyOf(blank('UTC', 'tap'), 'UTC')
    expect([body.soil, body.method, body.minutes, body.panel_c, body.note]).toEqual([-1, '', null, null, null])
    expect([body.readings, body.products]).toEqual([[], []])
  })
})

describe('readings of other places', () => {
  const saved = {
    ...entry,
    readings: [...entry.readings, { stage: 'arrival', zone: 'glass', behaviour: 'flat' }],
  } as Schemas['TurnEntry']
  const of = (zones: Schemas['TurnInput']['readings'], zone: string) => zones?.filter((one) => one.zone === zone)
  it('are as they stand in the form, and what it does not ask for is carried over', () => {
    const draft = draftOf(saved, 'UTC')
    expect(draft.zones).toEqual({ wheels: 'weak' })
    draft.zones = { wheels: 'good' }
    const { readings } = bodyOf(draft, 'UTC', saved)
    expect(of(readings, 'wheels')).toEqual([{ stage: 'after_wash', zone: 'wheels', behaviour: 'good' }])
    expect(of(readings, 'glass')).toEqual([{ stage: 'arrival', zone: 'glass', behaviour: 'flat' }])
  })
  it('stand in their parts, seconds with the first, and come back so', () => {
    const reads = readsOf([
      { zone: 'paint', stage: 'after_wash', part: 'low', behaviour: 'weak', sheets_s: null },
      { zone: 'paint', stage: 'after_wash', part: 'top', behaviour: 'good', sheets_s: 4 },
      { zone: 'glass', stage: 'after_wash', part: 'top', behaviour: 'flat' },
    ])
    expect(reads).toEqual({ after_wash: { low: 'weak', top: 'good', sheets_s: 4 } })
    expect(readingsOf(reads).map((one) => [one.part, one.behaviour, one.sheets_s])).toEqual([
      ['top', 'good', 4],
      ['low', 'weak', null],
    ])
  })
  it('of a draft nobody touched are none, and what is not said is not made up', () => {
    const body = bodyOf(blank('UTC', undefined), 'UTC')
    expect([body.readings, body.products, body.note, body.minutes, body.soil, body.method]).toEqual([
      [],
      [],
      null,
      null,
      -1,
      '',
    ])
  })
})
