import { describe, expect, it } from 'vitest'
import { dosesFor, fillLine, type Fill } from './doses'
import { changes } from './found'
import { step } from './scene'

const volume = (ml: number) => `${ml} ml`
const portion = (product_id: string, ml: number | null, zone: string) => ({
  product_id,
  name: product_id.toUpperCase(),
  role: 'soap',
  zone,
  ml,
  why: '',
  paste: false,
})
const fill = (more: Partial<Fill> = {}): Fill => ({
  kind: 'bucket',
  vessel: 'Grey bucket',
  vessel_ml: 15000,
  product_id: 'plain',
  product: 'Merrow Plain',
  for: 'Clear water',
  mix_ml: 15000,
  product_ml: 30,
  water_ml: 14970,
  product_low_ml: null,
  product_high_ml: null,
  times: 1,
  says: '',
  ...more,
})

describe('what a step takes', () => {
  it('is said once a product, out of its vessel, for all it is used on', () => {
    const wash = step('wash', {
      portions: [portion('plain', 20, 'paint'), portion('plain', 10, 'wheels'), portion('glass', null, 'glass')],
    })
    expect(dosesFor(wash, [fill()], volume)).toEqual([
      { name: 'PLAIN', zone: 'paint', says: 'from grey bucket, 30 ml of it, on paint and wheels' },
      { name: 'GLASS', zone: 'glass', says: 'on glass' },
    ])
  })
  it('says no amount where one of them is not known', () => {
    const wash = step('wash', { portions: [portion('plain', 20, 'paint'), portion('plain', null, 'wheels')] })
    expect(dosesFor(wash, [fill({ vessel: null })], volume)[0]?.says).toBe('on paint and wheels')
    expect(dosesFor(step('dry'), [fill()], volume)).toEqual([])
  })
})

describe('a filling in one line', () => {
  it('names product, water and how often', () => {
    expect(fillLine(fill(), volume)).toBe('30 ml of Merrow Plain, water to 15000 ml')
    expect(fillLine(fill({ times: 2 }), volume)).toBe('30 ml of Merrow Plain, water to 15000 ml, 2 times')
  })
  it('is neat where hardly any water goes in', () => {
    expect(fillLine(fill({ water_ml: 0.4 }), volume)).toBe('Merrow Plain as it comes, 30 ml')
    expect(fillLine(fill({ water_ml: null }), volume)).toBe('Merrow Plain as it comes, 30 ml')
    expect(fillLine(fill({ water_ml: 0.5 }), volume)).toBe('30 ml of Merrow Plain, water to 15000 ml')
  })
  it('is a span where the lance was never calibrated, and the name alone where nothing is known', () => {
    const unknown = { product_ml: null, water_ml: null, product_low_ml: 20, product_high_ml: 90 }
    expect(fillLine(fill(unknown), volume)).toBe('20 ml to 90 ml of Merrow Plain, water to 15000 ml')
    expect(fillLine(fill({ ...unknown, product_low_ml: null }), volume)).toBe('Merrow Plain')
    expect(fillLine(fill({ ...unknown, product_high_ml: null }), volume)).toBe('Merrow Plain')
  })
  it('is plain water where nothing is in it', () => {
    expect(fillLine(fill({ product_id: null }), volume)).toBe('Clear water, 15000 ml')
  })
})

describe('what became different', () => {
  const soaped = (...names: string[]) => ({ portions: names.map((name) => portion(name, 10, 'paint')) })
  it('is said step by step', () => {
    const before = [step('foam'), step('wash', soaped('plain')), step('dry'), step('top'), step('rinse')]
    const after = [
      step('wash', soaped('plain', 'rich')),
      step('dry', { name: 'AIR' }),
      step('top', soaped('hood')),
      step('rinse'),
      step('tar', soaped('tar', 'wipe')),
      step('look'),
    ]
    expect(changes(before, after)).toEqual([
      'WASH: PLAIN, RICH instead of PLAIN.',
      'AIR, instead of: DRY.',
      'TOP: HOOD instead of nothing.',
      'New: TAR (TAR, WIPE).',
      'New: LOOK.',
      'No longer: FOAM.',
    ])
    expect(changes(after, before)).toContain('TOP: nothing instead of HOOD.')
  })
})
