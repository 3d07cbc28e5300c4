import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useToppers } from '@/lib/toppers'
import { aheadOf, nextFree, type Visit, type Weeks } from './weeks'

/** The visit in hand: over which day it is held, what that costs, and what the protection makes of it. */
export function useInHand(weeks: Ref<Weeks | undefined>, move: (visit: string, on: string) => Promise<boolean>) {
  const chosen = ref<string | null>(null)
  const held = ref<string | null>(null)
  const visit = computed(() => weeks.value?.visits.find((one) => one.id === chosen.value) ?? null)
  const vehicle = computed(() => weeks.value?.vehicles.find((one) => one.id === visit.value?.vehicle_id) ?? null)
  // Where it stands has changed under the hand: it is held there.
  watch(
    () => visit.value?.on,
    (on) => (held.value = on ?? null),
  )
  // Its lane stays in sight above what is said about it.
  watch(chosen, () => void nextTick(() => document.querySelector('.mark.chosen')?.scrollIntoView({ block: 'nearest' })))

  const { data: other } = useQuery({
    queryKey: ['visit-else', chosen],
    enabled: () => visit.value !== null,
    queryFn: () =>
      told(api.GET('/api/v1/weeks/visits/{visit}/else', { params: { path: { visit: chosen.value ?? '' } } })),
  })
  const choices = computed(() => (visit.value ? (other.value?.days ?? []) : []))

  const vehicleId = computed(() => visit.value?.vehicle_id ?? null)
  const toppers = useToppers(vehicleId)
  const ahead = (on: Ref<string | null>) => {
    const body = computed(() =>
      visit.value && toppers.value && weeks.value
        ? aheadOf(weeks.value.visits, visit.value, on.value ?? visit.value.on, Object.keys(toppers.value)[0] ?? null)
        : null,
    )
    return useQuery({
      queryKey: ['vehicle', vehicleId, 'try', body],
      enabled: () => body.value !== null,
      queryFn: () =>
        told(
          api.POST('/api/v1/vehicles/{vehicle}/film/try', {
            params: { path: { vehicle: vehicleId.value ?? '' } },
            body: body.value ?? {},
          }),
        ),
      // Of another vehicle nothing is kept.
      placeholderData: (before, query) => (query?.queryKey[1] === vehicleId.value ? before : undefined),
    }).data
  }
  const heldAhead = ahead(refDebounced(held, 90))
  const standsAhead = ahead(computed(() => visit.value?.on ?? null))

  function choose(one: Visit) {
    if (chosen.value === one.id) return
    chosen.value = one.id
    held.value = one.on
  }
  return {
    chosen,
    held,
    visit,
    vehicle,
    choices,
    why: computed(() => other.value?.why ?? null),
    heldAhead: computed(() => (visit.value ? heldAhead.value?.tried : undefined)),
    standsAhead: computed(() => (visit.value ? standsAhead.value?.tried : undefined)),
    choose,
    grant(wish: Schemas['WeeksWish']) {
      chosen.value = wish.visit_id
      // After the watch above has put it where it stands.
      void nextTick(() => (held.value = wish.wish_on ?? wish.on))
    },
    leave() {
      chosen.value = held.value = null
    },
    step(by: 1 | -1) {
      if (visit.value) held.value = nextFree(choices.value, visit.value.on, held.value ?? visit.value.on, by)
    },
    async drop() {
      const one = visit.value
      const to = held.value
      if (!one || !to || to === one.on) return
      const over = choices.value.find((day) => day.on === to)
      // It can't be put down there; the reason stays to be read.
      if (over && over.cost === null) return
      if (await move(one.id, to)) {
        chosen.value = weeks.value?.visits.find((it) => it.vehicle_id === one.vehicle_id && it.on === to)?.id ?? null
      } else held.value = one.on
    },
  }
}
