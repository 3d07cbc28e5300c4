<script setup lang="ts" generic="T extends string | number">
// Any of a few.
defineProps<{ label: string; options: { value: T; name: string }[]; hideLabel?: boolean; error?: string }>()
const ticked = defineModel<T[]>({ required: true })
</script>

<template>
  <fieldset>
    <legend :class="{ 'hidden-text': hideLabel }">{{ label }}</legend>
    <ElCheckboxGroup
      class="row"
      :model-value="ticked"
      :aria-label="label"
      :validate-event="false"
      @update:model-value="ticked = $event as T[]"
    >
      <ElCheckbox v-for="one in options" :key="one.value" :value="one.value">{{ one.name }}</ElCheckbox>
    </ElCheckboxGroup>
    <p v-if="error" class="refused small">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.row {
  font-size: inherit;
  line-height: inherit;
}
</style>
