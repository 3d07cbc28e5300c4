import type { Schemas } from '@/api/client'
import { stepOf, type State, type Step } from './fold'

export type Timer = {
  step: Step
  /** The step that put the product on. */
  of: string
  from: number
  /** Both as moments, ms; the second is null when nothing dries. */
  opens: number
  closes: number | null
  phase: 'works' | 'ready' | 'hurry' | 'over'
}

/** So long before a film dries it is called out, at the latest. */
const HURRY_S = 60

type Windows = Schemas['SheetWindows'] | undefined

/**
 * Dwell timers that run: a product is on, and the step that takes it off has not begun. They are reckoned from the clock
 * and from what was noted, so that a phone that slept or was reloaded shows the same.
 */
export function timers(steps: Step[], state: State, windows: Windows, now: number): Timer[] {
  const running: Timer[] = []
  for (const step of steps) {
    const wait = step.wait
    const of = wait ? stepOf(state, wait.of) : null
    if (!wait || of?.endedAt == null || of.skipped || stepOf(state, step.id).startedAt !== null) continue
    if (stepOf(state, step.id).endedAt !== null) continue
    const limit = atMostS(step, state, windows)
    const opens = of.endedAt + wait.min_s * 1000
    const closes = limit === null ? null : of.endedAt + Math.max(limit, wait.min_s) * 1000
    const hurry = closes === null ? null : Math.max(opens, closes - HURRY_S * 1000)
    running.push({
      step,
      of: wait.of,
      from: of.endedAt,
      opens,
      closes,
      phase:
        closes !== null && now >= closes
          ? 'over'
          : hurry !== null && now >= hurry
            ? 'hurry'
            : now >= opens
              ? 'ready'
              : 'works',
    })
  }
  return running.sort((a, b) => (a.closes ?? Infinity) - (b.closes ?? Infinity))
}

/** Seconds a film may wait, with what was measured since. The label's limit stands whatever the weather does. */
export function atMostS(step: Step, state: State, windows: Windows): number | null {
  const wait = step.wait
  if (!wait) return null
  const film = wait.film
  if (!state.sun || !film || !windows) return wait.max_s
  const table = windows.films[film]
  if (!table) return wait.max_s
  const working = readOff(table, windows.panels_c, windows.suns_w_m2, state.sun.panel_c, state.sun.sun_w_m2)
  return Math.max(wait.min_s, Math.min(wait.label_max_s ?? Infinity, working) - wait.on_s)
}

/** Between the points of a table in straight lines; beyond its edges as at the edge. */
export function readOff(table: number[][], rows: number[], columns: number[], row: number, column: number): number {
  const [r, y] = place(rows, row)
  const [c, x] = place(columns, column)
  const at = (i: number, k: number) => table[i]?.[k] ?? 0
  const upper = at(r, c) * (1 - x) + at(r, c + 1) * x
  const lower = at(r + 1, c) * (1 - x) + at(r + 1, c + 1) * x
  return upper * (1 - y) + lower * y
}

function place(axis: number[], value: number): [number, number] {
  const last = axis.length - 2
  for (let i = 0; i <= last; i++) {
    const [low, high] = [axis[i] ?? 0, axis[i + 1] ?? 0]
    if (value <= high || i === last) return [i, Math.min(1, Math.max(0, (value - low) / (high - low)))]
  }
  return [0, 0]
}

/** "3:05", "0:00" at the end, "-0:20" beyond it. */
export function clock(ms: number): string {
  const s = Math.floor(Math.abs(ms) / 1000)
  return `${ms < 0 && s > 0 ? '−' : ''}${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}
