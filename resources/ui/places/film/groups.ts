import type { Schemas } from '@/api/client'
import { families } from '@/lib/words'

type Ribbon = Schemas['Ribbon']

const order = [
  { key: 'now', name: 'To renew now', states: ['failed', 'suspect', 'due', 'open'] },
  { key: 'soon', name: 'Within two weeks', states: ['soon'] },
  { key: 'later', name: 'Later', states: ['later'] },
  { key: 'unknown', name: 'Nothing to go by', states: ['unknown', 'bare'] },
] as const

/** The server's states in the order one acts on them; inside a group the server's order stands. */
export function groups(ribbons: Ribbon[]) {
  return order
    .map((group) => ({
      ...group,
      ribbons: ribbons.filter((ribbon) => (group.states as readonly string[]).includes(ribbon.state)),
    }))
    .filter((group) => group.ribbons.length)
}

export function matches(ribbon: Ribbon, search: string): boolean {
  const words = search.trim().toLocaleLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return true
  const text = [
    ribbon.name,
    ribbon.model,
    ribbon.client,
    ribbon.site,
    ribbon.outermost?.name,
    ribbon.base?.name,
    families[ribbon.base?.family ?? 'bare']?.name,
  ]
    .join(' ')
    .toLocaleLowerCase()
  return words.every((word) => text.includes(word))
}

/** What lies on a vehicle, in a line. */
export function layersOf(ribbon: Ribbon): string {
  const base = ribbon.base ? (ribbon.base.name ?? families[ribbon.base.family]?.name ?? '') : ''
  const top = ribbon.outermost?.kind === 'topper' ? (ribbon.outermost.name ?? '') : ''
  return top && base ? `${top} on ${base}` : top || base || 'Nothing on the paint yet'
}
