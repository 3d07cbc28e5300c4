import { computed } from 'vue'
import { locale } from './i18n'
import { useMe } from './session'

type System = 'metric' | 'us' | 'imperial'

const OUNCE: Record<System, number> = { metric: 1, us: 29.5735295625, imperial: 28.4130625 }
const KM_PER_MILE = 1.609344
const SQUARE_FEET = 10.7639104167
const MPH = 0.44704
/** mg/l of CaCO₃ in one of each, as the core has it (Units\\Hardness). */
const HARDNESS = { 'mg/l': 1, ppm: 1, '°dH': 17.848, '°fH': 10, '°e': 14.2538, gpg: 17.1181 }

function round(value: number, digits: number): string {
  return value.toLocaleString(locale(), { maximumFractionDigits: digits })
}

/** Quantities are stored in SI units and shown, and typed, in the workspace's. */
export function useUnits() {
  const { units, hardnessUnit } = useMe()
  const metric = computed(() => units.value === 'metric')
  const fahrenheit = computed(() => units.value === 'us')
  return {
    metric,
    volumeUnit: computed(() => (metric.value ? 'ml' : units.value === 'us' ? 'fl oz' : 'imp fl oz')),
    distanceUnit: computed(() => (metric.value ? 'km' : 'miles')),
    temperatureUnit: computed(() => (fahrenheit.value ? '°F' : '°C')),
    speedUnit: computed(() => (metric.value ? 'm/s' : 'mph')),
    speedIn: (typed: number) => (metric.value ? typed : typed * MPH),
    speedOut: (ms: number) => Number((metric.value ? ms : ms / MPH).toFixed(1)),
    areaUnit: computed(() => (metric.value ? 'm²' : 'sq ft')),
    volume(ml: number): string {
      if (metric.value) return ml >= 1000 ? `${round(ml / 1000, 2)} l` : `${round(ml, 0)} ml`
      return `${round(ml / OUNCE[units.value], 1)} fl oz`
    },
    temperature: (c: number) => (fahrenheit.value ? `${round(c * 1.8 + 32, 0)} °F` : `${round(c, 0)} °C`),
    distance: (km: number) => (metric.value ? `${round(km, 0)} km` : `${round(km / KM_PER_MILE, 0)} miles`),
    area: (m2: number) => (metric.value ? `${round(m2, 1)} m²` : `${round(m2 * SQUARE_FEET, 0)} sq ft`),
    volumeIn: (typed: number) => typed * OUNCE[units.value],
    volumeOut: (ml: number) => Number((ml / OUNCE[units.value]).toFixed(1)),
    distanceIn: (typed: number) => Math.round(metric.value ? typed : typed * KM_PER_MILE),
    distanceOut: (km: number) => Math.round(metric.value ? km : km / KM_PER_MILE),
    temperatureIn: (typed: number) => (fahrenheit.value ? (typed - 32) / 1.8 : typed),
    temperatureOut: (c: number) => Number((fahrenheit.value ? c * 1.8 + 32 : c).toFixed(1)),
    hardnessUnit,
    hardness: (mgL: number) => `${round(mgL / HARDNESS[hardnessUnit.value], 1)} ${hardnessUnit.value}`,
    hardnessIn: (typed: number) => Number((typed * HARDNESS[hardnessUnit.value]).toFixed(1)),
    hardnessOut: (mgL: number) => Number((mgL / HARDNESS[hardnessUnit.value]).toFixed(1)),
    areaIn: (typed: number) => (metric.value ? typed : typed / SQUARE_FEET),
    areaOut: (m2: number) => Number((metric.value ? m2 : m2 * SQUARE_FEET).toFixed(1)),
  }
}
