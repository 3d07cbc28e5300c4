import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced, watchImmediate } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { all, api, told } from '@/api/client'
import { fromWallClock } from '@/lib/dates'
import { askOf, startFrom, type Described, type Look } from './look'

const QUIET = 120

export function useVehicleList() {
  return useQuery({
    queryKey: ['vehicles', 'all'],
    queryFn: () => all((cursor) => told(api.GET('/api/v1/vehicles', { params: { query: { limit: 200, cursor } } }))),
  })
}

/** The match for what is set, kept up to date: place and weather are the site's own until one changes them. */
export function useMatch(
  look: Ref<Look>,
  vehicleId: Ref<string | null>,
  described: Ref<Described>,
  zone: Ref<string>,
  compare: Ref<boolean>,
) {
  const { data: vehicle } = useQuery({
    queryKey: ['vehicle', vehicleId],
    enabled: computed(() => vehicleId.value !== null),
    queryFn: () =>
      told(api.GET('/api/v1/vehicles/{vehicle}', { params: { path: { vehicle: vehicleId.value ?? '' } } })),
  })
  const siteId = computed(() => (vehicleId.value === null ? null : (vehicle.value?.site_id ?? null)))
  const { data: site } = useQuery({
    queryKey: ['sites', siteId],
    enabled: computed(() => siteId.value !== null),
    queryFn: () => told(api.GET('/api/v1/sites/{site}', { params: { path: { site: siteId.value ?? '' } } })),
  })
  const hour = computed(() => fromWallClock(zone.value, look.value.at))
  const of = computed(() => (vehicleId.value ? { vehicle: vehicleId.value } : {}))
  // What the server expects of the visit: the same as Round, Weeks and the sheet start from.
  const { data: expected, error: weatherError } = useQuery({
    queryKey: ['expected', vehicleId, hour],
    queryFn: () => told(api.GET('/api/v1/bench/expected', { params: { query: { at: hour.value, ...of.value } } })),
    placeholderData: (before, query) => (query?.queryKey[1] === vehicleId.value ? before : undefined),
    staleTime: 60_000,
  })
  watchImmediate(expected, (of) => of && startFrom(look.value, of.soil))
  const { data: hours } = useQuery({
    queryKey: ['weather', siteId, hour],
    enabled: computed(() => vehicleId.value === null || vehicle.value !== undefined),
    queryFn: () =>
      told(
        api.GET('/api/v1/weather', {
          params: { query: { from: hour.value, hours: 1, ...(siteId.value ? { site: siteId.value } : {}) } },
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: 600_000,
  })
  // Only what somebody has changed lies over the site's own, whichever comes first.
  const place = computed(() => ({ ...expected.value?.place, ...look.value.place }))
  const forecast = computed(() => hours.value?.data[0])
  const weather = computed(() => look.value.byHand ?? expected.value?.weather)
  const ask = computed(() =>
    weather.value && expected.value
      ? askOf(
          look.value,
          place.value,
          weather.value,
          vehicleId.value ? { id: vehicleId.value } : described.value,
          expected.value,
        )
      : undefined,
  )
  const asked = refDebounced(ask, QUIET)
  const match = useQuery({
    queryKey: ['match', asked, compare],
    enabled: computed(() => asked.value !== undefined),
    queryFn: async () => {
      const body = asked.value
      if (!body) throw new Error('Nothing to ask yet.')
      const match = await told(api.POST('/api/v1/bench/match', { body: { ...body, compare: compare.value } }))
      // What was asked goes with the answer: while another is on its way, the one that stands is still whole.
      return { ...match, cameWith: body.seen.soil }
    },
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  })
  return { vehicle, site, place, expected, forecast, weather, weatherError, ask: asked, match }
}
