<script setup lang="ts">
// A native input in our clothes: dates, times and numbers work best with what the device already has.
defineOptions({ inheritAttrs: false })
defineProps<{ id?: string; describedby?: string; suffix?: string }>()
const value = defineModel<string | number | null>()
</script>

<template>
  <span class="plain">
    <input :id="id" v-model="value" v-bind="$attrs" :aria-describedby="describedby" />
    <span v-if="suffix" class="suffix" aria-hidden="true">{{ suffix }}</span>
  </span>
</template>

<style scoped>
.plain {
  display: flex;
  align-items: center;
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  min-height: var(--touch);
}

.plain:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: -1px;
}

input {
  flex: 1;
  min-width: 0;
  width: 100%;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 16px;
  padding: 8px 11px;
}

input:focus {
  outline: none;
}

.suffix {
  color: var(--ink-3);
  padding-right: 11px;
}
</style>
