<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useMoney } from '@/lib/money'
import { useUnits } from '@/lib/units'
import ProblemNote from '@/parts/ProblemNote.vue'
import RegimeCard from './RegimeCard.vue'
import YearBandDrawing from './YearBandDrawing.vue'

// A year ahead under two or three ways of keeping a vehicle, or the whole book, side by side. Nothing is written.
const props = defineProps<{ id?: string }>()
const units = useUnits()
const money = useMoney()
const { data: vehicle } = useQuery({
  queryKey: ['vehicle', () => props.id ?? ''],
  enabled: () => props.id !== undefined,
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}', { params: { path: { vehicle: props.id ?? '' } } })),
})
const regimes = ref<Schemas['YearRegime'][]>([
  { name: 'By forecast', topper: 'forecast', method: 'two-mitts' },
  { name: 'Every eighth week', topper: 'weeks', topper_weeks: 8, method: 'two-mitts' },
])
const asked = ref<Schemas['YearInput'] | null>(null)
const { data, error, isFetching } = useQuery({
  queryKey: ['year', asked],
  enabled: () => asked.value !== null,
  placeholderData: (before) => before,
  queryFn: () => told(api.POST('/api/v1/year', { body: asked.value ?? { regimes: [] } })),
})
function tryIt() {
  asked.value = {
    ...(props.id ? { vehicle_id: props.id } : {}),
    regimes: regimes.value.map((one) => ({ ...one })),
    seed: 1,
  }
}
tryIt()
function add() {
  regimes.value = [...regimes.value, { name: 'When it fails', topper: 'reading', method: 'two-mitts' }]
}
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
type Figure = keyof Schemas['YearFigures']
const rows: { key: Figure; name: string; say: (value: number) => string }[] = [
  { key: 'weeks_below', name: 'Weeks without a good layer', say: (value) => value.toFixed(1) },
  { key: 'washes', name: 'Visits', say: (value) => Math.round(value).toString() },
  { key: 'toppers', name: 'Toppers', say: (value) => value.toFixed(1) },
  { key: 'hours', name: 'Hours', say: (value) => Math.round(value).toString() },
  { key: 'litres', name: 'Water', say: (value) => units.volume(value * 1000) },
  { key: 'minor', name: 'Materials', say: (value) => money(value) },
  { key: 'risk', name: 'Contact risk', say: (value) => value.toFixed(1) },
  { key: 'refused', name: 'Method refused', say: (value) => value.toFixed(1) },
]
const least = computed(() =>
  Object.fromEntries(
    rows.map((row) => [row.key, Math.min(...(data.value?.regimes ?? []).map((one) => one.figures[row.key].mean))]),
  ),
)
</script>

<template>
  <div class="page">
    <p class="quiet small">
      <RouterLink v-if="id" :to="`/vehicles/${id}`">{{ vehicle?.name ?? 'The vehicle' }}</RouterLink>
      <RouterLink v-else to="/proof">Proof</RouterLink>
    </p>
    <h1>A year ahead{{ id ? '' : ', the whole book' }}</h1>
    <p class="quiet">
      The same year many times over, with the luck of layers, weather and dirt drawn anew each time, and the same luck
      for every way of keeping it.
    </p>
    <div class="regimes">
      <RegimeCard
        v-for="(regime, i) in regimes"
        :key="i"
        :model-value="regime"
        :mark="i"
        :removable="regimes.length > 1"
        @update:model-value="regimes[i] = $event"
        @remove="regimes.splice(i, 1)"
      />
    </div>
    <div class="row tools">
      <button type="button" class="act" :disabled="isFetching" @click="tryIt">
        {{ isFetching ? 'Living through it…' : 'Live through it' }}
      </button>
      <button v-if="regimes.length < 3" type="button" class="beside" @click="add">Another way beside</button>
    </div>
    <ProblemNote :problem="error" />
    <div ref="lane">
      <template v-if="data">
        <p v-if="data.vehicles === 0" class="sheet">
          Nothing is known of a topper here: record a turn with one, and its year can be tried.
        </p>
        <template v-else>
          <section
            v-for="outcome in data.regimes.filter((one) => one.band.length)"
            :key="outcome.name"
            class="one"
            :aria-label="outcome.name"
          >
            <h2>{{ outcome.name }}</h2>
            <YearBandDrawing
              v-if="outcome.band.length && width > 50"
              :outcome="outcome"
              :today="data.today"
              :width="Math.floor(width)"
            />
          </section>
          <p v-if="data.regimes[0]?.band.length" class="small quiet">
            The band holds eight of ten trials, the line their middle; dotted is one trial of the middle with its washes
            (triangles) and toppers (caps).
          </p>
          <div class="scroll" tabindex="0" role="group" aria-label="Figures side by side">
            <table class="listed">
              <thead>
                <tr>
                  <th scope="col">In a year</th>
                  <th v-for="outcome in data.regimes" :key="outcome.name" scope="col" class="number">
                    {{ outcome.name }}
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="row in rows" :key="row.key">
                  <th scope="row">{{ row.name }}</th>
                  <td v-for="outcome in data.regimes" :key="outcome.name" class="number">
                    <strong>{{ row.say(outcome.figures[row.key].mean) }}</strong><span
                      v-if="data.regimes.length > 1 && outcome.figures[row.key].mean === least[row.key]"
                      class="small"
                    >
                      least</span
                    >
                    <span class="small quiet block"
                      >{{ row.say(outcome.figures[row.key].low) }} to {{ row.say(outcome.figures[row.key].high) }}</span
                    >
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
          <p class="small quiet">
            {{ data.trials }} trials{{ id ? '' : ` of each of ${data.vehicles} vehicles` }}; nine in ten lie within the
            spans.<template v-if="data.left_out.length"> Left out: {{ data.left_out.join(', ') }}.</template>
          </p>
          <ul class="small">
            <li v-for="one in data.assumes" :key="one">{{ one }}</li>
          </ul>
        </template>
      </template>
    </div>
  </div>
</template>

<style scoped>
.regimes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: var(--s4);
}

.tools {
  margin: var(--s4) 0;
}

.one h2 {
  margin: var(--s3) 0 2px;
}
</style>
