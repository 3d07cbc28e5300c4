import { shallowRef } from 'vue'
import { api, told } from '@/api/client'

/** What went away last, and how it comes back. */
export interface Gone {
  says: string
  back: () => Promise<unknown>
}

// One for the whole page: the notice stays where whoever removed something goes next.
export const gone = shallowRef<Gone | null>(null)

export function wentAway(says: string, back: () => Promise<unknown>): void {
  gone.value = { says, back }
}

/** Something removed for good: kept for a quarter of an hour for whoever removed it. */
export const removed = (name: string, id: string): void =>
  wentAway(`${name} was removed.`, () =>
    told(api.POST('/api/v1/removed/{removed}/restore', { params: { path: { removed: id } } })),
  )
