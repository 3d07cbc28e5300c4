import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { Problem } from '@/api/client'

/**
 * Something somebody does that may be refused: whether it is going on, and what stood in its way.
 *
 * @param touches what is asked anew once it came about: the first words of questions
 */
export function useDeed(...touches: string[]) {
  const queries = touches.length ? useQueryClient() : null
  const busy = ref(false)
  const problem = ref<unknown>(null)

  /** Whether it came about; what stood in its way is kept until the next try. */
  async function attempt(work: () => unknown, after?: () => unknown): Promise<boolean> {
    busy.value = true
    problem.value = null
    try {
      await work()
      await after?.()
      await Promise.all(touches.map((word) => queries?.invalidateQueries({ queryKey: [word] })))
      return true
    } catch (caught) {
      problem.value = caught
      return false
    } finally {
      busy.value = false
    }
  }

  return {
    busy,
    problem,
    attempt,
    /** What is wrong, by field. */
    fields: computed(() => (problem.value instanceof Problem ? problem.value.fields : {})),
  }
}
