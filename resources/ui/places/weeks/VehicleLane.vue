<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Ribbon from '@/film/Ribbon.vue'
import { shortDay } from '@/lib/dates'
import { kindsSaid } from '@/lib/words'
import LaneAhead from './LaneAhead.vue'
import { dayAt, type Lane, type Visit } from './weeks'

// A vehicle's weeks on its own ribbon: what is planned stands on it as marks that can be taken along.
const props = defineProps<{
  vehicle: Schemas['WeeksVehicle']
  visits: Visit[]
  ribbon: Schemas['Ribbon'] | undefined
  film: { from: string; to: string; today: string }
  lane: Lane
  chosen: string | null
  /** Where the chosen visit is held just now. */
  held: string | null
  choices: Schemas['ElseDay'][]
  zone: string
  heldAhead: Schemas['AheadCourse'] | undefined
  standsAhead: Schemas['AheadCourse'] | undefined
}>()
const emit = defineEmits<{
  choose: [visit: Visit]
  hold: [on: string]
  drop: []
  step: [by: 1 | -1]
  lock: [visit: Visit]
  leave: []
}>()
const H = 46
const marks = computed(() =>
  props.visits.map((visit) => {
    const on = props.chosen === visit.id && props.held ? props.held : visit.on
    return {
      visit,
      on,
      x: props.lane.x(on),
      heard: `${props.vehicle.name}, ${kindsSaid(visit.kinds)} on ${shortDay(on, props.zone)}${visit.locked ? ', locked' : ''}`,
    }
  }),
)
const costs = computed(() => {
  if (!props.choices.length) return []
  return props.choices.map((day) => ({
    x: props.lane.x(day.on),
    h: day.cost === null ? 0 : 3 + Math.min(22, Math.max(0, day.cost)),
    shut: day.cost === null,
    good: day.cost !== null && day.cost <= 0.05,
  }))
})
const windows = computed(() =>
  props.vehicle.deadlines.map(({ from, on }) => ({
    from: props.lane.x(from) - props.lane.step / 2,
    to: props.lane.x(on) + props.lane.step / 2,
  })),
)
const closed = computed(() => props.vehicle.closed.map((on) => props.lane.x(on) - props.lane.step / 2))
let dragged = false
function grab(event: PointerEvent, visit: Visit) {
  dragged = false
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  emit('choose', visit)
}
function drag(event: PointerEvent) {
  const at = event.currentTarget as HTMLElement
  if (!at.hasPointerCapture(event.pointerId)) return
  const lane = at.closest('.lane')
  if (!lane) return
  const to = dayAt(props.lane, event.clientX - lane.getBoundingClientRect().left)
  if (to !== props.held) dragged = true
  if (dragged) emit('hold', to)
}
function key(event: KeyboardEvent, visit: Visit) {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key] as 1 | -1 | undefined
  if (by !== undefined && props.chosen === visit.id) emit('step', by)
  else if (event.key === 'Enter' && props.chosen === visit.id && props.held !== visit.on) emit('drop')
  else if (event.key === 'Enter') emit('choose', visit)
  else if (event.key === 'Escape') emit('leave')
  else if (event.key === 'l' || event.key === 'L') emit('lock', visit)
  else return
  event.preventDefault()
}
</script>

<template>
  <div class="lane" :style="{ height: `${H}px`, width: `${lane.width}px` }">
    <Ribbon
      v-if="ribbon"
      class="under"
      :ribbon="ribbon"
      :from="film.from"
      :to="film.to"
      :today="film.today"
      :width="lane.width"
      :height="H"
    />
    <LaneAhead v-if="heldAhead" :held="heldAhead" :stands="standsAhead" :today="film.today" :lane="lane" :height="H" />
    <svg class="over" :width="lane.width" :height="H" aria-hidden="true">
      <rect v-for="x in closed" :key="x" :x="x" y="4" :width="lane.step" :height="H - 18" class="closed" />
      <path v-for="span in windows" :key="span.from" :d="`M${span.from} 8V3H${span.to}V8`" class="deadline" />
      <template v-for="cost in costs" :key="cost.x">
        <path v-if="cost.shut" :d="`M${cost.x - 3} ${H - 8}l6 6M${cost.x + 3} ${H - 8}l-6 6`" class="shut" />
        <rect
          v-else
          :x="cost.x - lane.step * 0.3"
          :y="H - cost.h"
          :width="lane.step * 0.6"
          :height="cost.h"
          :class="cost.good ? 'good' : 'dear'"
        />
      </template>
    </svg>
    <button
      v-for="mark in marks"
      :key="mark.visit.id"
      type="button"
      class="mark"
      :class="{ chosen: chosen === mark.visit.id, locked: mark.visit.locked, away: mark.on !== mark.visit.on }"
      :style="{ left: `${mark.x}px` }"
      :aria-label="mark.heard"
      :aria-pressed="chosen === mark.visit.id"
      @pointerdown="grab($event, mark.visit)"
      @pointermove="drag"
      @pointerup="dragged && emit('drop')"
      @keydown="key($event, mark.visit)"
    >
      <svg width="22" height="26" viewBox="0 0 22 26" aria-hidden="true">
        <path v-if="mark.visit.kinds.includes('topper')" d="M2 3q9 -6 18 0v4H2z" class="cap" />
        <path d="M4 8h14l-7 12z" class="nick" />
        <path v-if="mark.visit.kinds.includes('decon')" d="M11 9l4 4-4 4-4-4z" class="decon" />
        <circle v-if="mark.visit.kinds.includes('inspection')" cx="17" cy="19" r="4" class="look" />
        <path v-if="mark.visit.locked" d="M3 24h16" class="bar" />
      </svg>
    </button>
  </div>
</template>

<style scoped>
.lane {
  position: relative;
  touch-action: pan-y;
}

.under,
.over {
  position: absolute;
  inset: 0;
}

.under {
  opacity: 0.75;
}

.over {
  pointer-events: none;
}

.closed {
  fill: var(--ink-3);
  opacity: 0.16;
}

.deadline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

.shut {
  stroke: var(--ink-3);
}

.good {
  fill: var(--film-deep);
}

.dear {
  fill: var(--ink-2);
  opacity: 0.6;
}

.mark {
  position: absolute;
  top: 4px;
  width: 26px;
  height: 30px;
  padding: 0;
  border: 0;
  border-radius: var(--edge);
  background: none;
  transform: translateX(-50%);
  cursor: grab;
  touch-action: none;
  scroll-margin: 110px 0 340px;
}

.mark svg {
  display: block;
  margin: 1px auto;
}

.chosen {
  background: var(--sheet);
  box-shadow: 0 0 0 2px var(--ink);
}

.nick {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}

.cap {
  fill: var(--film);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.decon {
  fill: var(--ink);
}

.look {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}

.bar {
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
