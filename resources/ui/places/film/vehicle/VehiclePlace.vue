<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue'
import { api, told } from '@/api/client'
import Ribbon from '@/film/Ribbon.vue'
import Stack from '@/film/Stack.vue'
import TimeAxis from '@/film/TimeAxis.vue'
import { monthsSaid } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { bodies, finishes, roads, storages, tones, wheelFinishes, zones } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import { sideName, useSchools } from '@/places/bench/schools'
import DaysOf from '@/places/weeks/DaysOf.vue'
import FeedList from '@/places/weeks/FeedList.vue'
import VehicleCost from '@/places/money/VehicleCost.vue'
import RecordCard from '@/places/proof/record/RecordCard.vue'
import AddLayer from './AddLayer.vue'
import DueSentence from './DueSentence.vue'
import LayerList from './LayerList.vue'
import RibbonProbe from './RibbonProbe.vue'
import TurnList from './TurnList.vue'

// What if? is a toy of its own: loaded when somebody wants to play.
const TryAhead = defineAsyncComponent(() => import('./TryAhead.vue'))
const props = defineProps<{ id: string }>()
const { isOwner } = useMe()
const units = useUnits()
const path = computed(() => ({ params: { path: { vehicle: props.id } } }))
const { data: vehicle, error } = useQuery({
  queryKey: ['vehicle', () => props.id],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}', path.value)),
})
const { data: film } = useQuery({
  queryKey: ['vehicle', () => props.id, 'film'],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}/film', path.value)),
})
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const adding = ref(false)
const trying = ref(false)
const mystery = computed(
  () =>
    vehicle.value?.base_unknown &&
    !vehicle.value.layers?.some((layer) => layer.zone === 'paint' && layer.kind === 'base' && !layer.ended_on),
)
const { schools: allSchools } = useSchools()
// Only where it differs from the workspace.
const schools = computed(() =>
  Object.entries(vehicle.value?.schools ?? {})
    .map(
      ([school, side]) =>
        `${allSchools.value.find((one) => one.school === school)?.asks ?? school}: ${sideName(allSchools.value, school, String(side)).toLowerCase()}`,
    )
    .join('; '),
)

const paint = computed(() => film.value?.ribbons.find((ribbon) => ribbon.zone === 'paint'))
const facts = computed(() => {
  const of = vehicle.value
  if (!of) return []
  return [
    ['Body', `${bodies[of.body] ?? of.body}, ${units.area(of.paint_m2)} of paint`],
    ['Colour', [of.colour, tones[of.tone]?.name.toLowerCase()].filter(Boolean).join(', ')],
    ['Paint', [`${of.hardness} hardness`, ...of.finish.map((flag) => finishes[flag]?.toLowerCase())].join(', ')],
    ['Wheels', wheelFinishes[of.wheel_finish] ?? ''],
    ['Stands', storages[of.storage] ?? ''],
    ['Drives', `${units.distance(of.km_per_week)} a week, ${roads[of.road]?.toLowerCase()}`],
    ['Salt', of.salt_months.length ? monthsSaid(of.salt_months) : ''],
    ['Rhythm', `every ${of.cadence_target} days (${of.cadence_min} to ${of.cadence_max})`],
    ['Owner', of.client?.name ?? '—'],
    ['Place', of.site?.name ?? '—'],
    ['Schools', schools.value],
    ['Note', of.note ?? ''],
  ].filter(([, value]) => value)
})
</script>

<template>
  <div class="page">
    <ProblemNote :problem="error" />
    <template v-if="vehicle">
      <header class="row spread top">
        <div>
          <h1>{{ vehicle.name }}</h1>
          <p class="quiet sub">
            {{ [vehicle.model, vehicle.plate, vehicle.client?.name, vehicle.site?.name].filter(Boolean).join(' · ') }}
            <strong v-if="vehicle.archived"> · put away</strong>
          </p>
        </div>
        <div class="row">
          <RouterLink :to="`/vehicles/${id}/look`" class="beside">Walk round</RouterLink>
          <RouterLink :to="`/bench?vehicle=${id}`" class="beside desk">Bench</RouterLink>
          <RouterLink :to="`/vehicles/${id}/turn`" class="act">Record a turn</RouterLink>
        </div>
      </header>

      <DueSentence v-if="paint" :ribbon="paint" :mystery="Boolean(mystery)" />

      <section ref="lane" class="strip" aria-label="Ribbons">
        <template v-if="film && width > 50">
          <TimeAxis :from="film.from" :to="film.to" :today="film.today" :width="Math.floor(width)" />
          <div v-for="ribbon in film.ribbons" :key="ribbon.zone" class="one">
            <span v-if="film.ribbons.length > 1" class="zone small">{{ zones[ribbon.zone] }}</span>
            <RibbonProbe v-if="ribbon.zone === 'paint'" :film="film" :ribbon="ribbon" :width="Math.floor(width)">
              <Ribbon
                :ribbon="ribbon"
                :from="film.from"
                :to="film.to"
                :today="film.today"
                :width="Math.floor(width)"
                :height="118"
              />
            </RibbonProbe>
            <Ribbon
              v-else
              :ribbon="ribbon"
              :from="film.from"
              :to="film.to"
              :today="film.today"
              :width="Math.floor(width)"
              :height="60"
            />
          </div>
        </template>
      </section>

      <p v-if="!trying && film && paint?.outermost" class="ask">
        <button type="button" class="beside" @click="trying = true">What if a wash or the topper moved?</button>
        <RouterLink :to="`/vehicles/${id}/year`" class="beside">A year ahead, side by side</RouterLink>
      </p>
      <TryAhead v-if="trying && film" :vehicle-id="id" :today="film.today" />

      <div class="columns">
        <div class="grid left">
          <TurnList :vehicle-id="id" />
        </div>
        <div class="grid right">
          <section class="sheet">
            <div class="row spread">
              <h2>What is on it</h2>
              <button type="button" class="words" :aria-expanded="adding" @click="adding = !adding">Add a layer</button>
            </div>
            <AddLayer v-if="adding" :vehicle-id="id" @done="adding = false" />
            <Stack
              zone="paint"
              :tone="vehicle.tone"
              :layers="(vehicle.layers ?? []).filter((layer) => layer.zone === 'paint')"
              :left="paint?.left ?? null"
              :matte="vehicle.finish.includes('matte')"
            />
            <LayerList :layers="vehicle.layers ?? []" :vehicle-id="id" />
          </section>
          <DaysOf :vehicle-id="id" />
          <RecordCard :vehicle-id="id" />
          <VehicleCost v-if="isOwner" :vehicle-id="id" />
          <FeedList :vehicle-id="id" />
          <section class="sheet">
            <div class="row spread">
              <h2>Facts and habits</h2>
              <RouterLink :to="`/vehicles/${id}/edit`" class="words">Change</RouterLink>
            </div>
            <dl>
              <template v-for="[name, value] in facts" :key="name">
                <dt>{{ name }}</dt>
                <dd>{{ value }}</dd>
              </template>
            </dl>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.top {
  align-items: flex-start;
  margin-bottom: var(--s3);
}

.sub {
  margin: 2px 0 0;
}

.strip {
  border-block: 1px solid var(--line);
  padding: var(--s2) 0;
  margin-bottom: var(--s5);
}

.one {
  position: relative;
}

.ask {
  margin: calc(-1 * var(--s3)) 0 var(--s5);
}

.zone {
  position: absolute;
  left: 0;
  top: 0;
  font-weight: 600;
}

@media (max-width: 700px) {
  .top .row {
    width: 100%;
  }

  .top .act,
  .top .beside {
    flex: 1;
  }

  .desk {
    display: none;
  }
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: var(--s5);
  align-items: start;
}

dl {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 6px var(--s3);
  margin: var(--s3) 0 0;
}

dt {
  color: var(--ink-3);
}

dd {
  margin: 0;
}

@media (max-width: 980px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
