/**
 * What has been told lately, in this page's memory and nowhere else: the server is asked whether it still holds, and
 * says so in a line instead of telling it all again.
 */
const held = new Map<string, { tag: string; told: Response; bytes: number }>()

/** So much at the most, the longest unused going first. */
const MOST_BYTES = 8_000_000

export async function asking(request: Request, ask: (request: Request) => Promise<Response>): Promise<Response> {
  const before = held.get(request.url)
  if (before) request.headers.set('If-None-Match', before.tag)
  const answer = await ask(request)
  if (answer.status === 304 && before) {
    held.delete(request.url)
    held.set(request.url, before)
    return before.told.clone()
  }
  held.delete(request.url)
  const tag = answer.headers.get('ETag')
  // Tags that are not weak name the version of a row, which a later change has to name.
  if (answer.status === 200 && tag?.startsWith('W/')) {
    const bytes = (await answer.clone().arrayBuffer()).byteLength
    if (bytes < MOST_BYTES / 4) held.set(request.url, { tag, told: answer.clone(), bytes })
    let all = [...held.values()].reduce((sum, one) => sum + one.bytes, 0)
    for (const [url, one] of held) {
      if (all <= MOST_BYTES) break
      held.delete(url)
      all -= one.bytes
    }
  }
  return answer
}
