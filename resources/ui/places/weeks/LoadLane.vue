<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { vessel, type Lane } from './weeks'

// A crew's days as vessels: how much of each is filled with work and with the way there, and what runs over.
const props = defineProps<{ crew: Schemas['WeeksCrew']; lane: Lane; most: number }>()
const H = 66
const days = computed(() =>
  props.crew.days.map((day) => {
    const of = vessel(day, props.most)
    const w = Math.max(4, props.lane.step - 3)
    const x = props.lane.x(day.on) - w / 2
    const y = (share: number) => H - share * H
    return {
      on: day.on,
      x,
      w,
      wall: `M${x} ${y(of.size)}V${H}h${w}V${y(of.size)}`,
      work: { y: y(of.work), h: of.work * H },
      travel: { y: y(of.work + of.travel), h: of.travel * H },
      over: { y: y(of.size + of.over), h: of.over * H },
    }
  }),
)
</script>

<template>
  <svg :width="lane.width" :height="H + 8" :viewBox="`0 -6 ${lane.width} ${H + 8}`" aria-hidden="true">
    <g v-for="day in days" :key="day.on">
      <rect :x="day.x" :y="day.work.y" :width="day.w" :height="day.work.h" class="work" />
      <rect :x="day.x" :y="day.travel.y" :width="day.w" :height="day.travel.h" class="travel" />
      <rect v-if="day.over.h > 0" :x="day.x" :y="day.over.y" :width="day.w" :height="day.over.h" class="over" />
      <path :d="day.wall" class="wall" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}

.work {
  fill: var(--film);
}

.travel {
  fill: var(--film);
  opacity: 0.38;
}

.over {
  fill: var(--due);
}

.wall {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1;
}
</style>
