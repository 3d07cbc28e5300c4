import { api, told } from '@/api/client'
import { durable, store, type Kept, type Sheet, type SheetEvent } from './store'

/** Takes a sheet along, with all that may be needed where nobody can be asked. */
export async function takeAlong(id: string): Promise<Kept> {
  const pack = await told(api.GET('/api/v1/sheets/{sheet}/pack', { params: { path: { sheet: id } } }))
  return keep(pack.sheet, pack.otherwise as unknown as Kept['otherwise'])
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

export async function keptOn(day: string): Promise<Kept[]> {
  return (await store()).getAllFromIndex('sheets', 'on', day)
}

/**
 * Sheets of days gone by go, once everything of theirs has been sent; so do those of that day that made way for another, unless somebody has begun them here.
 *
 * @param known  ids of the day's sheets as the server has them; left out where nobody could be asked
 */
export async function tidy(today: string, known?: string[]): Promise<void> {
  const db = await store()
  const waiting = new Set((await db.getAll('errands')).map((errand) => errand.sheet))
  for (const kept of await db.getAll('sheets')) {
    const gone =
      kept.on < today ||
      (kept.on === today &&
        known?.includes(kept.id) === false &&
        !(await db.countFromIndex('events', 'sheet', kept.id)))
    if (!gone || waiting.has(kept.id)) continue
    for (const name of ['events', 'photos'] as const) {
      for (const key of await db.getAllKeysFromIndex(name, 'sheet', kept.id)) await db.delete(name, key)
    }
    await db.delete('sheets', kept.id)
  }
}
