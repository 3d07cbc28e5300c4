import { describe, expect, it } from 'vitest'
import { asking } from './held'

describe('what has been told lately', () => {
  const ask = (tag: string, body: string) => async (request: Request) =>
    request.headers.get('If-None-Match') === tag
      ? new Response(null, { status: 304, headers: { ETag: tag } })
      : new Response(body, { headers: { ETag: tag } })
  const get = (url: string, tag: string, body: string) => asking(new Request(url), ask(tag, body)).then((a) => a.text())

  it('is told again when it still holds, and anew when not', async () => {
    expect(await get('http://a.test/film', 'W/"1"', 'one')).toBe('one')
    expect(await get('http://a.test/film', 'W/"1"', 'not sent again')).toBe('one')
    expect(await get('http://a.test/film', 'W/"2"', 'two')).toBe('two')
    expect(await get('http://a.test/film', 'W/"2"', 'not sent again')).toBe('two')
  })

  it('keeps no version of a row, and no more than so much', async () => {
    expect(await get('http://a.test/row', '"1"', 'first')).toBe('first')
    expect(await get('http://a.test/row', '"1"', 'second')).toBe('second')
    const large = 'x'.repeat(1_500_000)
    for (let n = 0; n < 8; n++) await get(`http://a.test/large/${n}`, 'W/"1"', large)
    expect(await get('http://a.test/large/0', 'W/"1"', 'again')).toBe('again')
    expect(await get('http://a.test/large/7', 'W/"1"', 'again')).toBe(large)
  })
})
