import type { Router } from 'vue-router'

/** What browsers say when a part of the page can’t be fetched. */
const GONE =
  /dynamically imported module|importing a module script failed|error loading dynamically|unable to preload css/i

const EACH_MS = 60_000
const WHEN = 'newer-page'

/**
 * A place whose part is no longer on the server: a newer page has come since this one was opened. The place is gone to by
 * loading that page; what was ticked and noted is in the phone’s own store. Not twice in a minute: then something else is
 * wrong, and whoever is here is told.
 */
export function followsNewerPages(
  router: Pick<Router, 'onError'>,
  go: (address: string) => void = (address) => location.assign(address),
  now: () => number = Date.now,
) {
  router.onError((error: unknown, to) => {
    const last = Number(sessionStorage.getItem(WHEN) ?? 0)
    if (!(error instanceof Error) || !GONE.test(error.message) || now() - last < EACH_MS) return
    sessionStorage.setItem(WHEN, String(now()))
    go(to.fullPath)
  })
}
