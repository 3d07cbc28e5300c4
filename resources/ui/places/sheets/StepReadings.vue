<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { readingsOf, readsOf } from '@/places/turns/draft'
import type { StageRead } from '@/places/turns/talk'
import WaterRead from '@/places/turns/WaterRead.vue'
import WaterTalk from '@/places/turns/WaterTalk.vue'
import type { State } from './fold'

// The water is read when one arrives, on the clean paint before anything goes on, and on what went on.
const props = defineProps<{
  kind: string
  state: State
  deconned: boolean
  table?: Schemas['TalkTable']
}>()
const emit = defineEmits<{ reading: [facts: Record<string, unknown>] }>()
const BeadGauge = defineAsyncComponent(() => import('@/places/turns/gauge/BeadGauge.vue'))
const measuring = ref(false)
function take(reading: { behaviour: string; angle_deg: number }) {
  measuring.value = false
  emit('reading', { zone: 'paint', stage: stage.value, ...reading })
}
const stage = computed(() =>
  props.kind === 'look'
    ? 'arrival'
    : props.kind.startsWith('topper')
      ? 'after_topper'
      : props.deconned
        ? 'after_decon'
        : 'after_wash',
)
const asks = {
  arrival: ['Water on the dirty paint', 'Tells about dirt on the layer, never that a coating is dead.'],
  after_wash: ['Water on the clean paint', 'This one tells about the layer.'],
  after_decon: ['Water on the clean paint', 'This one tells about the layer.'],
  after_topper: ['Water on the new topper', 'One panel is enough: it is what the next visits compare with.'],
} as const
const reads = computed(() => readsOf(props.state.readings))
/** Only what is new is written down; a reading once taken is replaced, not taken back. */
function read(next: StageRead | undefined) {
  const known = readingsOf({ [stage.value]: reads.value[stage.value] ?? {} })
  for (const one of readingsOf({ [stage.value]: next ?? {} })) {
    const before = known.find((row) => row.part === one.part)
    if (before?.behaviour !== one.behaviour || before.sheets_s !== one.sheets_s) emit('reading', { ...one })
  }
}
</script>

<template>
  <div class="grid">
    <WaterRead :model-value="reads[stage]" :label="asks[stage][0]" :hint="asks[stage][1]" @update:model-value="read" />
    <WaterTalk :reads="reads" :designed="table?.designed ?? 'beads'" :topper="table?.topper ?? true" :table="table" />
    <button type="button" class="beside" :aria-expanded="measuring" @click="measuring = !measuring">
      Measure on a photo
    </button>
    <BeadGauge v-if="measuring" @take="take" />
  </div>
</template>
