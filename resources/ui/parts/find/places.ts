import type { RouteLocationRaw } from 'vue-router'
import type { paths } from '../Glyph.vue'

/** The eight places of the house; the first four are always at hand on a phone, the others under More. */
export const houses = [
  { to: '/', name: 'Film', glyph: 'film', key: 'f' },
  { to: '/round', name: 'Round', glyph: 'round', key: 'r' },
  { to: '/weeks', name: 'Weeks', glyph: 'weeks', key: 'w' },
  { to: '/bench', name: 'Bench', glyph: 'bench', key: 'b' },
  { to: '/book', name: 'Book', glyph: 'book', key: 'k' },
  { to: '/shelf', name: 'Shelf', glyph: 'shelf', key: 's' },
  { to: '/proof', name: 'Proof', glyph: 'proof', key: 'p' },
  { to: '/workspace', name: 'Settings', glyph: 'house', key: 'o' },
] as const satisfies readonly { to: string; name: string; glyph: keyof typeof paths; key: string }[]

/** What one can go and do, in the words one looks for it by. */
export const commands: { name: string; also: string; to: RouteLocationRaw }[] = [
  ...houses.map(({ name, to }) => ({ name, also: '', to })),
  { name: 'A new vehicle', also: 'add car start', to: '/start' },
  { name: 'A new product', also: 'add soap topper bottle label', to: '/shelf/new' },
  { name: 'Mix', also: 'dilution ratio bottle bucket lance foam', to: '/bench/mix' },
  { name: 'Bead gauge', also: 'contact angle photo drop measure', to: '/bench/gauge' },
  { name: 'Water', also: 'hardness tds resin tank', to: '/bench/water' },
  { name: 'Practice', also: 'drill train quiz learn', to: '/bench/drill' },
  { name: 'Into the van', also: 'load pack shopping list', to: '/round/load' },
  { name: 'Who works when', also: 'crews hours days off holidays calendar settings', to: '/weeks/setup' },
  { name: 'Gear and towels', also: 'machine towel equipment', to: '/shelf/gear' },
  { name: 'What fits what', also: 'compatibility table', to: '/shelf/fit' },
  { name: 'Shelf: import and export', also: 'products csv file', to: '/shelf/files' },
  { name: 'Book: import and export', also: 'csv clients vehicles table spreadsheet accounts', to: '/book/files' },
  { name: 'Money', also: 'cost profit', to: '/book/money' },
  { name: 'Price list', also: 'prices rates', to: '/book/prices' },
  { name: 'Quotes', also: 'offer year estimate', to: '/book/quotes' },
  { name: 'A year ahead', also: 'forecast simulate', to: '/proof/year' },
  { name: 'Schools', also: 'rules caution settings', to: '/workspace/schools' },
  { name: 'Advanced settings', also: 'numbers of the rules', to: '/workspace/numbers' },
  { name: 'Archive: everything in and out', also: 'backup export import move', to: '/workspace/archive' },
  { name: 'Your account', also: 'password sessions two step language', to: '/workspace/account' },
  { name: 'Words', also: 'glossary help what does it mean', to: '/words' },
]

/** All of the words, each somewhere in the name or what else it is called. */
export function commandsFor(text: string): typeof commands {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return commands.filter((one) => words.every((word) => `${one.name} ${one.also}`.toLowerCase().includes(word)))
}
