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

  it.each(['metric', 'us', 'imperial'] as const)('what is typed in %s comes back as typed', (which) => {
    system.value = which
    const units = useUnits()
    for (const typed of [1, 8, 33.8]) expect(units.volumeOut(units.volumeIn(typed))).toBeCloseTo(typed, 1)
    for (const typed of [-4, 0, 71.5]) expect(units.temperatureOut(units.temperatureIn(typed))).toBeCloseTo(typed, 1)
    for (const typed of [0, 95, 420]) expect(units.distanceOut(units.distanceIn(typed))).toBe(typed)
    for (const typed of [9, 124]) expect(units.areaOut(units.areaIn(typed))).toBeCloseTo(typed, 1)
  })
})
