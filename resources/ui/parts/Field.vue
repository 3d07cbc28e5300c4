<script setup lang="ts">
import { provide, toRef, useId } from 'vue'
import { fieldLabel } from './inner'

// A labelled control with its hint and its error. The slot gets the ids to tie them together.
const props = defineProps<{ label: string; hint?: string; error?: string; optional?: boolean }>()
const id = useId()
provide(
  fieldLabel,
  toRef(() => props.label),
)
</script>

<template>
  <div class="field" :class="{ wrong: error }">
    <label :for="id"
      >{{ label }} <span v-if="optional" class="quiet small">{{ $t('field.if-you-like') }}</span></label
    >
    <slot :id="id" :describedby="error ? id + '-e' : hint ? id + '-h' : undefined" />
    <p v-if="error" :id="id + '-e'" class="error">{{ error }}</p>
    <p v-else-if="hint" :id="id + '-h'" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 5px;
  align-content: start;
}

label {
  font-weight: 600;
}

.hint {
  margin: 0;
  font-size: 13px;
  color: var(--ink-3);
}

.error {
  margin: 0;
  font-size: 14px;
  color: var(--refused);
  font-weight: 600;
}

:root .wrong :deep(:is(.el-input__wrapper, .el-select__wrapper, .el-textarea__inner)) {
  box-shadow: 0 0 0 1px var(--refused) inset;
}
</style>
