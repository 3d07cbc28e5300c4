import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, watchEffect } from 'vue'
import { usePreferredDark } from '@vueuse/core'
import { api, Problem, told, type Schemas } from '@/api/client'
import { unseal } from '@/offline/leave'
import { flush } from '@/offline/outbox'
import { recall, remember } from '@/offline/store'
import { ofTheBrowser, speak, type Language } from './i18n'

export type Me = Schemas['Me']

export const meQuery = {
  queryKey: ['me'],
  queryFn: async (): Promise<Me> => {
    try {
      const me = await told(api.GET('/api/v1/me'))
      await remember('me', me)
      // Whoever is here again may have something waiting.
      void unseal(me.id).then(flush)
      return me
    } catch (caught) {
      // Nobody answers: whoever was here last goes on; what they send is checked when there is a signal.
      const last = caught instanceof Problem && caught.status === 0 ? await recall<Me>('me') : undefined
      if (last) return last
      throw caught
    }
  },
  staleTime: 60_000,
  retry: false,
}

export function useMe() {
  const { data } = useQuery(meQuery)
  return {
    me: data,
    workspace: computed(() => data.value?.workspace),
    isOwner: computed(() => data.value?.role === 'owner'),
    units: computed(() => data.value?.workspace.units ?? 'metric'),
    hardnessUnit: computed(() => data.value?.workspace.hardness_unit ?? 'mg/l'),
    zone: computed(() => data.value?.workspace.time_zone ?? 'UTC'),
  }
}

/** Light and dark: the person's choice, else the device's. */
export function useTheme() {
  const dark = usePreferredDark()
  const queries = useQueryClient()
  const { me } = useMe()
  const theme = computed(() => me.value?.theme ?? 'auto')
  watchEffect(() => {
    const wanted = theme.value === 'auto' ? (dark.value ? 'dark' : 'light') : theme.value
    document.documentElement.dataset.theme = wanted
    document.documentElement.style.colorScheme = wanted
  })
  async function choose(next: Me['theme']) {
    queries.setQueryData(['me'], await told(api.PATCH('/api/v1/me', { body: { theme: next } })))
  }
  return { theme, choose }
}

/** The person's language; whoever is not known reads as their browser does. */
export function useLanguage() {
  const queries = useQueryClient()
  const { me } = useMe()
  const language = computed<Language>(() => (me.value ? (me.value.language ?? 'en') : ofTheBrowser()))
  watchEffect(() => void speak(language.value))
  async function choose(next: Language) {
    queries.setQueryData(['me'], await told(api.PATCH('/api/v1/me', { body: { language: next } })))
    // What is known already was told in the other one.
    await queries.invalidateQueries()
  }
  return { language, choose }
}
