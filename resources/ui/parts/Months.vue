<script setup lang="ts">
import { monthName } from '@/lib/dates'
// Twelve months to tick.
defineProps<{ label: string; hint?: string }>()
const months = defineModel<number[]>({ required: true })
const names = Array.from({ length: 12 }, (_, i) => monthName(i + 1))
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <ElCheckboxGroup
      class="all"
      :model-value="months"
      :aria-label="label"
      :validate-event="false"
      @update:model-value="months = ($event as number[]).sort((a, b) => a - b)"
    >
      <ElCheckbox v-for="(name, i) in names" :key="name" :value="i + 1">{{ name }}</ElCheckbox>
    </ElCheckboxGroup>
    <p v-if="hint" class="small quiet">{{ hint }}</p>
  </fieldset>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(74px, 1fr));
  gap: var(--s2);
}

.el-checkbox {
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
}

.is-checked {
  border-color: var(--film);
  box-shadow: inset 0 -3px 0 var(--film);
}

p {
  margin: 6px 0 0;
}
</style>
