<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { methods } from '@/lib/words'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'

// One way of keeping a vehicle: how often, when the topper goes on, by which method.
defineProps<{ mark: number; removable: boolean }>()
const emit = defineEmits<{ remove: [] }>()
const regime = defineModel<Schemas['YearRegime']>({ required: true })
const { data: programmes } = useQuery({
  queryKey: ['programmes'],
  queryFn: () => told(api.GET('/api/v1/programmes')),
})
const rhythms = computed(() => ({
  '': 'Its own rhythm',
  ...Object.fromEntries((programmes.value?.data ?? []).map((one) => [one.id, one.name])),
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
const numberOr = (typed: unknown) => (String(typed ?? '') === '' ? null : Number(typed))
</script>

<template>
  <section class="sheet grid" :aria-label="`Way ${mark + 1}`">
    <Field label="Called"
      ><template #default="f"
        ><PlainInput
          v-bind="f"
          :model-value="regime.name"
          maxlength="60"
          @update:model-value="set({ name: String($event ?? '') })" /></template
    ></Field>
    <Field label="Rhythm"
      ><template #default="f"
        ><PlainSelect
          v-bind="f"
          :model-value="regime.programme_id ?? ''"
          :options="rhythms"
          @update:model-value="set({ programme_id: $event || null })" /></template
    ></Field>
    <Field label="Or every" optional
      ><template #default="f"
        ><PlainInput
          v-bind="f"
          :model-value="regime.every_days ?? ''"
          type="number"
          min="1"
          max="180"
          suffix="days"
          @update:model-value="set({ every_days: numberOr($event) })" /></template
    ></Field>
    <Field label="Topper"
      ><template #default="f"
        ><PlainSelect
          v-bind="f"
          :model-value="regime.topper"
          :options="toppers"
          @update:model-value="set({ topper: $event as Schemas['YearRegime']['topper'] })" /></template
    ></Field>
    <Field v-if="regime.topper === 'weeks'" label="Every"
      ><template #default="f"
        ><PlainInput
          v-bind="f"
          :model-value="regime.topper_weeks ?? 8"
          type="number"
          min="1"
          max="104"
          suffix="weeks"
          @update:model-value="set({ topper_weeks: numberOr($event) })" /></template
    ></Field>
    <Field label="Method"
      ><template #default="f"
        ><PlainSelect
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
