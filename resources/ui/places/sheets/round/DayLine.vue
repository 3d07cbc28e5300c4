<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { hourIn } from '@/lib/dates'
import { clockOf, comesTo, endOf, moved, type Stop } from './day'

// The day as one line of time: ways, stops, hours that are too wet or dry too fast, and when the crew’s day ends. A stop
// is moved by dragging it or by the arrow keys.
const props = defineProps<{ stops: Stop[]; zone: string; ends: number | null; now: number | null }>()
const emit = defineEmits<{ order: [ids: string[]] }>()
const from = computed(() => 60 * Math.floor(Math.min(480, ...props.stops.map((s) => s.begins_min - s.leg_min)) / 60))
const to = computed(() => 60 * Math.ceil((Math.max(props.ends ?? 0, comesTo(props.stops).ends, 960) + 15) / 60))
const at = (minute: number) => `${(100 * (minute - from.value)) / (to.value - from.value)}%`
const wide = (minutes: number) => `${(100 * minutes) / (to.value - from.value)}%`
const hours = computed(() => Array.from({ length: (to.value - from.value) / 60 + 1 }, (_, i) => from.value / 60 + i))
/** Of the first stop: the places of a day lie close together. */
const rain = computed(() =>
  (props.stops[0]?.hours ?? [])
    .map((hour: Schemas['RoundHour']) => ({ hour: Number(hourIn(props.zone, hour.at)), mm: hour.rain_mm }))
    .filter(({ hour, mm }) => mm > 0.2 && hour * 60 >= from.value && hour * 60 < to.value),
)
const late = computed(() => props.ends !== null && comesTo(props.stops).ends > props.ends)
const dragged = ref<number | null>(null)
const over = ref<number | null>(null)

function move(index: number, target: number) {
  if (target < 0 || target >= props.stops.length || target === index) return
  emit(
    'order',
    moved(
      props.stops.map((stop) => stop.vehicle_id),
      index,
      target,
    ),
  )
}
function drop(target: number) {
  if (dragged.value !== null) move(dragged.value, target)
  dragged.value = over.value = null
}
const says = (stop: Stop, i: number) =>
  `${stop.name}, ${stop.begins} to ${stop.ends}, ${i + 1} of ${props.stops.length}. Arrow keys move it.`
</script>

<template>
  <div class="line" role="group" aria-label="The day as a line of time">
    <div class="time">
      <span
        v-for="one in rain"
        :key="one.hour"
        class="rain"
        :style="{ left: at(one.hour * 60), width: wide(60) }"
        :title="`rain, ${one.mm.toFixed(1)} mm`"
      ></span>
      <span v-for="hour in hours" :key="hour" class="hour" :style="{ left: at(hour * 60) }">{{ hour % 24 }}</span>
      <template v-for="(stop, i) in stops" :key="stop.vehicle_id">
        <span
          v-if="stop.leg_min"
          class="way"
          :style="{ left: at(stop.begins_min - stop.leg_min), width: wide(stop.leg_min) }"
          :title="`${stop.leg_min} min on the road`"
        ></span>
        <button
          type="button"
          class="stop"
          :class="{ over: over === i, problem: stop.problem }"
          :style="{ left: at(stop.begins_min), width: wide(stop.minutes) }"
          :aria-label="says(stop, i)"
          :title="`${stop.name}, ${stop.begins} to ${stop.ends}`"
          draggable="true"
          @dragstart="dragged = i"
          @dragend="dragged = over = null"
          @dragover.prevent="over = i"
          @dragleave="over = null"
          @drop.prevent="drop(i)"
          @keydown.left.prevent="move(i, i - 1)"
          @keydown.right.prevent="move(i, i + 1)"
        >
          {{ stop.name }}
        </button>
      </template>
      <span
        v-if="ends !== null"
        class="end"
        :style="{ left: at(ends) }"
        :title="`The crew’s day ends at ${clockOf(ends)}`"
        ><span class="small">home {{ clockOf(ends) }}</span></span
      >
      <span v-if="now !== null && now > from && now < to" class="now" :style="{ left: at(now) }" title="Now"></span>
    </div>
    <p class="small" :class="{ refused: late }">
      Done at {{ clockOf(comesTo(stops).ends) }}, {{ comesTo(stops).road }} min on the road<template v-if="late"
        >: {{ comesTo(stops).ends - (ends ?? 0) }} min beyond the crew’s day</template
      ><template v-else-if="ends !== null">, {{ ends - comesTo(stops).ends }} min to spare</template>.<template
        v-if="rain.length"
      >
        Blue hatching is rain.</template
      >
    </p>
    <ul class="hidden-text">
      <li v-for="stop in stops" :key="stop.vehicle_id">
        {{ stop.name }}: {{ stop.begins }} to {{ clockOf(endOf(stop)) }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.time {
  position: relative;
  height: 96px;
  margin: var(--s3) 0 var(--s2);
  border-bottom: 1px solid var(--line-strong);
}

.time > * {
  position: absolute;
}

.hour {
  bottom: -1px;
  padding-left: 3px;
  height: 18px;
  font: 12px/18px var(--text);
  color: var(--ink-3);
  border-left: 1px solid var(--line);
}

.stop {
  top: 22px;
  height: 44px;
  padding: 0 var(--s2);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: left;
  font: 650 14px var(--text);
  color: var(--ink);
  background: var(--film-wash);
  border: 1px solid var(--film);
  border-left-width: 4px;
  border-radius: var(--edge);
  cursor: grab;
}

.stop.over {
  border-left-width: 10px;
}

.stop.problem {
  border-color: var(--refused);
  border-style: dashed;
}

.way {
  top: 43px;
  height: 3px;
  background: var(--ink-3);
}

.rain {
  top: 0;
  bottom: 18px;
  background: repeating-linear-gradient(115deg, transparent 0 5px, rgb(70 120 190 / 32%) 5px 7px);
}

.end {
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--ink);
}

.end .small {
  position: absolute;
  right: 4px;
  white-space: nowrap;
}

.now {
  top: 14px;
  bottom: 18px;
  border-left: 2px dashed var(--film);
}

p {
  margin: 0 0 var(--s3);
}
</style>
