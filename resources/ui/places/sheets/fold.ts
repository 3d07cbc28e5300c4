import type { Schemas } from '@/api/client'
import type { SheetEvent } from '@/offline/store'

export type Step = Schemas['SheetStep']
type Reading = { zone: string; stage: string; behaviour: string; part?: string; sheets_s?: number | null }

export type StepState = { startedAt: number | null; endedAt: number | null; skipped: boolean; by: string | null }

/** What has happened on a sheet so far. */
export type State = {
  begunAt: number | null
  steps: Record<string, StepState>
  acked: Set<string>
  readings: Reading[]
  counts: Record<string, number>
  notes: string[]
  paused: { from: number; to: number | null }[]
  /** What was measured since: panel °C and sun on it, W/m². */
  sun: { panel_c: number; sun_w_m2: number } | null
  /** What was found since arrival. */
  found: { soil: number | null; grit: boolean; on: string[] }
  holder: string | null
}

const never: StepState = { startedAt: null, endedAt: null, skipped: false, by: null }

/** The state of a step, known or not. */
export const stepOf = (state: State, id: string): StepState => state.steps[id] ?? never

/** Folds events into what they amount to. Their order is that of their clocks; what was undone counts for nothing. */
export function fold(events: SheetEvent[]): State {
  const undone = new Set(events.filter((event) => event.kind === 'undo').map((event) => String(event.facts.of)))
  const state: State = {
    begunAt: null,
    steps: {},
    acked: new Set(),
    readings: [],
    counts: {},
    notes: [],
    paused: [],
    sun: null,
    found: { soil: null, grit: false, on: [] },
    holder: null,
  }
  const ordered = events
    .filter((event) => !undone.has(event.id))
    .sort((a, b) => a.at.localeCompare(b.at) || a.device.localeCompare(b.device) || a.seq - b.seq)
  for (const event of ordered) apply(state, event)
  return state
}

function apply(state: State, event: SheetEvent): void {
  const at = Date.parse(event.at)
  const step = event.step === null ? null : (state.steps[event.step] ??= { ...never })
  switch (event.kind) {
    case 'begin':
      state.begunAt ??= at
      break
    case 'start':
      state.begunAt ??= at
      if (step) Object.assign(step, { startedAt: step.startedAt ?? at, by: step.by ?? event.by })
      break
    case 'end':
      // The first to end it ended it.
      if (step) Object.assign(step, { startedAt: step.startedAt ?? at, endedAt: step.endedAt ?? at })
      break
    case 'skip':
      if (step && step.endedAt === null) Object.assign(step, { skipped: true, endedAt: at })
      break
    case 'ack':
      // By its danger, in whatever words each phone says it; what is older was kept by its words.
      for (const by of [event.facts.hazard, event.facts.says]) if (by) state.acked.add(String(by))
      break
    case 'reading': {
      const reading = event.facts as unknown as Reading
      state.readings = [
        ...state.readings.filter(
          (known) =>
            known.zone !== reading.zone ||
            known.stage !== reading.stage ||
            (known.part ?? 'whole') !== (reading.part ?? 'whole'),
        ),
        reading,
      ]
      break
    }
    case 'count': {
      const what = String(event.facts.what)
      state.counts[what] = Math.max(0, (state.counts[what] ?? 0) + Number(event.facts.by))
      break
    }
    case 'note':
      state.notes.push(String(event.facts.says))
      break
    case 'pause':
      if (state.paused.at(-1)?.to !== null) state.paused.push({ from: at, to: null })
      break
    case 'resume': {
      const last = state.paused.at(-1)
      if (last && last.to === null) last.to = at
      break
    }
    case 'sun':
      state.sun = { panel_c: Number(event.facts.panel_c), sun_w_m2: Number(event.facts.sun_w_m2) }
      break
    case 'found':
      state.found = {
        soil: typeof event.facts.soil === 'number' ? event.facts.soil : state.found.soil,
        grit: state.found.grit || event.facts.grit === true,
        on: [...new Set([...state.found.on, ...((event.facts.on as string[] | undefined) ?? [])])],
      }
      break
    case 'hand-over':
      state.holder = String(event.facts.name ?? '')
      break
  }
}

/** By its danger, in whatever words each phone says it; what is older was kept by its words. */
export const isRead = (state: State, one: Schemas['SheetCaution']): boolean =>
  state.acked.has(one.hazard ?? '') || state.acked.has(one.says)

/** Nobody taps twice as fast as a step begins by itself after another. */
const BY_ITSELF_MS = 250

/** What a device noted last and has not taken back; a step that began by itself goes with the one whose end began it. */
export function lastDone(events: SheetEvent[], device: string): SheetEvent[] {
  const taken = new Set(events.filter((event) => event.kind === 'undo').map((event) => event.facts.of))
  const mine = events
    .filter((event) => event.device === device && event.kind !== 'undo' && !taken.has(event.id))
    .sort((a, b) => b.seq - a.seq)
  const count = mine.findIndex(
    (event, i) =>
      event.kind !== 'start' ||
      !['start', 'end'].includes(mine[i + 1]?.kind ?? '') ||
      Date.parse(event.at) - Date.parse(mine[i + 1]?.at ?? '') >= BY_ITSELF_MS,
  )
  return mine.slice(0, count + 1)
}

export const isPaused = (state: State): boolean => state.paused.at(-1)?.to === null && state.paused.length > 0

const isOver = (state: State, id: string): boolean => stepOf(state, id).endedAt !== null

/** What a step still waits for, by name of step; empty when it may begin. */
export function waitsFor(step: Step, state: State, steps: Step[]): string[] {
  const here = new Set(steps.map((one) => one.id))
  const before = [...step.after, ...(step.wait ? [step.wait.of] : [])]
  return [...new Set(before)].filter((id) => here.has(id) && !isOver(state, id))
}

export function isDone(step: Step, state: State): boolean {
  return isOver(state, step.id)
}

/** Whose step it is, by place in the crew. Nought is the whole crew on one phone. */
export const isFor = (step: Step, person: number): boolean => person === 0 || step.who.includes(person)

/** What a person does now, or next: what they have begun, else the first that may begin, else the first that waits. */
export function nextFor(person: number, steps: Step[], state: State): Step | null {
  const left = inOrder(steps).filter((step) => !isDone(step, state) && isFor(step, person))
  return (
    left.find((step) => stepOf(state, step.id).startedAt !== null) ??
    left.find((step) => waitsFor(step, state, steps).length === 0) ??
    left[0] ??
    null
  )
}

/** As scheduled; what is not scheduled any more keeps its place. */
export function inOrder(steps: Step[]): Step[] {
  return steps
    .map((step, i) => ({ step, i }))
    .sort((a, b) => (a.step.start ?? -1) - (b.step.start ?? -1) || a.i - b.i)
    .map(({ step }) => step)
}

/** Hands-on seconds of a step, without the time the visit stood still. */
export function tookS(step: StepState, paused: State['paused'], now: number): number | null {
  if (step.startedAt === null || step.endedAt === null || step.skipped) return null
  const { startedAt, endedAt } = step
  const still = paused.reduce(
    (sum, pause) => sum + Math.max(0, Math.min(endedAt, pause.to ?? now) - Math.max(startedAt, pause.from)),
    0,
  )
  return Math.max(0, Math.round((endedAt - startedAt - still) / 1000))
}
