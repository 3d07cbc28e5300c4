import { api, told } from '@/api/client'
import { store, type Errand, type KeptPhoto, type SheetEvent } from './store'

// Whoever signs out leaves nothing of theirs on the device that another could read. What has not been sent is sealed with
// a key that only the server has, and only for them: it is opened when they sign in here again.

type Left = { errands: Errand[]; events: SheetEvent[]; photos: (Omit<KeptPhoto, 'blob'> & { jpeg: string })[] }

const bytes = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(atob(text), (one) => one.charCodeAt(0))

async function key(): Promise<CryptoKey> {
  const { key } = await told(api.GET('/api/v1/me/seal'))
  return crypto.subtle.importKey('raw', bytes(key), 'AES-GCM', false, ['encrypt', 'decrypt'])
}

const asText = (blob: Blob): Promise<string> =>
  new Promise((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result).split(',')[1] ?? '')
    reader.onerror = () => failed(reader.error ?? new Error('A photo could not be read.'))
    reader.readAsDataURL(blob)
  })

/** Before signing out, while it is known who this is: seals what waits. False where nothing has to be kept. */
export async function seal(user: string): Promise<boolean> {
  const db = await store()
  const errands = (await db.getAll('errands')).filter((one) => one.user === user)
  if (errands.length === 0) return false
  const sheets = new Set(errands.map((one) => one.sheet))
  const left: Left = {
    errands,
    events: (await db.getAll('events')).filter((one) => sheets.has(one.sheet)),
    photos: await Promise.all(
      (await db.getAll('photos'))
        .filter((one) => sheets.has(one.sheet))
        .map(async ({ blob, ...one }) => ({ ...one, jpeg: await asText(blob) })),
    ),
  }
  const iv = crypto.getRandomValues(new Uint8Array(12))
  const sealed = await crypto.subtle.encrypt(
    { name: 'AES-GCM', iv },
    await key(),
    new TextEncoder().encode(JSON.stringify(left)),
  )
  await db.put('sealed', { user, count: errands.length, iv, sealed })
  return true
}

/** After signing out: nothing readable stays, neither here nor in what forms had kept. */
export async function clear(): Promise<void> {
  const db = await store()
  for (const name of ['sheets', 'events', 'photos', 'facts', 'errands'] as const) await db.clear(name)
  localStorage.clear()
  sessionStorage.clear()
  for (const name of (await globalThis.caches?.keys()) ?? []) {
    if (!name.includes('precache')) await caches.delete(name)
  }
}

/** Whoever is here again finds what they had left. */
export async function unseal(user: string): Promise<void> {
  const db = await store()
  const found = await db.get('sealed', user)
  if (!found) return
  let left: Left
  try {
    const opened = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: found.iv }, await key(), found.sealed)
    left = JSON.parse(new TextDecoder().decode(opened)) as Left
  } catch {
    // Without a signal it waits for one.
    return
  }
  const tx = db.transaction(['errands', 'events', 'photos', 'sealed'], 'readwrite', { durability: 'strict' })
  for (const one of left.errands) {
    // Its turn is given anew.
    delete one.n
    void tx.objectStore('errands').add(one)
  }
  for (const one of left.events) void tx.objectStore('events').put(one)
  for (const { jpeg, ...one } of left.photos) {
    void tx.objectStore('photos').put({ ...one, blob: new Blob([bytes(jpeg)], { type: 'image/jpeg' }) })
  }
  void tx.objectStore('sealed').delete(user)
  await tx.done
}
