<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { computed } from 'vue'

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
const most = computed(() => {
  const top = Math.max(...props.points.map((point) => point.value), 1)
  const step = 10 ** Math.floor(Math.log10(top))
  return Math.ceil(top / step) * step
})
const x = (at: number) =>
  pad.left + ((props.width - pad.left - pad.right) * (at - from.value)) / (to.value - from.value)
const y = (value: number) => props.height - pad.bottom - ((props.height - pad.top - pad.bottom) * value) / most.value
const line = computed(() =>
  props.points
    .map((point, i) => `${i ? 'L' : 'M'}${x(times.value[i] ?? 0).toFixed(1)} ${y(point.value).toFixed(1)}`)
    .join(''),
)
const months = computed(() => {
  const list = []
  const day = new Date(from.value)
  day.setUTCDate(1)
  for (day.setUTCMonth(day.getUTCMonth() + 1); day.getTime() < to.value; day.setUTCMonth(day.getUTCMonth() + 2)) {
    list.push({ x: x(day.getTime()), name: day.toLocaleDateString(locale(), { month: 'short', timeZone: 'UTC' }) })
  }
  return list
})
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
