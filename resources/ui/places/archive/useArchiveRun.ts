import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'

const GOES_ON = ['waiting', 'running']

/** Something long that the queue does with an archive or a table: begun, and how far it is while one waits or goes elsewhere. */
export function useArchiveRun() {
  const id = ref('')
  const { busy, problem, attempt } = useDeed()
  const { data: run } = useQuery({
    queryKey: computed(() => ['archive-run', id.value]),
    queryFn: () => told(api.GET('/api/v1/archive/runs/{run}', { params: { path: { run: id.value } } })),
    enabled: computed(() => id.value !== ''),
    refetchInterval: (query) => (GOES_ON.includes(query.state.data?.status ?? '') ? 1000 : false),
  })

  return {
    run,
    busy,
    problem,
    goesOn: computed(() => GOES_ON.includes(run.value?.status ?? '')),
    /** @param ask  tells the run's id */
    begin: async (ask: () => Promise<string>) => {
      id.value = ''
      await attempt(async () => {
        id.value = await ask()
      })
    },
  }
}
