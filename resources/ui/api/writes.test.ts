import { afterEach, describe, expect, it, vi } from 'vitest'
import { send, settled } from './writes'

/** A wire on which answers come when they are let. */
function wire() {
  const sent: Request[] = []
  let answer: (response: Response) => void = () => undefined
  vi.stubGlobal('fetch', (request: Request) => {
    sent.push(request)
    return new Promise<Response>((resolve) => (answer = resolve))
  })
  return { sent, answer: () => answer(new Response(null, { status: 204 })) }
}

const post = (path: string) => new Request(`http://localhost/api/v1/${path}`, { method: 'POST', body: '{}' })

async function isHeld(): Promise<boolean> {
  return Promise.race([
    settled().then(() => false),
    new Promise<boolean>((resolve) => setTimeout(() => resolve(true), 20)),
  ])
}

// First: what is asked further down is never answered, and keeps its places.
describe('what was asked before this code was there', () => {
  afterEach(() => {
    vi.unstubAllGlobals()
    globalThis.early = undefined
  })

  it.each([
    [200, 0],
    [401, 0],
    [500, 1],
    [undefined, 1],
  ])('answered %s is asked for %i times more, and taken up once', async (status, more) => {
    const asked = vi.fn(() => Promise.resolve(new Response('anew')))
    vi.stubGlobal('fetch', asked)
    const url = 'http://localhost/api/v1/me'
    globalThis.early = new Map([[url, Promise.resolve(status ? new Response('early', { status }) : undefined)]])
    expect(await (await send(new Request(url))).text()).toBe(more ? 'anew' : 'early')
    expect(asked).toHaveBeenCalledTimes(more)
    await send(new Request(url))
    expect(asked).toHaveBeenCalledTimes(more + 1)
  })
})

describe('what is on its way', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('holds the place until a write has been answered, and outlives its page', async () => {
    const { sent, answer } = wire()
    void send(post('vehicles'))
    await vi.waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]?.keepalive).toBe(true)
    expect(await isHeld()).toBe(true)
    answer()
    await vi.waitFor(async () => expect(await isHeld()).toBe(false))
  })

  it.each([
    'bench/match',
    'bench/doses',
    'reckon/visit',
    'devices/pen',
    'year',
    'labels',
    'products/preview',
    'vehicles/1/film/try',
  ])('is only a question: %s', async (path) => {
    const { sent, answer } = wire()
    const asked = send(post(path))
    await vi.waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]?.keepalive).toBe(false)
    expect(await isHeld()).toBe(false)
    answer()
    await asked
  })

  it.each(['products', 'vehicles/1/turns', 'weeks/plan', 'start', 'sheets/1/finish'])(
    'is a write: %s',
    async (path) => {
      const { sent, answer } = wire()
      void send(post(path))
      await vi.waitFor(() => expect(sent).toHaveLength(1))
      expect(await isHeld()).toBe(true)
      answer()
      await vi.waitFor(async () => expect(await isHeld()).toBe(false))
    },
  )

  it('asks again in a moment when too much was worked on at once, and not when that takes longer', async () => {
    const answers = [
      new Response(null, { status: 429, headers: { 'Retry-After': '0.01' } }),
      new Response(null, { status: 201 }),
      new Response(null, { status: 429, headers: { 'Retry-After': '40' } }),
    ]
    const bodies: string[] = []
    vi.stubGlobal('fetch', async (request: Request) => {
      bodies.push(await request.text())
      return answers.shift()
    })
    expect((await send(post('weeks/undo'))).status).toBe(201)
    expect((await send(post('weeks/undo'))).status).toBe(429)
    expect(bodies).toEqual(['{}', '{}', '{}'])
  })

  it('asks once more with a new token when the page is said to be too old', async () => {
    const tokens: (string | null)[] = []
    let renewed = 0
    vi.stubGlobal('document', { cookie: 'XSRF-TOKEN=new' })
    vi.stubGlobal('fetch', (request: Request | string) => {
      if (typeof request === 'string') renewed++
      else tokens.push(request.headers.get('X-XSRF-TOKEN'))
      return Promise.resolve(new Response(null, { status: 419 }))
    })
    expect((await send(post('auth/sign-in'))).status).toBe(419)
    expect(tokens).toEqual([null, 'new'])
    expect(renewed).toBe(1)
  })

  it('asks four things at once and no more, and a write does not wait behind them', async () => {
    const { sent } = wire()
    for (const n of [1, 2, 3, 4, 5, 6]) void send(new Request(`http://localhost/api/v1/reckon/${n}`))
    await vi.waitFor(() => expect(sent).toHaveLength(4))
    void send(post('weeks/undo'))
    await vi.waitFor(() => expect(sent).toHaveLength(5))
    expect(sent[4]?.url).toContain('undo')
  })
})
