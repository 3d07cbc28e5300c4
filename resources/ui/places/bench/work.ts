import { ref, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'

/** Lays out a visit from what stands on the bench, and goes to its sheet. */
export function useWork(vehicleId: Ref<string | null>, asked: Ref<Schemas['BenchInput'] | undefined>) {
  const router = useRouter()
  const problem = ref<unknown>(null)
  const busy = ref(false)
  async function work() {
    if (!asked.value || !vehicleId.value) return
    problem.value = null
    busy.value = true
    const { seen, place, weather, panel_c, schools } = asked.value
    const body = { id: newId(), vehicle_id: vehicleId.value, facts: { seen, place, weather, panel_c, schools } }
    try {
      const sheet = await told(api.POST('/api/v1/sheets', { body }))
      await router.push(`/sheets/${sheet.id}`)
    } catch (caught) {
      problem.value = caught
    } finally {
      busy.value = false
    }
  }
  return { work, problem, busy }
}
