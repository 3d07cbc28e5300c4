import { api, told } from '@/api/client'
import { durable, store, type Kept, type Sheet, type SheetEvent } from './store'

/** Takes a sheet along, with all that may be needed where nobody can be asked. */
export async function takeAlong(id: string): Promise<Kept> {
  const pack = await told(api.GET('/api/v1/sheets/{sheet}/pack', { params: { path: { sheet: id } } }))
  return keep(pack.sheet, pack.otherwise)
}

/** Keeps a sheet as the server has it; what this device noted and has not sent stays. */
export async function keep(sheet: Sheet, otherwise?: Kept['otherwise']): Promise<Kept> {
  const db = await store()
  const tx = db.transaction(['sheets', 'events'], 'readwrite', durable)
  const known = await tx.objectStore('sheets').get(sheet.id)
  const kept: Kept = {
    id: sheet.id,
    on: sheet.on,
    sheet,
    otherwise: otherwise ?? known?.otherwise ?? {},
    person: known?.person ?? 0,
  }
  await tx.objectStore('sheets').put(kept)
  for (const event of sheet.events) {
    await tx
      .objectStore('events')
      .put({ ...event, sheet: sheet.id, facts: event.facts as SheetEvent['facts'], sent: 1 })
  }
  await tx.done
  return kept
}

/** What is kept for a day; for today also what is left of earlier days: a visit that went over midnight, what waits for a signal. */
export async function keptOn(day: string, today: string): Promise<Kept[]> {
  const all = await (await store()).getAll('sheets')
  return all.filter((kept) => kept.on === day || (day === today && kept.on < today))
}

const dayBefore = (day: string) => new Date(Date.parse(`${day}T12:00:00Z`) - 86_400_000).toISOString().slice(0, 10)

/**
 * Sheets of days gone by go, once everything of theirs has been sent, and a day later where somebody is still at them; so do those of a day that made way
 * for another, unless somebody has begun them here.
 *
 * @param known  ids of the sheets of `day` as the server has them; left out where nobody could be asked
 */
export async function tidy(today: string, day: string, known?: string[]): Promise<void> {
  const db = await store()
  const waiting = new Set((await db.getAll('errands')).map((errand) => errand.sheet))
  for (const kept of await db.getAll('sheets')) {
    const gone =
      kept.on < (kept.sheet.status === 'begun' ? dayBefore(today) : today) ||
      (kept.on === day && known?.includes(kept.id) === false && !(await db.countFromIndex('events', 'sheet', kept.id)))
    if (!gone || waiting.has(kept.id)) continue
    for (const name of ['events', 'photos'] as const) {
      for (const key of await db.getAllKeysFromIndex(name, 'sheet', kept.id)) await db.delete(name, key)
    }
    await db.delete('sheets', kept.id)
  }
}
