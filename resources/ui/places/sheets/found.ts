import { t } from '@/lib/i18n'
import type { Plan } from '@/offline/store'
import type { Step } from './fold'

export type Found = { soil: number | null; grit: boolean; on: string[] }

/** The plans taken along that answer what was found: the soil first, then each thing on the paint. */
export function answering(found: Found, seen: Found, otherwise: Record<string, Plan>): Plan[] {
  const names = [
    ...(found.soil !== null && found.soil !== seen.soil ? [`soil:${found.soil}`] : []),
    ...(found.grit && !seen.grit ? ['grit'] : []),
    ...found.on.filter((one) => !seen.on.includes(one)).map((one) => `on:${one}`),
  ]
  return names.map((name) => otherwise[name]).filter((plan): plan is Plan => plan !== undefined)
}

/**
 * One plan out of several, where nobody can be asked: the first as it is, and what the others have besides put in where
 * they have it. Nothing is judged here; every step comes from a plan that was reckoned.
 */
export function merged(now: Plan, plans: Plan[]): Plan {
  const [first, ...others] = plans
  if (!first) return now
  let steps = [...first.steps]
  for (const plan of others) {
    plan.steps.forEach((step, i) => {
      if (steps.some((known) => known.id === step.id)) return
      const before = plan.steps
        .slice(0, i)
        .reverse()
        .find((one) => steps.some((known) => known.id === one.id))
      const at = before ? steps.findIndex((known) => known.id === before.id) + 1 : 0
      steps = [...steps.slice(0, at), { ...step, start: steps[at - 1]?.start ?? 0 }, ...steps.slice(at)]
    })
  }
  const finish = plans.reduce((most, plan) => Math.max(most, plan.finish ?? 0), 0)
  return { ...first, steps, finish: finish || null, windows: now.windows }
}

const DECIDED_BY_WATER = ['decon', 'read', 'topper']

/**
 * The plan after the clean water was read, where nobody can be asked: what the water decides is taken from the plan reckoned
 * for that reading, everything else stays as it is.
 */
export function reread(now: Plan, then: Plan | undefined, done: string[]): Plan {
  if (!then) return now
  const waterDecides = (step: Step) => DECIDED_BY_WATER.includes(step.group) && !done.includes(step.id)
  const kept = now.steps.filter((step) => !waterDecides(step))
  const wanted = then.steps.filter((step) => DECIDED_BY_WATER.includes(step.group))
  const steps = merged({ ...now, steps: kept }, [
    { ...now, steps: kept },
    { ...then, steps: then.steps.filter((step) => wanted.includes(step) || kept.some((one) => one.id === step.id)) },
  ])
  // What waits for a topper that is not put on, waits for what the topper waited for.
  const here = new Set(steps.steps.map((step) => step.id))
  const relinked = steps.steps.map((step) => {
    const same = then.steps.find((one) => one.id === step.id)
    return step.after.every((id) => here.has(id)) || !same ? step : { ...step, after: same.after }
  })
  return { ...steps, steps: relinked, topper: then.topper }
}

/** What became different, in sentences. */
export function changes(before: Step[], after: Step[]): string[] {
  const names = (step: Step) => step.portions.map((portion) => portion.name).join(', ')
  const said: string[] = []
  for (const step of after) {
    const known = before.find((one) => one.id === step.id)
    if (!known) said.push(t('found.new', { step: step.name, with: names(step) ? ` (${names(step)})` : '' }))
    else if (known.name !== step.name) said.push(t('found.instead-of', { step: step.name, was: known.name }))
    else if (names(known) !== names(step))
      said.push(
        t('found.with', {
          step: step.name,
          is: names(step) || t('found.nothing'),
          was: names(known) || t('found.nothing'),
        }),
      )
  }
  for (const step of before)
    if (!after.some((one) => one.id === step.id)) said.push(t('found.no-longer', { step: step.name }))
  return said
}
