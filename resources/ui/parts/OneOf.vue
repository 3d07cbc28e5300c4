<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { useFieldLabel, useInner } from './inner'

// One of a list. A long one is found by typing; a short one opens without keys under the thumb.
const props = defineProps<{
  id?: string
  describedby?: string
  options: Record<string, string>
  /** What is said, and can be chosen, for "none of these". */
  none?: string
  ariaLabel?: string
  disabled?: boolean
}>()
const value = defineModel<string | null>()
const label = useFieldLabel()
const root = useTemplateRef<{ $el?: unknown }>('root')
useInner(root, () => ({ 'aria-describedby': props.describedby }))
const long = computed(() => Object.keys(props.options).length > 9)
/** Nothing chosen is a choice of its own where it has a name. */
const nothing = computed(() => props.none ?? props.options[''])
const listed = computed(() => Object.entries(props.options).filter(([key]) => key !== ''))
// The toolkit knows no choice that is null.
const chosen = computed({
  get: () => value.value ?? '',
  set: (next: string) => (value.value = next === '' && !('' in props.options) ? null : next),
})
</script>

<template>
  <ElSelect
    :id="id"
    ref="root"
    v-model="chosen"
    :class="{ whole: '' in options }"
    :filterable="long"
    :placeholder="nothing ?? $t('field.choose')"
    :aria-label="ariaLabel ?? label"
    :disabled="disabled"
    :no-match-text="$t('field.nothing-fits')"
    :no-data-text="$t('field.nothing-yet')"
    :validate-event="false"
  >
    <ElOption v-if="nothing !== undefined" value="" :label="nothing" />
    <ElOption v-for="[key, name] in listed" :key="key" :value="key" :label="name" />
  </ElSelect>
</template>

<style scoped>
/* What it says when nothing narrower is chosen is as good an answer as any. */
.whole :deep(.el-select__placeholder) {
  color: var(--ink);
}
</style>
