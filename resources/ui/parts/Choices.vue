<script setup lang="ts" generic="T extends string | number">
import { useId } from 'vue'

// One of a few, each with a drawing or a word of how to tell. Native radios, so that every key works.
const props = defineProps<{
  label: string
  options: { value: T; name: string; says?: string }[]
  columns?: number
  error?: string
  compact?: boolean
  hideLabel?: boolean
}>()
const value = defineModel<T | null>()
const name = useId()
</script>

<template>
  <fieldset class="choices" :class="{ compact: props.compact }">
    <legend :class="{ 'hidden-text': hideLabel }">{{ label }}</legend>
    <div class="all" :style="{ '--columns': columns ?? options.length }">
      <label v-for="option in options" :key="option.value" class="one" :class="{ on: value === option.value }">
        <input v-model="value" type="radio" :name="name" :value="option.value" />
        <slot name="drawing" :option="option" />
        <span class="words-of">
          <span class="name">{{ option.name }}</span>
          <span v-if="option.says" class="says">{{ option.says }}</span>
        </span>
      </label>
    </div>
    <p v-if="error" class="error" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: var(--s2);
}

.one {
  position: relative;
  display: flex;
  flex-direction: column;
  gap: var(--s1);
  min-height: var(--touch);
  padding: var(--s3);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  cursor: pointer;
}

.one:hover {
  border-color: var(--ink);
}

.one.on {
  border-color: var(--film);
  box-shadow: inset 0 -4px 0 var(--film);
  background: var(--film-mist);
}

.one input {
  position: absolute;
  inset: 0;
  opacity: 0;
  margin: 0;
  cursor: pointer;
}

.one:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.words-of {
  display: grid;
}

.name {
  font-weight: 600;
}

.says {
  font-size: 13px;
  line-height: 1.35;
  color: var(--ink-2);
}

.compact .one {
  flex-direction: row;
  align-items: center;
  padding: var(--s2) var(--s3);
}

.error {
  color: var(--refused);
  font-weight: 600;
  margin: var(--s2) 0 0;
}

@media (max-width: 700px) {
  .all {
    grid-template-columns: repeat(min(var(--columns), 2), minmax(0, 1fr));
  }
}
</style>
