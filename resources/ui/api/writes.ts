import limit from 'p-limit'
import { asking } from './held'
import { pageToken } from './token'

/** What is on its way to the server: a place is left, and a page closed, only when it has been told. */
const onTheWay = new Set<Promise<unknown>>()

/** A browser finishes a request of this size even when the page is gone. */
const KEPT_BYTES = 60_000

/** How long a place is held for an answer; after that whoever leaves may go, and the request goes on. */
const HELD_MS = 8_000

/** Asked with a body, but only asked: nobody waits for them when the place is left. */
const QUESTIONS = /\/api\/v1\/(bench\/|reckon\/|devices\/|year$|labels$|products\/preview$|vehicles\/[^/]+\/film\/try$)/

/** So short a wait is asked for when much of one person's is worked on at once: nothing was begun, and soon it is taken. */
const MOMENT_S = 2

/** The answer to a token of another session. */
const TOO_OLD = 419

/** A refusal that asks for no more than a moment is no answer yet. */
const TRIES = 12

/** So long after its begin a page still trusts what was asked at its begin. */
const EARLY_MS = 15_000

/** So many questions at once, fewer than a person has places for at the server: what is saved never waits behind them. */
const asked = limit(4)

export async function send(request: Request): Promise<Response> {
  if (request.method === 'GET')
    return asked(() => asking(request, async (one) => (await begun(one.url)) ?? patient(one)))
  if (QUESTIONS.test(new URL(request.url).pathname)) return asked(() => patient(request))
  const form = request.headers.get('Content-Type')?.startsWith('multipart/') ?? false
  const small = !form && (await request.clone().arrayBuffer()).byteLength < KEPT_BYTES
  const answer = patient(small ? new Request(request, { keepalive: true }) : request)
  const told = answer.catch(() => undefined).finally(() => onTheWay.delete(told))
  onTheWay.add(told)
  return answer
}

/** An answer that was asked for before this code was there (early.ts), once and while it is new. */
async function begun(url: string): Promise<Response | undefined> {
  const early = performance.now() < EARLY_MS ? globalThis.early?.get(url) : undefined
  globalThis.early?.delete(url)
  const answer = await early
  // That nobody is in is an answer; whatever else went wrong is asked again, with the patience of all askings.
  return answer?.ok || answer?.status === 401 ? answer : undefined
}

async function patient(request: Request): Promise<Response> {
  let renewed = false
  for (let tried = 1; ; tried++) {
    const answer = await fetch(tried < TRIES ? request.clone() : request)
    const wait = Number(answer.headers.get('Retry-After') ?? Infinity)
    if (answer.status === TOO_OLD && !renewed) {
      // Another answer brought another session after the token was read, or it ran out: nothing was done.
      renewed = true
      request.headers.set('X-XSRF-TOKEN', await pageToken(true))
    } else if (answer.status === 429 && wait <= MOMENT_S && tried < TRIES) {
      await new Promise((resolve) => setTimeout(resolve, 1000 * wait))
    } else return answer
  }
}

/** Resolves when everything that was saved has been answered, or after a while. */
export async function settled(): Promise<void> {
  if (onTheWay.size === 0) return
  await Promise.race([Promise.all(onTheWay), new Promise((resolve) => setTimeout(resolve, HELD_MS))])
}
