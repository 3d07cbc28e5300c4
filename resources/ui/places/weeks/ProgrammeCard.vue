<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ScopePick from '@/parts/ScopePick.vue'

// A rhythm with a name. Vehicles that follow it change along, field by field, where they have not their own.
const props = defineProps<{ programme: Schemas['Programme'] | null }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const form = ref({
  name: props.programme?.name ?? '',
  cadence_min: (props.programme?.cadence_min ?? 7) as number | null,
  cadence_target: (props.programme?.cadence_target ?? 14) as number | null,
  cadence_max: (props.programme?.cadence_max ?? 28) as number | null,
  salt_target: props.programme?.salt_target ?? null,
  topper_weeks: props.programme?.topper_weeks ?? null,
  decon_days: props.programme?.decon_days ?? null,
  topper_washes: props.programme?.topper_washes ?? null,
  full_every: props.programme?.full_every ?? null,
  scope: props.programme?.scope ?? 'usual',
})
const { problem, attempt, fields } = useDeed()

async function save() {
  problem.value = null
  const body = {
    name: form.value.name,
    cadence_min: form.value.cadence_min ?? 0,
    cadence_target: form.value.cadence_target ?? 0,
    cadence_max: form.value.cadence_max ?? 0,
    salt_target: form.value.salt_target,
    topper_weeks: form.value.topper_weeks,
    decon_days: form.value.decon_days,
    topper_washes: form.value.topper_washes,
    full_every: form.value.full_every,
    scope: form.value.scope,
  }
  await attempt(async () => {
    if (props.programme)
      await told(
        api.PATCH('/api/v1/programmes/{programme}', {
          params: {
            path: { programme: props.programme.id },
            header: { 'If-Match': `"${props.programme.version}"` },
          },
          body,
        }),
      )
    else await told(api.POST('/api/v1/programmes', { body }))
    await queries.invalidateQueries()
    emit('done')
  })
}
const rows = [
  ['cadence_min', 'At the soonest after', 'days'],
  ['cadence_target', 'Wished for every', 'days'],
  ['cadence_max', 'At the latest after', 'days'],
  ['salt_target', 'In salt months every', 'days'],
  ['topper_weeks', 'Topper every', 'weeks'],
  ['decon_days', 'Iron and tar every', 'days'],
  ['topper_washes', 'Or a topper every', 'washes'],
  ['full_every', 'A full visit every', 'visits'],
] as const
const hints: Record<string, string> = {
  topper_weeks: 'Empty: by forecast',
  decon_days: 'Empty: when the surface asks',
  topper_washes: 'Whichever comes first',
  full_every: 'Empty: all alike',
}
</script>

<template>
  <form class="sheet grid" novalidate :aria-label="programme?.name ?? 'A new rhythm'" @submit.prevent="save">
    <Field label="Name" :error="fields.name"
      ><template #default="f"
        ><TextInput
          v-bind="f"
          v-model="form.name"
          maxlength="120"
          placeholder="Fortnight, topper every eighth week" /></template
    ></Field>
    <div class="cols three">
      <Field
        v-for="[key, label, unit] in rows"
        :key="key"
        :label="label"
        :optional="!key.startsWith('cadence')"
        :hint="hints[key] ?? ''"
        :error="fields[key]"
        ><template #default="f"><NumberInput v-bind="f" v-model="form[key]" :suffix="unit" /></template
      ></Field>
    </div>
    <ScopePick v-model="form.scope" :error="fields.scope" />
    <ProblemNote :problem="problem" />
    <button type="submit" class="act">Save {{ programme ? programme.name : 'the rhythm' }}</button>
  </form>
</template>

<style scoped>
.act {
  justify-self: start;
}
</style>
