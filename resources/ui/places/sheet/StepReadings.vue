<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { BehaviourName } from '@/lib/words'
import ReadWater from '../turn/ReadWater.vue'
import type { State } from './fold'

// The water is read twice: on the dirty paint when one arrives, on the clean paint before anything goes on.
const props = defineProps<{ kind: string; state: State; deconned: boolean }>()
const emit = defineEmits<{ reading: [facts: Record<string, unknown>] }>()
const BeadGauge = defineAsyncComponent(() => import('../gauge/BeadGauge.vue'))
const measuring = ref(false)
function take(reading: { behaviour: string; angle_deg: number }) {
  measuring.value = false
  emit('reading', { zone: 'paint', stage: stage.value, ...reading })
}
const stage = computed(() => (props.kind === 'look' ? 'arrival' : props.deconned ? 'after_decon' : 'after_wash'))
const value = computed({
  get: () =>
    props.state.readings.find((one) => one.zone === 'paint' && one.stage === stage.value)?.behaviour as
      BehaviourName | undefined,
  set: (behaviour) => behaviour && emit('reading', { zone: 'paint', stage: stage.value, behaviour }),
})
</script>

<template>
  <div>
    <ReadWater
      v-model="value"
      :label="kind === 'look' ? 'Water on the dirty paint' : 'Water on the clean paint'"
      :hint="
        kind === 'look'
          ? 'Tells about dirt on the layer, never that a coating is dead.'
          : 'This one tells about the layer.'
      "
    />
    <button type="button" class="beside" :aria-expanded="measuring" @click="measuring = !measuring">
      Measure on a photo
    </button>
    <BeadGauge v-if="measuring" @take="take" />
  </div>
</template>
