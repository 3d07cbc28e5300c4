import { useLocalStorage } from '@vueuse/core'
import type { Schemas } from '@/api/client'
import { asNumber } from '@/lib/numbers'
import { fromWallClock, wallClock } from '@/lib/dates'
import { newId } from '@/lib/ids'
import type { BehaviourName } from '@/lib/words'
import type { StageRead } from './talk'

export type Stage = 'arrival' | 'after_wash' | 'after_decon' | 'after_topper'

/** Zones beside the paint that carry layers whose water can be read. */
export const otherZones = ['wheels', 'glass', 'trim'] as const
export type OtherZone = (typeof otherZones)[number]

export type Draft = {
  id: string
  key: string
  workedAt: string
  minutes: number | null
  soil: number | null
  grit: boolean
  method: string | null
  purpose: 'maintain' | 'reset'
  water: 'none' | 'tap' | 'treated'
  panelC: number | null
  clay: boolean
  note: string
  readings: Partial<Record<Stage, StageRead>>
  lookedOver: boolean
  /** Other zones, read on the clean surface. */
  zones: Partial<Record<OtherZone, BehaviourName>>
  /** Product ids by role; the zone comes from the shelf. */
  products: Record<string, { id: string; zone: string } | undefined>
  kept: { product_id: string; zone: string; quantity_ml: number | null }[]
  reason: string
}

export function blank(zone: string, water: string | undefined): Draft {
  return {
    id: newId(),
    key: newId(),
    workedAt: wallClock(zone),
    minutes: null,
    soil: null,
    grit: false,
    method: null,
    purpose: 'maintain',
    water: water === 'none' || water === 'treated' ? water : 'tap',
    panelC: null,
    clay: false,
    note: '',
    readings: {},
    lookedOver: false,
    zones: {},
    products: {},
    kept: [],
    reason: '',
  }
}

/** Where a draft is kept; the number rises when its shape changes. */
export const draftKey = (vehicleId: string) => `turn-2-${vehicleId}`

/** What was typed stays on the device until it is saved: through a reload, a closed tab, an empty battery. */
export function useDraft(vehicleId: string, zone: string, water: string | undefined) {
  const draft = useLocalStorage<Draft>(draftKey(vehicleId), () => blank(zone, water), { mergeDefaults: true })
  // Numbers were kept as they were typed once.
  for (const name of ['minutes', 'panelC'] as const) draft.value[name] = asNumber(draft.value[name])
  return draft
}

/** Roles the form offers, in the order of the visit. */
export const rolesInOrder = [
  'prewash',
  'foam',
  'soap',
  'rinseless',
  'waterless',
  'wheel',
  'iron',
  'tar',
  'clay-lube',
  'topper',
  'drying-aid',
  'glass',
  'tyre',
  'trim',
]

/** A saved entry as a draft to correct. */
export function draftOf(entry: Schemas['TurnEntry'], zone: string): Draft {
  const draft = blank(zone, entry.water)
  const products: Draft['products'] = {}
  const kept: Draft['kept'] = []
  for (const use of entry.products) {
    if (products[use.role]) kept.push({ product_id: use.product_id, zone: use.zone, quantity_ml: use.quantity_ml })
    else products[use.role] = { id: use.product_id, zone: use.zone }
  }
  return {
    ...draft,
    workedAt: wallClock(zone, new Date(entry.worked_at)),
    minutes: entry.minutes,
    soil: entry.soil,
    grit: entry.grit,
    method: entry.method,
    purpose: entry.purpose === 'reset' ? 'reset' : 'maintain',
    panelC: entry.panel_c,
    clay: entry.clay,
    note: entry.note ?? '',
    readings: readsOf(entry.readings),
    lookedOver: entry.looked_over,
    zones: Object.fromEntries(entry.readings.filter(isOther).map((row) => [row.zone, row.behaviour])),
    products,
    kept,
  }
}

const isOther = (row: { zone: string; stage: string }): boolean =>
  row.stage === 'after_wash' && (otherZones as readonly string[]).includes(row.zone)

/** Readings of the paint, by stage. */
export function readsOf(
  readings: { zone: string; stage: string; behaviour: string; part?: string; sheets_s?: number | null }[],
): Partial<Record<Stage, StageRead>> {
  const reads: Partial<Record<Stage, StageRead>> = {}
  for (const row of readings.filter((one) => one.zone === 'paint')) {
    const read = (reads[row.stage as Stage] ??= {})
    read[(row.part ?? 'whole') as 'whole'] = row.behaviour as BehaviourName
    if (row.sheets_s != null) read.sheets_s = row.sheets_s
  }
  return reads
}

/** The same as the API takes them: the seconds stand with the first reading of their stage. */
export function readingsOf(reads: Partial<Record<Stage, StageRead>>): Schemas['ReadingInput'][] {
  return Object.entries(reads).flatMap(([stage, read]) =>
    (['whole', 'top', 'sides', 'low'] as const)
      .filter((part) => read[part])
      .map((part, i) => ({
        stage: stage as Stage,
        zone: 'paint',
        part,
        behaviour: read[part] as BehaviourName,
        sheets_s: i === 0 ? (read.sheets_s ?? null) : null,
      })),
  )
}

/** The draft as the API takes it. What a correction does not touch is carried over from the saved entry. */
export function bodyOf(draft: Draft, zone: string, saved?: Schemas['TurnEntry']): Schemas['TurnInput'] {
  const angle = (reading: Schemas['ReadingInput']) =>
    saved?.readings.find(
      (row) =>
        row.zone === 'paint' &&
        row.stage === reading.stage &&
        row.part === reading.part &&
        row.behaviour === reading.behaviour,
    )?.angle_deg ?? null
  const quantity = (id: string) => saved?.products.find((use) => use.product_id === id)?.quantity_ml ?? null
  return {
    worked_at: fromWallClock(zone, draft.workedAt),
    minutes: draft.minutes,
    soil: draft.soil ?? -1,
    grit: draft.grit,
    method: draft.method ?? '',
    purpose: draft.purpose,
    water: draft.water,
    panel_c: draft.panelC,
    clay: draft.clay,
    looked_over: draft.lookedOver,
    note: draft.note.trim() || null,
    readings: [
      ...readingsOf(draft.readings).map((reading) => ({ ...reading, angle_deg: angle(reading) })),
      // What this form doesn't ask for is carried over; what it asks for is as it stands in it.
      ...(saved?.readings.filter((row) => row.zone !== 'paint' && !isOther(row)) ?? []),
      ...otherZones.flatMap((zone) => {
        const behaviour = draft.zones[zone]
        const before = saved?.readings.find((row) => isOther(row) && row.zone === zone && row.behaviour === behaviour)
        return behaviour ? [before ?? { stage: 'after_wash' as Stage, zone, behaviour }] : []
      }),
    ],
    products: [
      ...Object.values(draft.products).flatMap((use) =>
        use ? [{ product_id: use.id, zone: use.zone, quantity_ml: quantity(use.id) }] : [],
      ),
      ...draft.kept,
    ],
  }
}
