<script setup lang="ts">
import { answered } from '@/lib/reckon'
import { useDeed } from '@/lib/deed'
import { reactive } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Coaches, libraries, horseboxes: the painted area by length, width and height.
const emit = defineEmits<{ area: [m2: number] }>()
const FOOT = 0.3048
const units = useUnits()
const typed = reactive({
  length_m: null as number | null,
  width_m: null as number | null,
  height_m: null as number | null,
})
const { problem, attempt, fields: errors } = useDeed()
const fields = [
  { name: 'length_m', label: 'Length' },
  { name: 'width_m', label: 'Width' },
  { name: 'height_m', label: 'Height' },
] as const

async function reckon() {
  problem.value = null
  const metres = (typed: number | null) => (typed ?? 0) * (units.metric.value ? 1 : FOOT)
  const body = { length_m: metres(typed.length_m), width_m: metres(typed.width_m), height_m: metres(typed.height_m) }
  await attempt(async () => {
    const box = answered<Schemas['ReckonArea']>(await told(api.POST('/api/v1/reckon/area', { body })))
    if (box) emit('area', Number(box.area_m2.toFixed(1)))
  })
}
</script>

<template>
  <details class="measure">
    <summary>By its length, width and height</summary>
    <div class="cols four">
      <Field v-for="field in fields" :key="field.name" :label="field.label" :error="errors[field.name]"
        ><template #default="f"
          ><NumberInput
            v-bind="f"
            v-model="typed[field.name]"
            :step="0.1"
            :suffix="units.metric.value ? 'm' : 'ft'" /></template
      ></Field>
      <button type="button" class="beside" @click="reckon">Take that area</button>
    </div>
    <ProblemNote :problem="problem" />
  </details>
</template>

<style scoped>
summary {
  min-height: 40px;
  cursor: pointer;
}

.cols {
  align-items: end;
}
</style>
