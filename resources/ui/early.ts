// Home asks what it shows while its own code is still on the way; whoever is not in is told so here as there.
const FIRST = ['/api/v1/me', '/api/v1/film?skip=0&limit=200']

declare global {
  // Only so does a name become one of globalThis, which is there also where no window is.
  var early: Map<string, Promise<Response | undefined>> | undefined
}

if (location.pathname === '/') {
  const asked = (path: string) =>
    fetch(path, { headers: { Accept: 'application/json' }, credentials: 'same-origin' }).catch(() => undefined)
  globalThis.early = new Map(FIRST.map((path) => [new URL(path, location.origin).href, asked(path)]))
}

export {}
