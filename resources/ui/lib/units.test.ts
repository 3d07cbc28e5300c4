import { computed, ref } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const system = ref<'metric' | 'us' | 'imperial'>('metric')
vi.mock('./session', () => ({ useMe: () => ({ units: computed(() => system.value) }) }))
const { useUnits } = await import('./units')

describe('quantities are shown and typed in the workspace’s units', () => {
  beforeEach(() => {
    system.value = 'metric'
  })

  it('metric', () => {
    const units = useUnits()
    expect([
      units.volume(420),
      units.volume(4100),
      units.temperature(21.4),
      units.distance(160),
      units.area(11.5),
    ]).toEqual(['420 ml', '4.1 l', '21 °C', '160 km', '11.5 m²'])
  })

  it('US', () => {
    system.value = 'us'
    const units = useUnits()
    expect([units.volume(29.5735295625), units.temperature(21), units.distance(160.9344), units.area(10)]).toEqual([
      '1 fl oz',
      '70 °F',
      '100 miles',
      '108 sq ft',
    ])
    expect(units.temperatureUnit.value).toBe('°F')
  })

  it('imperial keeps degrees Celsius and has its own ounce', () => {
    system.value = 'imperial'
    const units = useUnits()
    expect([units.volume(28.4130625), units.temperature(21), units.volumeUnit.value]).toEqual([
      '1 fl oz',
      '21 °C',
      'imp fl oz',
    ])
  })

  it('names what it counts in', () => {
    const named = (which: 'metric' | 'us' | 'imperial') => {
      system.value = which
      const { volumeUnit, distanceUnit, temperatureUnit, speedUnit, areaUnit } = useUnits()
      return [volumeUnit, distanceUnit, temperatureUnit, speedUnit, areaUnit].map((unit) => unit.value)
    }
    expect(named('metric')).toEqual(['ml', 'km', '°C', 'm/s', 'm²'])
    expect(named('us')).toEqual(['fl oz', 'miles', '°F', 'mph', 'sq ft'])
    expect(named('imperial')).toEqual(['imp fl oz', 'miles', '°C', 'mph', 'sq ft'])
  })

  it('rounds to what one can measure, and a litre is a litre', () => {
    const metric = useUnits()
    expect([metric.volume(999.4), metric.volume(1000), metric.area(11.46), metric.speedOut(4.449)]).toEqual([
      '999 ml',
      '1 l',
      '11.5 m²',
      4.4,
    ])
    expect([metric.speedIn(7), metric.distanceIn(7.6), metric.temperatureOut(4.449), metric.areaOut(9.26)]).toEqual([
      7, 8, 4.4, 9.3,
    ])
    system.value = 'us'
    const us = useUnits()
    expect([us.volume(1000), us.speedOut(10), us.speedIn(10), us.distanceIn(10), us.areaOut(10)]).toEqual([
      '33.8 fl oz',
      22.4,
      4.4704,
      16,
      107.6,
    ])
  })

  it.each(['metric', 'us', 'imperial'] as const)('what is typed in %s comes back as typed', (which) => {
    system.value = which
    const units = useUnits()
    for (const typed of [1, 8, 33.8]) expect(units.volumeOut(units.volumeIn(typed))).toBeCloseTo(typed, 1)
    for (const typed of [-4, 0, 71.5]) expect(units.temperatureOut(units.temperatureIn(typed))).toBeCloseTo(typed, 1)
    for (const typed of [0, 95, 420]) expect(units.distanceOut(units.distanceIn(typed))).toBe(typed)
    for (const typed of [9, 124]) expect(units.areaOut(units.areaIn(typed))).toBeCloseTo(typed, 1)
  })
})
