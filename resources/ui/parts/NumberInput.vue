<script setup lang="ts">
import { computed, useTemplateRef, type PropType } from 'vue'
import { asNumber } from '@/lib/numbers'
import { useInner } from './inner'

// Emptied, it is null. What is too much or too little is said by whoever knows why, and never quietly made to fit.
const props = defineProps<{
  id?: string
  describedby?: string
  suffix?: string
  step?: number
  /** So many decimals, as of money. */
  digits?: number
  placeholder?: string
  ariaLabel?: string
  disabled?: boolean
  /** It may lie below nothing: the keys of a phone that has no minus among its decimals won't do. */
  signed?: boolean
}>()
// What a device kept from before may still be text.
const model = defineModel({ type: [Number, String] as unknown as PropType<number | null> })
const value = computed({
  get: () => asNumber(model.value),
  set: (next) => (model.value = next ?? null),
})
const root = useTemplateRef<{ $el?: unknown }>('root')
useInner(root, () => ({ 'aria-describedby': props.describedby, step: 'any' }))
</script>

<template>
  <ElInputNumber
    :id="id"
    ref="root"
    v-model="value"
    :controls="false"
    :step="step ?? 1"
    :precision="digits"
    :placeholder="placeholder"
    :aria-label="ariaLabel"
    :disabled="disabled"
    :inputmode="signed ? undefined : 'decimal'"
    :validate-event="false"
    align="left"
  >
    <template v-if="suffix" #suffix
      ><span aria-hidden="true">{{ suffix }}</span></template
    >
  </ElInputNumber>
</template>

<style scoped>
.el-input-number {
  width: 100%;
}
</style>
