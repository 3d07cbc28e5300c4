import { answered } from '@/lib/reckon'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import type { Marks } from './marks'

/** What the marked drops say, kept up to date as they are moved. */
export function useGauge(whole: Ref<Marks[]>) {
  const asked = refDebounced(
    computed(() =>
      whole.value.flatMap(({ left, right, top }) =>
        left && right && top ? [{ left: [...left], right: [...right], top: [...top] }] : [],
      ),
    ),
    150,
  )
  const { data, error } = useQuery({
    queryKey: ['gauge', asked],
    enabled: computed(() => asked.value.length > 0),
    retry: false,
    // What was read last stays until the next is there.
    placeholderData: keepPreviousData,
    queryFn: async () =>
      answered<Schemas['ReckonGauge']>(await told(api.POST('/api/v1/reckon/gauge', { body: { drops: asked.value } }))),
  })
  return { answer: computed(() => (whole.value.length && !error.value ? data.value : undefined)), error }
}
