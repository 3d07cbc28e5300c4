import { describe, expect, it } from 'vitest'
import { fold, lastDone } from './fold'
import { event, step, wait } from './scene'
import { localVoice } from './voice'
import { cardsOf, mayBegin, spoken } from './work'

const grave = { hazard: 'acid', says: 'Acid: gloves and goggles.', grave: true }

describe('what begins by itself', () => {
  const steps = [step('foam'), step('acid')]

  it('is what waits for nothing, hurts nobody unread, and is no question', () => {
    const begun = fold([event('end', 'foam', 1)])
    const rinse = step('rinse', { after: ['foam'], wait: wait('foam', 60, 300) })
    expect(mayBegin(rinse, steps, fold([]), null)).toBe(false)
    expect(mayBegin(rinse, steps, begun, null)).toBe(true)
    const timer = { step: rinse, of: 'foam', from: 0, opens: 60, closes: null, phase: 'works' as const }
    expect(mayBegin(rinse, steps, begun, timer)).toBe(false)
    expect(mayBegin(step('look', { only_if: 'beads are weak' }), steps, begun, null)).toBe(false)
    const acid = step('acid', { cautions: [grave] })
    expect(mayBegin(acid, [acid], fold([]), null)).toBe(false)
    expect(mayBegin(acid, [acid], fold([event('ack', 'acid', 1, { facts: { ...grave } })]), null)).toBe(true)
    expect(mayBegin(acid, [acid], fold([event('skip', 'acid', 1)]), null)).toBe(false)
  })

  it('goes back with the step whose end began it, and alone when somebody tapped', () => {
    const end = event('end', 'foam', 1, { seq: 1, at: '2026-11-25T09:00:00.000Z' })
    const by = (at: string) => event('start', 'rinse', 1, { seq: 2, at })
    expect(lastDone([end, by('2026-11-25T09:00:00.040Z')], 'd1').map((one) => one.kind)).toEqual(['start', 'end'])
    expect(lastDone([end, by('2026-11-25T09:00:02.000Z')], 'd1').map((one) => one.kind)).toEqual(['start'])
    expect(lastDone([end], 'd1')).toEqual([end])
    expect(lastDone([end], 'another')).toEqual([])
  })
})

describe('who does what at one phone', () => {
  it('is a card for each pair of hands, one where they share a step', () => {
    const steps = [step('foam', { who: [1] }), step('wheels', { who: [2] })]
    expect(cardsOf(2, 0, steps, fold([]), null).map((card) => card.step.id)).toEqual(['foam', 'wheels'])
    expect(cardsOf(2, 2, steps, fold([]), null).map((card) => card.step.id)).toEqual(['wheels'])
    expect(cardsOf(1, 1, steps, fold([]), 'wheels').map((card) => card.step.id)).toEqual(['wheels'])
  })
})

describe('what is spoken', () => {
  it('is the step, what it takes, how long, and what can hurt until it was read', () => {
    const acid = step('acid', { cautions: [grave], minutes: 4 })
    const volume = (ml: number) => `${ml} ml`
    expect(spoken(acid, fold([]), [], volume)).toBe('ACID. about 4 min. Acid: gloves and goggles.')
    expect(spoken(acid, fold([event('ack', 'acid', 1, { facts: { ...grave } })]), [], volume)).toBe(
      'ACID. about 4 min.',
    )
  })

  it('is spoken by a voice of this device or by none', () => {
    const voice = (lang: string, localService: boolean) => ({ lang, localService, name: lang }) as SpeechSynthesisVoice
    expect(localVoice([voice('de-DE', false), voice('en-US', true)], 'de-DE')).toBeNull()
    expect(localVoice([voice('de-AT', true), voice('de_DE', true)], 'de-DE')?.lang).toBe('de_DE')
    expect(localVoice([voice('en-US', true)], 'en-GB')?.lang).toBe('en-US')
  })
})
