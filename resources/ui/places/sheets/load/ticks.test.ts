import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref, type Ref } from 'vue'
import { api, type Schemas } from '@/api/client'
import { useTicks } from './ticks'

const kept: { device: Ref<Record<string, Record<string, boolean>>>; online: () => void } = {
  device: ref({}),
  online: () => undefined,
}
vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ invalidateQueries: async () => undefined }) }))
vi.mock('@vueuse/core', () => ({
  useLocalStorage: () => kept.device,
  useEventListener: (_: string, heard: () => void) => (kept.online = heard),
}))

type Tick = { from: string; to: string; line: string; ticked: boolean }
const days = { from: '2027-03-01', to: '2027-03-02' }
const load = ref({
  products: [{ line: 'product:a', ticked: false }],
  towels: [{ line: 'towels:wash', ticked: true }],
  water: { line: 'water', ticked: false, treated_l: 0 },
  power: { line: 'power', ticked: false, packs: 2 },
} as unknown as Schemas['Load'])
const settled = () => new Promise((done) => setTimeout(done))

describe('ticking off the load', () => {
  let told: Tick[]
  let answer: (tick: Tick) => number
  beforeEach(() => {
    kept.device.value = {}
    told = []
    answer = () => 204
    vi.spyOn(api, 'PUT').mockImplementation((async (_: string, { body }: { body: Tick }) => {
      const status = answer(body)
      if (status === 0) throw new TypeError('failed to fetch')
      told.push(body)
      return status === 204
        ? { data: undefined, response: new Response(null, { status }) }
        : { error: { title: '', detail: '' }, response: new Response('{}', { status }) }
    }) as unknown as typeof api.PUT)
  })

  it('counts what there is to take, and shows a tick before anybody knows of it', async () => {
    answer = () => 0
    const ticks = useTicks(ref(days), load)
    expect([ticks.of.value, ticks.done.value]).toEqual([3, 1])
    ticks.tick('product:a', true)
    expect([ticks.done.value, ticks.waiting.value, ticks.isTicked('product:a', false)]).toEqual([2, 1, true])
    await settled()
    expect(kept.device.value).toEqual({ '2027-03-01/2027-03-02': { 'product:a': true } })
  })

  it('tells what waited once there is a signal, of other days too, and forgets it then', async () => {
    kept.device.value = { '2027-02-28/2027-02-28': { water: true } }
    answer = () => 0
    const ticks = useTicks(ref(days), load)
    ticks.tick('power', true)
    await settled()
    expect(told).toEqual([])
    answer = () => 204
    kept.online()
    await settled()
    expect(told.map((one) => [one.from, one.line])).toEqual([
      ['2027-02-28', 'water'],
      ['2027-03-01', 'power'],
    ])
    expect(kept.device.value).toEqual({})
  })

  it.each([401, 419, 429, 500, 503])('keeps what is answered with %i', async (status) => {
    answer = () => status
    const ticks = useTicks(ref(days), load)
    ticks.tick('power', true)
    await settled()
    expect(ticks.waiting.value).toBe(1)
  })

  it('drops what will never be taken, and goes on with the next', async () => {
    kept.device.value = { '2027-03-01/2027-03-02': { 'product:gone': true, water: true } }
    answer = (tick) => (tick.line === 'product:gone' ? 422 : 204)
    useTicks(ref(days), load)
    await settled()
    expect(told.map((one) => one.line)).toEqual(['product:gone', 'water'])
    expect(kept.device.value).toEqual({})
  })

  it('tells what was ticked while others were on their way', async () => {
    const ticks = useTicks(ref(days), load)
    ticks.tick('power', true)
    ticks.tick('product:a', true)
    await settled()
    expect(told.map((one) => one.line).sort()).toEqual(['power', 'product:a'])
    expect(ticks.waiting.value).toBe(0)
  })

  it('does not lose a second thought that came while the first was on its way', async () => {
    const ticks = useTicks(ref(days), load)
    answer = () => {
      answer = () => 0
      ticks.tick('power', false)
      return 204
    }
    ticks.tick('power', true)
    await settled()
    expect(kept.device.value).toEqual({ '2027-03-01/2027-03-02': { power: false } })
  })
})
