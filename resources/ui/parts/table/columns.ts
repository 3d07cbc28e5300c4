import Papa from 'papaparse'

/** A table as it was read: heads, and cells by head. */
export type Sheet = { heads: string[]; rows: Record<string, string>[] }

/** Whatever separates its cells. Heads that are missing or twice there get a number. */
export function readSheet(text: string): Sheet {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [first = [], ...rest] = data
  const heads: string[] = []
  for (const [i, raw] of first.entries()) {
    const head = raw.trim() || `column ${i + 1}`
    heads.push(heads.includes(head) ? `${head} (${i + 1})` : head)
  }
  return { heads, rows: rest.map((cells) => Object.fromEntries(heads.map((head, i) => [head, cells[i] ?? '']))) }
}

/** What others call a column of ours: in English and German, as spreadsheets and address books have it. */
const ALSO: Record<string, string[]> = {
  name: [
    'title',
    'label',
    'bezeichnung',
    'full name',
    'client name',
    'customer',
    'customer name',
    'company',
    'firma',
    'kunde',
  ],
  contact: ['contact person', 'person', 'ansprechpartner', 'kontakt'],
  phone: ['telephone', 'tel', 'mobile', 'cell', 'telefon', 'handy', 'phone number'],
  email: ['e-mail', 'mail', 'email address', 'e-mail address'],
  note: ['notes', 'comment', 'comments', 'remark', 'remarks', 'notiz', 'bemerkung'],
  client: ['owner', 'customer', 'client name', 'customer name', 'kunde', 'besitzer', 'halter'],
  site: ['place', 'location', 'address', 'ort', 'standort', 'adresse'],
  body: ['type', 'vehicle type', 'body type', 'class', 'karosserie', 'art', 'fahrzeugart'],
  model: ['make and model', 'make/model', 'car', 'modell', 'fahrzeug', 'typ'],
  plate: ['registration', 'reg', 'licence plate', 'license plate', 'number plate', 'kennzeichen'],
  in_service_on: ['since', 'first seen', 'start', 'customer since', 'seit'],
  colour: ['color', 'paint', 'farbe'],
  tone: ['shade', 'farbton'],
  km_per_week: ['km', 'km/week', 'mileage', 'km pro woche'],
  base: ['coating', 'protection', 'layer', 'beschichtung', 'schutz'],
  base_since: ['coated on', 'coating date', 'applied', 'applied on', 'beschichtet am'],
  hours: ['opening hours', 'öffnungszeiten'],
  access: ['gate', 'directions', 'zufahrt'],
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[_\-./:()]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** Which column of a file each of ours may be: by its name, by what others call it, by a part of either; each once. */
export function guess(ours: string[], heads: string[]): Record<string, string> {
  const taken = new Set<string>()
  const matched: Record<string, string> = {}
  const take = (fits: (own: string, head: string) => boolean) => {
    for (const own of ours) {
      const head = matched[own] ? undefined : heads.find((one) => !taken.has(one) && fits(own, plain(one)))
      if (head) {
        matched[own] = head
        taken.add(head)
      }
    }
  }
  take((own, head) => head === plain(own))
  take((own, head) => (ALSO[own] ?? []).includes(head))
  take((own, head) =>
    [plain(own), ...(ALSO[own] ?? [])].some((one) => one.length > 3 && ` ${head} `.includes(` ${one} `)),
  )
  return matched
}

/** The rows under our heads; what nothing was matched to is left out. */
export const underOurs = (sheet: Sheet, matched: Record<string, string>): Record<string, string>[] =>
  sheet.rows.map((row) =>
    Object.fromEntries(
      Object.entries(matched)
        .filter(([, head]) => head !== '')
        .map(([own, head]) => [own, row[head] ?? '']),
    ),
  )

export const written = (rows: Record<string, string>[]): string => Papa.unparse(rows)
