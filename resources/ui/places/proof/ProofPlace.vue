<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import CalibrationPlot from '@/film/CalibrationPlot.vue'
import SurvivalPlot from '@/film/SurvivalPlot.vue'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { families, zones } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import ProofGroups from './ProofGroups.vue'

// What really lasts on these vehicles: each product's layers against its label, two beside each other, and whether the
// forecasts were right.
const { zone } = useMe()
type Product = Schemas['ProofProduct']
const {
  data,
  error,
  isPending,
  failureReason: meanwhile,
} = useQuery({
  queryKey: ['proof'],
  queryFn: () => told(api.GET('/api/v1/proof')),
  refetchInterval: (query) => (query.state.data?.newer ? 30_000 : false),
})
const products = computed(() => [...(data.value?.products ?? [])].sort((a, b) => b.layers - a.layers))
const keyOf = (one: Product) => `${one.product_id} ${one.zone}`
const chosen = ref<string[]>([])
const shown = computed(() => {
  const picked = products.value.filter((one) => chosen.value.includes(keyOf(one)))
  return picked.length ? picked : products.value.slice(0, 1)
})
const curves = computed(() =>
  shown.value.map((one) => ({
    name: one.name,
    points: one.points,
    model: one.model,
    label: [one.label_low_weeks, one.label_high_weeks] as [number, number],
    fewer: one.too_few,
  })),
)
function pick(one: Product) {
  const key = keyOf(one)
  // Two at most: a third takes the place of the first.
  chosen.value = chosen.value.includes(key)
    ? chosen.value.filter((known) => known !== key)
    : [...chosen.value, key].slice(-2)
}
const weeks = (value: number) => value.toLocaleString(locale(), { maximumFractionDigits: 1 })
const money = (minor: number | null) => (minor === null ? '—' : (minor / 100).toFixed(2))
function against(one: Product): string {
  const middle = Math.sqrt(one.label_low_weeks * one.label_high_weeks)
  const share = one.life / middle
  return share < 0.9
    ? `${Math.round(100 * (1 - share))} % less than its label`
    : share > 1.1
      ? `${Math.round(100 * (share - 1))} % more than its label`
      : 'about what its label says'
}
const percent = (share: number) => `${Math.round(100 * share)} %`
function restsOn(one: Product): string {
  const { label, product } = one.rests_on
  return (
    `${percent(product)} of that comes from the layers read here, ${percent(label)} from the label. ` +
    `One layer of it differs from the next by about ${percent(Math.expm1(one.spread_layer))}, ` +
    `one vehicle from another by ${percent(Math.expm1(one.spread_vehicle))}.`
  )
}
const plot = useTemplateRef('plot')
const { width } = useElementSize(plot)
</script>

<template>
  <div class="page proof">
    <h1>Proof</h1>
    <p class="quiet lead">
      What really lasts, on your vehicles. One wear-week is a week outdoors with 200 km and one gentle wash.
      <RouterLink to="/proof/year">A year ahead, for the whole book</RouterLink>
    </p>
    <p v-if="data?.newer" class="quiet" role="status">
      Weighed at {{ dayAndTime(data.weighed_at, zone) }}; what came since is being weighed.
    </p>
    <ProblemNote :problem="error" />
    <p v-if="isPending" class="quiet" role="status">{{ meanwhile?.message ?? 'Weighing every layer…' }}</p>
    <p v-else-if="data && !products.length" class="sheet">
      No layer with a product has been followed yet. Note a topper in a turn, and read the clean water at the next
      washes: its life will stand here.
    </p>
    <template v-else-if="data">
      <div class="columns">
        <section aria-label="Products">
          <div class="scroll" role="region" aria-label="Products and how long they held" tabindex="0">
            <table class="listed">
              <thead>
                <tr>
                  <th scope="col">Product</th>
                  <th scope="col" class="number">Label</th>
                  <th scope="col" class="number">Found</th>
                  <th scope="col" class="number">Layers</th>
                  <th scope="col" class="number">A week costs</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="one in products" :key="keyOf(one)" :class="{ on: shown.includes(one) }">
                  <th scope="row">
                    <button type="button" class="words" :aria-pressed="chosen.includes(keyOf(one))" @click="pick(one)">
                      {{ one.name }}
                    </button>
                    <span v-if="one.zone !== 'paint'" class="small quiet">{{ zones[one.zone]?.toLowerCase() }}</span>
                  </th>
                  <td class="number">{{ weeks(one.label_low_weeks) }}–{{ weeks(one.label_high_weeks) }}</td>
                  <td class="number">
                    <strong>{{ weeks(one.life) }}</strong>
                  </td>
                  <td class="number">{{ one.failed }} of {{ one.layers }} failed</td>
                  <td class="number">{{ money(one.cost_minor_week) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <p class="small quiet">Press two names to lay them over each other.</p>
        </section>
        <section ref="plot" aria-label="How long they held">
          <div v-for="(one, i) in shown" :key="keyOf(one)" class="said">
            <h2>
              <svg width="34" height="10" aria-hidden="true"><path d="M0 5h34" :class="i ? 'second' : 'first'" /></svg>
              {{ one.name }}
            </h2>
            <p v-if="one.too_few">
              Too few to say: {{ one.layers }} layer{{ one.layers === 1 ? '' : 's' }}, {{ one.failed }} seen to fail.
              The line is what its label and those few make likely.
            </p>
            <p v-else>
              Lasts {{ weeks(one.life) }} wear-weeks here, {{ against(one) }}. 80 of 100 layers end between
              {{ weeks(one.p10) }} and {{ weeks(one.p90) }}.
            </p>
            <p class="small">{{ restsOn(one) }}</p>
            <p v-if="one.under.length > 1" class="small">
              <template v-for="part in one.under" :key="part.family"
                >On {{ families[part.family]?.name.toLowerCase() ?? part.family }}:
                {{
                  part.too_few || part.median === null
                    ? `too few to say (${part.layers})`
                    : `half by ${weeks(part.median)}`
                }}.
              </template>
            </p>
          </div>
          <SurvivalPlot
            v-if="width > 80"
            :curves="curves"
            :width="Math.floor(width)"
            :label="`Share of layers that still held, by wear: ${shown.map((one) => one.name).join(' and ')}`"
          />
          <p class="small quiet">
            Steps with a band: what was read, nothing assumed. Thin line: the model. Bracket: the label. The band holds
            80 in 100.
          </p>
        </section>
      </div>
      <ProofGroups v-if="data.groups.length" :groups="data.groups" />
      <div class="columns">
        <section class="sheet" aria-label="Were we right">
          <h2>Were we right?</h2>
          <p>{{ data.calibration.says }}</p>
          <CalibrationPlot
            v-if="data.calibration.layers >= 8"
            :points="data.calibration.points"
            :label="`Forecast against what happened, ${data.calibration.layers} layers`"
          />
          <p class="small quiet">
            {{ data.calibration.layers }} layers whose forecast of their first day was kept. On the line: of those said
            to fail, as many had.
          </p>
        </section>
        <section class="sheet" aria-label="Vehicles that differ">
          <h2>Not explained by habits</h2>
          <ul v-if="data.vehicles.length" class="plain">
            <li v-for="one in data.vehicles" :key="one.vehicle_id">
              <RouterLink :to="`/vehicles/${one.vehicle_id}`">{{ one.name }}</RouterLink>
              <span
                >layers live {{ Math.round(100 * Math.abs(1 - one.share)) }} %
                {{ one.share < 1 ? 'shorter' : 'longer' }}
                <span class="small quiet">({{ one.layers }} layers)</span></span
              >
            </li>
          </ul>
          <p v-else class="quiet">No vehicle differs from what its habits say.</p>
          <p class="small quiet">
            Look at where it stands and how it is washed between visits; the forecast takes it into account already.
          </p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.lead {
  margin-top: 0;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--s5);
  margin-bottom: var(--s5);
}

.on {
  background: var(--film-mist);
}

.said h2 {
  margin-bottom: 0;
}

.said p {
  margin: 2px 0 var(--s2);
}

.said svg path {
  stroke: var(--film-deep);
  stroke-width: 3;
}

.said svg .second {
  stroke: var(--ink-2);
  stroke-dasharray: 6 4;
}

li {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .found td:nth-child(5),
  .found th:nth-child(5) {
    display: none;
  }
}
</style>
