import { getCurrentScope, onScopeDispose, reactive } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { kept } from './room'
import { durable, plain, recall, store, type Errand, type SheetEvent } from './store'

/**
 * What has not been sent yet, in order. Every errand carries a key made here, so that one whose answer was lost can be
 * sent again and still happens once. A refused one waits for a person; what follows it on the same sheet waits with it.
 */
export const outbox = reactive({
  waiting: 0,
  refused: [] as Errand[],
  sending: false,
  /** 'gone' after a try that reached nobody. */
  signal: 'unknown' as 'unknown' | 'here' | 'gone',
  signedOut: false,
  /** Of another person, who has to sign in here to send them. */
  ofOthers: 0,
})

/** Nobody could be reached, or is to be asked just now. */
const NOBODY = [0, 429, 502, 503, 504]

const myself = async () => (await recall<{ id: string }>('me'))?.id ?? ''

type Listener = (errand: Errand, answer: unknown) => void | Promise<void>
const listeners = new Set<Listener>()

/** Called with each errand that was done, and what came back; as long as the screen that asks is there. */
export function whenDone(listener: Listener): void {
  listeners.add(listener)
  if (getCurrentScope()) onScopeDispose(() => listeners.delete(listener))
}

export async function count(): Promise<void> {
  const all = await (await store()).getAll('errands')
  const me = await myself()
  const left = (await (await store()).getAll('sealed')).filter((one) => one.user !== me)
  outbox.ofOthers = all.filter((errand) => errand.user !== me).length + left.reduce((sum, one) => sum + one.count, 0)
  outbox.refused = all.filter((errand) => errand.refused !== null)
  outbox.waiting = all.length + left.reduce((sum, one) => sum + one.count, 0)
}

/** Puts events and the errand to tell them into the store as one: neither is ever there without the other. */
export async function note(noted: SheetEvent, vehicle: string): Promise<void> {
  const event = plain(noted)
  const db = await store()
  const user = await myself()
  await kept(async () => {
    const tx = db.transaction(['events', 'errands'], 'readwrite', durable)
    await Promise.all([
      tx.objectStore('events').put(event),
      tx.objectStore('errands').add({
        key: event.id,
        sheet: event.sheet,
        vehicle,
        kind: 'events',
        user,
        body: [event],
        refused: null,
      }),
      tx.done,
    ])
  })
  await count()
  void flush()
}

export async function queue(errand: Omit<Errand, 'n' | 'refused' | 'user'>): Promise<void> {
  const db = await store()
  const user = await myself()
  await kept(async () => {
    const tx = db.transaction('errands', 'readwrite', durable)
    await Promise.all([tx.store.add({ ...plain(errand), user, refused: null }), tx.done])
  })
  await count()
  void flush()
}

let again = false

/** Sends what waits, one after the other. Never two at once, in however many windows. */
export async function flush(): Promise<void> {
  if (outbox.sending) {
    again = true
    return
  }
  outbox.sending = true
  try {
    do {
      again = false
      await navigator.locks.request('vicissa-outbox', { ifAvailable: true }, async (lock) => {
        if (lock) await sendAll()
      })
    } while (again)
  } finally {
    outbox.sending = false
    await count()
  }
}

async function sendAll(): Promise<void> {
  const db = await store()
  const held = new Set<string>()
  const me = await myself()
  for (;;) {
    const errands = (await db.getAll('errands')).filter((one) => {
      if (one.refused !== null || one.user !== me) held.add(one.sheet)
      return !held.has(one.sheet)
    })
    const next = errands[0]
    if (next?.n === undefined) return
    const batch = next.kind === 'events' ? together(errands, next) : [next]
    try {
      const answer = await send(next, batch)
      outbox.signal = 'here'
      outbox.signedOut = false
      await done(batch)
      for (const listener of listeners) await listener(next, answer)
    } catch (caught) {
      if (!(caught instanceof Problem) || NOBODY.includes(caught.status)) {
        outbox.signal = 'gone'
        return
      }
      if (caught.status >= 500) {
        // Something broke over this one: it is tried again later, and what belongs to it waits; the rest goes on.
        outbox.signal = 'here'
        held.add(next.sheet)
        continue
      }
      if (caught.status === 401 || caught.status === 419) {
        outbox.signedOut = true
        return
      }
      const why = [caught.detail, ...caught.errors.map((error) => error.detail)]
      await db.put('errands', { ...next, refused: [...new Set(why)].join(' ') })
    }
    await count()
  }
}

/** Events that follow one another on a sheet travel together. */
function together(errands: Errand[], first: Errand): Errand[] {
  const batch: Errand[] = []
  for (const one of errands.filter((errand) => errand.sheet === first.sheet)) {
    if (one.kind !== 'events' || batch.length >= 100) break
    batch.push(one)
  }
  return batch
}

async function done(batch: Errand[]): Promise<void> {
  const db = await store()
  const tx = db.transaction(['errands', 'events', 'photos'], 'readwrite', durable)
  for (const errand of batch) {
    void tx.objectStore('errands').delete(errand.n ?? -1)
    if (errand.kind === 'events') {
      for (const event of errand.body as SheetEvent[]) void tx.objectStore('events').put({ ...event, sent: 1 })
    }
  }
  await tx.done
}

async function send(errand: Errand, batch: Errand[]): Promise<unknown> {
  const path = { sheet: errand.sheet }
  const header = { 'Idempotency-Key': errand.key }
  switch (errand.kind) {
    case 'events': {
      const events = batch.flatMap((one) => one.body as SheetEvent[])
      return told(
        api.POST('/api/v1/sheets/{sheet}/events', {
          params: { path },
          body: {
            events: events.map(({ id, device, seq, kind, step, facts, at }) => ({
              id,
              device,
              seq,
              kind,
              step,
              facts: facts as Record<string, never>,
              at,
            })),
          },
        }),
      )
    }
    case 'photo': {
      const photo = await (await store()).get('photos', errand.body as string)
      if (!photo) return null
      const form = new FormData()
      form.set('file', photo.blob, 'photo.jpg')
      const facts = {
        id: photo.id,
        zone: photo.zone,
        stage: photo.stage,
        taken_at: photo.takenAt,
        sheet_id: photo.sheet,
      }
      for (const [name, value] of Object.entries(facts)) form.set(name, value)
      return told(
        api.POST('/api/v1/vehicles/{vehicle}/photos', {
          params: { path: { vehicle: errand.vehicle } },
          body: form as never,
          bodySerializer: (body: unknown) => body as FormData,
        }),
      )
    }
    case 'rematch':
      return told(
        api.POST('/api/v1/sheets/{sheet}/rematch', {
          params: { path, header },
          body: errand.body as Schemas['RematchInput'],
        }),
      )
    case 'finish':
      return told(
        api.POST('/api/v1/sheets/{sheet}/finish', {
          params: { path, header },
          body: errand.body as Schemas['TurnInput'],
        }),
      )
  }
}

/** A refused errand is tried again after it was mended, or given up. */
export async function retry(errand: Errand, body?: unknown): Promise<void> {
  await (await store()).put('errands', { ...errand, body: body ?? errand.body, refused: null })
  await count()
  void flush()
}

export async function giveUp(errand: Errand): Promise<void> {
  await (await store()).delete('errands', errand.n ?? -1)
  await count()
  void flush()
}

/** Tries whenever there may be a signal again. */
export function watchSignal(): void {
  window.addEventListener('online', () => void flush())
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void flush())
  window.setInterval(() => outbox.waiting > 0 && void flush(), 15_000)
  void count().then(() => outbox.waiting > 0 && void flush())
}
