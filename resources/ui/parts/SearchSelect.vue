<script setup lang="ts">
// One of many, found by typing. For short lists the native PlainSelect is better, above all under a thumb.
defineProps<{ id?: string; describedby?: string; options: Record<string, string>; none?: string }>()
const value = defineModel<string | null>()
</script>

<template>
  <ElSelect
    :id="id"
    v-model="value"
    filterable
    :clearable="none !== undefined"
    :placeholder="none ?? 'Choose…'"
    :value-on-clear="() => null"
    :aria-describedby="describedby"
    no-match-text="Nothing fits"
    no-data-text="Nothing yet"
  >
    <ElOption v-for="(name, key) in options" :key="key" :value="key" :label="name" />
  </ElSelect>
</template>

<style scoped>
:deep(.el-select__wrapper) {
  min-height: var(--touch);
  font-size: 16px;
}
</style>
