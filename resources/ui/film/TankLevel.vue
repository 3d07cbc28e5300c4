<script setup lang="ts">
import { computed } from 'vue'
import { along, through } from './charts'

// A tank's level along a round: the water's surface as it sinks, and the moment it runs dry.
const props = defineProps<{
  points: { min: number; l: number }[]
  holds: number
  minutes: number
  emptyAt: number | null
  width: number
  label: string
}>()
const HEIGHT = 120
const x = computed(() => along([0, Math.max(1, props.minutes)], [40, props.width - 12]))
const y = computed(() => along([0, props.holds], [HEIGHT - 20, 12]))
const surface = computed(() =>
  through(
    props.points,
    (point) => x.value(point.min),
    (point) => y.value(point.l),
  ),
)
const hours = computed(() => Array.from({ length: Math.floor(props.minutes / 60) + 1 }, (_, i) => i))
</script>

<template>
  <svg :width="width" :height="HEIGHT" role="img" :aria-label="label">
    <path :d="`${surface}L${x(minutes)} ${y(0)}L${x(0)} ${y(0)}z`" fill="var(--film-wash)" />
    <path :d="surface" fill="none" stroke="var(--film)" stroke-width="2" />
    <path
      :d="`M40 ${y(holds)}V${y(0)}H${width - 12}V${y(holds)}`"
      fill="none"
      stroke="var(--ink-2)"
      stroke-width="1.6"
    />
    <text x="34" :y="y(holds) + 5" text-anchor="end">{{ holds }} l</text>
    <text x="34" :y="y(0) + 4" text-anchor="end">0</text>
    <text v-for="hour in hours" :key="hour" :x="x(hour * 60)" :y="HEIGHT - 4" text-anchor="middle">{{ hour }} h</text>
    <g v-if="emptyAt !== null">
      <path
        :d="`M${x(emptyAt)} ${y(holds)}V${y(0)}`"
        stroke="var(--refused)"
        stroke-width="1.6"
        stroke-dasharray="3 3"
      />
      <path :d="`M${x(emptyAt) - 5} ${y(0) - 12}l10 10m0 -10l-10 10`" stroke="var(--refused)" stroke-width="2" />
    </g>
  </svg>
</template>

<style scoped>
text {
  font: 12px var(--text);
  fill: var(--ink-3);
}
</style>
