import { describe, expect, it } from 'vitest'
import { fold } from './fold'
import { event, ms, step, wait } from './scene'
import { atMostS, clock, readOff, timers } from './timers'

describe('timers', () => {
  const steps = [step('foam'), step('foam-rinse', { wait: wait('foam', 180, 300) })]
  const state = fold([event('start', 'foam', 0), event('end', 'foam', 2)])
  const phase = (minute: number, second = 0) => timers(steps, state, undefined, ms(minute, second))[0]?.phase
  it('run by the clock, through sleep and reload, and call before it dries', () => {
    expect([phase(3), phase(5), phase(6, 10), phase(7)]).toEqual(['works', 'ready', 'hurry', 'over'])
    expect(
      timers(
        steps,
        fold([event('start', 'foam', 0), event('end', 'foam', 2), event('start', 'foam-rinse', 5)]),
        undefined,
        ms(6),
      ),
    ).toEqual([])
    expect(timers(steps, fold([event('skip', 'foam', 2)]), undefined, ms(6))).toEqual([])
  })
  it('follow panel and sun, and never the label’s limit beyond', () => {
    const wet = step('r', { wait: wait('foam', 60, 300, { film: 'drained-foam', label_max_s: 480, on_s: 30 }) })
    const windows = {
      panels_c: [10, 30],
      suns_w_m2: [0, 500],
      films: {
        'drained-foam': [
          [900, 500],
          [400, 200],
        ],
      } as never,
    }
    const measured = (panel_c: number, sun_w_m2: number) =>
      fold([event('sun', null, 1, { facts: { panel_c, sun_w_m2 } })])
    expect(atMostS(wet, fold([]), windows)).toBe(300)
    expect(atMostS(wet, measured(30, 500), windows)).toBe(170)
    expect(atMostS(wet, measured(20, 250), windows)).toBe(450)
    expect(atMostS(wet, measured(0, 0), windows)).toBe(450)
    expect(atMostS(wet, measured(60, 5000), windows)).toBe(170)
    expect(
      readOff(
        [
          [0, 10],
          [20, 30],
        ],
        [0, 1],
        [0, 1],
        0.5,
        0.5,
      ),
    ).toBe(15)
  })
  it('are said in minutes and seconds', () => {
    expect([clock(185_000), clock(0), clock(-20_000)]).toEqual(['3:05', '0:00', '−0:20'])
  })
})
