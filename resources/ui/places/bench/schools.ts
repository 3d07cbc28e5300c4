import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'

export type SchoolWords = Schemas['School']

/** Every school with its sides and their reasons; they do not change while one works. */
export function useSchools() {
  const { data } = useQuery({
    queryKey: ['schools'],
    queryFn: () => told(api.GET('/api/v1/schools')),
    staleTime: Infinity,
  })
  return { schools: computed(() => data.value?.data ?? []) }
}

export function sideName(schools: SchoolWords[], school: string, side: string): string {
  return schools.find((one) => one.school === school)?.sides.find((one) => one.side === side)?.name ?? side
}
