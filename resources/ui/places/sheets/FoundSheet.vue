<script setup lang="ts">
import { computed, ref } from 'vue'
import SoilDrawing from '@/film/SoilDrawing.vue'
import { ifThere, rounded } from '@/lib/numbers'
import { useUnits } from '@/lib/units'
import { soils } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import type { Kept } from '@/offline/store'
import ContaminantPick from '@/places/bench/ContaminantPick.vue'
import type { ContaminantName } from '@/places/bench/words'
import type { State } from './fold'
import type { Found } from './found'
import { suns } from './words'

// Something else than expected: more dirt, a thing on the paint, the sun come round. The rest of the visit follows.
const props = defineProps<{ kept: Kept; state: State }>()
const emit = defineEmits<{ found: [found: Found]; sun: [panelC: number, sun: number]; close: [] }>()
const units = useUnits()
const seen = props.kept.sheet.facts.seen
const soil = ref<number | null>(props.state.found.soil ?? seen.soil)
const grit = ref(props.state.found.grit || seen.grit === true)
const on = ref<ContaminantName[]>([...new Set([...(seen.on ?? []), ...props.state.found.on])] as ContaminantName[])
const panel = ref<number | null>(null)
const sun = ref<number | null>(null)
const looked = computed(
  () =>
    soil.value !== (props.state.found.soil ?? seen.soil) ||
    grit.value !== (props.state.found.grit || seen.grit === true) ||
    on.value.some((one) => !(seen.on ?? []).includes(one) && !props.state.found.on.includes(one)) ||
    props.kept.sheet.facts.expected === true,
)
const measured = computed(() => ifThere(panel.value, (typed) => rounded(units.temperatureIn(typed))))

function take() {
  if (measured.value !== null || sun.value !== null) {
    const now = props.state.sun ?? props.kept.sheet.plan.now
    emit('sun', measured.value ?? now.panel_c, sun.value ?? now.sun_w_m2)
  }
  if (looked.value) emit('found', { soil: soil.value, grit: grit.value, on: on.value })
  emit('close')
}
</script>

<template>
  <div class="grid found">
    <Choices v-model="soil" :label="$t('found-sheet.how-dirty-is-it-really')" :options="soils" :columns="2">
      <template #drawing="{ option }"><SoilDrawing :level="option.value" /></template>
    </Choices>
    <ElCheckbox v-model="grit" class="big-tick">{{ $t('found-sheet.grit-a-fingertip-feels-sand') }}</ElCheckbox>
    <ContaminantPick v-model="on" :columns="2" />
    <Field :label="$t('found-sheet.panel-temperature-now')" :hint="$t('found-sheet.the-timers-follow-it')"
      ><template #default="f"
        ><NumberInput v-bind="f" v-model="panel" :step="0.5" :suffix="units.temperatureUnit.value" signed /></template
    ></Field>
    <Choices v-model="sun" :label="$t('found-sheet.sun-on-the-panel-now')" :options="suns" :columns="2" />
    <div class="thumb">
      <button type="button" class="beside" @click="emit('close')">{{ $t('found-sheet.back') }}</button>
      <button type="button" class="act" @click="take">{{ $t('found-sheet.take-it-in') }}</button>
    </div>
  </div>
</template>

<style scoped>
.found :deep(.soil),
.found :deep(.contaminant) {
  height: 42px;
}

.thumb {
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: var(--s2);
  position: sticky;
  bottom: 0;
  padding: var(--s3) 0;
  background: var(--paper);
}

.thumb button {
  min-height: 58px;
  font-size: 17px;
}
</style>
