import { Problem } from '@/api/client'
import { i18n } from '@/lib/i18n'
import { store } from './store'

/** A transaction that the full disk ended may say only that it ended. */
const FULL = ['QuotaExceededError', 'AbortError']
const isFull = (caught: unknown) => FULL.includes((caught as { name?: string } | null)?.name ?? '')

/**
 * Writes, and tries once more with the room that can be made; where there is none, that is said, and nothing counts that
 * was not written.
 *
 * @param write  all of it or nothing
 */
export async function kept<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (caught) {
    if (!isFull(caught)) throw caught
    await makeRoom()
    try {
      return await write()
    } catch (again) {
      if (!isFull(again)) throw again
      throw new Problem(507, i18n.global.t('phone-full.no-room'), i18n.global.t('phone-full.not-kept'))
    }
  }
}

/** What the server has goes: pictures first, then sheets that are closed. What waits to be sent stays. */
async function makeRoom(): Promise<void> {
  const db = await store()
  const errands = await db.getAll('errands')
  const unsent = new Set(errands.filter((one) => one.kind === 'photo').map((one) => one.body))
  for (const id of await db.getAllKeys('photos')) if (!unsent.has(id)) await db.delete('photos', id)
  const waiting = new Set(errands.map((one) => one.sheet))
  for (const { id, sheet } of await db.getAll('sheets')) {
    if (sheet.status !== 'finished' || waiting.has(id)) continue
    for (const key of await db.getAllKeysFromIndex('events', 'sheet', id)) await db.delete('events', key)
    await db.delete('sheets', id)
  }
}
