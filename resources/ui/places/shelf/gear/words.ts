export const kinds: Record<string, { name: string; says: string }> = {
  washer: { name: 'Washers', says: 'What comes out with the lance on it: fill a bucket and time it' },
  lance: { name: 'Lances', says: 'Calibrated once with plain water, or only a span is known' },
  bucket: { name: 'Buckets', says: 'To their usual fill line' },
  sprayer: { name: 'Pump sprayers', says: '' },
  bottle: { name: 'Spray bottles', says: '' },
  towel: { name: 'Towels and mitts', says: 'How many there are' },
  tank: { name: 'Tank', says: 'Treated water in the van' },
  ro: { name: 'Reverse osmosis', says: 'Rejection, recovery and what it makes' },
  resin: { name: 'Resin', says: 'Mixed bed after the membrane' },
  blower: { name: 'Air dryers', says: 'What they draw decides how many packs go along' },
  battery: { name: 'Battery packs', says: 'Keep them dry' },
}

type FactField = { name: string; label: string; suffix: string; volume?: boolean; share?: boolean; money?: boolean }

export const facts: Record<string, FactField[]> = {
  washer: [{ name: 'l_min', label: 'Gives', suffix: 'l/min' }],
  lance: [{ name: 'ml', label: 'Bottle holds', suffix: 'ml', volume: true }],
  bucket: [{ name: 'ml', label: 'Holds', suffix: 'ml', volume: true }],
  sprayer: [{ name: 'ml', label: 'Holds', suffix: 'ml', volume: true }],
  bottle: [{ name: 'ml', label: 'Holds', suffix: 'ml', volume: true }],
  towel: [
    { name: 'count', label: 'How many', suffix: '' },
    { name: 'cycles', label: 'Good for', suffix: 'washes' },
    { name: 'price_minor', label: 'One costs', suffix: '', money: true },
  ],
  tank: [
    { name: 'l', label: 'Holds', suffix: 'l' },
    { name: 'on_below_l', label: 'Fills from', suffix: 'l' },
  ],
  ro: [
    { name: 'rejection', label: 'Holds back', suffix: '%', share: true },
    { name: 'recovery', label: 'Recovers', suffix: '%', share: true },
    { name: 'make_l_min', label: 'Makes', suffix: 'l/min' },
  ],
  battery: [
    { name: 'count', label: 'How many', suffix: '' },
    { name: 'wh', label: 'One holds', suffix: 'Wh' },
  ],
  blower: [{ name: 'w', label: 'Draws', suffix: 'W' }],
  resin: [
    { name: 'l', label: 'Resin', suffix: 'l' },
    { name: 'capacity_g_per_l', label: 'Takes up', suffix: 'g/l' },
  ],
}

/** What towels are for; each pool keeps to its own. */
export const uses: Record<string, string> = {
  wash: 'Washing paint',
  'upper-mitt': 'Mitts for the upper paint',
  'lower-mitt': 'Mitts for the lower third',
  large: 'Drying, large',
  medium: 'Drying, medium',
  catch: 'Catching drips',
  sills: 'Sills',
  wheels: 'Wheels',
  jambs: 'Jambs',
  glass: 'Glass',
  topper: 'Toppers',
}
