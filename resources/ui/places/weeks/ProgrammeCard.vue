<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ScopePick from '@/parts/ScopePick.vue'

// A rhythm with a name. Vehicles that follow it change along, field by field, where they have not their own.
const props = defineProps<{ programme: Schemas['Programme'] | null }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const form = ref({
  name: props.programme?.name ?? '',
  cadence_min: String(props.programme?.cadence_min ?? 7),
  cadence_target: String(props.programme?.cadence_target ?? 14),
  cadence_max: String(props.programme?.cadence_max ?? 28),
  salt_target: String(props.programme?.salt_target ?? ''),
  topper_weeks: String(props.programme?.topper_weeks ?? ''),
  decon_days: String(props.programme?.decon_days ?? ''),
  topper_washes: String(props.programme?.topper_washes ?? ''),
  full_every: String(props.programme?.full_every ?? ''),
  scope: props.programme?.scope ?? 'usual',
})
const problem = ref<unknown>(null)
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))
const number = (typed: string) => (typed === '' ? null : Number(typed))

async function save() {
  problem.value = null
  const body = {
    name: form.value.name,
    cadence_min: Number(form.value.cadence_min),
    cadence_target: Number(form.value.cadence_target),
    cadence_max: Number(form.value.cadence_max),
    salt_target: number(form.value.salt_target),
    topper_weeks: number(form.value.topper_weeks),
    decon_days: number(form.value.decon_days),
    topper_washes: number(form.value.topper_washes),
    full_every: number(form.value.full_every),
    scope: form.value.scope,
  }
  try {
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
  } catch (caught) {
    problem.value = caught
  }
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
        ><PlainInput
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
        ><template #default="f"
          ><PlainInput
            v-bind="f"
            v-model="form[key]"
            type="number"
            min="1"
            inputmode="numeric"
            :suffix="unit" /></template
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
