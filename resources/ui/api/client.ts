import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './schema'
import { pageToken } from './token'
import { send } from './writes'

export type Schemas = components['schemas']

/** An error a person can read: what happened, what was kept, what to do (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: { pointer: string; detail: string }[] = [],
    readonly current: Record<string, unknown> | null = null,
    /** What whoever runs this finds it by in the log. */
    readonly request: string | null = null,
    /** What is wrong, by one word; and seconds after which it may be well. */
    readonly kind = '',
    readonly again: number | null = null,
  ) {
    super(detail)
  }

  /** Sentences by field path, "products/0/zone" for "/products/0/zone". */
  get fields(): Record<string, string> {
    return Object.fromEntries(this.errors.map((error) => [error.pointer.slice(1), error.detail]))
  }

  static offline(): Problem {
    return new Problem(
      0,
      'No connection',
      'Vicissa can’t be reached. What you typed stays here; try again when the signal is back.',
    )
  }

  static from(status: number, body: unknown, again: number | null = null): Problem {
    const problem = (body ?? {}) as Partial<Schemas['Problem']>
    return new Problem(
      status,
      problem.title ?? 'That did not work',
      problem.detail ?? 'The answer could not be read. Nothing you typed is lost.',
      problem.errors ?? [],
      (problem.current as Record<string, unknown> | undefined) ?? null,
      problem.request ?? null,
      problem.type ?? '',
      again,
    )
  }
}

const guard: Middleware = {
  async onRequest({ request }) {
    request.headers.set('Accept', 'application/json')
    if (request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', await pageToken())
    }
    return request
  },
}

export const api = createClient<paths>({ baseUrl: '/', credentials: 'same-origin', fetch: send })
api.use(guard)

type Answer<T> = { data?: T; error?: unknown; response: Response }

/** Resolves to the body, or throws a Problem. */
export async function told<T>(request: Promise<Answer<T>>): Promise<T> {
  return (await toldWithTag(request)).data
}

/** The same with the version tag that a later change must name. */
export async function toldWithTag<T>(request: Promise<Answer<T>>): Promise<{ data: T; tag: string }> {
  let answer: Answer<T>
  try {
    answer = await request
  } catch {
    throw Problem.offline()
  }
  if (!answer.response.ok)
    throw Problem.from(answer.response.status, answer.error, Number(answer.response.headers.get('Retry-After')) || null)
  return { data: answer.data as T, tag: answer.response.headers.get('ETag') ?? '' }
}

/** Follows a cursor to its end; for lists that are short by nature. */
export async function all<T>(
  page: (cursor?: string) => Promise<{ data: T[]; next_cursor: string | null }>,
): Promise<T[]> {
  const rows: T[] = []
  let cursor: string | null | undefined
  do {
    const answer = await page(cursor ?? undefined)
    rows.push(...answer.data)
    cursor = answer.next_cursor
  } while (cursor)
  return rows
}
