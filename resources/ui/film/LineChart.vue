<script setup lang="ts">
import { computed } from 'vue'
import { along, through } from './charts'
import { monthStarts } from './geometry'

// Readings over time, as a pencil line with its dots. Small on purpose: the figure stands beside it.
const props = defineProps<{
  points: { at: string; value: number }[]
  width: number
  height: number
  unit: string
  label: string
  /** Readings of several places: no line would mean anything. */
  dots?: boolean
}>()
const pad = { left: 46, right: 12, top: 10, bottom: 22 }
const times = computed(() => props.points.map((point) => Date.parse(point.at)))
const from = computed(() => Math.min(...times.value))
const to = computed(() => Math.max(...times.value, from.value + 1))
const y = computed(() =>
  along([0, Math.max(...props.points.map((point) => point.value), 1)], [props.height - pad.bottom, pad.top]).nice(1),
)
const most = computed(() => y.value.domain()[1] ?? 1)
const x = computed(() => along([from.value, to.value], [pad.left, props.width - pad.right]))
const line = computed(() =>
  through(
    props.points,
    (_, i) => x.value(times.value[i] ?? 0),
    (point) => y.value(point.value),
  ),
)
/** Every other month, so that the names have room. */
const months = computed(() =>
  monthStarts(new Date(from.value).toISOString(), new Date(to.value).toISOString())
    .filter((_, i) => i % 2 === 0)
    .map((month) => ({ x: x.value(month.at), name: month.name })),
)
</script>

<template>
  <svg :width="width" :height="height" role="img" :aria-label="label">
    <path
      :d="`M${pad.left} ${y(0)}H${width - pad.right}M${pad.left} ${y(most)}H${width - pad.right}`"
      class="grid-line"
    />
    <text :x="pad.left - 6" :y="y(most) + 4" text-anchor="end">{{ most }}</text>
    <text :x="pad.left - 6" :y="y(0) + 4" text-anchor="end">0</text>
    <text v-for="month in months" :key="month.x" :x="month.x" :y="height - 6" text-anchor="middle">
      {{ month.name }}
    </text>
    <path v-if="!dots" :d="line" class="line" />
    <circle v-for="(point, i) in points" :key="point.at" :cx="x(times[i] ?? 0)" :cy="y(point.value)" r="2.4" />
  </svg>
</template>

<style scoped>
.grid-line {
  stroke: var(--line);
  fill: none;
}

.line {
  stroke: var(--film);
  stroke-width: 1.6;
  fill: none;
}

circle {
  fill: var(--film-deep);
}

text {
  font: 12px var(--text);
  fill: var(--ink-3);
}
</style>
