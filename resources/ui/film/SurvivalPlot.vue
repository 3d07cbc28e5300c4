<script setup lang="ts">
import { computed } from 'vue'
import { along, between, through } from './charts'

// What share of the layers still held, by wear: steps as they were read with their band, the model's curve over them, the
// label as a bracket below. A second product is drawn in dashes.
type Point = { wear: number; holds: number }
type Curve = {
  name: string
  points: (Point & { low: number; high: number })[]
  model: Point[]
  label: [number, number] | null
  fewer: boolean
}
const props = defineProps<{ curves: Curve[]; width: number; label: string; unit?: string }>()
const height = 300
const pad = { left: 52, right: 12, top: 12, bottom: 58 }
const most = computed(() => {
  const ends = props.curves.flatMap((curve) => [
    ...curve.model.map((point) => point.wear),
    ...curve.points.map((point) => point.wear),
    curve.label?.[1] ?? 0,
  ])
  return Math.max(1, ...ends) * 1.04
})
const x = computed(() => along([0, most.value], [pad.left, props.width - pad.right]))
const y = along([0, 1], [height - pad.bottom, pad.top])
const wear = (point: Point) => x.value(point.wear)
const holds = (point: Point) => y(point.holds)
const bandOf = (points: Curve['points']) =>
  between(
    points,
    wear,
    (point) => y(point.low),
    (point) => y(point.high),
    'steps',
  )
const ticks = computed(() => x.value.ticks(Math.max(2, Math.min(10, props.width / 60))))
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    role="img"
    :aria-label="label"
    class="survival"
  >
    <g v-for="share in [0, 0.5, 1]" :key="share">
      <path :d="`M${pad.left} ${y(share)}H${width - pad.right}`" class="rule" />
      <text :x="pad.left - 8" :y="y(share) + 5" text-anchor="end">{{ share * 100 }}</text>
    </g>
    <text :x="6" :y="y(0.75) + 5" class="axis">of 100</text>
    <g v-for="tick in ticks" :key="`w${tick}`">
      <path :d="`M${x(tick)} ${y(0)}v5`" class="tick" />
      <text :x="x(tick)" :y="y(0) + 20" text-anchor="middle">{{ tick }}</text>
    </g>
    <text :x="width - pad.right" :y="height - 4" text-anchor="end" class="axis">{{ unit ?? 'wear-weeks' }}</text>
    <g v-for="(curve, i) in curves" :key="curve.name" :class="['curve', i ? 'second' : 'first']">
      <template v-if="!curve.fewer">
        <path :d="bandOf(curve.points)" class="band" />
        <path :d="through(curve.points, wear, holds, 'steps')" class="found" />
      </template>
      <path :d="through(curve.model, wear, holds)" class="model" />
      <g v-if="curve.label" class="label">
        <path :d="`M${x(curve.label[0])} ${y(0) + 28 + i * 12}v6H${x(curve.label[1])}v-6`" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.survival {
  display: block;
  max-width: 100%;
}

text {
  font: 13px var(--text);
  fill: var(--ink-2);
  font-variant-numeric: tabular-nums;
}

.axis {
  fill: var(--ink-3);
}

path {
  fill: none;
}

.rule {
  stroke: var(--line);
}

.tick {
  stroke: var(--line-strong);
}

.band {
  fill: var(--film-wash);
  opacity: 0.7;
}

.second .band {
  fill: var(--line);
}

.found {
  stroke: var(--film-deep);
  stroke-width: 2.4;
}

.model {
  stroke: var(--film);
  stroke-width: 1.6;
}

.second .found,
.second .model,
.second .label path {
  stroke: var(--ink-2);
  stroke-dasharray: 6 4;
}

.label path {
  stroke: var(--ink);
  stroke-width: 1.6;
}
</style>
