import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { all, api, told } from '@/api/client'

// Rows of the book that forms choose one of, by id.
type Rows = Ref<{ id: string; name: string }[] | undefined>
const byId = (rows: Rows) => computed(() => Object.fromEntries((rows.value ?? []).map((row) => [row.id, row.name])))

export const useClientNames = () =>
  byId(
    useQuery({
      queryKey: ['clients'],
      queryFn: () => all((cursor) => told(api.GET('/api/v1/clients', { params: { query: { limit: 200, cursor } } }))),
    }).data,
  )

export const useSiteNames = () =>
  byId(
    useQuery({
      queryKey: ['sites'],
      queryFn: () => all((cursor) => told(api.GET('/api/v1/sites', { params: { query: { limit: 200, cursor } } }))),
    }).data,
  )

export function useProgrammes() {
  const { data } = useQuery({ queryKey: ['programmes'], queryFn: () => told(api.GET('/api/v1/programmes')) })
  const programmes = computed(() => data.value?.data)
  return { programmes, programmeNames: byId(programmes) }
}
