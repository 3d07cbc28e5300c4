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
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import OneOf from '@/parts/OneOf.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useVehicleList } from '@/places/bench/match'
import { avoid } from './avoid'
import DaysWeather from './DaysWeather.vue'
import NotToday from './NotToday.vue'
import StopFacts from './StopFacts.vue'
import TakeAlong from './TakeAlong.vue'

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
const adding = computed({ get: () => null, set: (id: string | null) => id && void lay([...ids(), id]) })
const over = (days: number | null) =>
  days === null ? 'no visit yet' : days > 1 ? `${days} days over` : days ? 'a day over' : 'due that day'
const ids = () => stops.value.map((stop) => stop.vehicle_id)

async function order() {
  await attempt(async () => {
    queries.setQueryData(key.value, await told(api.POST('/api/v1/round/order', { body: { on: on.value } })))
  })
}

async function lay(vehicle_ids: string[]) {
  await attempt(async () => {
    queries.setQueryData(key.value, await told(api.PUT('/api/v1/round', { body: { on: on.value, vehicle_ids } })))
  })
}
function move(index: number, by: number) {
  const list = ids()
  const [one] = list.splice(index, 1)
  if (one) void lay([...list.slice(0, index + by), one, ...list.slice(index + by)])
}

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
    <header class="row head">
      <h1>Round</h1>
      <Field label="Day"
        ><template #default="f"><DayInput v-bind="f" v-model="on" required /></template
      ></Field>
      <Field label="Add a vehicle"
        ><template #default="f"><OneOf v-bind="f" v-model="adding" :options="others" none="Who else goes?" /></template
      ></Field>
    </header>
    <p class="small"><RouterLink :to="`/round/load`" class="words">Into the van: load, mix, wash, buy</RouterLink></p>
    <ProblemNote :problem="error ?? problem" />
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
            <DryingCurve
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
.head {
  gap: var(--s5);
  align-items: flex-end;
  margin-bottom: var(--s3);
}

.head :deep(.field):last-child {
  flex: 0 1 300px;
  margin-left: auto;
}

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

  .head :deep(.field),
  .head :deep(.field):last-child {
    flex: 1 1 100%;
    margin-left: 0;
  }
}
</style>
