import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import type { Weeks } from './weeks'

/** The weeks as they stand, and what can be done to them. */
export function useWeeks() {
  const queries = useQueryClient()
  const {
    data,
    error,
    isPending,
    failureReason: meanwhile,
  } = useQuery({
    queryKey: ['weeks'],
    queryFn: () => told(api.GET('/api/v1/weeks')),
  })
  const { busy, problem, attempt: deed } = useDeed()
  const run = computed(() => data.value?.run ?? null)
  const going = computed(() => run.value !== null && ['waiting', 'running'].includes(run.value.status))
  // While a search goes on, one asks how far it is.
  const { data: progress } = useQuery({
    queryKey: ['weeks-run', () => run.value?.id],
    enabled: () => going.value,
    refetchInterval: () => (going.value ? 700 : false),
    queryFn: () => told(api.GET('/api/v1/weeks/runs/{run}', { params: { path: { run: run.value?.id ?? '' } } })),
  })
  const heard = computed(() => (progress.value?.id === run.value?.id ? progress.value : run.value) ?? run.value)
  watch(
    () => progress.value?.status,
    (status) => {
      if (status && !['waiting', 'running'].includes(status)) void queries.invalidateQueries({ queryKey: ['weeks'] })
    },
  )

  const attempt = (work: () => Promise<Weeks | null>) =>
    deed(async () => {
      const weeks = await work()
      // What was asked before this was done knows nothing of it, and may not come in after it.
      await queries.cancelQueries({ queryKey: ['weeks'] })
      if (weeks) queries.setQueryData(['weeks'], weeks)
      else await queries.invalidateQueries({ queryKey: ['weeks'] })
      await queries.invalidateQueries({ queryKey: ['visit-else'] })
    })
  const visitPath = (visit: string) => ({ path: { visit } })

  return {
    weeks: data,
    error,
    isPending,
    meanwhile,
    problem,
    busy,
    going,
    heard,
    plan: (afresh = false) =>
      attempt(async () => {
        await told(api.POST('/api/v1/weeks/plan', { body: { afresh } }))
        return null
      }),
    stop: () =>
      attempt(async () => {
        await told(api.DELETE('/api/v1/weeks/runs/{run}', { params: { path: { run: run.value?.id ?? '' } } }))
        return null
      }),
    move: (visit: string, on: string) =>
      attempt(() =>
        told(
          api.POST('/api/v1/weeks/visits/{visit}/move', {
            params: { ...visitPath(visit), header: { 'Idempotency-Key': newId() } },
            body: { on },
          }),
        ),
      ),
    lock: (visit: string, locked: boolean) =>
      attempt(() => told(api.PATCH('/api/v1/weeks/visits/{visit}', { params: visitPath(visit), body: { locked } }))),
    /** It will not be; the rest adapts, and another day is looked for where that is wanted. */
    cancel: (visit: string, body: Schemas['VisitCancel']) =>
      attempt(() =>
        told(
          api.POST('/api/v1/weeks/visits/{visit}/cancel', {
            params: { ...visitPath(visit), header: { 'Idempotency-Key': newId() } },
            body,
          }),
        ),
      ),
    /** Asks clients: about one visit, or about all until a day. Says what came of it. */
    propose: async (visits: string[] | null, until: string | null): Promise<string | null> => {
      let said: string | null = null
      await attempt(async () => {
        const { asked, unreachable } = await told(
          api.POST('/api/v1/weeks/proposals', { body: visits ? { visits } : { until: until ?? '' } }),
        )
        said =
          `${asked} day${asked === 1 ? '' : 's'} newly asked about.` +
          (unreachable.length ? ` No address for ${unreachable.join(', ')}.` : '')
        return null
      })
      return said
    },
    undo: () => {
      const plan = data.value?.plan?.id
      return attempt(() => told(api.POST('/api/v1/weeks/undo', { body: plan ? { plan } : {} })))
    },
  }
}
