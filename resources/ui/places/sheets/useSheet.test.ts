import 'fake-indexeddb/auto'
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { Problem } from '@/api/client'
import { remember, store, type Kept } from '@/offline/store'
import { useSheet } from './useSheet'

// Nobody can be reached: what is tapped stays on this phone.
vi.mock('@/api/client', async (real) => ({
  ...(await real<object>()),
  api: { GET: vi.fn(), POST: vi.fn() },
  told: () => Promise.reject(new Problem(0, 'No connection', 'Gone.')),
}))

const sheet = { id: 's', vehicle: { id: 'v' }, status: 'begun', plan: { steps: [] } }
const held = { id: 's', on: '2026-11-29', sheet, otherwise: { dry: {} }, person: 0 } as unknown as Kept
const written = async () => (await (await store()).getAll('events')).map((one) => [one.seq, one.kind, one.step])

describe('what is tapped', () => {
  let here: ReturnType<typeof useSheet>
  beforeAll(() => {
    vi.stubGlobal('document', { visibilityState: 'hidden' })
    vi.stubGlobal('navigator', {
      locks: { request: (_: string, __: object, deed: (lock: object) => Promise<void>) => deed({}) },
    })
  })
  beforeEach(async () => {
    const db = await store()
    for (const name of ['errands', 'events', 'sheets'] as const) await db.clear(name)
    await remember('me', { id: 'tam' })
    await db.put('sheets', held)
    vi.spyOn(console, 'warn').mockImplementation(() => undefined)
    effectScope().run(() => (here = useSheet('s', () => 'tam')))
    await here.load()
  })

  it('is shown when it is on the disk, and not before', async () => {
    const tapped = here.say('start', 'look')
    expect(here.events.value).toEqual([])
    await vi.waitFor(async () => expect(here.events.value).toHaveLength(1))
    expect(await written()).toEqual([[1, 'start', 'look']])
    await tapped
  })

  it('is one where the same is tapped again meanwhile, and in order where it is another', async () => {
    await Promise.all([
      here.say('start', 'look'),
      here.say('start', 'look'),
      here.say('done', 'look'),
      here.say('start', 'rinse'),
    ])
    expect((await written()).sort()).toEqual([
      [1, 'start', 'look'],
      [2, 'done', 'look'],
      [3, 'start', 'rinse'],
    ])
    // Later the same again is another.
    await here.say('start', 'look')
    expect(await written()).toHaveLength(4)
  })

  it('is taken back as the last there is, also while it is on its way', async () => {
    void here.say('start', 'look')
    void here.say('done', 'look')
    await here.undo()
    const events = await (await store()).getAll('events')
    const undone = events.find((one) => one.kind === 'undo')
    expect(undone?.facts.of).toBe(events.find((one) => one.kind === 'done')?.id)
  })

  it('has not happened where there is no room for it, and the next may', async () => {
    // As a browser does it: what was begun is given up as a whole.
    const real = IDBObjectStore.prototype.add
    const add = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(function (this: IDBObjectStore, ...what) {
      const asked = real.apply(this, what)
      this.transaction.abort()
      return asked
    })
    await here.say('start', 'look')
    expect(here.events.value).toEqual([])
    expect(await written()).toEqual([])
    expect((here.problem.value as Problem).status).toBe(507)
    add.mockRestore()
    await here.say('start', 'look')
    expect(await written()).toEqual([[1, 'start', 'look']])
    expect(here.problem.value).toBeNull()
  })
})
