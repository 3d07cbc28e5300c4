import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'

type Pending = Record<string, boolean>

/** No signal, signed out, session gone, too often: to be told again later. */
const LATER = [0, 401, 419, 429]

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
  let again = false

  async function send() {
    again = true
    if (sending) return
    sending = true
    try {
      // What is ticked while others are on their way is told after them.
      while (again) {
        again = false
        if (!(await sendAll())) return
      }
    } finally {
      sending = false
    }
  }

  /** Whether everything that waited was told. */
  async function sendAll(): Promise<boolean> {
    for (const [days, lines] of Object.entries(all.value)) {
      const [from = '', to = ''] = days.split('/')
      for (const [line, ticked] of Object.entries(lines)) {
        try {
          await told(api.PUT('/api/v1/load/ticks', { body: { from, to, line, ticked } }))
        } catch (caught) {
          // What the server refuses for good is dropped; without signal, or signed out, everything stays.
          if (!(caught instanceof Problem) || caught.status >= 500 || LATER.includes(caught.status)) return false
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
    return true
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
