import { answered } from '@/lib/reckon'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import type { Marks } from './marks'

/** What the marked drops say, kept up to date as they are moved. */
export function useGauge(whole: Ref<Marks[]>, widthMm: Ref<number | null>) {
  const asked = refDebounced(
    computed(() =>
      whole.value.flatMap(({ left, right, top, near, mirror }) =>
        left && right && top
          ? [
              {
                left: [...left],
                right: [...right],
                top: [...top],
                ...(near && { near: [...near] }),
                ...(mirror && { mirror: [...mirror] }),
              },
            ]
          : [],
      ),
    ),
    150,
  )
  // The width of the first drop is the scale of the whole picture.
  const scale = computed(() => {
    const first = asked.value[0]
    const [[x1 = 0, y1 = 0], [x2 = 0, y2 = 0]] = [first?.left ?? [], first?.right ?? []]
    const px = Math.hypot(x2 - x1, y2 - y1)
    return widthMm.value && widthMm.value > 0 && px > 0 ? widthMm.value / px : null
  })
  const { data, error } = useQuery({
    queryKey: ['gauge', asked, scale],
    enabled: computed(() => asked.value.length > 0),
    retry: false,
    // What was read last stays until the next is there.
    placeholderData: keepPreviousData,
    queryFn: async () =>
      answered<Schemas['ReckonGauge']>(
        await told(api.POST('/api/v1/reckon/gauge', { body: { drops: asked.value, mm_per_px: scale.value } })),
      ),
  })
  return { answer: computed(() => (whole.value.length && !error.value ? data.value : undefined)), error }
}
