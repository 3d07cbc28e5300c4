<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { outline } from '@/places/film/vehicle/tryAhead'
import { momentX, type Lane } from './weeks'

// What the protection makes of the visits as they are held just now; dashed, as they stand in the plan.
const props = defineProps<{
  held: Schemas['AheadCourse']
  stands: Schemas['AheadCourse'] | undefined
  today: string
  lane: Lane
  height: number
}>()
const floor = computed(() => props.height - 15)
const x = (at: string) => momentX(props.lane, Date.parse(at))
const y = (left: number) => floor.value - left * (props.height - 29)
const inside = (points: Schemas['AheadPoint'][]) => points.filter((point) => x(point.at) <= props.lane.width)
const layers = computed(() => props.held.layers.map((layer) => ({ ...layer, ...outline(inside(layer.points), x, y) })))
const before = computed(() =>
  (props.stands?.layers ?? []).map((layer) => outline(inside(layer.points), x, y).middle).join(''),
)
const from = computed(() => x(props.today))
const due = computed(() => {
  const last = props.held.layers.at(-1)?.due_on
  const at = last ? x(`${last}T12:00:00Z`) : null
  return at !== null && at >= from.value && at <= props.lane.width ? at : null
})
</script>

<template>
  <svg class="ahead" :width="lane.width" :height="height" aria-hidden="true">
    <rect class="sheet-under" :x="from" y="0" :width="lane.width - from" :height="floor - 1" />
    <rect class="sheet-under" :x="from" :y="floor + 5" :width="lane.width - from" :height="height - floor - 5" />
    <template v-for="layer in layers" :key="String(layer.fresh)">
      <path class="spread" :class="layer.family" :d="layer.spread" />
      <path class="middle" :class="layer.family" :d="layer.middle" />
    </template>
    <path v-if="before" class="before" :d="before" />
    <path v-if="due !== null" class="tick" :d="`M${due} ${height - 9}l-4 7h8z`" />
  </svg>
</template>

<style scoped>
.ahead {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

.sheet-under {
  fill: var(--paper);
}

.spread {
  fill: var(--film);
  opacity: 0.34;
}

.spread.ceramic,
.spread.film,
.spread.wrap {
  fill: var(--base);
}

.middle {
  fill: none;
  stroke: var(--film-deep);
  stroke-width: 2.5;
}

.before {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.4;
  stroke-dasharray: 3 4;
}

.tick {
  fill: var(--due);
}
</style>
