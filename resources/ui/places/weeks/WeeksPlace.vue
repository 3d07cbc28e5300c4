<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useFilm } from '@/places/film/useFilm'
import DayList from './DayList.vue'
import LoadLane from './LoadLane.vue'
import { useInHand } from './useInHand'
import { useWeeks } from './useWeeks'
import VehicleLane from './VehicleLane.vue'
import VisitPanel from './VisitPanel.vue'
import WeeksAxis from './WeeksAxis.vue'
import WeeksHead from './WeeksHead.vue'
import WishList from './WishList.vue'
import LongDays from './LongDays.vue'
import PaperWeeks from './PaperWeeks.vue'
import { BEFORE, dateOf, dayNumber, fullest, laneOf, type Visit } from './weeks'

// The next eight weeks: each crew's days as vessels that fill, each vehicle's visits on its own ribbon, over one time.
const { zone } = useMe()
const {
  weeks,
  error,
  isPending,
  meanwhile,
  problem,
  busy,
  going,
  heard,
  plan,
  stop,
  move,
  lock,
  undo,
  cancel,
  propose,
} = useWeeks()
const said = ref<string | null>(null)
async function callOff(id: string, body: Schemas['VisitCancel']) {
  if (await cancel(id, body)) leave()
}
const ask = async (visits: string[] | null) => {
  said.value = await propose(visits, visits ? null : dateOf(dayNumber(weeks.value?.start ?? '') + 13))
}
const { film } = useFilm()
const ribbons = computed(() => Object.fromEntries((film.value?.ribbons ?? []).map((one) => [one.vehicle_id, one])))
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const asList = ref(false)
const wide = computed(() => width.value >= 700 && !asList.value)
const LABEL = 168
const lane = computed(() => (weeks.value ? laneOf(weeks.value, Math.max(300, Math.floor(width.value) - LABEL)) : null))
const span = computed(() => ({
  from: `${dateOf(dayNumber(weeks.value?.start ?? '2026-01-01') - BEFORE)}T00:00:00Z`,
  to: `${dateOf(dayNumber(weeks.value?.start ?? '2026-01-01') + (weeks.value?.days ?? 56))}T00:00:00Z`,
  today: film.value?.today ?? new Date().toISOString(),
}))
const most = computed(() => 1.15 * fullest(weeks.value?.crews ?? []))
// Whose next visit is soonest stands first.
const rows = computed(() => {
  const of = weeks.value
  if (!of) return []
  const by = new Map<string, Visit[]>()
  for (const visit of of.visits) by.set(visit.vehicle_id, [...(by.get(visit.vehicle_id) ?? []), visit])
  return of.vehicles
    .map((vehicle) => ({ vehicle, visits: by.get(vehicle.id) ?? [] }))
    .sort(
      (a, b) =>
        (a.visits[0]?.on ?? '9').localeCompare(b.visits[0]?.on ?? '9') || a.vehicle.name.localeCompare(b.vehicle.name),
    )
})

const { chosen, held, visit, vehicle, choices, why, heldAhead, standsAhead, choose, grant, leave, step, drop } =
  useInHand(weeks, move)
// Whoever comes for one visit has it in hand.
const route = useRoute()
watch(
  [() => route.query.visit, () => weeks.value !== undefined],
  ([id]) => {
    const asked = weeks.value?.visits.find((one) => one.id === id)
    if (asked && chosen.value !== asked.id) choose(asked)
  },
  { immediate: true },
)
const crewOf = (id: string) => weeks.value?.crews.find((crew) => crew.id === id)?.name ?? ''
const print = () => globalThis.print()
const canList = computed(() => Boolean(weeks.value?.visits.length))
</script>

<template>
  <div class="page weeks">
    <ProblemNote :problem="error ?? problem" />
    <p v-if="isPending" class="quiet" role="status">{{ meanwhile?.message ?? 'Gathering the weeks…' }}</p>
    <template v-if="weeks">
      <WeeksHead
        :weeks="weeks"
        :run="heard"
        :going="going"
        :busy="busy"
        :zone="zone"
        @plan="plan"
        @stop="stop"
        @undo="undo"
      />
      <p v-if="!weeks.crews.length && !weeks.visits.length" class="sheet">
        Say who works when, and the plan fits the visits into their days. Without it, one crew from Monday to Friday is
        taken for granted. <RouterLink to="/weeks/setup">Who works when</RouterLink>
      </p>
      <WishList :wishes="weeks.wishes" :zone="zone" @take="grant" />
      <p v-if="said" role="status">{{ said }}</p>
      <div class="row tools">
        <RouterLink to="/weeks/setup" class="words">Who works when, rhythms, days off</RouterLink>
        <button
          v-if="canList && width >= 700"
          type="button"
          class="words"
          :aria-pressed="asList"
          @click="asList = !asList"
        >
          As a list
        </button>
        <button v-if="canList" type="button" class="words" :disabled="busy" @click="ask(null)">
          Ask clients about the next two weeks
        </button>
        <button v-if="canList" type="button" class="words" @click="print">Print the calendar</button>
        <a href="/api/v1/weeks/file" class="words" download>As CSV</a>
        <a v-if="weeks.plan" href="/api/v1/weeks/instance" class="words" download>To plan it elsewhere (JSON)</a>
      </div>
      <LongDays :weeks="weeks" :zone="zone" />
      <PaperWeeks v-if="canList" :weeks="weeks" :zone="zone" />
      <div ref="box" class="box">
        <template v-if="wide && lane">
          <div class="line">
            <span class="label small quiet">drop poor · cross none · bar no topper</span
            ><WeeksAxis :lane="lane" :start="weeks.start" :weather="weeks.weather" />
          </div>
          <div v-for="crew in weeks.crews" :key="crew.id" class="line load">
            <span class="label">{{ crew.name }}</span>
            <LoadLane :crew="crew" :lane="lane" :most="most" :vehicle="vehicle?.id ?? null" />
          </div>
          <div v-for="row in rows" :key="row.vehicle.id" class="line">
            <RouterLink :to="`/vehicles/${row.vehicle.id}`" class="label name">{{ row.vehicle.name }}</RouterLink>
            <VehicleLane
              :vehicle="row.vehicle"
              :visits="row.visits"
              :ribbon="ribbons[row.vehicle.id]"
              :film="span"
              :lane="lane"
              :chosen="chosen"
              :held="held"
              :choices="visit?.vehicle_id === row.vehicle.id ? choices : []"
              :zone="zone"
              :held-ahead="visit?.vehicle_id === row.vehicle.id ? heldAhead : undefined"
              :stands-ahead="standsAhead"
              @choose="choose"
              @hold="held = $event"
              @drop="drop"
              @step="step"
              @lock="(one) => lock(one.id, !one.locked)"
              @leave="leave"
            />
          </div>
        </template>
        <DayList v-else-if="canList" :weeks="weeks" :zone="zone" @choose="choose" />
      </div>
      <VisitPanel
        v-if="visit && vehicle && held"
        class="panel"
        :weeks="weeks"
        :visit="visit"
        :vehicle="vehicle"
        :crew="crewOf(visit.crew_id)"
        :why="why"
        :choices="choices"
        :held="held"
        :zone="zone"
        :busy="busy"
        :held-ahead="heldAhead"
        :stands-ahead="standsAhead"
        @drop="drop"
        @lock="lock(visit.id, !visit.locked)"
        @hold="held = $event"
        @leave="leave"
        @cancel="callOff(visit.id, $event)"
        @propose="ask([visit.id])"
      />
    </template>
  </div>
</template>

<style scoped>
.tools {
  gap: var(--s4);
  margin-bottom: var(--s2);
}

.panel {
  position: sticky;
  bottom: 8px;
  z-index: 3;
  margin-top: var(--s3);
  box-shadow: 0 -6px 24px rgb(0 0 0 / 14%);
}

.box {
  min-height: 200px;
}

@media print {
  .box {
    display: none;
  }
}

.line {
  display: grid;
  grid-template-columns: 168px minmax(0, 1fr);
  align-items: center;
  border-bottom: 1px solid var(--line);
}

.load {
  border-color: transparent;
  padding: 4px 0;
}

.label {
  overflow: hidden;
  padding-right: var(--s3);
  line-height: 1.2;
}

.name {
  white-space: nowrap;
  text-overflow: ellipsis;
}

@media (max-width: 700px) {
  .panel {
    bottom: 66px;
  }
}
</style>
