<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Schemas } from '@/api/client'
import { hourIn } from '@/lib/dates'
import { along, through } from './charts'

// A day by the hour: how long a rinse stays workable on this colour at this place; hatched where one should not wash.
const props = defineProps<{ hours: Schemas['RoundHour'][]; width: number; zone: string; label: string }>()
const HEIGHT = 92
const CAP_S = 900
const step = computed(() => (props.width - 34) / Math.max(1, props.hours.length))
const scale = along([0, CAP_S], [HEIGHT - 20, 10]).clamp(true)
const y = (s: number | null) => scale(s ?? CAP_S)
const why: Record<string, string> = { 'dries-too-fast': 'dries too fast', frost: 'frost', rain: 'rain' }
const id = useId()
const line = computed(() =>
  through(
    props.hours,
    (_, i) => 34 + (i + 0.5) * step.value,
    (hour) => y(hour.working_s),
  ),
)
</script>

<template>
  <svg :width="width" :height="HEIGHT" role="img" :aria-label="label">
    <defs>
      <pattern :id="id" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="var(--refused)" stroke-width="1.6" opacity=".6" />
      </pattern>
    </defs>
    <template v-for="(hour, i) in hours" :key="hour.at">
      <rect v-if="hour.avoid" :x="34 + i * step" y="6" :width="step" :height="HEIGHT - 26" :fill="`url(#${id})`">
        <title>{{ why[hour.avoid] }}</title>
      </rect>
      <text :x="34 + (i + 0.5) * step" :y="HEIGHT - 5" text-anchor="middle">{{ hourIn(zone, hour.at) }}</text>
    </template>
    <path
      :d="`${line}L${34 + (hours.length - 0.5) * step} ${HEIGHT - 20}L${34 + 0.5 * step} ${HEIGHT - 20}z`"
      fill="var(--film-wash)"
      opacity=".8"
    />
    <path :d="line" fill="none" stroke="var(--film)" stroke-width="2" stroke-linejoin="round" />
    <path :d="`M34 ${HEIGHT - 20}H${width}`" stroke="var(--line-strong)" />
    <path :d="`M34 ${y(300)}H${width}`" stroke="var(--line)" stroke-dasharray="2 4" />
    <text x="30" :y="y(300) + 4" text-anchor="end">5 min</text>
    <text x="30" :y="y(CAP_S) + 6" text-anchor="end">15</text>
  </svg>
</template>

<style scoped>
text {
  font: 11.5px var(--text);
  fill: var(--ink-3);
}
</style>
