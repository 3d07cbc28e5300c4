import type { Schemas } from '@/api/client'
import { listed, t, within } from '@/lib/i18n'
import { zones } from '@/lib/words'
import type { Step } from './fold'

export type Fill = Schemas['DoseFill']

/** What a step takes, and out of which vessel: "from the hand sprayer", or so much as it comes. */
export function dosesFor(
  step: Step,
  fills: Fill[],
  volume: (ml: number) => string,
): { name: string; zone: string; says: string }[] {
  const firsts = step.portions.filter(
    (portion, i) => step.portions.findIndex((one) => one.product_id === portion.product_id) === i,
  )
  return firsts.map(({ product_id, name, zone }) => {
    const same = step.portions.filter((one) => one.product_id === product_id)
    const ml = same.some((one) => one.ml === null) ? null : same.reduce((sum, one) => sum + (one.ml ?? 0), 0)
    const fill = fills.find((one) => one.product_id === product_id)
    const parts = [
      fill?.vessel ? t('doses.from', { vessel: within(fill.vessel) }) : '',
      ml === null ? '' : t('doses.of-it', { volume: volume(ml) }),
      t('doses.on', {
        zones: listed(same.map((one) => within(zones[one.zone] ?? one.zone))),
      }),
    ]
    return { name, zone, says: parts.filter(Boolean).join(', ') }
  })
}

/** A filling in one line: "Grey bucket: 30 ml Merrow Plain, water to 15 l". */
export function fillLine(fill: Fill, volume: (ml: number) => string): string {
  if (fill.product_id === null) return `${fill.for}, ${volume(fill.mix_ml)}`
  if (fill.product_ml === null)
    return fill.product_low_ml !== null && fill.product_high_ml !== null
      ? t('doses.to-fill', {
          low: volume(fill.product_low_ml),
          high: volume(fill.product_high_ml),
          product: fill.product,
          mix: volume(fill.mix_ml),
        })
      : fill.product
  const neat = (fill.water_ml ?? 0) < 0.5
  const times = fill.times > 1 ? t('doses.times', { n: fill.times }) : ''
  return neat
    ? t('doses.neat', { product: fill.product, volume: volume(fill.product_ml) })
    : t('doses.mixed', { volume: volume(fill.product_ml), product: fill.product, mix: volume(fill.mix_ml), times })
}
