<script setup lang="ts">
import type { InputInstance } from 'element-plus'
import { useTemplateRef } from 'vue'

// The one way to look for something in a list.
defineProps<{ label: string }>()
const text = defineModel<string>({ required: true })
const input = useTemplateRef<InputInstance>('input')
defineExpose({
  focus: () => input.value?.focus(),
  blur: () => input.value?.blur(),
  has: (element: unknown) => element === input.value?.input,
})
</script>

<template>
  <ElInput
    ref="input"
    v-model="text"
    class="find"
    type="search"
    :placeholder="label"
    :aria-label="label"
    :validate-event="false"
  />
</template>

<style scoped>
.find {
  flex: 0 1 320px;
  margin-left: auto;
}

@media (max-width: 700px) {
  .find {
    flex-basis: 100%;
  }
}
</style>
