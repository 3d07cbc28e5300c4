<script setup lang="ts">
import { locale } from '@/lib/i18n'
// Twelve months to tick.
defineProps<{ label: string; hint?: string }>()
const months = defineModel<number[]>({ required: true })
const names = Array.from({ length: 12 }, (_, i) =>
  new Intl.DateTimeFormat(locale(), { month: 'short', timeZone: 'UTC' }).format(new Date(Date.UTC(2026, i, 1))),
)
function toggle(month: number) {
  const now = months.value.includes(month) ? months.value.filter((one) => one !== month) : [...months.value, month]
  months.value = now.sort((a, b) => a - b)
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="all">
      <label v-for="(name, i) in names" :key="name" :class="{ on: months.includes(i + 1) }">
        <input type="checkbox" :checked="months.includes(i + 1)" @change="toggle(i + 1)" />
        {{ name }}
      </label>
    </div>
    <p v-if="hint" class="small quiet">{{ hint }}</p>
  </fieldset>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(74px, 1fr));
  gap: var(--s2);
}

label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
}

.on {
  border-color: var(--film);
  box-shadow: inset 0 -3px 0 var(--film);
}

p {
  margin: 6px 0 0;
}
</style>
