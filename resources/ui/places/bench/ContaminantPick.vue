<script setup lang="ts">
import Contaminant from '@/film/Contaminant.vue'
import { contaminants, type ContaminantName } from './words'

// Any of the things that sit on a car, each drawn, with how to tell.
defineProps<{ columns: number; hideLabel?: boolean }>()
const on = defineModel<ContaminantName[]>({ required: true })
</script>

<template>
  <fieldset>
    <legend :class="{ 'hidden-text': hideLabel }">What sits on it?</legend>
    <ElCheckboxGroup
      v-model="on"
      class="many"
      aria-label="What sits on it?"
      :validate-event="false"
      :style="{ '--columns': columns }"
    >
      <ElCheckbox v-for="one in contaminants" :key="one.value" :value="one.value" class="one">
        <Contaminant :name="one.value" />
        <strong>{{ one.name }}</strong>
        <span class="says">{{ one.says }}</span>
      </ElCheckbox>
    </ElCheckboxGroup>
  </fieldset>
</template>

<style scoped>
.many {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: var(--s2);
}

.one {
  position: relative;
  align-items: flex-start;
  padding: var(--s2);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
}

.one :deep(.el-checkbox__input) {
  position: absolute;
  inset: 0;
  opacity: 0;
}

.one :deep(.el-checkbox__label) {
  display: grid;
  gap: 3px;
  padding: 0;
  line-height: 1.3;
}

.one.is-checked {
  border-color: var(--film);
  box-shadow: inset 0 -4px 0 var(--film);
  background: var(--film-mist);
}

.one:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.says {
  font-size: 12.5px;
  color: var(--ink-2);
}

@media (max-width: 700px) {
  .many {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
