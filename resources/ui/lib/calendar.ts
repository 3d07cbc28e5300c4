import dayjs from 'dayjs'
import 'dayjs/locale/de'
import 'dayjs/locale/en-gb'
import { watchEffect } from 'vue'
import { i18n } from './i18n'

// What is typed into a day is read with the names of the months of whoever types it.
watchEffect(() => dayjs.locale(i18n.global.locale.value === 'de' ? 'de' : 'en-gb'))

/** How a day is typed, in the signs of dayjs. */
export const dayPattern = (): string => (i18n.global.locale.value === 'de' ? 'DD.MM.YYYY' : 'D MMM YYYY')

export const momentPattern = (): string => `${dayPattern()} HH:mm`
