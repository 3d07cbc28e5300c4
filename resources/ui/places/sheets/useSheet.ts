import { useIntervalFn } from '@vueuse/core'
import { computed, onUnmounted, ref, shallowRef } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import { device } from '@/offline/device'
import { note, queue, whenDone } from '@/offline/outbox'
import { keep, takeAlong } from '@/offline/packs'
import { kept as written } from '@/offline/room'
import { durable, plain, store, type Kept, type KeptPhoto, type SheetEvent } from '@/offline/store'
import { fold, inOrder, isDone, lastDone } from './fold'
import { answering, changes, merged, reread, type Found } from './found'
import { timers } from './timers'

/** One sheet, as it stands on this phone: everything done here is written down here first and told to the server after. */
export function useSheet(id: string, me: () => string | undefined) {
  const kept = shallowRef<Kept | null>(null)
  const events = shallowRef<SheetEvent[]>([])
  const photos = shallowRef<KeptPhoto[]>([])
  const problem = ref<unknown>(null)
  /** What a find has changed, until it is read. */
  const changed = ref<string[] | null>(null)
  const now = ref(Date.now())
  useIntervalFn(() => (now.value = Date.now()), 500)

  const state = computed(() => fold(events.value))
  const steps = computed(() => inOrder(kept.value?.sheet.plan.steps ?? []))
  const running = computed(() => timers(steps.value, state.value, kept.value?.sheet.plan.windows, now.value))
  const done = computed(() => steps.value.filter((step) => isDone(step, state.value)))

  async function read(): Promise<void> {
    const db = await store()
    kept.value = (await db.get('sheets', id)) ?? null
    const stored = await db.getAllFromIndex('events', 'sheet', id)
    // What was tapped a moment ago may still be on its way to the disk.
    const known = new Set(stored.map((event) => event.id))
    events.value = [...stored, ...events.value.filter((event) => !known.has(event.id))]
    photos.value = await db.getAllFromIndex('photos', 'sheet', id)
  }

  /** From the device first; then, where somebody answers, what others have noted since. */
  async function load(): Promise<void> {
    await read()
    try {
      if (!kept.value || Object.keys(kept.value.otherwise).length === 0) await takeAlong(id)
      else await refresh()
      await read()
    } catch (caught) {
      if (!kept.value || !(caught instanceof Problem && caught.status === 0)) problem.value = caught
    }
  }

  async function refresh(): Promise<void> {
    const waiting = await (await store()).getAllFromIndex('errands', 'sheet', id)
    // A plan made here, and a turn closed here, stand until the server has answered.
    if (waiting.some((errand) => errand.kind === 'rematch' || errand.kind === 'finish')) return
    await keep(await told(api.GET('/api/v1/sheets/{sheet}', { params: { path: { sheet: id } } })))
  }

  /** One tap after the other; the same again while it is on its way to the disk is one. */
  let before: Promise<unknown> = Promise.resolve()
  const onTheWay = new Map<string, Promise<void>>()

  function say(kind: string, step: string | null = null, facts: Record<string, unknown> = {}): Promise<void> {
    const what = JSON.stringify([kind, step, facts])
    const same = onTheWay.get(what)
    if (same) return same
    const at = new Date().toISOString()
    const said = before.then(() => writeDown(kind, step, facts, at)).finally(() => onTheWay.delete(what))
    onTheWay.set(what, said)
    before = said.catch(() => undefined)
    return said
  }

  /** Shown when it is on the disk: what can't be kept, or was not kept yet, has not happened. */
  async function writeDown(
    kind: string,
    step: string | null,
    facts: Record<string, unknown>,
    at: string,
  ): Promise<void> {
    if (!kept.value) return
    const mine = await device()
    const earlier = events.value.filter((event) => event.device === mine)
    const event: SheetEvent = {
      id: newId(),
      sheet: id,
      device: mine,
      seq: earlier.reduce((most, one) => Math.max(most, one.seq), 0) + 1,
      kind,
      step,
      facts,
      at,
      by: me() ?? null,
      sent: 0,
    }
    await note(event, kept.value.sheet.vehicle.id)
    if (!events.value.some((one) => one.id === event.id)) events.value = [...events.value, event]
  }

  /** The last thing noted here is taken back; both stay in the record. */
  async function undo(): Promise<void> {
    await before
    const mine = await device()
    for (const event of lastDone(events.value, mine)) await say('undo', event.step, { of: event.id })
  }

  async function find(found: Found, place: Partial<Schemas['SheetFacts']> = {}): Promise<void> {
    if (!kept.value) return
    const { sheet, otherwise } = kept.value
    const before = sheet.plan
    const arrived = sheet.facts.seen.soil
    const seen: Found = { soil: arrived, grit: sheet.facts.seen.grit === true, on: sheet.facts.seen.on ?? [] }
    await say('found', null, { ...found })
    const facts: Schemas['SheetFacts'] = {
      ...sheet.facts,
      ...place,
      seen: {
        ...sheet.facts.seen,
        soil: found.soil ?? arrived,
        grit: found.grit || seen.grit,
        on: [...new Set([...seen.on, ...found.on])] as Schemas['BenchSeen']['on'],
        readings: readings(),
      },
    }
    const body: Schemas['RematchInput'] = { facts, done: done.value.map((step) => step.id) }
    const plan = merged(before, answering(found, seen, otherwise))
    await put({ ...kept.value, sheet: { ...sheet, facts, plan } })
    changed.value = changes(before.steps, plan.steps)
    await queue({ key: newId(), sheet: id, vehicle: sheet.vehicle.id, kind: 'rematch', body })
  }

  /** The water was read: the rest follows it, the topper above all. */
  async function readWater(step: string, reading: Record<string, unknown>): Promise<void> {
    await say('reading', step, reading)
    if (!kept.value) return
    const { sheet, otherwise } = kept.value
    const facts = { ...sheet.facts, seen: { ...sheet.facts.seen, readings: readings() } }
    const over = done.value.map((one) => one.id)
    // What the water says on the dirty paint is asked of the server only: it changes little, and nothing that can't wait.
    const then = reading.stage === 'arrival' ? undefined : otherwise[`read:${String(reading.behaviour)}`]
    const plan = reread(sheet.plan, then, [...over, step])
    await put({ ...kept.value, sheet: { ...sheet, facts, plan } })
    if (then) changed.value = changes(sheet.plan.steps, plan.steps)
    const body: Schemas['RematchInput'] = { facts, done: over }
    await queue({ key: newId(), sheet: id, vehicle: sheet.vehicle.id, kind: 'rematch', body })
  }

  function readings(): Schemas['BenchZoneReadings'] {
    const by: Record<string, Record<string, string>> = {}
    for (const one of state.value.readings) (by[one.zone] ??= {})[one.stage] = one.behaviour
    return by
  }

  async function put(next: Kept): Promise<void> {
    const db = await store()
    await written(async () => {
      const tx = db.transaction('sheets', 'readwrite', durable)
      await Promise.all([tx.store.put(plain(next)), tx.done])
    })
    kept.value = next
  }

  async function photograph(photo: Omit<KeptPhoto, 'id' | 'sheet' | 'vehicle'>): Promise<void> {
    if (!kept.value) return
    const whole = { ...photo, id: newId(), sheet: id, vehicle: kept.value.sheet.vehicle.id }
    const db = await store()
    await written(async () => {
      const tx = db.transaction('photos', 'readwrite', durable)
      await Promise.all([tx.store.put(whole), tx.done])
    })
    photos.value = [...photos.value, whole]
    await queue({ key: whole.id, sheet: id, vehicle: whole.vehicle, kind: 'photo', body: whole.id })
  }

  whenDone(async (errand, answer) => {
    if (errand.sheet !== id || !answer) return
    if (errand.kind === 'rematch') {
      const before = kept.value?.sheet.plan.steps ?? []
      await keep(answer as Schemas['Sheet'])
      const said = changes(before, (answer as Schemas['Sheet']).plan.steps)
      if (said.length) changed.value = said
    } else if (errand.kind === 'events') {
      await refreshEvents(answer as Schemas['Sheet'])
    } else if (errand.kind === 'finish') {
      await refresh().catch(() => undefined)
    }
    await read()
  })

  /** What others noted meanwhile comes back with the answer. */
  async function refreshEvents(sheet: Schemas['Sheet']): Promise<void> {
    const db = await store()
    for (const event of sheet.events) {
      await db.put('events', { ...event, sheet: id, facts: event.facts as SheetEvent['facts'], sent: 1 })
    }
    const known = await db.get('sheets', id)
    if (known) await db.put('sheets', { ...known, sheet: { ...known.sheet, holder: sheet.holder } })
  }

  // A colleague may be working on the same sheet.
  const { pause } = useIntervalFn(() => {
    if (document.visibilityState === 'visible' && kept.value?.sheet.status !== 'finished') {
      refresh().then(read, () => undefined)
    }
  }, 10_000)
  onUnmounted(pause)

  /** Another scope than the plan's: taken at once from what lies here. */
  async function rescope(scope: string): Promise<void> {
    const then = kept.value?.otherwise[`scope:${scope}`]
    if (!kept.value || !then) return
    const { sheet } = kept.value
    await put({
      ...kept.value,
      sheet: { ...sheet, facts: { ...sheet.facts, scope }, plan: merged(sheet.plan, [then]) },
    })
  }

  async function choosePerson(person: number): Promise<void> {
    if (kept.value) await put({ ...kept.value, person })
  }

  /** What was not kept is said, and nothing that would follow from it is done. */
  async function attempt(deed: () => Promise<void>): Promise<void> {
    problem.value = null
    try {
      await deed()
    } catch (caught) {
      problem.value = caught
    }
  }
  const safely =
    <A extends unknown[]>(deed: (...of: A) => Promise<void>) =>
    (...of: A) =>
      attempt(() => deed(...of))

  return {
    kept,
    events,
    photos,
    state,
    steps,
    running,
    done,
    now,
    problem,
    changed,
    load,
    attempt,
    say: safely(say),
    undo: safely(undo),
    readWater: safely(readWater),
    find: safely(find),
    photograph: safely(photograph),
    rescope: safely(rescope),
    choosePerson: safely(choosePerson),
    put,
  }
}
