<script setup lang="ts">
import { useTemplateRef } from 'vue'

// The one way to look for something in a list.
defineProps<{ label: string }>()
const text = defineModel<string>({ required: true })
const input = useTemplateRef<HTMLInputElement>('input')
defineExpose({
  focus: () => input.value?.focus(),
  blur: () => input.value?.blur(),
  has: (element: unknown) => element === input.value,
})
</script>

<template>
  <label class="find">
    <span class="hidden-text">{{ label }}</span>
    <input ref="input" v-model="text" type="search" :placeholder="label" />
  </label>
</template>

<style scoped>
.find {
  flex: 0 1 320px;
  margin-left: auto;
}

input {
  width: 100%;
  min-height: var(--touch);
  font: inherit;
  font-size: 16px;
  color: inherit;
  padding: 0 12px;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
}

@media (max-width: 700px) {
  .find {
    flex-basis: 100%;
  }
}
</style>
