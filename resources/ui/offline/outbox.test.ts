import 'fake-indexeddb/auto'
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@/api/client'
import { count, flush, outbox, queue } from './outbox'
import { kept } from './room'
import { remember, store } from './store'

const { post } = vi.hoisted(() => ({ post: vi.fn<(path: string, asked: Asked) => Promise<unknown>>() }))
type Asked = { params: { path: { sheet: string } } }
vi.mock('@/api/client', async (real) => ({
  ...(await real<object>()),
  api: { POST: post },
  told: (asked: Promise<unknown>) => asked,
}))

const close = (sheet: string) =>
  queue({ key: `close-${sheet}`, sheet, vehicle: 'v', kind: 'finish', body: {} }).then(flush)
const left = async () => (await (await store()).getAll('errands')).map((one) => one.sheet)

describe('what waits to be sent', () => {
  beforeAll(() => {
    vi.stubGlobal('navigator', {
      locks: { request: (_: string, __: object, deed: (lock: object) => Promise<void>) => deed({}) },
    })
  })
  beforeEach(async () => {
    const db = await store()
    for (const name of ['errands', 'photos', 'sheets'] as const) await db.clear(name)
    await remember('me', { id: 'rhona' })
    post.mockReset()
    await count()
  })

  it('holds back only what belongs together when something breaks over one', async () => {
    post.mockImplementation((_, { params }) =>
      params.path.sheet === 'one'
        ? Promise.reject(new Problem(500, 'That did not work', 'It broke.'))
        : Promise.resolve({}),
    )
    await close('one')
    await queue({ key: 'more', sheet: 'one', vehicle: 'v', kind: 'rematch', body: {} })
    await close('two')
    await vi.waitFor(async () => expect(await left()).toEqual(['one', 'one']))
    expect(outbox.signal).toBe('here')
    expect(outbox.refused).toEqual([])
    // Once it is mended, all of it goes, in its order.
    post.mockClear()
    post.mockResolvedValue({})
    await flush()
    await vi.waitFor(async () => expect(await left()).toEqual([]))
    expect(post.mock.calls.map(([path]) => path.split('/').at(-1))).toEqual(['finish', 'rematch'])
  })

  it.each([0, 429, 503])('asks nobody else when nobody can be asked: %i', async (status) => {
    post.mockRejectedValue(new Problem(status, 'No', 'No.'))
    await close('one')
    await close('two')
    await vi.waitFor(() => expect(outbox.sending).toBe(false))
    expect(await left()).toEqual(['one', 'two'])
    expect(new Set(post.mock.calls.map(([, asked]) => asked.params.path.sheet))).toEqual(new Set(['one']))
    expect(outbox.signal).toBe('gone')
  })

  it('makes room with pictures the server has, and never with one that waits', async () => {
    const db = await store()
    for (const id of ['sent', 'waits']) {
      await db.put('photos', {
        id,
        sheet: 's',
        vehicle: 'v',
        zone: 'paint',
        stage: 'before',
        takenAt: '',
        blob: new Blob(),
      })
    }
    post.mockRejectedValue(Problem.offline())
    await queue({ key: 'waits', sheet: 's', vehicle: 'v', kind: 'photo', body: 'waits' })
    const full = Object.assign(new Error('full'), { name: 'QuotaExceededError' })
    const write = vi.fn<() => Promise<string>>().mockRejectedValueOnce(full).mockResolvedValueOnce('kept')
    expect(await kept(write)).toBe('kept')
    expect(await db.getAllKeys('photos')).toEqual(['waits'])
    await expect(kept(() => Promise.reject(full))).rejects.toMatchObject({ status: 507 })
    await expect(kept(() => Promise.reject(new TypeError('else')))).rejects.toThrow(TypeError)
  })
})
