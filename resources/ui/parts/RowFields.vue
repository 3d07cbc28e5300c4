<script setup lang="ts" generic="Row extends object">
import { computed } from 'vue'
import { asked, keptNumber, saidOf, shownNumber, type FormField } from '@/lib/form'
import DayInput from './DayInput.vue'
import Field from './Field.vue'
import NumberInput from './NumberInput.vue'
import OneOf from './OneOf.vue'
import TextInput from './TextInput.vue'

// What is asked about a row, field by field as they are described.
const props = defineProps<{
  row: Row
  ask: FormField<Row>[]
  errors: Record<string, string>
  columns?: 1 | 2 | 3 | 4
}>()
const fields = computed(() => asked(props.ask, props.row).filter((field) => field.as !== 'tick'))
const ticks = computed(() => asked(props.ask, props.row).filter((field) => field.as === 'tick'))
// In place: what edits the same row beside this one sees it.
const form = computed(() => props.row)
const put = (name: string, value: unknown) => Object.assign(form.value, { [name]: value })
const text = (name: keyof Row) => props.row[name] as string | null
</script>

<template>
  <div v-if="fields.length" class="cols" :class="['one', 'two', 'three', 'four'][(columns ?? 1) - 1]">
    <Field
      v-for="field in fields"
      :key="field.name"
      :label="field.label"
      :hint="field.hint"
      :optional="field.optional"
      :error="errors[field.name]"
      ><template #default="f">
        <TextInput
          v-if="field.as === 'text'"
          v-bind="f"
          :type="field.type ?? 'text'"
          :maxlength="field.longest"
          :model-value="text(field.name)"
          @update:model-value="put(field.name, $event)"
        />
        <NumberInput
          v-else-if="field.as === 'number'"
          v-bind="f"
          :suffix="field.suffix"
          :step="field.step"
          :digits="field.digits"
          :signed="field.signed"
          :model-value="shownNumber(field, row[field.name])"
          @update:model-value="put(field.name, keptNumber(field, $event ?? null))"
        />
        <DayInput
          v-else-if="field.as === 'day'"
          v-bind="f"
          :min="field.min"
          :max="field.max"
          :model-value="text(field.name)"
          @update:model-value="put(field.name, $event)"
        />
        <OneOf
          v-else-if="field.as === 'one'"
          v-bind="f"
          :options="field.options"
          :none="field.none"
          :model-value="text(field.name)"
          @update:model-value="put(field.name, $event)"
        />
        <OneOf
          v-else-if="field.as === 'said'"
          v-bind="f"
          :options="{ yes: 'yes', no: 'no' }"
          :none="field.none"
          :model-value="saidOf(row[field.name])"
          @update:model-value="put(field.name, $event === null ? null : $event === 'yes')"
        /> </template
    ></Field>
    <slot />
  </div>
  <div v-if="ticks.length" class="row">
    <ElCheckbox
      v-for="tick in ticks"
      :key="tick.name"
      :model-value="Boolean(row[tick.name])"
      @update:model-value="put(tick.name, Boolean($event))"
      >{{ tick.label }}</ElCheckbox
    >
  </div>
</template>
