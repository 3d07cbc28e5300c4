import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'

/** The pen and the thermometer one holds; what ships is simulated, behind the same address a real one would have. */
export function useDevices(siteId: () => string | null, tone: () => string) {
  const problem = ref<unknown>(null)
  async function held<T>(work: () => Promise<T>): Promise<T | null> {
    problem.value = null
    try {
      return await work()
    } catch (caught) {
      problem.value = caught
      return null
    }
  }
  return {
    problem,
    dip: (point: Schemas['PenInput']['point']) =>
      held(async () => (await told(api.POST('/api/v1/devices/pen', { body: { site_id: siteId(), point } }))).tds_mg_l),
    aim: (shade: boolean, at: string) =>
      held(
        async () =>
          (
            await told(
              api.POST('/api/v1/devices/thermometer', {
                body: { site_id: siteId(), tone: tone(), exposure: shade ? 'shade' : 'flat', at },
              }),
            )
          ).panel_c,
      ),
  }
}
