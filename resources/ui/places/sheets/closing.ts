import { locale, t } from '@/lib/i18n'
import type { Schemas } from '@/api/client'
import type { Kept } from '@/offline/store'
import { stepOf, tookS, type State } from './fold'

export type Use = { product_id: string; name: string; zone: string; planned: number | null; ml: number | null }

/** What was used, step by step as planned, until somebody corrects it. */
export function usesOf(kept: Kept, state: State): Use[] {
  const uses = new Map<string, Use>()
  for (const step of kept.sheet.plan.steps) {
    const { endedAt, skipped } = stepOf(state, step.id)
    if (endedAt === null || skipped) continue
    for (const portion of step.portions) {
      const key = `${portion.product_id} ${portion.zone}`
      const known = uses.get(key)
      const ml = portion.ml === null && known?.planned == null ? null : (known?.planned ?? 0) + (portion.ml ?? 0)
      uses.set(key, { product_id: portion.product_id, name: portion.name, zone: portion.zone, planned: ml, ml })
    }
  }
  return [...uses.values()]
}

/** Towels, sides and mitts: as counted where somebody counted, else as planned for what was done. */
export function textilesOf(kept: Kept, state: State): Record<string, number> {
  const planned: Record<string, number> = {}
  for (const step of kept.sheet.plan.steps) {
    const { endedAt, skipped } = stepOf(state, step.id)
    if (endedAt === null || skipped) continue
    for (const [what, n] of Object.entries(step.textiles)) planned[what] = (planned[what] ?? 0) + Number(n)
  }
  // Panels and looks are ticked under their step's name, with a stroke in it.
  const counted = Object.entries(state.counts).filter(([what]) => !what.includes('/'))
  return { ...planned, ...Object.fromEntries(counted) }
}

export function waterOf(kept: Kept, state: State): number {
  return Math.round(
    kept.sheet.plan.steps.reduce((sum, step) => {
      const { endedAt, skipped } = stepOf(state, step.id)
      return endedAt === null || skipped ? sum : sum + step.water_l
    }, 0),
  )
}

/** Planned kinds for which the laying-out found no step: the day, or what is at hand, does not let them be. */
export function withoutStep(plan: Pick<Kept['sheet']['plan'], 'kinds' | 'steps'>): string[] {
  return (plan.kinds ?? []).filter((kind) => kind !== 'wash' && !plan.steps.some((step) => step.fulfils === kind))
}

/** What a planned kind is that no tick has done: asked for why, and taken up again by the plan. */
export function leftOut(kept: Kept, state: State): string[] {
  const planned = (kept.sheet.plan.kinds ?? []).filter((kind) => kind !== 'wash')
  return planned.filter(
    (kind) =>
      !kept.sheet.plan.steps.some((step) => {
        const { endedAt, skipped } = stepOf(state, step.id)
        return step.fulfils === kind && endedAt !== null && !skipped
      }),
  )
}

export const whyLeft = [
  'No time left',
  'The weather',
  'The client didn’t want it',
  'It didn’t need it',
  'Nothing to do it with',
] as const

/** The same in the language of whoever reads; what is written down stays as it is. */
export const whySaid = (why: string): string => {
  const at = [...whyLeft, noStep].indexOf(why as (typeof whyLeft)[number])
  return at < 0 || locale() === 'en-GB' ? why : t(`closing.why-${at}`)
}

/** Why a kind without a step is left out, until somebody says otherwise. */
export const noStep = 'There was no step for it that day'

/** What is known of why at the end of a visit, before anybody is asked. */
export function leftByItself(plan: Pick<Kept['sheet']['plan'], 'kinds' | 'steps' | 'topper'>): Record<string, string> {
  return Object.fromEntries(
    withoutStep(plan).map((kind) => [
      kind,
      kind === 'topper' && plan.topper.why ? plan.topper.why.slice(0, 120) : noStep,
    ]),
  )
}

export type Closing = {
  /** Why a planned kind was left out, by kind. */
  left?: Record<string, string>
  /** What the inspection saw. */
  seen?: string[]
  id: string
  uses: Use[]
  textiles: Record<string, number>
  water_l: number | null
  note: string
  recommended: string
  refused: { what: string; why: string }[]
}

/** Whether the base was looked over as planned. */
export const inspected = (kept: Kept, state: State): boolean =>
  (kept.sheet.plan.kinds ?? []).includes('inspection') && !leftOut(kept, state).includes('inspection')

/** The turn as it goes to the record. */
export function turnOf(kept: Kept, state: State, closing: Closing, now: number): Schemas['TurnInput'] {
  const { facts, plan } = kept.sheet
  const soil = state.found.soil ?? facts.seen.soil
  const begun = state.begunAt ?? now
  const still = state.paused.reduce((sum, pause) => sum + ((pause.to ?? now) - pause.from), 0)
  return {
    id: closing.id,
    worked_at: new Date(begun).toISOString(),
    minutes: Math.max(1, Math.min(1440, Math.round((now - begun - still) / 60_000))),
    soil,
    grit: state.found.grit || facts.seen.grit === true,
    method: plan.method ?? 'two-mitts',
    purpose: facts.seen.purpose ?? 'maintain',
    water: (plan.water as 'tap' | 'treated' | 'none') ?? 'tap',
    panel_c: state.sun?.panel_c ?? facts.panel_c ?? null,
    clay: plan.steps.some(
      (step) => step.kind === 'clay' && stepOf(state, step.id).endedAt !== null && !stepOf(state, step.id).skipped,
    ),
    note: [...state.notes, closing.note].filter(Boolean).join('\n') || null,
    readings: state.readings as Schemas['ReadingInput'][],
    products: closing.uses.map(({ product_id, zone, ml }) => ({
      product_id,
      zone,
      quantity_ml: ml === null || ml < 0.1 ? null : Math.round(ml * 10) / 10,
    })),
    crew: kept.sheet.crew,
    water_l: closing.water_l,
    textiles: Object.fromEntries(Object.entries(closing.textiles).filter(([, n]) => n > 0)),
    steps: plan.steps.map((step) => {
      const known = stepOf(state, step.id)
      return {
        id: step.id,
        name: step.name,
        kind: step.kind,
        took_s: tookS(known, state.paused, now),
        estimate_min: step.estimate_min,
        skipped: known.skipped || known.endedAt === null,
      }
    }),
    scope: facts.scope ?? 'usual',
    kinds: plan.kinds as Schemas['TurnInput']['kinds'],
    left_out: leftOut(kept, state).map((kind) => ({ kind, why: closing.left?.[kind] ?? 'Not said' })),
    inspection: inspected(kept, state) ? { seen: closing.seen ?? [], note: null } : null,
    refused: closing.refused,
    recommended: closing.recommended || null,
  }
}
