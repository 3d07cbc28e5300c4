<script setup lang="ts" generic="T extends string | number">
// One of a few, each with a drawing or a word of how to tell.
const props = defineProps<{
  label: string
  options: { value: T; name: string; says?: string }[]
  columns?: number
  error?: string
  compact?: boolean
  hideLabel?: boolean
}>()
const value = defineModel<T | null>()
</script>

<template>
  <fieldset class="choices" :class="{ compact: props.compact }">
    <legend :class="{ 'hidden-text': hideLabel }">{{ label }}</legend>
    <ElRadioGroup
      :model-value="value ?? undefined"
      :aria-label="label"
      :validate-event="false"
      class="all"
      :style="{ '--columns': columns ?? options.length }"
      @update:model-value="value = $event as T"
    >
      <ElRadio v-for="option in options" :key="option.value" :value="option.value" class="one">
        <slot name="drawing" :option="option" />
        <span class="words-of">
          <span class="name">{{ option.name }}</span>
          <span v-if="option.says" class="says">{{ option.says }}</span>
        </span>
      </ElRadio>
    </ElRadioGroup>
    <p v-if="error" class="error" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: var(--s2);
  align-items: stretch;
  font-size: inherit;
}

.one {
  position: relative;
  display: block;
  height: auto;
  min-height: var(--touch);
  margin: 0;
  padding: var(--s3);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  font-weight: inherit;
}

.one:hover {
  border-color: var(--ink);
}

.one.is-checked {
  border-color: var(--film);
  box-shadow: inset 0 -4px 0 var(--film);
  background: var(--film-mist);
}

/* The thing itself is what is pressed: no circle beside it. */
.one :deep(.el-radio__input) {
  position: absolute;
  inset: 0;
  opacity: 0;
}

.one :deep(.el-radio__label) {
  display: flex;
  flex-direction: column;
  gap: var(--s1);
  height: 100%;
  padding: 0;
  font-size: inherit;
  color: inherit;
  white-space: normal;
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
  padding: var(--s2) var(--s3);
}

.compact .one :deep(.el-radio__label) {
  flex-direction: row;
  align-items: center;
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
