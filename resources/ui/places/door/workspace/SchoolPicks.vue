<script setup lang="ts">
import type { Schemas } from '@/api/client'
import Choices from '@/parts/Choices.vue'
import { useSchools } from '@/places/bench/schools'

// One side of every school, each with its reason. For a vehicle: its own side, or the workspace's.
const props = defineProps<{ follow?: Schemas['Sides'] }>()
const sides = defineModel<Schemas['Sides']>({ required: true })
const { schools } = useSchools()
type Key = keyof Schemas['Sides']

function options(school: Schemas['School']) {
  const own = school.sides.map((side) => ({ value: side.side, name: side.name, says: side.reason }))
  if (!props.follow) return own
  const theirs = school.sides.find((side) => side.side === props.follow?.[school.school as Key])
  return [{ value: '', name: 'As the workspace', says: theirs ? `Now: ${theirs.name.toLowerCase()}` : '' }, ...own]
}
function take(school: string, side: string | null | undefined) {
  const next = { ...sides.value }
  if (side) Object.assign(next, { [school]: side })
  else Reflect.deleteProperty(next, school)
  sides.value = next
}
</script>

<template>
  <div class="grid schools">
    <Choices
      v-for="school in schools"
      :key="school.school"
      :label="school.asks"
      :options="options(school)"
      :columns="Math.min(4, options(school).length)"
      :model-value="sides[school.school as Key] ?? ''"
      @update:model-value="take(school.school, $event)"
    />
  </div>
</template>

<style scoped>
.schools {
  gap: var(--s5);
}
</style>
