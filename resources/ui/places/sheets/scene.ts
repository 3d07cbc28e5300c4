import type { SheetEvent } from '@/offline/store'
import type { Step } from './fold'

// Events and steps for the tests, in few words.
let seq = 0
export const at = (minute: number, second = 0) => new Date(Date.UTC(2026, 10, 25, 9, minute, second)).toISOString()
export const ms = (minute: number, second = 0) => Date.parse(at(minute, second))
export const event = (
  kind: string,
  step: string | null,
  minute: number,
  more: Partial<SheetEvent> = {},
): SheetEvent => ({
  id: `e${++seq}`,
  sheet: 's',
  device: 'd1',
  seq,
  kind,
  step,
  facts: {},
  at: at(minute),
  by: 'Tam',
  sent: 0,
  ...more,
})
export const step = (id: string, more: Partial<Step> = {}): Step => ({
  id,
  kind: id,
  group: 'wash',
  name: id.toUpperCase(),
  minutes: 5,
  estimate_min: 5,
  pace_from: 0,
  people: 1,
  after: [],
  wait: null,
  portions: [],
  panels: [],
  how: [],
  cautions: [],
  textiles: {},
  only_if: null,
  water_l: 0,
  looks: [],
  start: 0,
  end: 5,
  slack: 0,
  who: [1],
  ...more,
})
export const wait = (of: string, min_s: number, max_s: number | null, more = {}) => ({
  of,
  min_s,
  max_s,
  label_max_s: null,
  on_s: 0,
  film: null,
  ...more,
})
