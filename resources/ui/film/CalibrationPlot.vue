<script setup lang="ts">
import { computed } from 'vue'
import { along, between } from './charts'

// Said against was: right forecasts lie on the diagonal, within the band that so many layers allow.
const props = defineProps<{ points: { said: number; was: number; low: number; high: number }[]; label: string }>()
const at = along([0, 1], [30, 250])
const up = along([0, 1], [250, 30])
const band = computed(() =>
  between(
    props.points,
    (point) => at(point.said),
    (point) => up(point.low),
    (point) => up(point.high),
  ),
)
</script>

<template>
  <svg viewBox="0 0 270 286" width="270" height="286" role="img" :aria-label="label" class="calibration">
    <path :d="band" class="band" />
    <path d="M30 250L250 30" class="right" />
    <path d="M30 30V250H250" class="frame" />
    <circle v-for="point in points" :key="point.said" :cx="at(point.said)" :cy="up(point.was)" r="4.5" />
    <text x="140" y="280" text-anchor="middle">said to fail, of 100</text>
    <text x="12" y="140" text-anchor="middle" transform="rotate(-90 12 140)">had failed</text>
  </svg>
</template>

<style scoped>
.calibration {
  display: block;
  max-width: 100%;
}

.band {
  fill: var(--film-wash);
}

.right {
  stroke: var(--film-deep);
  stroke-dasharray: 4 4;
}

.frame {
  fill: none;
  stroke: var(--line-strong);
}

circle {
  fill: var(--ink);
}

text {
  font: 13px var(--text);
  fill: var(--ink-2);
}
</style>
