import { createI18n } from 'vue-i18n'
import type { Language as ToolkitWords } from 'element-plus/es/locale'
import toolkitEn from 'element-plus/es/locale/lang/en'
import { shallowRef } from 'vue'
import en from '@/lang/en.json'

export type Language = 'en' | 'de'

/** Each by its own name, whoever reads it. */
export const languages = [
  { value: 'en' as const, name: 'English' },
  { value: 'de' as const, name: 'Deutsch' },
]

// The desk's own words are English as yet: what the second language lacks is said in the first.
export const i18n = createI18n({
  legacy: false,
  locale: 'en' as Language,
  fallbackLocale: 'en',
  messages: { en } as Record<string, typeof en>,
  missingWarn: false,
  fallbackWarn: false,
})

/** The toolkit's own words; its weeks begin on Monday. */
const toolkitEnGb: ToolkitWords = { ...toolkitEn, name: 'en-gb' }
let toolkitDe: ToolkitWords | null = null
export const toolkitWords = shallowRef<ToolkitWords>(toolkitEnGb)

/** @param count  of what stands in the message, where one and many are said otherwise */
export const t = (key: string, named: Record<string, unknown> = {}, count?: number): string =>
  count === undefined ? i18n.global.t(key, named) : i18n.global.t(key, named, count)

/** How numbers and days are written. */
export const locale = (): string => (i18n.global.locale.value === 'de' ? 'de-DE' : 'en-GB')

/** What somebody reads in who has not said so: the first of their browser's languages that is known. */
export const ofTheBrowser = (wishes: readonly string[] = navigator.languages): Language =>
  (wishes.map((one) => one.slice(0, 2).toLowerCase()).find((one) => one === 'de' || one === 'en') ?? 'en') as Language

/** From now on in this language; its words come only when somebody reads it. */
export async function speak(language: Language): Promise<void> {
  if (language === 'de' && !i18n.global.availableLocales.includes('de'))
    try {
      const [own, toolkit] = await Promise.all([import('@/lang/de.json'), import('element-plus/es/locale/lang/de')])
      i18n.global.setLocaleMessage('de', own.default as unknown as typeof en)
      toolkitDe = toolkit.default
    } catch {
      // No signal, and never read on this device: what can be read now is better than nothing.
      return
    }
  i18n.global.locale.value = language
  toolkitWords.value = language === 'de' && toolkitDe ? toolkitDe : toolkitEnGb
}

/** Names by value, in the language of whoever reads; the English ones stand beside the values. */
export function inWords<T extends Record<string, string>>(of: string, english: T): T {
  return new Proxy(english, {
    get(target, value) {
      const own = Reflect.get(target, value) as string | undefined
      if (typeof value !== 'string' || own === undefined || i18n.global.locale.value === 'en') return own
      const key = `words.${of}.${value}`
      return i18n.global.te(key) ? t(key) : own
    },
  })
}

/** The same for values that have a name and perhaps a line that says more. */
export function listInWords<T extends readonly { value: string | number; name: string }[]>(of: string, english: T): T {
  return english.map(
    (one) =>
      new Proxy(one, {
        get(target, field) {
          const own: unknown = Reflect.get(target, field)
          if ((field !== 'name' && field !== 'says') || i18n.global.locale.value === 'en') return own
          const key = `words.${of}.${target.value}${field === 'says' ? '-says' : ''}`
          return i18n.global.te(key) ? t(key) : own
        },
      }),
  ) as unknown as T
}

/** One after the other, as a list is said. */
export const listed = (all: string[]): string =>
  new Intl.ListFormat(locale(), { style: 'long', type: 'conjunction' }).format(all)

/** A name within a sentence: English writes it small there, German as it stands. */
export const within = (name: string): string => (i18n.global.locale.value === 'de' ? name : name.toLowerCase())
