import { locale } from '@/lib/i18n'
type System = 'metric' | 'us' | 'imperial'

/** Millilitres in a unit as people write it; a plain ounce or gallon is the workspace's own, US in a metric one. */
const SAME: Record<string, number> = {
  ml: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  ltr: 1000,
  litre: 1000,
  litres: 1000,
  liter: 1000,
  liters: 1000,
}
const US = { oz: 29.5735295625, gal: 3785.411784 }
const IMPERIAL = { oz: 28.4130625, gal: 4546.09 }

/**
 * A volume as typed: "8 oz", "1.5 l", "500", "1/2 gal". A bare number is in the workspace's own small unit. Null when it is none.
 */
export function readAmount(text: string, system: System): number | null {
  const found = /^\s*(\d+\s*\/\s*\d+|\d*[.,]?\d+)\s*([a-z. ]*)\s*$/i.exec(text)
  if (!found) return null
  const [, digits = '', word = ''] = found
  const [top, bottom] = digits.split('/').map((part) => Number(part.trim().replace(',', '.')))
  const number = bottom === undefined ? (top ?? NaN) : (top ?? NaN) / bottom
  if (!Number.isFinite(number) || number <= 0) return null
  const unit = word.toLowerCase().replace(/[.\s]/g, '')
  const own = system === 'imperial' ? IMPERIAL : US
  if (unit === '') return number * (system === 'metric' ? 1 : own.oz)
  if (SAME[unit]) return number * SAME[unit]
  const from = unit.startsWith('imp') || unit.startsWith('uk') ? IMPERIAL : unit.startsWith('us') ? US : own
  const bare = unit.replace(/^(imp|uk|us)/, '').replace(/^fl/, '')
  if (['oz', 'ounce', 'ounces', 'floz'].includes(bare)) return number * from.oz
  if (['gal', 'gals', 'gallon', 'gallons'].includes(bare)) return number * from.gal
  return null
}

/** A share as one would say it: "1 : 99 (1 %)". */
export function sayShare(share: number): string {
  const percent = (share * 100).toLocaleString(locale(), { maximumSignificantDigits: 3 })
  if (share >= 0.995) return 'neat'
  return `1 : ${(1 / share - 1).toLocaleString(locale(), { maximumSignificantDigits: 3 })} (${percent} %)`
}
