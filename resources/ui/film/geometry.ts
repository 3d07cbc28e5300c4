/** Pure geometry of our drawings; no numbers of the job are decided here. */

/** A tenth of a pixel is as fine as an eye; rounding by arithmetic is ten times as fast as by text. */
import { monthName } from '@/lib/dates'

const f = (value: number) => Math.round(value * 10) / 10

export type Scale = (moment: string | number) => number

/** Moments to pixels over a span of time. */
export function timeScale(from: string, to: string, width: number): Scale {
  const start = Date.parse(from)
  const per = width / (Date.parse(to) - start)
  return (moment) => ((typeof moment === 'number' ? moment : Date.parse(moment)) - start) * per
}

/** A drop as a circular segment over (x, y) with this contact angle; all drops hold the same water. */
export function dropPath(x: number, y: number, angleDeg: number, size: number): string {
  const angle = (Math.min(168, Math.max(10, angleDeg)) * Math.PI) / 180
  // Area of the segment with half-base a: a² (θ − sin θ cos θ) / sin² θ. Keep the area, find a.
  const half = Math.min(
    size * 1.5,
    size * Math.sqrt(1.3 / ((angle - Math.sin(angle) * Math.cos(angle)) / Math.sin(angle) ** 2)),
  )
  const radius = half / Math.sin(angle)
  return `M${f(x - half)} ${f(y)}A${f(radius)} ${f(radius)} 0 ${angle > Math.PI / 2 ? 1 : 0} 1 ${f(x + half)} ${f(y)}z`
}

type Point = { at: string; left: number }

/** The body of a ribbon: from its floor up to what is left, along time. */
export function bodyPath(points: Point[], x: Scale, floor: number, height: number, from: number, to: number): string {
  const line = points.map((point) => [Math.min(to, Math.max(from, x(point.at))), floor - point.left * height] as const)
  const first = line[0]
  const last = line.at(-1)
  if (!first || !last) return ''
  return `M${f(first[0])} ${f(floor)}${line.map(([px, py]) => `L${f(px)} ${f(py)}`).join('')}L${f(last[0])} ${f(floor)}z`
}

/** Slits cut down from the upper edge, one a wash: as deep as the share the wash took, and never too small to see. */
export function nicksPath(points: Point[], x: Scale, floor: number, height: number): string {
  let path = ''
  for (let i = 0; i < points.length - 1; i++) {
    const point = points[i]
    const next = points[i + 1]
    if (!point || !next || point.at !== next.at) continue
    const top = floor - point.left * height
    const depth = Math.min(floor - top, Math.max(7, (point.left - next.left) * height + 5))
    path += `M${f(x(point.at) - 2.6)} ${f(top - 1)}l2.6 ${f(depth + 1)}l2.6 ${f(-depth - 1)}z`
  }
  return path
}

/** Months that begin inside a span, for the axis. */
export function monthStarts(from: string, to: string): { at: number; name: string }[] {
  const starts = []
  const date = new Date(from)
  date.setUTCDate(1)
  date.setUTCHours(0, 0, 0, 0)
  for (
    date.setUTCMonth(date.getUTCMonth() + 1);
    date.getTime() < Date.parse(to);
    date.setUTCMonth(date.getUTCMonth() + 1)
  ) {
    starts.push({
      at: date.getTime(),
      name: monthName(date.getUTCMonth() + 1),
    })
  }
  return starts
}
