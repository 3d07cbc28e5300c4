import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, told } from '@/api/client'

/** Toppers that may go on a vehicle's paint, by id, the fitting ones first. */
export function useToppers(vehicle: Ref<string | null>) {
  const { data } = useQuery({
    queryKey: ['shelf', vehicle, 'topper'],
    enabled: () => vehicle.value !== null,
    queryFn: () =>
      told(api.GET('/api/v1/vehicles/{vehicle}/shelf', { params: { path: { vehicle: vehicle.value ?? '' } } })),
  })
  return computed(() => {
    if (!data.value) return null
    const role = data.value.data.find((one) => one.role === 'topper' && one.zone === 'paint')
    return Object.fromEntries((role?.products ?? []).filter((one) => one.allowed).map((one) => [one.id, one.name]))
  })
}
