import type { Schemas } from '@/api/client'
import { hourIn } from '@/lib/dates'

const why: Record<string, string> = { 'dries-too-fast': 'it dries too fast', frost: 'frost', rain: 'rain' }

/** "Avoid 12 to 15: it dries too fast." */
export function avoid(stop: Pick<Schemas['RoundStop'], 'hours'>, zone: string): string {
  const spans: { from: string; to: string; why: string }[] = []
  for (const hour of stop.hours) {
    const last = spans[spans.length - 1]
    const end = String(Number(hourIn(zone, hour.at)) + 1)
    if (!hour.avoid) continue
    if (last && last.why === hour.avoid && last.to === hourIn(zone, hour.at)) last.to = end
    else spans.push({ from: hourIn(zone, hour.at), to: end, why: hour.avoid })
  }
  if (!spans.length) return 'Any hour will do.'
  return `Avoid ${spans.map((span) => `${span.from} to ${span.to} (${why[span.why] ?? span.why})`).join(', ')}.`
}
