import { answered } from '@/lib/reckon'
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'

export type Gear = Schemas['Gear']

/** All the gear, with what can be mixed in and what foams. */
export function useGear() {
  const query = useQuery({ queryKey: ['gear'], queryFn: () => told(api.GET('/api/v1/gear')) })
  const all = computed(() => query.data.value?.data ?? [])
  return {
    gear: all,
    error: query.error,
    isPending: query.isPending,
    vessels: computed(() => all.value.filter((one) => ['bottle', 'sprayer', 'bucket', 'lance'].includes(one.kind))),
    lances: computed(() => all.value.filter((one) => one.kind === 'lance')),
  }
}

/** What the `lance` model says; without a calibration it gives a span instead of a number. */
export type Through = {
  calibrated?: false
  reachable?: boolean
  bottle_share?: number
  panel_share?: number
  product_ml?: number
  bottle_share_low?: number
  bottle_share_high?: number
  panel_share_low?: number
  panel_share_high?: number
}

export function measured(lance: Gear | undefined) {
  const of = lance?.calibration
  return of ? { washer_l_min: of.washer_l_min, bottle_ml: of.bottle_ml, empties_s: of.empties_s } : {}
}

/** The bottle's mix for a strength at the panel. */
export function useLance(lance: Ref<Gear | undefined>, target: Ref<number | null>, fillMl: Ref<number | null>) {
  const ask = computed(() => ({
    ...measured(lance.value),
    ...(target.value === null ? {} : { target_share: target.value }),
    ...(fillMl.value ? { fill_ml: fillMl.value } : {}),
  }))
  const { data, error } = useQuery({
    queryKey: ['lance', ask],
    enabled: computed(() => lance.value !== undefined && target.value !== null && fillMl.value !== null),
    queryFn: async () =>
      answered<Partial<Schemas['ReckonLance'] & Schemas['ReckonLanceSpan']>>(
        await told(api.POST('/api/v1/reckon/lance', { body: ask.value })),
      ),
    staleTime: Infinity,
    retry: false,
  })
  return { through: computed(() => (lance.value && target.value !== null ? data.value : undefined)), error }
}
