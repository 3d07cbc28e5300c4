import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api, told, type Schemas } from '@/api/client'

/** So many ribbons an answer: the most urgent are there at once, all others a moment later. */
const PART = 200

type Film = Schemas['Film']

export const filmQuery = {
  queryKey: ['film'] as const,
  queryFn: ({ pageParam }: { pageParam: number }): Promise<Film> =>
    told(api.GET('/api/v1/film', { params: { query: { skip: pageParam, limit: PART } } })),
  initialPageParam: 0,
  getNextPageParam: (last: Film, pages: Film[]) => (pages.length * PART < last.count ? pages.length * PART : undefined),
}

/** Every vehicle's ribbon, most urgent first. */
export function useFilm() {
  // Shallow: hundreds of ribbons with dozens of points each are drawn, never changed in place.
  const query = useInfiniteQuery({ ...filmQuery, shallow: true })
  watch(
    () => query.hasNextPage.value && !query.isFetching.value && !query.isError.value,
    (more) => more && void query.fetchNextPage(),
    { immediate: true },
  )
  const film = computed((): Film | undefined => {
    const pages = query.data.value?.pages
    if (!pages?.[0]) return undefined
    // Who became more urgent between two answers stands in both.
    const ribbons = new Map(pages.flatMap((page) => page.ribbons.map((one) => [one.vehicle_id, one] as const)))
    return { ...pages[0], ribbons: [...ribbons.values()] }
  })
  return { film, error: query.error, isPending: query.isPending }
}
