<script setup lang="ts">
defineOptions({ inheritAttrs: false })
defineProps<{ id?: string; describedby?: string; options: Record<string, string>; none?: string }>()
const value = defineModel<string | null>()
</script>

<template>
  <select :id="id" v-model="value" v-bind="$attrs" class="plain" :aria-describedby="describedby">
    <option v-if="none !== undefined" :value="null">{{ none }}</option>
    <option v-for="(name, key) in options" :key="key" :value="key">{{ name }}</option>
  </select>
</template>

<style scoped>
select {
  appearance: none;
  width: 100%;
  min-height: var(--touch);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  color: var(--ink);
  font: inherit;
  font-size: 16px;
  padding: 8px 32px 8px 11px;
  background: var(--sheet) linear-gradient(45deg, transparent 50%, var(--ink-2) 50%) calc(100% - 17px) 55% / 6px 6px
    no-repeat;
  background-image:
    linear-gradient(45deg, transparent 50%, var(--ink-2) 50%),
    linear-gradient(135deg, var(--ink-2) 50%, transparent 50%);
  background-position:
    calc(100% - 17px) 55%,
    calc(100% - 12px) 55%;
  background-size: 5px 5px;
  background-repeat: no-repeat;
}
</style>
