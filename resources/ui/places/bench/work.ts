import { useDeed } from '@/lib/deed'
import { computed, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import { goesOnWith } from '@/lib/laid'
import type { Look } from './look'

/** Lays out a visit from what stands on the bench, and goes to its sheet. */
export function useWork(vehicleId: Ref<string | null>, asked: Ref<Schemas['BenchInput'] | undefined>, look: Ref<Look>) {
  const router = useRouter()
  const { busy, problem, attempt } = useDeed()
  async function work() {
    if (!asked.value || !vehicleId.value) return
    problem.value = null
    busy.value = true
    const { seen, place, weather, panel_c, schools, taken, scope, crew } = asked.value
    const body = {
      id: newId(),
      vehicle_id: vehicleId.value,
      on: look.value.at.slice(0, 10),
      ...(crew ? { crew } : {}),
      facts: { seen, place, weather, panel_c, schools, scope, ...(taken ? { taken } : {}) },
    }
    await attempt(async () => {
      const sheet = await told(api.POST('/api/v1/sheets', { body }))
      await router.push(`/sheets/${sheet.id}`)
    })
  }
  return { work, problem, busy, goesOn: computed(() => goesOnWith(problem.value)) }
}
