import { afterEach, describe, expect, it, vi } from 'vitest'
import { all, api, Problem, told, toldWithTag } from './client'

const answer = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  new Response(status === 204 ? null : JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json', ...headers },
  })

describe('answers and problems', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('gives the body and its version tag', async () => {
    const response = answer(200, {}, { ETag: '"3"' })
    expect(await toldWithTag(Promise.resolve({ data: { name: 'x' }, response }))).toEqual({
      data: { name: 'x' },
      tag: '"3"',
    })
  })

  it('turns a problem document into one with its fields', async () => {
    const error = {
      title: 'Look again',
      detail: 'No.',
      errors: [{ pointer: '/products/0/zone', detail: 'Which?' }],
      current: { name: 'theirs' },
    }
    const refused = told(Promise.resolve({ error, response: answer(422, error) })).catch((caught: unknown) => caught)
    const problem = (await refused) as Problem
    expect(problem).toBeInstanceOf(Problem)
    expect([problem.status, problem.title, problem.fields, problem.current]).toEqual([
      422,
      'Look again',
      { 'products/0/zone': 'Which?' },
      { name: 'theirs' },
    ])
  })

  it('says that nothing is lost when there is no connection, or an answer nobody can read', async () => {
    const lost = (await told(Promise.reject(new TypeError('failed to fetch'))).catch(
      (caught: unknown) => caught,
    )) as Problem
    expect([lost.status, lost.detail]).toEqual([0, expect.stringContaining('What you typed stays here')])
    const garbled = (await told(Promise.resolve({ error: '<html>', response: answer(502, {}) })).catch(
      (caught: unknown) => caught,
    )) as Problem
    expect(garbled.detail).toContain('Nothing you typed is lost')
  })

  it('fetches a token before the first write and sends it along', async () => {
    const sent: Request[] = []
    vi.stubGlobal('document', { cookie: '' })
    vi.stubGlobal('fetch', async (input: Request | string) => {
      if (typeof input === 'string') {
        vi.stubGlobal('document', { cookie: 'XSRF-TOKEN=abc%3D' })
        return answer(204, null)
      }
      sent.push(input)
      return answer(204, null)
    })
    const request = { baseUrl: 'http://vicissa.test', fetch: (input: Request) => globalThis.fetch(input) }
    await told(api.POST('/api/v1/auth/sign-out', request))
    expect(sent[0]?.headers.get('X-XSRF-TOKEN')).toBe('abc=')
  })

  it('walks a list to its end', async () => {
    const pages: Record<string, { data: number[]; next_cursor: string | null }> = {
      first: { data: [1, 2], next_cursor: 'second' },
      second: { data: [3], next_cursor: null },
    }
    expect(await all(async (cursor) => pages[cursor ?? 'first'] ?? { data: [], next_cursor: null })).toEqual([1, 2, 3])
  })
})
