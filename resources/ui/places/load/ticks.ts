import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'

type Pending = Record<string, boolean>

/**
 * Ticks of a load list: shown at once, kept on the device, told to the server when it can be reached. The last one of a line counts,
 * so a repeat does no harm.
 */
export function useTicks(span: Ref<{ from: string; to: string }>, load: Ref<Schemas['Load'] | undefined>) {
  const queries = useQueryClient()
  const all = useLocalStorage<Record<string, Pending>>('load-ticks', {})
  const key = computed(() => `${span.value.from}/${span.value.to}`)
  const pending = computed<Pending>(() => all.value[key.value] ?? {})
  let sending = false

  async function send() {
    if (sending) return
    sending = true
    try {
      for (const [days, lines] of Object.entries(all.value)) {
        const [from = '', to = ''] = days.split('/')
        for (const [line, ticked] of Object.entries(lines)) {
          try {
            await told(api.PUT('/api/v1/load/ticks', { body: { from, to, line, ticked } }))
          } catch (caught) {
            // What the server refuses for good is dropped; without signal everything stays.
            if (!(caught instanceof Problem) || caught.status === 0 || caught.status >= 500 || caught.status === 401)
              return
          }
          const { [line]: sent, ...rest } = all.value[days] ?? {}
          // Ticked once more while it was on its way: that one is still to be told.
          const left = sent === ticked ? rest : { ...rest, [line]: sent ?? ticked }
          all.value = Object.fromEntries(
            Object.entries({ ...all.value, [days]: left }).filter(([, some]) => Object.keys(some).length),
          )
        }
      }
      await queries.invalidateQueries({ queryKey: ['load'] })
    } finally {
      sending = false
    }
  }
  useEventListener('online', () => void send())
  void send()

  const lines = computed(() => {
    const of = load.value
    if (!of) return []
    return [
      ...of.products,
      ...of.towels,
      ...(of.water.treated_l > 0 ? [of.water] : []),
      ...(of.power.packs > 0 ? [of.power] : []),
    ]
  })
  const isTicked = (line: string, known: boolean) => pending.value[line] ?? known
  return {
    isTicked,
    waiting: computed(() => Object.keys(pending.value).length),
    done: computed(() => lines.value.filter((one) => isTicked(one.line, one.ticked)).length),
    of: computed(() => lines.value.length),
    tick(line: string, ticked: boolean) {
      all.value = { ...all.value, [key.value]: { ...pending.value, [line]: ticked } }
      void send()
    },
  }
}
