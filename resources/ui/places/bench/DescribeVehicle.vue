<script setup lang="ts">
import { computed } from 'vue'
import TickMany from '@/parts/TickMany.vue'
import { useUnits } from '@/lib/units'
import { asOptions } from '@/lib/options'
import { bodies, families, finishes, materials, tones, wheelFinishes } from '@/lib/words'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import type { Described } from './look'

// A vehicle that is in no book yet: enough of it to be matched, and nothing is saved.
const vehicle = defineModel<Described>({ required: true })
const units = useUnits()
const areas: Record<string, number> = {
  small: 9,
  hatch: 10,
  saloon: 11.5,
  tourer: 10,
  estate: 12.5,
  suv: 14,
  pickup: 13.5,
  limousine: 15,
  van: 19,
  minibus: 24,
  coach: 60,
  horsebox: 51,
  boat: 35,
}
const body = computed({
  get: () => vehicle.value.body,
  set: (next) => Object.assign(vehicle.value, { body: next, paint_m2: areas[next ?? ''] ?? vehicle.value.paint_m2 }),
})
const area = computed({
  get: () => units.areaOut(vehicle.value.paint_m2),
  set: (typed) => (vehicle.value.paint_m2 = Number(units.areaIn(Number(typed)).toFixed(1))),
})
const layers = {
  unknown: 'Nobody knows',
  ...Object.fromEntries(Object.entries(families).map(([key, family]) => [key, family.name])),
}
const toneNames = Object.fromEntries(Object.entries(tones).map(([key, tone]) => [key, tone.name]))
const hardnesses = { soft: 'Soft', medium: 'Medium', hard: 'Hard' }
</script>

<template>
  <div class="grid">
    <div class="cols three">
      <Field label="Body"
        ><template #default="f"><OneOf v-bind="f" v-model="body" :options="bodies" /></template
      ></Field>
      <Field label="Painted area"
        ><template #default="f"
          ><NumberInput v-bind="f" v-model="area" :step="0.5" :suffix="units.areaUnit.value" /></template
      ></Field>
      <Field label="On the paint"
        ><template #default="f"><OneOf v-bind="f" v-model="vehicle.family" :options="layers" /></template
      ></Field>
      <Field label="Colour"
        ><template #default="f"><OneOf v-bind="f" v-model="vehicle.tone" :options="toneNames" /></template
      ></Field>
      <Field label="Paint hardness"
        ><template #default="f"><OneOf v-bind="f" v-model="vehicle.hardness" :options="hardnesses" /></template
      ></Field>
      <Field label="Wheels"
        ><template #default="f"><OneOf v-bind="f" v-model="vehicle.wheel_finish" :options="wheelFinishes" /></template
      ></Field>
      <Field label="Panels of"
        ><template #default="f"><OneOf v-bind="f" v-model="vehicle.material" :options="materials" /></template
      ></Field>
    </div>
    <TickMany
      v-model="vehicle.finish"
      label="What is special about the paint"
      hide-label
      :options="asOptions(finishes)"
    />
  </div>
</template>
