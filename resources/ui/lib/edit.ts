import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, type Ref } from 'vue'
import { Problem } from '@/api/client'

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
  const problem = ref<unknown>(null)
  const busy = ref(false)
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
    if (!form.value) return false
    busy.value = true
    saved.value = false
    problem.value = null
    try {
      await options.save(form.value, tag.value)
      await Promise.all(options.touches.map((queryKey) => queries.invalidateQueries({ queryKey })))
      saved.value = true
      return true
    } catch (caught) {
      problem.value = caught
      return false
    } finally {
      busy.value = false
    }
  }

  /** Does something else with the row; what stands in its way is said where saving would say it. */
  async function attempt(work: () => Promise<unknown>, after?: () => unknown) {
    try {
      await work()
      await after?.()
    } catch (caught) {
      problem.value = caught
    }
  }

  return reactive({
    form,
    problem,
    busy,
    /** Whether what was typed has just been saved. */
    saved,
    load,
    save,
    attempt,
    fields: computed(() => (problem.value instanceof Problem ? problem.value.fields : {})),
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
