import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, told } from '@/api/client'
import type { Marks } from './marks'

type Answer = {
  angle_deg: number
  uncertainty_deg: number
  behaviour: string
  or_else: string | null
  drops: { angle_deg: number }[]
}

/** What the marked drops say, kept up to date as they are moved. */
export function useGauge(whole: Ref<Marks[]>) {
  const asked = refDebounced(
    computed(() => JSON.stringify(whole.value)),
    150,
  )
  const { data, error } = useQuery({
    queryKey: ['gauge', asked],
    enabled: computed(() => asked.value !== '[]'),
    retry: false,
    // What was read last stays until the next is there.
    placeholderData: keepPreviousData,
    queryFn: async () =>
      (await told(
        api.POST('/api/v1/reckon/{model}', {
          params: { path: { model: 'gauge' } },
          body: { drops: JSON.parse(asked.value) as unknown } as never,
        }),
      )) as unknown as Answer,
  })
  return { answer: computed(() => (whole.value.length && !error.value ? data.value : undefined)), error }
}
