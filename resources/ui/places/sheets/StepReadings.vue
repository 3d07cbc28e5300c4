<script setup lang="ts">
import { t } from '@/lib/i18n'
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
const asks = computed(() => ({
  arrival: [t('step-readings.dirty'), t('step-readings.dirty-says')] as const,
  after_wash: [t('step-readings.clean'), t('step-readings.clean-says')] as const,
  after_decon: [t('step-readings.clean'), t('step-readings.clean-says')] as const,
  after_topper: [t('step-readings.new'), t('step-readings.new-says')] as const,
}))
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
      {{ $t('step-readings.measure-on-a-photo') }}
    </button>
    <BeadGauge v-if="measuring" @take="take" />
  </div>
</template>
