const NAME = 'XSRF-TOKEN='

const kept = () => {
  const found = document.cookie.split('; ').find((part) => part.startsWith(NAME))
  return found ? decodeURIComponent(found.slice(NAME.length)) : null
}

/**
 * What says that a page of ours asks.
 *
 * @param fresh  a new one, since the one that is kept was refused
 */
export async function pageToken(fresh = false): Promise<string> {
  if (fresh || kept() === null) await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' })
  return kept() ?? ''
}
