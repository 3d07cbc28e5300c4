import { computed, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import { listed, t } from '@/lib/i18n'
import { useUnits } from '@/lib/units'
import { handsSaid } from '@/lib/words'
import { dosesFor, type Fill } from './doses'
import { useDriveway } from './driveway'
import { isPaused, isRead, nextFor, stepOf, waitsFor, type State, type Step } from './fold'
import { clock, type Timer } from './timers'
import type { useSheet } from './useSheet'

/** A step, and whose it is where several share a phone. */
export type Card = { step: Step; whose: string | null }

/** A card for each step that somebody at this phone does. */
export function cardsOf(crew: number, person: number, steps: Step[], state: State, chosen: string | null): Card[] {
  const one = (who: number) => nextFor(who, steps, state)
  const taken = steps.find((step) => step.id === chosen && stepOf(state, step.id).endedAt === null)
  if (crew === 1 || person !== 0) {
    const step = taken ?? one(person)
    return step ? [{ step, whose: null }] : []
  }
  const whose = new Map<Step, number[]>()
  for (let who = 1; who <= crew; who++) {
    const step = taken?.who.includes(who) ? taken : one(who)
    if (step) whose.set(step, [...(whose.get(step) ?? []), who])
  }
  return [...whose].map(([step, who]) => ({
    step,
    whose: handsSaid(who, crew).replace(/^./, (letter) => letter.toUpperCase()),
  }))
}

/** What is grave about a step and nobody has read yet. */
export const unreadOf = (step: Step, state: State): Schemas['SheetCaution'][] =>
  step.cautions.filter((one) => one.grave && !isRead(state, one))

/** Whether nothing speaks against beginning it now: nothing to wait for, to read or to decide. */
export const mayBegin = (step: Step, steps: Step[], state: State, timer: Timer | null): boolean =>
  stepOf(state, step.id).startedAt === null &&
  stepOf(state, step.id).endedAt === null &&
  !step.only_if &&
  waitsFor(step, state, steps).length === 0 &&
  timer?.phase !== 'works' &&
  unreadOf(step, state).length === 0

/** A step in words for somebody who can't look: what, with what, how long, what can hurt. */
export function spoken(step: Step, state: State, fills: Fill[], volume: (ml: number) => string): string {
  return [
    step.name,
    step.only_if ? `${t('step-card.only-if-the-water-asks-for')} ${step.only_if}` : '',
    ...dosesFor(step, fills, volume).map((dose) => `${dose.name}, ${dose.says}`),
    t('step-card.about-min', { minutes: step.minutes }),
    ...unreadOf(step, state).map((one) => one.says),
  ]
    .filter(Boolean)
    .map((part) => part.replace(/[.,]?$/, '.'))
    .join(' ')
}

/** What is to be done now at this phone, and what moves it on. */
export function useWork(sheet: ReturnType<typeof useSheet>, chosen: Ref<string | null>) {
  const { kept, state, steps, running, now, done, say } = sheet
  const { goesOn } = useDriveway()
  const units = useUnits()
  const plan = computed(() => kept.value?.sheet.plan)
  const paused = computed(() => isPaused(state.value))
  const over = computed(() => steps.value.length > 0 && done.value.length === steps.value.length)
  const cards = computed(() =>
    cardsOf(kept.value?.sheet.crew ?? 1, kept.value?.person ?? 0, steps.value, state.value, chosen.value),
  )
  const then = computed(() => {
    const shown = new Set(cards.value.map((card) => card.step.id))
    return steps.value.filter((step) => !shown.has(step.id) && !done.value.includes(step)).slice(0, 2)
  })
  const timerOf = (step: Step) => running.value.find((timer) => timer.step.id === step.id) ?? null

  async function end(step: Step): Promise<void> {
    await say('end', step.id)
    // Whose hands are free goes on.
    for (const { step: next } of goesOn.value && !paused.value ? cards.value : [])
      if (next.who.some((who) => step.who.includes(who)) && mayBegin(next, steps.value, state.value, timerOf(next)))
        await say('start', next.id)
    window.scrollTo({ top: 0 })
  }

  /** Read: where nothing else is waited for, it begins. */
  async function understand(step: Step, of: { hazard: string; says: string }): Promise<void> {
    await say('ack', step.id, of)
    if (goesOn.value && !paused.value && mayBegin(step, steps.value, state.value, timerOf(step)))
      await say('start', step.id)
  }

  /** What was grave and has been heard. */
  let heard = ''
  /** One key for everything: whatever comes next, or why it can't come yet, which is said. */
  async function next(tell: (words: string) => void): Promise<void> {
    const step = cards.value[0]?.step
    if (paused.value) return say('resume')
    if (!step) return tell(t('work-now.every-step-is-done'))
    if (stepOf(state.value, step.id).startedAt !== null) return end(step)
    const waits = waitsFor(step, state.value, steps.value)
    if (waits.length > 0)
      return tell(
        t('step-card.waits-for', {
          join: listed(waits.map((id) => steps.value.find((one) => one.id === id)?.name ?? id)),
        }),
      )
    const timer = timerOf(step)
    if (timer?.phase === 'works')
      return tell(t('step-card.the-product-works-for', { clock: clock(timer.opens - now.value) }))
    // What can hurt is heard first; whoever presses again has heard it.
    const grave = unreadOf(step, state.value)
    if (grave.length > 0 && heard !== step.id) {
      heard = step.id
      return tell(`${grave.map((one) => one.says).join(' ')} ${t('hands-free.press-again')}`)
    }
    for (const one of grave) await say('ack', step.id, { hazard: one.hazard ?? '', says: one.says })
    await say('start', step.id)
  }
  const stop = () => say(paused.value ? 'resume' : 'pause')
  const words = computed(() => {
    const step = cards.value[0]?.step
    return paused.value
      ? t('work-now.the-visit-stands-still')
      : step
        ? spoken(step, state.value, plan.value?.fills ?? [], units.volume)
        : t('work-now.every-step-is-done')
  })

  return { plan, paused, over, cards, then, timerOf, end, understand, next, stop, words }
}
