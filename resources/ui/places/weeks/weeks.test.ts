import { describe, expect, it } from 'vitest'
import {
  aheadOf,
  byDay,
  dayAt,
  gapSaid,
  laneOf,
  longDays,
  momentX,
  nextFree,
  onPaper,
  pointsSaid,
  tollSaid,
  vessel,
  type Visit,
} from './weeks'

describe('the lane of the weeks', () => {
  const lane = laneOf({ start: '2027-03-01', days: 56 }, 700)

  it('begins two weeks before the plan and puts each day in its middle', () => {
    expect(lane.step).toBe(10)
    expect(lane.x('2027-02-15')).toBe(5)
    expect(lane.x('2027-03-01')).toBe(145)
    expect(dayAt(lane, 149)).toBe('2027-03-01')
  })

  it('never leaves the weeks', () => {
    expect(dayAt(lane, -50)).toBe('2027-02-15')
    expect(dayAt(lane, 9999)).toBe('2027-04-25')
  })
})

describe('where a visit may go', () => {
  const days = [
    { on: '2027-03-02', cost: 3, why: null },
    { on: '2027-03-03', cost: null, why: 'The place is closed.' },
    { on: '2027-03-05', cost: 0, why: null },
  ]

  it('skips the days that are shut', () => {
    expect(nextFree(days, '2027-03-04', '2027-03-04', 1)).toBe('2027-03-05')
    expect(nextFree(days, '2027-03-04', '2027-03-04', -1)).toBe('2027-03-02')
    expect(nextFree(days, '2027-03-04', '2027-03-05', 1)).toBe('2027-03-05')
  })

  it('says what a move costs', () => {
    expect(pointsSaid(3.04)).toBe('costs 3 points more')
    expect(pointsSaid(-0.5)).toBe('saves 0.5 points')
    expect(pointsSaid(0)).toBe('costs nothing')
  })
})

describe('a day as a vessel', () => {
  const visit = (vehicle_id: string, minutes: number) => ({ vehicle_id, minutes })

  it('says what another day takes in minutes and money', () => {
    const day = { on: '2027-03-02', cost: 3, worth: null, why: null, road_min: 35, over_min: -20, cost_minor: 2100 }
    const money = (minor: number) => (minor / 100).toFixed(2)
    expect(tollSaid(day, money)).toBe('35 min more on the road (21.00), 20 min less beyond the day’s hours')
    expect(tollSaid({ ...day, road_min: -35, over_min: 0, cost_minor: null }, money)).toBe('35 min less on the road')
    expect(tollSaid({ ...day, road_min: null, over_min: null }, money)).toBe('')
  })

  it('fills trip upon trip, each with its way and its turns, and runs over', () => {
    const trips = [
      { place: 'Yard', travel: 50, visits: [visit('a', 100), visit('b', 100)] },
      { place: null, travel: 0, visits: [visit('c', 200)] },
    ]
    const full = vessel({ on: '', minutes: 400, work: 400, travel: 50, in_ten: 460, trips }, 500)
    expect(full.size).toBe(0.8)
    expect(full.fill.map((one) => [one.from, one.size, one.vehicle ?? 'way'])).toEqual([
      [0, 0.1, 'way'],
      [0.1, 0.2, 'a'],
      [0.3, 0.2, 'b'],
      [0.5, 0.4, 'c'],
    ])
    expect(full.trips).toEqual([
      { from: 0, to: 0.5, shared: true },
      { from: 0.5, to: 0.9, shared: false },
    ])
    expect(full.over).toBeCloseTo(0.1)
  })
})

it('says how far from the best a plan can be', () => {
  expect(gapSaid(80, 80)).toBe('No better plan exists.')
  expect(gapSaid(100, 94)).toBe('No plan is more than 6 % better.')
  expect(gapSaid(12, 0)).toBe('')
})

describe('visits by day', () => {
  const visit = (on: string) => ({
    id: on,
    vehicle_id: '',
    crew_id: '',
    on,
    kinds: [],
    locked: false,
    minutes: 1,
    scope: 'usual',
    nine_in_ten: null,
    problem: null,
    proposed: null,
  })

  it('stand on paper in whole weeks, to the last with a visit', () => {
    const pages = onPaper({ start: '2027-03-03', visits: [visit('2027-03-14'), visit('2027-03-03')] })
    expect(pages.map((week) => [week[0]?.on, week[6]?.on])).toEqual([
      ['2027-03-01', '2027-03-07'],
      ['2027-03-08', '2027-03-14'],
    ])
    expect(pages.map((week) => week.map((day) => day.visits.length).join(''))).toEqual(['0010000', '0000001'])
    expect(onPaper({ start: '2027-03-07', visits: [] })).toHaveLength(1)
  })

  it('are gathered in their order', () => {
    expect(
      byDay([visit('2027-03-02'), visit('2027-03-01'), visit('2027-03-02')]).map((day) => day.visits.length),
    ).toEqual([1, 2])
  })
})

describe('days that would run over one time in ten', () => {
  const trips = [{ place: null, travel: 10, visits: [{ vehicle_id: 'a', minutes: 300 }] }]
  const day = { on: '2027-03-02', minutes: 360, work: 300, travel: 10, in_ten: 380, trips }

  it('are told, and drawn beyond their end', () => {
    const crews = [{ id: 'c', name: 'Isa', people: 1, days: [{ ...day, on: '2027-03-04', in_ten: 350 }, day] }]
    expect(longDays({ crews }).map((one) => one.on)).toEqual(['2027-03-02'])
    expect(vessel(day, 400).inTen).toBeCloseTo(0.95)
    expect(vessel({ ...day, in_ten: 350 }, 400).inTen).toBeNull()
  })
})

describe('one visit held over another day', () => {
  const visit = (id: string, vehicle_id: string, on: string, ...kinds: string[]) =>
    ({ id, vehicle_id, on, kinds }) as unknown as Visit
  const own = visit('b', 'van', '2027-03-12', 'wash', 'topper')
  const visits = [
    visit('c', 'van', '2027-03-20', 'wash', 'topper'),
    visit('x', 'bus', '2027-03-05', 'topper'),
    own,
    visit('a', 'van', '2027-03-04', 'wash'),
  ]

  it('leaves the vehicle’s other visits where they are, in the order of days', () => {
    expect(aheadOf(visits, own, '2027-03-22', 'hood')).toEqual({
      washes: ['2027-03-04', '2027-03-20', '2027-03-22'],
      toppers: [
        { on: '2027-03-20', product_id: 'hood' },
        { on: '2027-03-22', product_id: 'hood' },
      ],
    })
  })
  it('counts a day once, and puts nothing on where no product is known', () => {
    expect(aheadOf(visits, own, '2027-03-20', null)).toEqual({ washes: ['2027-03-04', '2027-03-20'], toppers: [] })
  })
  it('lies at noon in the middle of its day', () => {
    const lane = laneOf({ start: '2027-03-01', days: 56 }, 700)
    expect(momentX(lane, Date.parse('2027-03-01T12:00:00Z'))).toBeCloseTo(lane.x('2027-03-01'))
  })
})

describe('no better than it is', () => {
  it('is told from a gap, in hundredths or points', () => {
    expect(gapSaid(10, 9.96)).toBe('No better plan exists.')
    expect(gapSaid(10, 9.9)).toBe('No plan is more than 1 % better.')
    expect([gapSaid(10, 7.5), gapSaid(4.4, 0)]).toEqual(['', ''])
    expect([pointsSaid(1), pointsSaid(-1.04), pointsSaid(0.04)]).toEqual([
      'costs 1 point more',
      'saves 1 point',
      'costs nothing',
    ])
  })
})
