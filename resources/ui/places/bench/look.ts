import { useLocalStorage } from '@vueuse/core'
import type { Schemas } from '@/api/client'
import { wallClock } from '@/lib/dates'
import type { BehaviourName } from '@/lib/words'
import { blank, draftKey, type Draft } from '@/places/turns/draft'
import type { ContaminantName } from './words'

type Place = Schemas['BenchPlace']

/** Everything one sets on the bench or on the walk-round; numbers in SI units, null when nobody has measured. */
export type Look = {
  /** Dirt of the upper body, and of the lower third; what touches the paint meets the worse of the two. */
  upper: number
  lower: number
  grit: boolean
  on: ContaminantName[]
  wheels: number | null
  wheelIron: boolean
  looseEdges: boolean
  reset: boolean
  arrival: BehaviourName | null
  afterWash: BehaviourName | null
  afterDecon: BehaviourName | null
  place: Place | null
  at: string
  byHand: Schemas['BenchWeather'] | null
  panelC: number | null
  tries: Schemas['Sides']
  /** Products taken by hand, and another scope than is planned. */
  taken: string[]
  scope: string | null
  /** What the upper and lower half start from: as it was last time. */
  lastSoil: number
}

/** A vehicle that is in no book, as one would describe it over the phone. */
export type Described = {
  body: string
  paint_m2: number
  tone: string
  hardness: string
  finish: string[]
  wheel_finish: string
  material: string
  family: string
}

export const described = (): Described => ({
  body: 'hatch',
  paint_m2: 10,
  tone: 'mid',
  hardness: 'medium',
  finish: [],
  wheel_finish: 'painted',
  material: 'steel',
  family: 'ceramic',
})

export function lookAt(zone: string): Look {
  return {
    upper: 2,
    lower: 2,
    grit: false,
    on: [],
    wheels: null,
    wheelIron: false,
    looseEdges: false,
    reset: false,
    arrival: null,
    afterWash: null,
    afterDecon: null,
    place: null,
    at: wallClock(zone),
    byHand: null,
    panelC: null,
    tries: {},
    taken: [],
    scope: null,
    lastSoil: 2,
  }
}

/** What was seen stays on the device, per vehicle, until it becomes a turn. */
export function useLook(key: string, zone: string) {
  return useLocalStorage<Look>(`look-${key}`, () => lookAt(zone), { mergeDefaults: true })
}

/** Starts from the dirt of the last time, as everything that is planned does, until somebody says what they see. */
export function startFrom(look: Look, soil: number) {
  if (look.upper === look.lastSoil && look.lower === look.lastSoil) look.upper = look.lower = soil
  look.lastSoil = soil
}

/** Another side of a school, for this once. */
export function tryOut(look: Look, school: string, side: string) {
  look.tries = { ...look.tries, [school]: side }
}

/** A product the match only offers; taken, or left after all. */
export function takeByHand(look: Look, product: string) {
  look.taken = look.taken.includes(product) ? look.taken.filter((one) => one !== product) : [...look.taken, product]
}

export const soilOf = (look: Look) => Math.max(look.upper, look.lower)

export function askOf(
  look: Look,
  place: Place,
  weather: Schemas['BenchWeather'],
  vehicle: { id: string } | Described,
  expected?: Schemas['BenchExpected'],
): Schemas['BenchInput'] {
  const readings = {
    ...(look.arrival ? { arrival: look.arrival } : {}),
    ...(look.afterWash ? { after_wash: look.afterWash } : {}),
    ...(look.afterDecon ? { after_decon: look.afterDecon } : {}),
  }
  return {
    ...('id' in vehicle ? { vehicle_id: vehicle.id } : { vehicle: bodyOfDescribed(vehicle) }),
    seen: {
      soil: soilOf(look),
      grit: look.grit,
      on: look.on,
      wheel_soil: look.wheels,
      wheel_iron: look.wheelIron,
      loose_edges: look.looseEdges,
      purpose: look.reset ? 'reset' : 'maintain',
      readings: { paint: readings },
    },
    place,
    weather,
    panel_c: look.panelC,
    schools: look.tries,
    ...(look.taken.length ? { taken: look.taken } : {}),
    scope: look.scope ?? expected?.scope ?? 'usual',
    ...(expected ? { crew: expected.crew, members: expected.members } : {}),
    ...(expected?.kinds ? { kinds: expected.kinds } : {}),
    on: look.at.slice(0, 10),
  }
}

function bodyOfDescribed(vehicle: Described): Schemas['BenchVehicle'] {
  const { paint_m2, tone, hardness, finish, wheel_finish, material, family } = vehicle
  const paint =
    family === 'unknown'
      ? { unknown: true }
      : { base: family === 'bare' ? null : { family, designed: 'beads' as const } }
  return { paint_m2, tone, hardness, finish, wheel_finish, material, stacks: { paint } }
}

/** A match as the beginning of a turn's record: what was seen, how, and with what. The rest of a draft stays. */
export function draftFrom(
  look: Look,
  place: Place,
  match: Schemas['Match'],
  zone: string,
  before: Draft | undefined,
): Draft {
  const draft = before ?? blank(zone, place.water)
  const products: Draft['products'] = {}
  for (const choice of match.products) {
    // A topper that waits for a reading is not taken for used.
    const waits = choice.role === 'topper' && match.topper.decision !== 'apply'
    if (choice.product && !waits && !products[choice.role])
      products[choice.role] = { id: choice.product.id, zone: choice.zone }
  }
  return {
    ...draft,
    soil: soilOf(look),
    grit: look.grit,
    method: match.method.chosen ?? draft.method,
    purpose: look.reset ? 'reset' : 'maintain',
    water: place.water ?? 'tap',
    panelC: look.panelC ?? draft.panelC,
    readings: {
      ...draft.readings,
      ...(look.arrival ? { arrival: { ...draft.readings.arrival, whole: look.arrival } } : {}),
      ...(look.afterWash ? { after_wash: { ...draft.readings.after_wash, whole: look.afterWash } } : {}),
      ...(look.afterDecon ? { after_decon: { ...draft.readings.after_decon, whole: look.afterDecon } } : {}),
    },
    products,
  }
}

/** Lays the match where the turn's form finds it. */
export function keepAsDraft(vehicleId: string, look: Look, place: Place, match: Schemas['Match'], zone: string): void {
  const kept = localStorage.getItem(draftKey(vehicleId))
  const before = kept ? (JSON.parse(kept) as Draft) : undefined
  localStorage.setItem(draftKey(vehicleId), JSON.stringify(draftFrom(look, place, match, zone, before)))
}
