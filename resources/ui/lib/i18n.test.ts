import { readdirSync, readFileSync } from 'node:fs'
import { afterEach, expect, it } from 'vitest'
import de from '@/lang/de.json'
import en from '@/lang/en.json'
import { shortDay } from './dates'
import { listed, ofTheBrowser, speak, t } from './i18n'
import { handsSaid, kindsSaid, ordinal, soils, zones } from './words'
import { photoSays } from '@/places/proof/record/words'

const flat = (of: object, before = ''): Record<string, string> =>
  Object.entries(of).reduce<Record<string, string>>(
    (all, [key, value]) =>
      typeof value === 'string'
        ? { ...all, [before + key]: value }
        : { ...all, ...flat(value as object, `${before}${key}.`) },
    {},
  )
const named = (message: string) => [...message.matchAll(/\{(\w+)\}/g)].map((one) => one[1]).sort()

afterEach(() => speak('en'))

it('says everything in both languages, with the same facts in it', () => {
  const german = flat(de)
  for (const [key, message] of Object.entries(flat(en))) {
    expect(german[key], key).toBeDefined()
    expect([...new Set(named(german[key] ?? ''))], key).toEqual([...new Set(named(message))])
  }
  expect(Object.keys(german).filter((key) => !key.startsWith('words.') && !(key in flat(en)))).toEqual([])
})

it('says nothing that no catalogue knows', () => {
  const known = flat(en)
  const files = readdirSync('resources/ui', { recursive: true, encoding: 'utf8' }).filter((one) =>
    /\.(vue|ts)$/.test(one),
  )
  const asked = files.flatMap((one) =>
    [
      ...readFileSync(`resources/ui/${one}`, 'utf8').matchAll(
        /(?<![\w.])\$?t\(\s*(?:[^'()]+\? )?'([a-z-]+\.[a-z0-9-]+)'/g,
      ),
    ].map((found) => found[1] ?? ''),
  )
  expect(asked.length).toBeGreaterThan(150)
  expect(asked.filter((key) => !(key in known))).toEqual([])
})

it('names values, lists and days as whoever reads does', async () => {
  expect([zones.paint, soils[2]?.name, ordinal(1), kindsSaid(['wash', 'topper', 'decon'])]).toEqual([
    'Paint',
    'Road film',
    'first',
    'wash, topper and decontamination',
  ])
  expect(photoSays({ stage: 'before', zone: 'wheels' })).toBe('Before, wheels')
  await speak('de')
  expect([zones.paint, soils[2]?.name, soils[2]?.says]).toEqual([
    'Lack',
    'Straßenfilm',
    'Stumpf, ein paar Insekten, der Finger zieht eine Spur',
  ])
  expect(kindsSaid(['wash', 'topper', 'decon'])).toBe('Wäsche, Topper und Dekontamination')
  expect(handsSaid([1, 2], 2)).toBe('beide')
  expect(listed([])).toBe('')
  // Nouns keep their size within a sentence.
  expect(photoSays({ stage: 'before', zone: 'wheels' })).toBe('Vorher, Räder')
  expect(shortDay('2020-03-05', 'UTC')).toBe('5. März 2020')
  expect(t('record-place.turns', { n: 1 }, 1)).toBe('1 Besuch')
})

it('takes the first language of a browser that it knows', () => {
  expect([ofTheBrowser(['fr', 'de-AT', 'en']), ofTheBrowser(['en-US']), ofTheBrowser([])]).toEqual(['de', 'en', 'en'])
})
