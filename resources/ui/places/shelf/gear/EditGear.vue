<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { wentAway } from '@/lib/gone'
import { newId } from '@/lib/ids'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { facts, uses } from './words'

const props = defineProps<{ kind: string; gear?: Schemas['Gear'] }>()
const emit = defineEmits<{ done: [] }>()
const units = useUnits()
const queries = useQueryClient()
const fieldsOf = computed(() => facts[props.kind] ?? [])
const shown = (field: (typeof fieldsOf.value)[number]) => {
  const value = (props.gear?.facts as Record<string, number> | undefined)?.[field.name]
  if (value === undefined) return null
  return field.volume
    ? units.volumeOut(value)
    : field.share
      ? Math.round(value * 100)
      : field.money
        ? value / 100
        : value
}
const form = reactive<{ name: string; note: string; facts: Record<string, number | null> }>({
  name: props.gear?.name ?? '',
  note: props.gear?.note ?? '',
  facts: Object.fromEntries(fieldsOf.value.map((field) => [field.name, shown(field)])),
})
const use = ref((props.gear?.facts as { use?: string } | undefined)?.use ?? '')
const colour = ref((props.gear?.facts as { colour?: string } | undefined)?.colour ?? '')
const key = newId()
const { busy, problem, attempt, fields: errors } = useDeed()

function body() {
  const typed = fieldsOf.value.flatMap((field) => {
    const value = form.facts[field.name]
    if (value === null || value === undefined) return []
    const kept = field.volume
      ? Math.round(units.volumeIn(value))
      : field.share
        ? value / 100
        : field.money
          ? Math.round(value * 100)
          : value
    return [[field.name, kept]]
  })
  return {
    name: form.name,
    note: form.note || null,
    facts: {
      ...Object.fromEntries(typed),
      ...(use.value ? { use: use.value } : {}),
      ...(colour.value ? { colour: colour.value } : {}),
    } as Schemas['GearFacts'],
  }
}

async function act(work: () => Promise<unknown>) {
  await attempt(async () => {
    await work()
    await queries.invalidateQueries({ queryKey: ['gear'] })
    emit('done')
  })
}
const save = () =>
  act(() =>
    props.gear
      ? told(
          api.PATCH('/api/v1/gear/{gear}', {
            params: { path: { gear: props.gear.id }, header: { 'If-Match': `"${props.gear.version}"` } },
            body: body(),
          }),
        )
      : told(
          api.POST('/api/v1/gear', {
            params: { header: { 'Idempotency-Key': key } },
            body: { kind: props.kind, ...body() },
          }),
        ),
  )
const away = () =>
  act(async () => {
    if (!props.gear) return
    const { name, id } = props.gear
    const params = { path: { gear: id } }
    await told(api.DELETE('/api/v1/gear/{gear}', { params }))
    wentAway(`${name} was put away.`, () => told(api.POST('/api/v1/gear/{gear}/restore', { params })))
  })
</script>

<template>
  <form class="grid edit" novalidate @submit.prevent="save">
    <div class="cols three">
      <Field label="Name" :error="errors.name"
        ><template #default="f"><TextInput v-bind="f" v-model="form.name" maxlength="80" /></template
      ></Field>
      <Field v-for="field in fieldsOf" :key="field.name" :label="field.label" :error="errors[`facts/${field.name}`]"
        ><template #default="f"
          ><NumberInput
            v-bind="f"
            v-model="form.facts[field.name]"
            :suffix="field.volume ? units.volumeUnit.value : field.suffix" /></template
      ></Field>
      <Field v-if="kind === 'towel'" label="For" :error="errors['facts/use']"
        ><template #default="f"><OneOf v-bind="f" v-model="use" :options="uses" none="anything" /></template
      ></Field>
      <Field v-if="kind === 'towel'" label="Colour code" optional :error="errors['facts/colour']"
        ><template #default="f"><TextInput v-bind="f" v-model="colour" maxlength="24" /></template
      ></Field>
      <Field label="Note" optional
        ><template #default="f"><TextInput v-bind="f" v-model="form.note" maxlength="240" /></template
      ></Field>
    </div>
    <ProblemNote :problem="problem" />
    <div class="row">
      <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save' }}</button>
      <button type="button" class="words" @click="emit('done')">Cancel</button>
      <button v-if="gear" type="button" class="words" @click="away">Put it away</button>
    </div>
  </form>
</template>

<style scoped>
.edit {
  padding: var(--s3) 0;
}
</style>
