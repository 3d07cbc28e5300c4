<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { vessel, type Lane } from './weeks'

// A crew's days as vessels: trip upon trip, each with its way and the turns it is made for, and what runs over.
const props = defineProps<{
  crew: Schemas['WeeksCrew']
  lane: Lane
  most: number
  /** The vehicle in hand, to be found among the turns. */
  vehicle: string | null
}>()
const H = 66
const days = computed(() =>
  props.crew.days.map((day) => {
    const of = vessel(day, props.most)
    const w = Math.max(4, props.lane.step - 3)
    const x = props.lane.x(day.on) - w / 2
    const y = (share: number) => H - share * H
    const top = of.trips.at(-1)?.to ?? 0
    return {
      on: day.on,
      x,
      w,
      wall: `M${x} ${y(of.size)}V${H}h${w}V${y(of.size)}`,
      fill: of.fill.map((one) => ({
        y: y(one.from + one.size) + 0.5,
        h: Math.max(0.5, one.size * H - 1),
        kind: one.way ? 'way' : one.vehicle === props.vehicle ? 'work own' : 'work',
      })),
      // Turns on one trip hang together.
      shared: of.trips
        .filter((trip) => trip.shared)
        .map((trip) => `M${x + w + 1} ${y(trip.to) + 1}V${y(trip.from) - 1}`)
        .join(''),
      over: { y: y(top), h: of.over * H },
      // As far as one day in ten goes.
      reach:
        of.inTen === null
          ? null
          : `M${x + w / 2} ${y(Math.max(top, of.size))}V${y(of.inTen)}m${-w / 3} 0h${(2 * w) / 3}`,
    }
  }),
)
</script>

<template>
  <svg class="drawing" :width="lane.width" :height="H + 8" :viewBox="`0 -6 ${lane.width} ${H + 8}`" aria-hidden="true">
    <g v-for="day in days" :key="day.on">
      <rect
        v-for="(one, i) in day.fill"
        :key="i"
        :x="day.x"
        :y="one.y"
        :width="day.w"
        :height="one.h"
        :class="one.kind"
      />
      <rect v-if="day.over.h > 0" :x="day.x" :y="day.over.y" :width="day.w" :height="day.over.h" class="over" />
      <path :d="day.wall" class="wall" />
      <path v-if="day.reach" :d="day.reach" class="reach" />
      <path v-if="day.shared" :d="day.shared" class="shared" />
    </g>
  </svg>
</template>

<style scoped>
.work {
  fill: var(--film);
}

.own {
  fill: var(--ink);
}

.way {
  fill: var(--film);
  opacity: 0.38;
}

.over {
  fill: none;
  stroke: var(--due);
  stroke-width: 2.5;
}

.wall {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1;
}

.reach {
  fill: none;
  stroke: var(--due);
  stroke-width: 1.6;
}

.shared {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
</style>
