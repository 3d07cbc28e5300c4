import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, type Ref } from 'vue'
import { Problem } from '@/api/client'
import { useDeed } from './deed'

/**
 * Editing one row that others may edit too: what was typed stays whatever happens, and a newer version is shown rather
 * than overwritten.
 */
export function useEdit<Row extends object>(options: {
  load: () => Promise<{ data: Row; tag: string }>
  save: (form: Row, tag: string) => Promise<unknown>
  touches: unknown[][]
}) {
  const queries = useQueryClient()
  const form: Ref<Row | null> = ref(null)
  const tag = ref('')
  const { busy, problem, attempt, fields } = useDeed()
  const saved = ref(false)

  async function load() {
    try {
      const answer = await options.load()
      form.value = structuredClone(answer.data)
      tag.value = answer.tag
      problem.value = null
    } catch (caught) {
      problem.value = caught
    }
  }

  async function save(): Promise<boolean> {
    const typed = form.value
    if (!typed) return false
    saved.value = false
    saved.value = await attempt(async () => {
      await options.save(typed, tag.value)
      await Promise.all(options.touches.map((queryKey) => queries.invalidateQueries({ queryKey })))
    })
    return saved.value
  }

  return reactive({
    form,
    problem,
    busy,
    /** Whether what was typed has just been saved. */
    saved,
    load,
    save,
    /** Does something else with the row; what stands in its way is said where saving would say it. */
    attempt,
    fields,
    /** What someone else has saved meanwhile. */
    newer: computed(() => (problem.value instanceof Problem ? (problem.value.current as Row | null) : null)),
    async overrule(): Promise<boolean> {
      try {
        tag.value = (await options.load()).tag
      } catch (caught) {
        problem.value = caught
        return false
      }
      return save()
    },
    takeTheirs: load,
    /** Something else has changed these fields: they follow, what was typed in the others stays. */
    async follow(...fields: (keyof Row)[]) {
      const answer = await options.load()
      for (const field of fields) if (form.value) form.value[field] = answer.data[field]
      tag.value = answer.tag
    },
  })
}

export type Edit<Row extends object> = ReturnType<typeof useEdit<Row>>
