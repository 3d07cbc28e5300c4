import type { Schemas } from '@/api/client'
import { between, through } from '@/film/charts'

export type Planned = { washes: string[]; topper: string | null; productId: string }

const DAY = 86_400_000
export const dateOf = (moment: number): string => new Date(moment).toISOString().slice(0, 10)
export const momentOf = (date: string): number => Date.parse(`${date}T12:00:00Z`)

/** A day so many days on, kept within the reach. */
export function moved(date: string, by: number, first: string, last: string): string {
  const to = dateOf(momentOf(date) + by * DAY)
  return to < first ? first : to > last ? last : to
}

/** The plan with one wash on another day; a topper that goes on at that wash goes along. Two never share a day. */
export function withWash(plan: Planned, from: string, to: string): Planned {
  if (from === to || plan.washes.includes(to)) return plan
  return {
    ...plan,
    washes: plan.washes.map((date) => (date === from ? to : date)).sort(),
    topper: plan.topper === from ? to : plan.topper,
  }
}

/** The topper at the wash nearest to a day. */
export function withTopper(plan: Planned, day: string): Planned {
  const nearest = [...plan.washes].sort(
    (a, b) => Math.abs(momentOf(a) - momentOf(day)) - Math.abs(momentOf(b) - momentOf(day)),
  )[0]
  return { ...plan, topper: nearest ?? null }
}

/** The area between the short and the long life, and the line of the middling one. */
export function outline(points: Schemas['AheadPoint'][], x: (at: string) => number, y: (left: number) => number) {
  const at = (point: Schemas['AheadPoint']) => x(point.at)
  return {
    spread: between(
      points,
      at,
      (point) => y(point.low),
      (point) => y(point.high),
    ),
    middle: through(points, at, (point) => y(point.mid)),
  }
}
