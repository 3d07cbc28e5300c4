/** What is on its way to the server: a place is left, and a page closed, only when it has been told. */
const onTheWay = new Set<Promise<unknown>>()

/** A browser finishes a request of this size even when the page is gone. */
const KEPT_BYTES = 60_000

/** How long a place is held for an answer; after that whoever leaves may go, and the request goes on. */
const HELD_MS = 8_000

/** Asked with a body, but only asked: nobody waits for them when the place is left. */
const QUESTIONS = /\/api\/v1\/(bench\/|reckon\/|devices\/|year$|labels$|products\/preview$|vehicles\/[^/]+\/film\/try$)/

export async function send(request: Request): Promise<Response> {
  if (request.method === 'GET' || QUESTIONS.test(new URL(request.url).pathname)) return fetch(request)
  const form = request.headers.get('Content-Type')?.startsWith('multipart/') ?? false
  const small = !form && (await request.clone().arrayBuffer()).byteLength < KEPT_BYTES
  const answer = fetch(small ? new Request(request, { keepalive: true }) : request)
  const told = answer.catch(() => undefined).finally(() => onTheWay.delete(told))
  onTheWay.add(told)
  return answer
}

/** Resolves when everything that was saved has been answered, or after a while. */
export async function settled(): Promise<void> {
  if (onTheWay.size === 0) return
  await Promise.race([Promise.all(onTheWay), new Promise((resolve) => setTimeout(resolve, HELD_MS))])
}
