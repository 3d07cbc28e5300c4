import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { groups, layersOf, matches } from './groups'

const ribbon = (more: Partial<Schemas['Ribbon']>) =>
  ({
    name: 'Taxi seven',
    model: 'Tern',
    client: 'Two Piers',
    site: 'West pier',
    state: 'later',
    base: null,
    outermost: null,
    ...more,
  }) as Schemas['Ribbon']

describe('the film’s groups', () => {
  it('follow what one acts on first and leave out the empty', () => {
    const states = ['later', 'due', 'bare', 'failed', 'suspect', 'soon', 'open', 'unknown'] as const
    const grouped = groups(states.map((state, i) => ribbon({ state, vehicle_id: String(i) })))
    expect(grouped.map((group) => [group.key, group.ribbons.map((one) => one.state)])).toEqual([
      ['now', ['due', 'failed', 'suspect', 'open']],
      ['soon', ['soon']],
      ['later', ['later']],
      ['unknown', ['bare', 'unknown']],
    ])
    expect(groups([])).toEqual([])
  })

  it('are searched by any words, in any order, of name, owner, place and layers', () => {
    const coated = ribbon({
      base: { family: 'ceramic', name: 'Deep Nine', on_at: '' },
      outermost: { id: '', kind: 'topper', family: 'silica-spray', name: 'Hood' },
    })
    for (const search of ['', '  ', 'taxi', 'SEVEN taxi', 'pier hood', 'ceramic coating', 'deep'])
      expect(matches(coated, search)).toBe(true)
    expect(matches(coated, 'taxi nine-hundred')).toBe(false)
  })

  it('say what lies on what', () => {
    const base = { family: 'wax', name: null, on_at: '' }
    expect(layersOf(ribbon({}))).toBe('Nothing on the paint yet')
    expect(layersOf(ribbon({ base, outermost: { id: '', kind: 'base', family: 'wax', name: null } }))).toBe('Wax')
    expect(layersOf(ribbon({ base, outermost: { id: '', kind: 'topper', family: 'wax', name: 'Ivory' } }))).toBe(
      'Ivory on Wax',
    )
  })
})
