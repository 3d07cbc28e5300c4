<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useProgrammes } from '@/lib/lists'
import { methods } from '@/lib/words'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'

// One way of keeping a vehicle: how often, when the topper goes on, by which method.
defineProps<{ mark: number; removable: boolean }>()
const emit = defineEmits<{ remove: [] }>()
const regime = defineModel<Schemas['YearRegime']>({ required: true })
const { programmeNames } = useProgrammes()
const rhythms = computed(() => ({
  '': 'Its own rhythm',
  ...programmeNames.value,
}))
const toppers = {
  forecast: 'By its forecast',
  weeks: 'Every so many weeks',
  reading: 'When the water fails',
  'every-wash': 'At every wash',
  never: 'Never',
}
const methodNames = Object.fromEntries(Object.entries(methods).map(([key, of]) => [key, of.name]))
function set(change: Partial<Schemas['YearRegime']>) {
  regime.value = { ...regime.value, ...change }
}
</script>

<template>
  <section class="sheet grid" :aria-label="`Way ${mark + 1}`">
    <Field label="Called"
      ><template #default="f"
        ><TextInput
          v-bind="f"
          :model-value="regime.name"
          maxlength="60"
          @update:model-value="set({ name: String($event ?? '') })" /></template
    ></Field>
    <Field label="Rhythm"
      ><template #default="f"
        ><OneOf
          v-bind="f"
          :model-value="regime.programme_id ?? ''"
          :options="rhythms"
          @update:model-value="set({ programme_id: $event || null })" /></template
    ></Field>
    <Field label="Or every" optional
      ><template #default="f"
        ><NumberInput
          v-bind="f"
          :model-value="regime.every_days"
          suffix="days"
          @update:model-value="set({ every_days: $event ?? null })" /></template
    ></Field>
    <Field label="Topper"
      ><template #default="f"
        ><OneOf
          v-bind="f"
          :model-value="regime.topper"
          :options="toppers"
          @update:model-value="set({ topper: $event as Schemas['YearRegime']['topper'] })" /></template
    ></Field>
    <Field v-if="regime.topper === 'weeks'" label="Every"
      ><template #default="f"
        ><NumberInput
          v-bind="f"
          :model-value="regime.topper_weeks ?? 8"
          suffix="weeks"
          @update:model-value="set({ topper_weeks: $event ?? null })" /></template
    ></Field>
    <Field label="Method"
      ><template #default="f"
        ><OneOf
          v-bind="f"
          :model-value="regime.method"
          :options="methodNames"
          @update:model-value="set({ method: String($event) })" /></template
    ></Field>
    <button v-if="removable" type="button" class="words small" @click="emit('remove')">Without this one</button>
  </section>
</template>

<style scoped>
.sheet {
  align-content: start;
}

.words {
  justify-self: start;
}
</style>
