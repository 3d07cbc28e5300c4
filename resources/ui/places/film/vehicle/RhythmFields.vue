<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useProgrammes } from '@/lib/lists'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import ScopePick from '@/parts/ScopePick.vue'

// The programme a vehicle follows, and where it has its own: choosing one takes over its rhythm, what is typed after that stays.
const props = defineProps<{ row: Schemas['Vehicle']; fields: Record<string, string> }>()
const form = computed(() => props.row)
const { programmes, programmeNames: names } = useProgrammes()
function follow(id: string | null) {
  const one = programmes.value?.find((programme) => programme.id === id)
  Object.assign(form.value, {
    programme_id: id,
    ...(one
      ? {
          cadence_min: one.cadence_min,
          cadence_target: one.cadence_target,
          cadence_max: one.cadence_max,
          salt_target: one.salt_target,
          topper_weeks: one.topper_weeks,
          decon_days: one.decon_days,
          topper_washes: one.topper_washes,
          full_every: one.full_every,
          scope: one.scope,
        }
      : {}),
  })
}
type Own = 'salt_target' | 'topper_weeks' | 'decon_days' | 'topper_washes' | 'full_every' | 'own_minutes'
const own: [Own, string, string, string][] = [
  ['salt_target', 'In salt months every', 'days', 'Empty: as in the others'],
  ['topper_weeks', 'Topper every', 'weeks', 'Empty: by forecast'],
  ['decon_days', 'Iron and tar every', 'days', 'Empty: when the surface asks'],
  ['topper_washes', 'Or a topper every', 'washes', 'Whichever comes first'],
  ['full_every', 'A full visit every', 'visits', 'Empty: all alike'],
  ['own_minutes', 'A usual visit takes', 'min', 'Empty: as learnt. Counts as ten visits'],
]
function set(key: Own, typed: number | null | undefined) {
  Object.assign(form.value, { [key]: typed ?? null })
}
</script>

<template>
  <Field label="Follows the rhythm" hint="Takes over its numbers; what you change after that is its own."
    ><template #default="f"
      ><OneOf
        v-bind="f"
        :model-value="form.programme_id"
        :options="names"
        none="Its own"
        @update:model-value="follow($event ?? null)" /></template
  ></Field>
  <div class="cols three">
    <Field v-for="[key, label, unit, hint] in own" :key="key" :label="label" optional :hint="hint" :error="fields[key]"
      ><template #default="f"
        ><NumberInput
          v-bind="f"
          :model-value="form[key]"
          :suffix="unit"
          @update:model-value="set(key, $event)" /></template
    ></Field>
  </div>
  <ScopePick
    :model-value="form.scope"
    :error="fields.scope"
    @update:model-value="Object.assign(form, { scope: $event })"
  />
</template>
