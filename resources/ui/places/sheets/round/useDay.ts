import { useQuery } from '@tanstack/vue-query'
import { useIntervalFn, useMediaQuery } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import { api, told } from '@/api/client'
import { dayIn, wallClock } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { nextStop, type Stop } from './day'

/** What of a day depends on now, on this device and on who works. */
export function useDay(on: Ref<string>, stops: Ref<Stop[]>) {
  const { zone } = useMe()
  const now = ref(Date.now())
  useIntervalFn(() => (now.value = Date.now()), 30_000)
  const minute = computed(() => {
    const clock = wallClock(zone.value, new Date(now.value))
    return 60 * Number(clock.slice(11, 13)) + Number(clock.slice(14, 16))
  })
  const { data: sheets } = useQuery({
    queryKey: computed(() => ['sheets', on.value]),
    queryFn: async () => (await told(api.GET('/api/v1/sheets', { params: { query: { on: on.value } } }))).data,
  })
  const { data: crews } = useQuery({ queryKey: ['crews'], queryFn: () => told(api.GET('/api/v1/crews')) })

  const sheetOf = (stop: Stop) => sheets.value?.find((one) => one.vehicle_id === stop.vehicle_id)
  const next = computed(() => nextStop(stops.value, minute.value, (stop) => sheetOf(stop)?.status))

  return {
    phone: useMediaQuery('(max-width: 700px)'),
    today: computed(() => on.value === dayIn(zone.value)),
    minute,
    next,
    nextSheet: computed(() => (next.value && sheetOf(next.value)?.id) ?? null),
    /** When the longest day of those who work then ends; who goes with whom is in the plan. */
    crewEnds: computed(() => {
      const weekday = String(new Date(`${on.value}T12:00:00Z`).getUTCDay() || 7)
      const minutes = (crews.value?.data ?? []).map(
        (crew) =>
          crew.days.find((day) => day.on === on.value)?.minutes ??
          (crew.minutes as unknown as Record<string, number>)[weekday] ??
          0,
      )
      const most = Math.max(0, ...minutes)
      const first = stops.value[0]
      return most > 0 && first ? first.begins_min - first.starts_min + most : null
    }),
  }
}
