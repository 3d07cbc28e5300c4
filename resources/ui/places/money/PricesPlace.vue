<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, Problem, told, toldWithTag, type Schemas } from '@/api/client'
import { bodies, kinds } from '@/lib/words'
import { useProgrammes } from '@/lib/lists'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import MoneyNav from './MoneyNav.vue'

// What is asked for: a list by body, for all or for one programme; and what things cost the business.
const queries = useQueryClient()
const programme = ref('')
const { programmeNames } = useProgrammes()
const choices = computed(() => ({
  '': 'For all',
  ...programmeNames.value,
}))
const { data: list, error } = useQuery({ queryKey: ['prices'], queryFn: () => toldWithTag(api.GET('/api/v1/prices')) })
const { data: fleet } = useQuery({
  queryKey: ['vehicles', 'bodies'],
  queryFn: () => told(api.GET('/api/v1/vehicles', { params: { query: { limit: 200 } } })),
})
const used = computed(() => {
  const own = new Set((fleet.value?.data ?? []).map((one) => one.body))
  return Object.entries(bodies).sort(([a], [b]) => Number(own.has(b)) - Number(own.has(a)))
})
const kindNames = ['wash', 'topper', 'decon', 'inspection', 'base'] as const
const keyOf = (body: string, kind: string, of = programme.value) => `${of}|${body}|${kind}`
const listed = computed<Record<string, number | null>>(() =>
  Object.fromEntries(
    (list.value?.data.prices ?? []).map((one) => [keyOf(one.body, one.kind, one.programme_id ?? ''), one.minor / 100]),
  ),
)
// What was typed stays typed, whatever the list becomes meanwhile, until it is saved.
const typed = ref<Record<string, number | null>>({})
const priceOf = (key: string) => (key in typed.value ? typed.value[key] : listed.value[key]) ?? null
const { problem, attempt } = useDeed()
const saved = ref('')
async function savePrices() {
  problem.value = null
  saved.value = ''
  const prices = Object.entries({ ...listed.value, ...typed.value }).flatMap(([key, value]) => {
    const [of = '', body = '', kind = ''] = key.split('|')
    return value === null
      ? []
      : [{ programme_id: of || null, body, kind: kind as Schemas['Price']['kind'], minor: Math.round(value * 100) }]
  })
  await attempt(async () => {
    const params = { header: { 'If-Match': list.value?.tag } }
    queries.setQueryData(['prices'], await toldWithTag(api.PUT('/api/v1/prices', { params, body: { prices } })))
    typed.value = {}
    saved.value = 'Prices saved.'
  })
  // Somebody else's prices are seen then, with what was typed here still in its place.
  if (problem.value instanceof Problem && problem.value.status === 412)
    await queries.invalidateQueries({ queryKey: ['prices'] })
}

const rows = [
  ['labour_minor_h', 'An hour of a person', 'an hour', 100],
  ['travel_minor_min', 'The van on the road', 'a minute', 100],
  ['water_minor_m3', 'Water, in and away', 'a m³', 100],
  ['resin_minor_l', 'Mixed-bed resin', 'a litre', 100],
  ['launder_minor', 'A piece through the drum', 'a piece', 100],
  ['towel_minor', 'A towel without a price', 'a piece', 100],
  ['margin_percent', 'Where the list has no price', '% on top', 1],
] as const
const rates = ref<Record<string, number | null>>({})
const currency = ref('')
const tag = ref('')
async function loadRates() {
  const { data, tag: seen } = await toldWithTag(api.GET('/api/v1/rates'))
  tag.value = seen
  currency.value = data.currency
  rates.value = Object.fromEntries(rows.map(([key, , , per]) => [key, data[key] / per]))
}
void loadRates()
const rateProblem = ref<unknown>(null)
const fields = computed(() => (rateProblem.value instanceof Problem ? rateProblem.value.fields : {}))
async function saveRates() {
  rateProblem.value = null
  saved.value = ''
  try {
    await told(
      api.PUT('/api/v1/rates', {
        params: { header: { 'If-Match': tag.value } },
        body: {
          currency: currency.value,
          ...(Object.fromEntries(rows.map(([key, , , per]) => [key, (rates.value[key] ?? NaN) * per])) as Omit<
            Schemas['Rates'],
            'currency'
          >),
        },
      }),
    )
    saved.value = 'Rates saved.'
    await queries.invalidateQueries({ queryKey: ['me'] })
    await queries.invalidateQueries({ queryKey: ['money'] })
    await loadRates()
  } catch (caught) {
    rateProblem.value = caught
  }
}
</script>

<template>
  <div class="page">
    <MoneyNav />
    <p v-if="saved" role="status" class="saved">{{ saved }}</p>
    <div class="two">
      <form class="sheet grid" novalidate aria-label="Price list" @submit.prevent="savePrices">
        <div class="row spread">
          <h2>What is asked</h2>
          <Field label="Programme"
            ><template #default="f"><OneOf v-bind="f" v-model="programme" :options="choices" /></template
          ></Field>
        </div>
        <p v-if="programme" class="small quiet">Where a line is empty the price for all holds.</p>
        <div class="scroll" role="region" aria-label="Prices by body" tabindex="0">
          <table>
            <thead>
              <tr>
                <th scope="col">Body</th>
                <th v-for="kind in kindNames" :key="kind" scope="col">{{ kinds[kind] }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="[body, name] in used" :key="body">
                <th scope="row">{{ name }}</th>
                <td v-for="kind in kindNames" :key="kind">
                  <NumberInput
                    :model-value="priceOf(keyOf(body, kind))"
                    :step="1"
                    :digits="2"
                    :aria-label="`${name}, ${kinds[kind]}`"
                    :placeholder="programme ? String(priceOf(keyOf(body, kind, '')) ?? '') : undefined"
                    @update:model-value="typed[keyOf(body, kind)] = $event ?? null"
                  />
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <ProblemNote :problem="error ?? problem" />
        <button type="submit" class="act" :disabled="!list">Save the prices</button>
      </form>
      <form v-if="tag" class="sheet grid" novalidate aria-label="Rates" @submit.prevent="saveRates">
        <h2>What things cost here</h2>
        <Field label="Currency sign" optional :error="fields.currency"
          ><template #default="f"><TextInput v-bind="f" v-model="currency" maxlength="8" /></template
        ></Field>
        <Field v-for="[key, label, suffix] in rows" :key="key" :label="label" :error="fields[key]"
          ><template #default="f"><NumberInput v-bind="f" v-model="rates[key]" :suffix="suffix" /></template
        ></Field>
        <ProblemNote :problem="rateProblem" />
        <button type="submit" class="act">Save the rates</button>
      </form>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 2fr);
  gap: var(--s4);
  align-items: start;
}

.act {
  justify-self: start;
}

.saved {
  padding: var(--s2) var(--s3);
  background: var(--film-mist);
}

table {
  border-collapse: collapse;
  width: 100%;
}

th,
td {
  padding: 3px var(--s2) 3px 0;
  text-align: left;
}

@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
