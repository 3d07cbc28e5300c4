<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { daysUntil, shortDay } from '@/lib/dates'
import { wentAway } from '@/lib/gone'
import { useMe } from '@/lib/session'
import { families, zones } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'

const props = defineProps<{ layers: Schemas['Layer'][]; vehicleId: string }>()
const { zone } = useMe()
const queries = useQueryClient()
const { problem, attempt } = useDeed()

const on = computed(() => props.layers.filter((layer) => !layer.ended_on).reverse())
const gone = computed(() => props.layers.filter((layer) => layer.ended_on).reverse())
const named = (layer: Schemas['Layer']) => layer.name ?? families[layer.family]?.name ?? layer.family
const covered = (layer: Schemas['Layer']) =>
  layer.kind === 'base' && on.value.some((above) => above.kind === 'topper' && above.zone === layer.zone)
const past = (day: string) => daysUntil(day, zone.value) <= 0
const ends: Record<string, string> = { renewed: 'renewed', stripped: 'stripped', removed: 'removed' }

async function refresh() {
  await Promise.all([
    queries.invalidateQueries({ queryKey: ['vehicle', props.vehicleId] }),
    queries.invalidateQueries({ queryKey: ['film'] }),
  ])
}

async function takeBack(layer: Schemas['Layer']) {
  await attempt(async () => {
    await told(api.DELETE('/api/v1/layers/{layer}', { params: { path: { layer: layer.id } } }))
    const { zone, kind, family, product_id, name, designed, on } = layer
    const params = { path: { vehicle: props.vehicleId } }
    wentAway(`${named(layer)} was taken back.`, () =>
      told(
        api.POST('/api/v1/vehicles/{vehicle}/layers', {
          params,
          body: { zone, kind, family, product_id, name, designed, on },
        }),
      ),
    )
    await refresh()
  })
}
</script>

<template>
  <ProblemNote :problem="problem" />
  <ul>
    <li v-for="layer in on" :key="layer.id">
      <div>
        <strong>{{ named(layer) }}</strong>
        <span class="quiet"
          >{{ zones[layer.zone]?.toLowerCase() }}, {{ layer.kind }}, since {{ shortDay(layer.on, zone) }}</span
        >
        <div v-if="layer.forecast?.look_on" class="small" :class="{ due: past(layer.forecast.look_on) }">
          {{ past(layer.forecast.look_on) ? 'a look over the base is due since' : 'look it over by' }}
          {{ shortDay(layer.forecast.look_on, zone) }}; once a year at least
        </div>
        <div v-if="layer.forecast?.due_on" class="small">
          {{ layer.forecast.look_on ? 'refresh' : 'renew' }}
          {{ past(layer.forecast.due_on) ? 'was due' : 'by' }} {{ shortDay(layer.forecast.due_on, zone)
          }}<template v-if="layer.forecast.look_on && layer.forecast.from_on && layer.forecast.late_on"
            >, worth it from {{ shortDay(layer.forecast.from_on, zone) }}, late after
            {{ shortDay(layer.forecast.late_on, zone) }}</template
          >
          · lasts {{ layer.forecast.p10_weeks }}–{{ layer.forecast.p90_weeks }}
          reference weeks
        </div>
        <div v-else-if="covered(layer)" class="small quiet">
          under the topper: it has a date of its own again when that is gone
        </div>
      </div>
      <button
        v-if="!layer.turn_id"
        type="button"
        class="words small"
        :aria-label="'Take back ' + named(layer)"
        @click="takeBack(layer)"
      >
        take back
      </button>
    </li>
  </ul>
  <details v-if="gone.length">
    <summary class="small">{{ gone.length }} earlier {{ gone.length === 1 ? 'layer' : 'layers' }}</summary>
    <ul class="small">
      <li v-for="layer in gone" :key="layer.id">
        <span
          >{{ named(layer) }}, {{ zones[layer.zone]?.toLowerCase() }}: {{ shortDay(layer.on, zone) }} –
          {{ shortDay(layer.ended_on ?? layer.on, zone) }}, {{ ends[layer.ended_by ?? '']
          }}<template v-if="layer.failed_on">, had failed by {{ shortDay(layer.failed_on, zone) }}</template></span
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  margin: var(--s3) 0 0;
  padding: 0;
}

li {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  align-items: flex-start;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

li .words {
  white-space: nowrap;
  min-height: 24px;
}

summary {
  cursor: pointer;
  padding: var(--s2) 0;
  text-decoration: underline;
}
</style>
