<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { useClientNames, useProgrammes } from '@/lib/lists'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useVehicleList } from '@/places/bench/match'
import MoneyNav from './MoneyNav.vue'
import QuoteSheet from './QuoteSheet.vue'

// A year's programme offered: choose vehicles and rhythms, see visits, hours, materials and margin, and what it takes for granted.
const { zone } = useMe()
const queries = useQueryClient()
const { data: quotes, error } = useQuery({ queryKey: ['quotes'], queryFn: () => told(api.GET('/api/v1/quotes')) })
const { programmeNames } = useProgrammes()
const clients = useClientNames()
const { data: fleet } = useVehicleList()
const shown = ref<string | null>(null)
const making = ref(false)
const title = ref('')
const client = ref<string | null>(null)
const lines = ref<{ vehicle_id: string; programme_id: string; topper: boolean }[]>([])
const rhythms = computed(() => ({
  '': 'Its own rhythm',
  ...programmeNames.value,
}))
const others = computed(() =>
  Object.fromEntries(
    (fleet.value ?? [])
      .filter((one) => !lines.value.some((line) => line.vehicle_id === one.id))
      .map((one) => [one.id, one.name]),
  ),
)
const adding = computed({
  get: () => null,
  set: (id: string | null) => {
    if (id) lines.value = [...lines.value, { vehicle_id: id, programme_id: '', topper: true }]
  },
})
const nameOf = (id: string) => fleet.value?.find((one) => one.id === id)?.name ?? ''
function takeClient(chosen: string | null | undefined) {
  const id = chosen ?? null
  client.value = id
  const own = (fleet.value ?? []).filter((one) => one.client?.id === id)
  if (id && !lines.value.length)
    lines.value = own.map((one) => ({ vehicle_id: one.id, programme_id: '', topper: true }))
  const name = id ? clients.value[id] : undefined
  if (name && !title.value) title.value = `A year for ${name}`
}
const { busy, problem, attempt, fields } = useDeed()
const key = ref(newId())
async function make() {
  await attempt(async () => {
    const quote = await told(
      api.POST('/api/v1/quotes', {
        params: { header: { 'Idempotency-Key': key.value } },
        body: {
          title: title.value,
          client_id: client.value,
          vehicles: lines.value.map((line) => ({ ...line, programme_id: line.programme_id || null })),
        },
      }),
    )
    queries.setQueryData<{ data: Schemas['Quote'][] }>(['quotes'], (before) => ({
      data: [quote, ...(before?.data ?? [])],
    }))
    shown.value = quote.id
    making.value = false
    title.value = ''
    client.value = null
    lines.value = []
    key.value = newId()
  })
}
const quote = computed(() => quotes.value?.data.find((one) => one.id === shown.value) ?? quotes.value?.data[0] ?? null)
/** For whoever has never offered one: the first client with a vehicle, or a vehicle, ready to be reckoned. */
function tryOne() {
  const first = fleet.value?.find((one) => one.client) ?? fleet.value?.[0]
  making.value = true
  if (first?.client) takeClient(first.client.id)
  else if (first) {
    lines.value = [{ vehicle_id: first.id, programme_id: '', topper: true }]
    title.value = `A year for ${first.name}`
  }
}
</script>

<template>
  <div class="page">
    <MoneyNav />
    <ProblemNote :problem="error" />
    <div class="two">
      <section aria-label="Quotes">
        <button v-if="!making" type="button" class="act" @click="making = true">Offer a year</button>
        <form v-else class="sheet grid" novalidate aria-label="A year to offer" @submit.prevent="make">
          <Field label="For whom" optional
            ><template #default="f"
              ><OneOf
                v-bind="f"
                :model-value="client"
                :options="clients"
                none="—"
                @update:model-value="takeClient" /></template
          ></Field>
          <Field label="Title" :error="fields.title"
            ><template #default="f"><TextInput v-bind="f" v-model="title" maxlength="160" /></template
          ></Field>
          <ul class="lines">
            <li v-for="(line, i) in lines" :key="line.vehicle_id" class="line">
              <strong>{{ nameOf(line.vehicle_id) }}</strong>
              <OneOf
                v-model="line.programme_id"
                :options="rhythms"
                :aria-label="`Rhythm of ${nameOf(line.vehicle_id)}`"
              />
              <ElCheckbox v-model="line.topper" class="small">with toppers</ElCheckbox>
              <button type="button" class="words small" @click="lines.splice(i, 1)">take out</button>
            </li>
          </ul>
          <Field label="Add a vehicle" :error="fields.vehicles"
            ><template #default="f"><OneOf v-bind="f" v-model="adding" :options="others" none="Which one?" /></template
          ></Field>
          <ProblemNote :problem="problem" />
          <div class="row">
            <button type="submit" class="act" :disabled="busy">{{ busy ? 'Reckoning…' : 'Reckon it' }}</button>
            <button type="button" class="words" @click="making = false">Cancel</button>
          </div>
        </form>
        <ul class="lines past">
          <li v-for="one in quotes?.data ?? []" :key="one.id">
            <button type="button" class="words" :aria-pressed="quote?.id === one.id" @click="shown = one.id">
              {{ one.title }}
            </button>
            <span class="small quiet">{{ shortDay(one.made_at, zone) }}</span>
          </li>
        </ul>
        <p v-if="quotes && !quotes.data.length && !making" class="quiet">
          Nothing offered yet. Choose vehicles and a rhythm, and a year is reckoned from their own turns and your price
          list.
          <button v-if="fleet?.length" type="button" class="words" @click="tryOne">Try it with one of yours</button>
        </p>
      </section>
      <QuoteSheet v-if="quote" :quote="quote" />
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: var(--s5);
  align-items: start;
}

.past {
  margin-top: var(--s4);
}

.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto auto;
}

@media (max-width: 900px) {
  .two,
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
