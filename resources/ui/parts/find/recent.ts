import { useStorage } from '@vueuse/core'

export type Seen = { to: string; name: string; what: string }

const MOST = 8

/** What was looked at last on this device, newest first. Signing out forgets it (offline/leave). */
export function useRecent() {
  const recent = useStorage<Seen[]>('seen-lately', [])
  return {
    recent,
    seen: (one: Seen) => (recent.value = withNewest(recent.value, one)),
  }
}

export const withNewest = (before: Seen[], one: Seen): Seen[] =>
  [one, ...before.filter((known) => known.to !== one.to)].slice(0, MOST)
