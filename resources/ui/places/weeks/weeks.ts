import type { Schemas } from '@/api/client'

export type Weeks = Schemas['Weeks']
export type Visit = Schemas['WeeksVisit']
type ElseDay = Schemas['ElseDay']

const DAY = 86_400_000
/** Days of the past that are drawn before the plan. */
export const BEFORE = 14

export const dayNumber = (date: string): number => Math.round(Date.parse(`${date}T00:00:00Z`) / DAY)
export const dateOf = (day: number): string => new Date(day * DAY).toISOString().slice(0, 10)

/** Where the days of the weeks lie on a lane. */
export type Lane = { first: number; last: number; width: number; x: (date: string) => number; step: number }

export function laneOf(weeks: Pick<Weeks, 'start' | 'days'>, width: number): Lane {
  const first = dayNumber(weeks.start) - BEFORE
  const last = dayNumber(weeks.start) + weeks.days
  const step = width / (last - first)
  return { first, last, width, step, x: (date) => (dayNumber(date) - first + 0.5) * step }
}

/** Where a moment lies on a lane; a day's noon in its middle. */
export const momentX = (lane: Lane, moment: number): number => (moment / DAY - lane.first) * lane.step

/** The day under a point of a lane. */
export function dayAt(lane: Lane, x: number): string {
  return dateOf(Math.max(lane.first, Math.min(lane.last - 1, lane.first + Math.floor(x / lane.step))))
}

/** The next day to either side on which the visit could stand; the same when there is none. */
export function nextFree(days: Pick<ElseDay, 'on' | 'cost'>[], own: string, from: string, step: 1 | -1): string {
  const free = [...days.filter((day) => day.cost !== null).map((day) => day.on), own].sort()
  const at = free.indexOf(from)
  return free[at + step] ?? from
}

/** The points behind it, for whoever asks. */
export function pointsSaid(cost: number): string {
  const rounded = Math.round(Math.abs(cost) * 10) / 10
  const points = `${rounded} point${rounded === 1 ? '' : 's'}`
  return rounded === 0 ? 'costs nothing' : cost > 0 ? `costs ${points} more` : `saves ${points}`
}

/** What another day takes: minutes on the road and beyond the day's hours, and what the road there costs. */
export function tollSaid(day: ElseDay, money: (minor: number) => string): string {
  const more = (minutes: number) => `${Math.abs(minutes)} min ${minutes > 0 ? 'more' : 'less'}`
  return [
    day.road_min
      ? `${more(day.road_min)} on the road${day.cost_minor ? ` (${money(Math.abs(day.cost_minor))})` : ''}`
      : '',
    day.over_min ? `${more(day.over_min)} beyond the day’s hours` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** How many days lie between it and the vehicle's visit before, against what is wished. */
export function gapAfter(weeks: Weeks, visit: Visit, on: string): string {
  const vehicle = weeks.vehicles.find((one) => one.id === visit.vehicle_id)
  if (!vehicle) return ''
  const before = weeks.visits
    .filter((one) => one.vehicle_id === visit.vehicle_id && one.id !== visit.id && one.on < on)
    .map((one) => one.on)
    .reduce((last, one) => (one > last ? one : last), vehicle.last_on)
  const days = dayNumber(on) - dayNumber(before)
  return `${days} day${days === 1 ? '' : 's'} after the visit before, ${vehicle.target} wished`
}

/** How full a crew's day is, as shares of a lane that is `most` minutes high: trip upon trip, each its way and the turns it is made for. */
export function vessel(day: Schemas['WeeksLoad'], most: number) {
  let at = 0
  const fill: { from: number; size: number; way: boolean; vehicle: string | null }[] = []
  const put = (minutes: number, way: boolean, vehicle: string | null) => {
    if (minutes > 0) fill.push({ from: at / most, size: minutes / most, way, vehicle })
    at += minutes
  }
  // Trips lie between these, for the line that holds one together.
  const trips = day.trips.map((trip) => {
    const from = at
    put(trip.travel, true, null)
    for (const visit of trip.visits) put(visit.minutes, false, visit.vehicle_id)
    return { from: from / most, to: at / most, shared: trip.visits.length > 1 }
  })
  // Nine such days in ten end here; drawn where that is after the day's end.
  const inTen = day.in_ten > day.minutes && day.in_ten > at ? day.in_ten / most : null
  return { size: day.minutes / most, fill, trips, over: Math.max(0, at - day.minutes) / most, inTen }
}

/** Days that would run over one time in ten, soonest first. */
export function longDays(weeks: Pick<Weeks, 'crews'>): { on: string; crew: string; minutes: number; inTen: number }[] {
  return weeks.crews
    .flatMap((crew) =>
      crew.days
        .filter((day) => day.trips.length > 0 && day.in_ten > day.minutes)
        .map((day) => ({ on: day.on, crew: crew.name, minutes: day.minutes, inTen: day.in_ten })),
    )
    .sort((a, b) => a.on.localeCompare(b.on) || a.crew.localeCompare(b.crew))
}

/** What is told of how near the best it is; a bound that lies far off tells nothing. */
const TELLING = 0.15
export function gapSaid(cost: number, bound: number): string {
  if (cost - bound < 0.05) return 'No better plan exists.'
  const share = (cost - bound) / cost
  return share > TELLING ? '' : `No plan is more than ${Math.max(1, Math.round(100 * share))} % better.`
}

/** A vehicle's visits with one of them held over a day, as its protection is asked about them. */
export function aheadOf(visits: Visit[], one: Visit, on: string, productId: string | null) {
  const own = visits
    .filter((visit) => visit.vehicle_id === one.vehicle_id)
    .map((visit) => ({ on: visit.id === one.id ? on : visit.on, kinds: visit.kinds }))
    .sort((a, b) => a.on.localeCompare(b.on))
  return {
    washes: [...new Set(own.map((visit) => visit.on))],
    toppers: productId
      ? own.filter((visit) => visit.kinds.includes('topper')).map((visit) => ({ on: visit.on, product_id: productId }))
      : [],
  }
}

/** Visits by day, for those who read them as a list. */
/** The most minutes that any crew works, or is likely to, on any day. */
export const fullest = (crews: Weeks['crews']): number =>
  Math.max(1, ...crews.flatMap((crew) => crew.days.map((d) => Math.max(d.minutes, d.work + d.travel, d.in_ten))))

/** Whole weeks from a Monday to a Sunday, until the last that has a visit. */
export function onPaper(weeks: Pick<Weeks, 'start' | 'visits'>): { on: string; visits: Visit[] }[][] {
  const days = new Map(byDay(weeks.visits).map((day) => [day.on, day.visits]))
  const first = dayNumber(weeks.start)
  // 1970 began on a Thursday.
  const monday = first - ((first + 3) % 7)
  const last = Math.max(first, ...[...days.keys()].map(dayNumber))
  return Array.from({ length: Math.floor((last - monday) / 7) + 1 }, (_, week) =>
    Array.from({ length: 7 }, (_, day) => {
      const on = dateOf(monday + 7 * week + day)
      return { on, visits: days.get(on) ?? [] }
    }),
  )
}

export function byDay(visits: Visit[]): { on: string; visits: Visit[] }[] {
  const days = new Map<string, Visit[]>()
  for (const visit of visits) days.set(visit.on, [...(days.get(visit.on) ?? []), visit])
  return [...days].sort(([a], [b]) => a.localeCompare(b)).map(([on, some]) => ({ on, visits: some }))
}
