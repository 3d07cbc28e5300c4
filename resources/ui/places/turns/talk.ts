import { answered } from '@/lib/reckon'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import type { BehaviourName, PartName } from '@/lib/words'

/** What was read at one stage: the whole at a glance, parts by themselves, and how long a sheet of water took. */
export type StageRead = Partial<Record<'whole' | PartName, BehaviourName>> & { sheets_s?: number | null }
export type Reads = Record<string, StageRead>
export type Talk = Schemas['WaterTalk']

const stagesInOrder = ['arrival', 'after_wash', 'after_decon', 'after_topper'] as const

/** The question as the model takes it. */
export function askOf(reads: Reads, designed: 'beads' | 'sheets', topper: boolean) {
  const stagesOf = (part: 'whole' | PartName) =>
    Object.fromEntries(stagesInOrder.flatMap((stage) => (reads[stage]?.[part] ? [[stage, reads[stage][part]]] : [])))
  return {
    designed,
    topper,
    ...stagesOf('whole'),
    parts: { top: stagesOf('top'), sides: stagesOf('sides'), low: stagesOf('low') },
  }
}

export const isRead = (reads: Reads): boolean =>
  Object.values(reads).some((read) => read.whole ?? read.top ?? read.sides ?? read.low)

/** The answer for readings of the whole, from a sheet's own table. */
export function fromTable(table: Schemas['TalkTable'] | undefined, reads: Reads): Talk | null {
  if (!table) return null
  const of = table.of
  const key = stagesInOrder.map((stage) => of[reads[stage]?.whole ?? ''] ?? '-').join('')
  return table.answers[table.by[key] ?? -1] ?? null
}

/** What the readings say, asked as they change; the sheet's table answers while nobody can be asked. */
export function useTalk(
  reads: Ref<Reads>,
  about: Ref<{ designed: 'beads' | 'sheets'; topper: boolean }>,
  table: Ref<Schemas['TalkTable'] | undefined>,
) {
  const settled = refDebounced(reads, 150)
  const ask = computed(() => askOf(settled.value, about.value.designed, about.value.topper))
  const { data } = useQuery({
    queryKey: ['talk', ask],
    enabled: () => isRead(settled.value),
    retry: false,
    networkMode: 'always',
    queryFn: async () => answered<Talk>(await told(api.POST('/api/v1/reckon/diagnose', { body: ask.value }))),
    placeholderData: (before) => before,
  })
  return computed(() => (isRead(reads.value) ? (data.value ?? fromTable(table.value, reads.value)) : null))
}
