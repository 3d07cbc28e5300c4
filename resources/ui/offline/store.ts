import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Schemas } from '@/api/client'

export type Sheet = Schemas['Sheet']
export type Plan = Schemas['SheetPlan']
/** A sheet on the phone: as it came, with what else might be found, and as it stands here. */
export type Kept = { id: string; on: string; sheet: Sheet; otherwise: Record<string, Plan>; person: number }
export type SheetEvent = {
  id: string
  sheet: string
  device: string
  seq: number
  kind: string
  step: string | null
  facts: Record<string, unknown>
  at: string
  by: string | null
  /** What it contradicts, as the server saw it; both are kept. */
  conflict?: string | null
  /** Whether the server has it. */
  sent: 0 | 1
}
export type KeptPhoto = {
  id: string
  sheet: string
  vehicle: string
  zone: string
  stage: 'before' | 'during' | 'after'
  takenAt: string
  blob: Blob
}
/** One thing to tell the server. Its number is its turn; its key makes a repeat harmless. */
export type Errand = {
  n?: number
  key: string
  sheet: string
  vehicle: string
  kind: 'events' | 'photo' | 'finish' | 'rematch'
  /** Who did it: it is told in their name, or not at all. */
  user: string
  body: unknown
  /** Why the server would not have it; it waits for a person. */
  refused: string | null
}

/** What somebody had not sent when they signed out, for nobody else to read. */
export type Sealed = { user: string; count: number; iv: Uint8Array<ArrayBuffer>; sealed: ArrayBuffer }

interface Shape extends DBSchema {
  sheets: { key: string; value: Kept; indexes: { on: string } }
  events: { key: string; value: SheetEvent; indexes: { sheet: string } }
  photos: { key: string; value: KeptPhoto; indexes: { sheet: string } }
  errands: { key: number; value: Errand; indexes: { sheet: string } }
  facts: { key: string; value: unknown }
  sealed: { key: string; value: Sealed }
}

let opened: Promise<IDBPDatabase<Shape>> | null = null

/** What is kept on the device, whatever happens to the page, the browser or the battery. */
export function store(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('vicissa', 2, {
    upgrade(db, before) {
      if (before < 2) db.createObjectStore('sealed', { keyPath: 'user' })
      if (before >= 1) return
      db.createObjectStore('sheets', { keyPath: 'id' }).createIndex('on', 'on')
      db.createObjectStore('events', { keyPath: 'id' }).createIndex('sheet', 'sheet')
      db.createObjectStore('photos', { keyPath: 'id' }).createIndex('sheet', 'sheet')
      db.createObjectStore('errands', { keyPath: 'n', autoIncrement: true }).createIndex('sheet', 'sheet')
      db.createObjectStore('facts')
    },
    // An older page in another window must not stand in the way of a newer one.
    blocking: () => void opened?.then((db) => db.close()).then(() => (opened = null)),
    terminated: () => (opened = null),
  })
  return opened
}

/** Facts as they go to the disk or over the wire: nothing of the page's own bookkeeping sticks to them. */
export const plain = <T>(facts: T): T => JSON.parse(JSON.stringify(facts)) as T

/** On the disk before it counts as done: a battery may die in the same second. */
export const durable = { durability: 'strict' } as const

/** What the server said last, for when it can't be asked. */
export async function remember(name: string, value: unknown): Promise<void> {
  await (await store()).put('facts', value, name)
}

export async function recall<T>(name: string): Promise<T | undefined> {
  return (await (await store()).get('facts', name)) as T | undefined
}
