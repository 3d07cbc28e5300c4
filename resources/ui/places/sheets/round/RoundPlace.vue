<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { api, told } from '@/api/client'
import DryingCurve from '@/film/DryingCurve.vue'
import TankLevel from '@/film/TankLevel.vue'
import { dayIn, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useVehicleList } from '@/places/bench/match'
import { avoid } from './avoid'
import { dearer, moved, sameCurve } from './day'
import DayLine from './DayLine.vue'
import DaysWeather from './DaysWeather.vue'
import NextStop from './NextStop.vue'
import NotToday from './NotToday.vue'
import RoundHead from './RoundHead.vue'
import StopFacts from './StopFacts.vue'
import TakeAlong from './TakeAlong.vue'
import { useDay } from './useDay'

// A day's turns in driving order: when each car would dry too fast, and where the treated water goes.
const { zone } = useMe()
const units = useUnits()
const queries = useQueryClient()
const on = ref(dayIn(zone.value))
const key = computed(() => ['round', on.value])
const { data, error, isPending } = useQuery({
  queryKey: key,
  queryFn: () => told(api.GET('/api/v1/round', { params: { query: { on: on.value } } })),
  placeholderData: keepPreviousData,
})
const { problem, attempt } = useDeed()
const stops = computed(() => data.value?.stops ?? [])
const { data: vehicles } = useVehicleList()
const others = computed(() =>
  Object.fromEntries(
    (vehicles.value ?? [])
      .filter((vehicle) => !stops.value.some((stop) => stop.vehicle_id === vehicle.id))
      .map((vehicle) => [vehicle.id, vehicle.name]),
  ),
)
const over = (days: number | null) =>
  days === null ? 'no visit yet' : days > 1 ? `${days} days over` : days ? 'a day over' : 'due that day'
const ids = () => stops.value.map((stop) => stop.vehicle_id)

async function order() {
  await attempt(async () => {
    queries.setQueryData(key.value, await told(api.POST('/api/v1/round/order', { body: { on: on.value } })))
  })
}

/** What the last change of the order came to, and the order before it. */
const changed = ref<{ says: string; before: string[] } | null>(null)
async function lay(vehicle_ids: string[], tells = true) {
  const before = stops.value
  await attempt(async () => {
    const round = await told(api.PUT('/api/v1/round', { body: { on: on.value, vehicle_ids } }))
    queries.setQueryData(key.value, round)
    changed.value = tells ? { says: dearer(before, round.stops), before: before.map((one) => one.vehicle_id) } : null
  })
}
const move = (index: number, by: number) => void lay(moved(ids(), index, index + by))

const { phone, today, minute, next, nextSheet, crewEnds } = useDay(on, stops)

const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const curve = computed(() =>
  width.value < 640 ? Math.max(260, Math.floor(width.value)) : Math.min(860, Math.floor(width.value) - 270),
)
const tank = computed(() => data.value?.tank)
const dryAt = computed(() => stops.value.find((stop) => stop.vehicle_id === tank.value?.dry_at_vehicle)?.name)
const unsure = computed(() => (stops.value[0]?.hours[6]?.sureness ?? 1) < 0.6)
</script>

<template>
  <div class="page round">
    <RoundHead v-model:on="on" :others="others" @add="(id) => lay([...ids(), id])" />
    <ProblemNote :problem="error ?? problem" />
    <NextStop v-if="phone && today && stops.length" :stops="stops" :stop="next" :minute="minute" :sheet="nextSheet" />
    <template v-if="data && stops.length">
      <DayLine
        v-if="!phone"
        :stops="stops"
        :zone="zone"
        :ends="crewEnds"
        :now="today ? minute : null"
        @order="(list) => lay(list)"
      />
      <p v-if="changed" class="row" role="status">
        {{ changed.says || 'It costs nothing.' }}
        <button type="button" class="beside" @click="lay(changed.before, false)">Undo</button>
      </p>
    </template>
    <TakeAlong v-if="data || error" :key="on" :on="on" :stops="stops" />
    <p v-if="isPending" class="quiet" role="status">Looking at the day…</p>
    <template v-else-if="data">
      <p v-if="unsure" class="small quiet">So far ahead the forecast knows little more than the season.</p>
      <div v-if="data.planned.length || stops.length > 1" class="row order">
        <span v-if="data.planned.length"
          >Planned for this day: {{ data.planned.map((one) => one.name).join(', ') }}.</span
        >
        <button type="button" class="beside" @click="order">
          {{ data.planned.length ? 'Take them, in the best order' : 'In the best order' }}
        </button>
        <span class="small quiet">By travel, opening hours and the hours to avoid; leaving at eight.</span>
      </div>
      <DaysWeather :on="on" :noted="data.noted" />
      <NotToday :stops="stops" />
      <ol ref="lane" class="stops" aria-label="Turns in driving order">
        <li v-for="(stop, i) in stops" :key="stop.vehicle_id">
          <StopFacts
            :stop="stop"
            :first="i === 0"
            :last="i === stops.length - 1"
            @earlier="move(i, -1)"
            @later="move(i, 1)"
            @out="lay(ids().filter((id) => id !== stop.vehicle_id))"
          />
          <div>
            <p v-if="sameCurve(stops, stop) !== stop" class="small quiet">
              Dries as {{ sameCurve(stops, stop).name }} does.
            </p>
            <DryingCurve
              v-else
              :hours="stop.hours"
              :width="curve"
              :zone="zone"
              :label="`How long a rinse stays workable on ${stop.name}, by the hour. ${avoid(stop, zone)}`"
            />
            <p class="small avoid">{{ avoid(stop, zone) }}</p>
          </div>
        </li>
      </ol>
      <p v-if="!stops.length" class="quiet empty">
        Nobody is on the way that day.
        {{
          data.planned.length
            ? 'Take those planned, or add a vehicle above.'
            : 'Add a vehicle above, or one of those whose rhythm is up below.'
        }}
      </p>
      <section v-if="tank && stops.length" class="sheet">
        <h2>Treated water</h2>
        <p>
          <template v-if="tank.short_l > 0"
            ><strong class="refused">{{ tank.name }} runs dry{{ dryAt ? ` at ${dryAt}` : '' }}:</strong>
            {{ units.volume(tank.short_l * 1000) }} short. Fill it before leaving, keep the last rinse short, or use the
            tap where it leaves little and dry at once.</template
          >
          <template v-else
            >{{ tank.name }} leaves with {{ units.volume(tank.start_l * 1000) }} and comes home with
            {{ units.volume(tank.end_l * 1000) }}.</template
          >
        </p>
        <TankLevel
          :points="tank.points"
          :holds="tank.holds_l"
          :minutes="tank.minutes"
          :empty-at="tank.empty_at_min"
          :width="Math.min(640, Math.max(280, Math.floor(width) - 60))"
          :label="`Level of ${tank.name} along the round`"
        />
        <p class="small quiet">
          From leaving the unit; the last rinses take it. Note its level under
          <RouterLink to="/bench/water">Water</RouterLink>.
        </p>
      </section>
      <section v-if="data.suggested.length" class="upcoming">
        <h2>Their rhythm is up</h2>
        <ul>
          <li v-for="one in data.suggested" :key="one.vehicle_id">
            <button type="button" class="words" @click="lay([...ids(), one.vehicle_id])">{{ one.name }}</button>
            <span class="small quiet"
              >{{ one.site ?? 'no place' }}, {{ over(one.days_over)
              }}{{ one.planned_on ? `, planned for ${shortDay(one.planned_on, zone)}` : '' }}</span
            >
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.stops {
  list-style: none;
  margin: 0 0 var(--s4);
  padding: 0;
}

.stops > li {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: var(--s4);
  padding: var(--s3) 0;
  border-top: 1px solid var(--line);
}

.words {
  min-height: 28px;
}

.words:disabled {
  opacity: 0.45;
}

.avoid {
  margin: 2px 0 0;
}

.upcoming {
  margin-top: var(--s5);
}

.upcoming ul {
  list-style: none;
  padding: 0;
  margin: var(--s2) 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 0 var(--s4);
}

@media (max-width: 700px) {
  .stops > li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
