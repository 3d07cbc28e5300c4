<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, useTemplateRef } from 'vue'
import { dayPattern, momentPattern } from '@/lib/calendar'
import { isoOf } from '@/lib/dates'
import { useFieldLabel, useInner } from './inner'

// A day, or a day and its time, typed or picked as whoever reads writes it; kept as 2026-12-31 or 2026-12-31T18:30.
const props = defineProps<{
  id?: string
  describedby?: string
  /** The first and the last day that may be. */
  min?: string
  max?: string
  time?: boolean
  disabled?: boolean
  /** It can't be empty. */
  required?: boolean
}>()
const model = defineModel<string | null>()
const value = computed({
  get: () => model.value,
  set: (next) => {
    // Emptied by keys it stays as it was, where it can't be empty: a day without a date is nowhere.
    if (next || !props.required) model.value = next ?? null
  },
})
const label = useFieldLabel()
const root = useTemplateRef<{ $el?: unknown }>('root')
useInner(root, () => ({ 'aria-describedby': props.describedby }))
// Under a thumb the panel is enough: no keys come up over it.
const coarse = useMediaQuery('(pointer: coarse)')
// Such a day is pale in the panel, and taken all the same: a day that is put back without a word helps nobody, whoever
// keeps it says why it can't be.
const paleOr = (day: Date) =>
  (props.min !== undefined && isoOf(day) < props.min) || (props.max !== undefined && isoOf(day) > props.max)
    ? 'pale'
    : ''
// Whose clock "now" would be is not the panel's to know: the device may stand in another zone than the house.
// The panel is a dialog of its own in the page; the toolkit gives it no name.
const opened = (open: boolean) =>
  open &&
  void nextTick(() => {
    for (const panel of document.querySelectorAll('.day-panel')) panel.setAttribute('aria-label', label?.value ?? '')
  })
const pattern = computed(() => (props.time ? momentPattern() : dayPattern()))
</script>

<template>
  <ElDatePicker
    :id="id"
    ref="root"
    v-model="value"
    :type="time ? 'datetime' : 'date'"
    :value-format="time ? 'YYYY-MM-DDTHH:mm' : 'YYYY-MM-DD'"
    :format="pattern"
    :date-format="dayPattern()"
    time-format="HH:mm"
    :clearable="!required"
    :editable="!coarse"
    :disabled="disabled"
    :cell-class-name="paleOr"
    :value-on-clear="() => null"
    :aria-label="label"
    :validate-event="false"
    :show-now="false"
    popper-class="day-panel"
    @visible-change="opened"
  />
</template>
