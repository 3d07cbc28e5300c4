<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dateOf, dayNumber, type Lane } from './weeks'

// Mondays, months, and what the weather lets be done on the days one can know.
const props = defineProps<{ lane: Lane; start: string; weather: Schemas['WeeksSky'][] }>()
const mondays = computed(() => {
  const marks = []
  for (let day = props.lane.first; day < props.lane.last; day++) {
    const date = new Date(day * 86_400_000)
    if (date.getUTCDay() === 1)
      marks.push({
        x: props.lane.x(dateOf(day)) - props.lane.step / 2,
        name: date.toLocaleDateString(locale(), {
          day: 'numeric',
          timeZone: 'UTC',
          ...(date.getUTCDate() <= 7 || day - props.lane.first < 7 ? { month: 'short' } : {}),
        }),
      })
  }
  return marks
})
const today = computed(() => props.lane.x(dateOf(dayNumber(props.start) - 1)) + props.lane.step / 2)
const skies = computed(() => props.weather.filter((sky) => sky.wash !== 'ok' || sky.topper === 'no'))
</script>

<template>
  <svg :width="lane.width" height="44" :viewBox="`0 0 ${lane.width} 44`" aria-hidden="true">
    <g v-for="monday in mondays" :key="monday.x">
      <path :d="`M${monday.x} 4V44`" class="rule" />
      <text :x="monday.x + 4" y="16">{{ monday.name }}</text>
    </g>
    <path :d="`M${today} 0V44`" class="today" />
    <g v-for="sky in skies" :key="sky.on" :transform="`translate(${lane.x(sky.on)} 34)`">
      <path v-if="sky.wash === 'no'" d="M-5 -5L5 5M5 -5L-5 5" class="no" />
      <path v-else-if="sky.wash === 'poor'" d="M0 -6q5 6 0 10q-5 -4 0 -10z" class="poor" />
      <path v-else d="M-5 0h10" class="dry" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.rule {
  stroke: var(--line);
}

.today {
  stroke: var(--ink);
  stroke-width: 2;
}

text {
  fill: var(--ink-3);
  font-size: 12px;
}

.no {
  stroke: var(--refused);
  stroke-width: 2;
}

.poor {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
}

.dry {
  stroke: var(--ink-3);
  stroke-width: 2;
}
</style>
