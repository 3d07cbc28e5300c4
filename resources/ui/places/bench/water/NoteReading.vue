<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { newId } from '@/lib/ids'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { points } from './words'

// A reading: typed, or held into the water with the pen (a simulated one ships).
defineProps<{ sites: Record<string, string> }>()
const queries = useQueryClient()
const site = ref<string | null>(null)
const point = ref<'tap' | 'ro' | 'treated' | 'tank'>('tap')
const tds = ref<number | null>(null)
const litres = ref<number | null>(null)
const key = ref(newId())
const { busy, problem, attempt, fields: errors } = useDeed()
const said = ref('')
const options = Object.entries(points).map(([value, name]) => ({ value: value as 'tap', name }))

async function act(work: () => Promise<void>) {
  await attempt(async () => {
    await work()
  })
}
const dip = () =>
  act(async () => {
    tds.value = (
      await told(api.POST('/api/v1/devices/pen', { body: { site_id: site.value, point: point.value } }))
    ).tds_mg_l
  })
const save = () =>
  act(async () => {
    await told(
      api.POST('/api/v1/water/readings', {
        params: { header: { 'Idempotency-Key': key.value } },
        body: {
          site_id: site.value,
          point: point.value,
          // Left empty it is refused, and said why.
          tds_mg_l: tds.value ?? NaN,
          litres: litres.value,
        },
      }),
    )
    said.value = `Noted: ${tds.value} mg/l ${points[point.value]?.toLowerCase()}.`
    tds.value = litres.value = null
    key.value = newId()
    await Promise.all(['water', 'sites'].map((name) => queries.invalidateQueries({ queryKey: [name] })))
  })
</script>

<template>
  <form class="sheet grid" novalidate @submit.prevent="save">
    <h2>Note a reading</h2>
    <Field label="Where"
      ><template #default="f"><OneOf v-bind="f" v-model="site" :options="sites" none="no place of the book" /></template
    ></Field>
    <Choices v-model="point" label="Read" :options="options" :columns="2" compact />
    <div class="cols two">
      <Field label="Dissolved solids" :error="errors.tds_mg_l"
        ><template #default="f"><NumberInput v-bind="f" v-model="tds" suffix="mg/l" /></template
      ></Field>
      <Field v-if="point === 'ro'" label="Treated since the last" optional :error="errors.litres"
        ><template #default="f"><NumberInput v-bind="f" v-model="litres" suffix="l" /></template
      ></Field>
    </div>
    <ProblemNote :problem="problem" />
    <div class="row">
      <button type="button" class="beside" :disabled="busy" @click="dip">Hold the pen in</button>
      <button type="submit" class="act" :disabled="busy">Note it</button>
      <span role="status" class="small">{{ said }}</span>
    </div>
  </form>
</template>
