<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { along, between, through } from '@/film/charts'
import { monthStarts } from '@/film/geometry'

// A year ahead as a ribbon: the band of what is left in eight of ten trials, its middle, and one trial of the middle with its washes and toppers.
const props = defineProps<{ outcome: Schemas['YearOutcome']; today: string; width: number }>()
const H = 96
const floor = 74
const x = computed(() => along([0, 365], [0, props.width]))
const y = along([0, 1], [floor, floor - 58])
const band = computed(() =>
  between(
    props.outcome.band,
    (point) => x.value(point.day),
    (point) => y(point.low),
    (point) => y(point.high),
  ),
)
const middle = computed(() =>
  through(
    props.outcome.band,
    (point) => x.value(point.day),
    (point) => y(point.mid),
  ),
)
const story = computed(() => {
  const steps = props.outcome.typical.map(({ day, left }) => ({ day, left }))
  const last = steps.at(-1)
  return through(
    last ? [...steps, { day: 365, left: last.left }] : [],
    (step) => x.value(step.day),
    (step) => y(step.left),
  )
})
const washes = computed(() => props.outcome.typical.filter((step) => !step.topped).map((step) => x.value(step.day)))
const toppers = computed(() => props.outcome.typical.filter((step) => step.topped).map((step) => x.value(step.day)))
const end = computed(() => new Date(Date.parse(props.today) + 365 * 86_400_000).toISOString())
const months = computed(() =>
  monthStarts(props.today, end.value).map((month) => ({
    name: month.name,
    x: x.value((month.at - Date.parse(props.today)) / 86_400_000),
  })),
)
</script>

<template>
  <svg class="drawing" :width="width" :height="H" aria-hidden="true">
    <g v-for="month in months" :key="month.x">
      <path :d="`M${month.x} 0V${floor}`" class="month" />
      <text :x="month.x + 3" y="11">{{ month.name }}</text>
    </g>
    <path :d="band" class="band" />
    <path :d="story" class="story" />
    <path :d="middle" class="middle" />
    <path class="base" :d="`M0 ${floor + 2}H${width}`" />
    <path v-for="at in washes" :key="`w${at}`" :d="`M${at} ${floor + 6}l-3 6h6z`" class="wash" />
    <path v-for="at in toppers" :key="`t${at}`" :d="`M${at - 5} ${floor + 18}q5 -7 10 0z`" class="topper" />
  </svg>
</template>

<style scoped>
.month {
  stroke: var(--line);
}

.band {
  fill: var(--film);
  opacity: 0.28;
}

.middle {
  fill: none;
  stroke: var(--film-deep);
  stroke-width: 2.4;
}

.story {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}

.base {
  stroke: var(--base);
  stroke-width: 4;
}

.wash {
  fill: var(--sheet);
  stroke: var(--ink);
}

.topper {
  fill: var(--film);
  stroke: var(--ink);
}
</style>
