import { inWords, listed, listInWords, t, within } from './i18n'

/** The field's words for what the API calls by name. */

export const families: Record<string, { name: string; says: string }> = {
  ceramic: { name: 'Ceramic coating', says: 'Professionally or self applied, years' },
  polymer: { name: 'Synthetic sealant', says: 'Three to six months' },
  'silica-spray': { name: 'Silica spray', says: 'A few weeks to a season' },
  wax: { name: 'Wax', says: 'Carnauba or hybrid, weeks' },
  film: { name: 'Protection film', says: 'Clear film on the paint' },
  wrap: { name: 'Vinyl wrap', says: 'Coloured film over the paint' },
  bare: { name: 'Nothing', says: 'Bare paint' },
}

export const bodies: Record<string, string> = {
  small: 'Small car',
  hatch: 'Hatchback',
  saloon: 'Saloon',
  estate: 'Estate',
  suv: 'Tall car or SUV',
  pickup: 'Pickup',
  limousine: 'Limousine or hearse',
  tourer: 'Coupé or open car',
  van: 'Van',
  minibus: 'Minibus',
  coach: 'Coach or mobile home',
  horsebox: 'Horsebox or lorry',
  boat: 'Boat on its trailer',
}

export const tones: Record<string, { name: string; colour: string }> = {
  white: { name: 'White', colour: '#f0efe9' },
  silver: { name: 'Silver or pale', colour: '#b9bfc1' },
  mid: { name: 'Mid', colour: '#8a4a45' },
  dark: { name: 'Dark', colour: '#2c3f4a' },
  black: { name: 'Black', colour: '#15181a' },
}

export const materials: Record<string, string> = { steel: 'Steel', aluminium: 'Aluminium', fibreglass: 'Fibreglass' }

export const zones: Record<string, string> = inWords('zones', {
  paint: 'Paint',
  wheels: 'Wheels',
  glass: 'Glass',
  trim: 'Trim',
  tyres: 'Tyres',
})

export const storages: Record<string, string> = {
  'heated-garage': 'Heated garage',
  garage: 'Garage',
  carport: 'Carport',
  outdoors: 'Outdoors',
  harsh: 'Outdoors by the sea or in strong sun',
}

export const roads: Record<string, string> = {
  normal: 'Ordinary roads',
  unpaved: 'Unpaved roads',
  salted: 'Salted roads',
}

export const finishes: Record<string, string> = {
  matte: 'Matte',
  soft: 'Soft paint',
  'single-stage': 'Single-stage paint',
  decals: 'Decals',
}

export const wheelFinishes: Record<string, string> = {
  painted: 'Painted',
  'gloss-black': 'Gloss black',
  'bare-metal': 'Bare metal',
  anodised: 'Anodised',
  polished: 'Polished',
  chrome: 'Chrome',
}

export const behaviours = listInWords('behaviours', [
  { value: 'tight', name: 'Tight beads', says: 'Small, round, they roll at a touch', angle: 110 },
  { value: 'good', name: 'Good beads', says: 'Round, a little wider', angle: 92 },
  { value: 'weak', name: 'Weak beads', says: 'Flattened, ragged outlines', angle: 72 },
  { value: 'sheeting', name: 'Sheets', says: 'Runs off in a curtain', angle: 42 },
  { value: 'flat', name: 'Lies flat', says: 'Water stays and wets everything', angle: 14 },
] as const)

export type BehaviourName = (typeof behaviours)[number]['value']

/** Where on the paint the water is read. */
export const parts = listInWords('parts', [
  { value: 'top', name: 'Roof and bonnet' },
  { value: 'sides', name: 'Sides' },
  { value: 'low', name: 'Low panels' },
] as const)

export type PartName = (typeof parts)[number]['value']

export const stages: Record<string, string> = inWords('stages', {
  arrival: 'On arrival, dirty',
  after_wash: 'Washed',
  after_decon: 'Decontaminated',
  after_topper: 'With the new topper',
})

export const soils = listInWords('soils', [
  { value: 0, name: 'Clean', says: 'Shines; a cloth stays white' },
  { value: 1, name: 'Light dust', says: 'You can see it at an angle, no film' },
  { value: 2, name: 'Road film', says: 'Dull, a few insects, a finger leaves a line' },
  { value: 3, name: 'Grime', says: 'Grey low down, insects, colour still plain' },
  { value: 4, name: 'Heavy', says: 'Gritty to the touch, lower third hidden' },
  { value: 5, name: 'Caked', says: 'Hardened mud or salt crust' },
])

export const methods: Record<string, { name: string; says: string }> = {
  touchless: { name: 'Touchless', says: 'Foam, rinse, foam, rinse' },
  'multi-towel': { name: 'Many towels', says: 'Each side once' },
  'two-mitts': { name: 'Two mitts', says: 'Upper and lower, two buckets' },
  'one-mitt': { name: 'One mitt', says: 'Two buckets' },
  rinseless: { name: 'Rinseless', says: 'Bucket of towels, no hose' },
  waterless: { name: 'Waterless', says: 'Spray and wipe, dust only' },
}

export const waters: Record<string, string> = inWords('waters', {
  tap: 'Tap water',
  treated: 'Treated water',
  none: 'No water',
})

export const roles: Record<string, string> = inWords('roles', {
  prewash: 'Pre-wash',
  foam: 'Foam',
  soap: 'Soap',
  rinseless: 'Rinseless wash',
  waterless: 'Waterless wash',
  wheel: 'Wheel cleaner',
  iron: 'Iron remover',
  tar: 'Tar remover',
  'clay-lube': 'Clay lubricant',
  'drying-aid': 'Drying aid',
  topper: 'Topper',
  glass: 'Glass',
  tyre: 'Tyre dressing',
  trim: 'Trim',
})

export const leaves: Record<string, string> = {
  nothing: 'Nothing',
  wax: 'Wax',
  oils: 'Oils',
  silica: 'Silica',
  polymer: 'Polymer',
}
export const strips: Record<string, string> = {
  none: 'Leaves them alone',
  slight: 'Thins them a little',
  strong: 'Strips them',
}

export const kinds: Record<string, string> = inWords('kinds', {
  wash: 'wash',
  topper: 'topper',
  decon: 'decontamination',
  inspection: 'look at the base',
  base: 'renewal of the base',
  recoat: 'new coating',
})

/** What a visit takes in. */
export const scopes: Record<string, string> = inWords('scopes', {
  quick: 'Quick: paint and glass',
  usual: 'Usual: with wheels, jambs, tyres',
  full: 'Full: with arches, trim, dressing',
})
export const scopeZones: Record<string, string> = inWords('scopeZones', {
  paint: 'Paint',
  wheels: 'Wheels',
  glass: 'Glass',
  jambs: 'Jambs',
  tyres: 'Tyres',
  arches: 'Arches',
  trim: 'Trim',
  dressing: 'Tyre dressing',
})

/** What a visit holds, as it is said: wash, topper and decontamination. */
export function kindsSaid(held: string[]): string {
  return listed(held.map((kind) => kinds[kind] ?? kind))
}

/** How many, in words: a crew is one to eight. */
export const numbers = inWords('numbers', {
  1: 'one',
  2: 'two',
  3: 'three',
  4: 'four',
  5: 'five',
  6: 'six',
  7: 'seven',
  8: 'eight',
} as Record<string, string>)
const places: Record<string, string> = inWords('places', {
  1: 'first',
  2: 'second',
  3: 'third',
  4: 'fourth',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
  8: 'eighth',
})
export const ordinal = (n: number): string => places[n] ?? String(n)

/** Whose hands a step takes: both, first, second and third. */
export function handsSaid(who: number[], crew: number): string {
  return who.length === crew ? t(crew === 2 ? 'words.both' : 'words.all') : listed(who.map(ordinal))
}

export const verdicts: Record<string, string> = inWords('verdicts', {
  sound: 'Sound',
  'was-dirty': 'Only dirt',
  clogged: 'Clogged, not spent',
  'topper-spent': 'Topper spent',
  'base-suspect': 'Base suspect',
  refreshed: 'Refreshed',
  unclear: 'Not clear yet',
})

export const states: Record<string, string> = {
  failed: 'Spent',
  suspect: 'Clogged or spent?',
  due: 'Due',
  open: 'Can be renewed now',
  soon: 'Due soon',
  later: 'Later',
  unknown: 'Nothing to go by',
  bare: 'Bare',
}

/** "2 minutes", "1 minute": for words whose many ends with an s. */
export const counted = (n: number, many: string) => `${n} ${n === 1 ? many.replace(/s$/, '') : many}`

export const textiles: Record<string, string> = inWords('textiles', {
  sides: 'Towel sides',
  mitts: 'Mitts',
  large: 'Large towels',
  medium: 'Medium towels',
  catch: 'Drip catchers',
  sills: 'Sill towels',
  wheels: 'Wheel towels',
  jambs: 'Jamb towels',
  glass: 'Glass towels',
  topper: 'Topper towels',
})

/** What was done in a wash, as a layer feels it. */
export const washTraits: Record<string, string> = {
  touchless: 'touchless',
  rinseless: 'rinseless',
  contact: 'contact wash',
  waterless: 'waterless',
  'alkaline-prewash': 'alkaline pre-wash',
  'iron-remover': 'iron remover',
  'machine-brush': 'machine brushes',
  clay: 'clay',
  'stripping-cleaner': 'a cleaner that strips',
}

/** What may be seen of a layer that is meant to last. */
export const seenOfBase: Record<string, string> = inWords('seenOfBase', {
  sound: 'Sound',
  thin: 'Thin in places',
  'flat-spots': 'Water lies flat in places',
  'water-marks': 'Water marks',
  chips: 'Chips',
  'edges-lift': 'Edges lift',
})

/** What was seen of the base, as it is said; and what was planned and left for another time. */
export const seenSaid = (seen: string[]): string => seen.map((what) => within(seenOfBase[what] ?? what)).join(', ')
