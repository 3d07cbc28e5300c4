<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, useId } from 'vue'
import { all, api, Problem, told } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { families, zones } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

const props = defineProps<{ vehicleId: string }>()
const emit = defineEmits<{ done: [] }>()
const { zone } = useMe()
const queries = useQueryClient()
const { data: products } = useQuery({
  queryKey: ['products'],
  queryFn: () => all((cursor) => told(api.GET('/api/v1/products', { params: { query: { limit: 200, cursor } } }))),
})
const layered = computed(() =>
  Object.fromEntries(
    (products.value ?? []).filter((product) => product.label_low_weeks).map((product) => [product.id, product.name]),
  ),
)
const lines = computed(() => [...new Set((products.value ?? []).flatMap((product) => product.line ?? []))].sort())
const listId = useId()
const familyNames = Object.fromEntries(
  Object.entries(families)
    .filter(([key]) => key !== 'bare')
    .map(([key, family]) => [key, family.name]),
)

const key = ref(newId())
const layer = ref({
  zone: 'paint',
  kind: 'base' as 'base' | 'topper',
  family: 'polymer',
  product_id: null as string | null,
  name: '',
  line: '',
  designed: 'beads' as 'beads' | 'sheets',
  on: dayIn(zone.value),
})
const problem = ref<unknown>(null)
const busy = ref(false)
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))

function fromShelf() {
  const product = products.value?.find((row) => row.id === layer.value.product_id)
  if (product?.family) layer.value.family = product.family
  if (product?.role === 'topper') layer.value.kind = 'topper'
}

async function save() {
  busy.value = true
  problem.value = null
  try {
    await told(
      api.POST('/api/v1/vehicles/{vehicle}/layers', {
        params: { path: { vehicle: props.vehicleId }, header: { 'Idempotency-Key': key.value } },
        body: {
          ...layer.value,
          name: layer.value.name.trim() || null,
          line: layer.value.product_id ? null : layer.value.line.trim() || null,
        },
      }),
    )
    await Promise.all([
      queries.invalidateQueries({ queryKey: ['vehicle', props.vehicleId] }),
      queries.invalidateQueries({ queryKey: ['film'] }),
    ])
    emit('done')
  } catch (caught) {
    problem.value = caught
    if (caught instanceof Problem && caught.status === 409) key.value = newId()
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="grid add" novalidate @submit.prevent="save">
    <Choices
      v-model="layer.kind"
      label="Base or topper"
      compact
      :options="[
        { value: 'base', name: 'Base' },
        { value: 'topper', name: 'Topper' },
      ]"
    />
    <div class="cols two">
      <Field label="On" :error="fields.zone"
        ><template #default="{ id }"><OneOf :id="id" v-model="layer.zone" :options="zones" /></template
      ></Field>
      <Field label="Since" :error="fields.on"
        ><template #default="{ id, describedby }"
          ><DayInput :id="id" v-model="layer.on" :max="dayIn(zone)" :describedby="describedby" /></template
      ></Field>
      <Field label="From the shelf" optional
        ><template #default="{ id }"
          ><OneOf
            :id="id"
            v-model="layer.product_id"
            :options="layered"
            none="not from the shelf"
            @change="fromShelf" /></template
      ></Field>
      <Field label="Family" :error="fields.family"
        ><template #default="{ id }"><OneOf :id="id" v-model="layer.family" :options="familyNames" /></template
      ></Field>
      <Field label="Name" optional
        ><template #default="{ id }"><TextInput :id="id" v-model="layer.name" maxlength="120" /></template
      ></Field>
      <Field
        v-if="!layer.product_id"
        label="Line"
        optional
        :error="fields.line"
        hint="A topper of the same line goes before others."
        ><template #default="f"
          ><TextInput
            :id="f.id"
            v-model="layer.line"
            maxlength="80"
            autocomplete="on"
            :list="listId"
            :describedby="f.describedby" /><datalist :id="listId">
            <option v-for="line in lines" :key="line" :value="line" /></datalist></template
      ></Field>
      <Field label="Made to"
        ><template #default="{ id }"
          ><OneOf :id="id" v-model="layer.designed" :options="{ beads: 'bead', sheets: 'sheet' }" /></template
      ></Field>
    </div>
    <ProblemNote :problem="problem" />
    <div class="row">
      <button type="submit" class="act" :disabled="busy">Put it on</button>
      <button type="button" class="words" @click="$emit('done')">Cancel</button>
    </div>
  </form>
</template>

<style scoped>
.add {
  border-block: 1px solid var(--line);
  padding: var(--s4) 0;
  margin: var(--s3) 0;
}
</style>
