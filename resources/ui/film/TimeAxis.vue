<script setup lang="ts">
import { computed } from 'vue'
import { monthStarts, timeScale } from './geometry'

const props = defineProps<{ from: string; to: string; today: string; width: number }>()
const x = computed(() => timeScale(props.from, props.to, props.width))
const months = computed(() => monthStarts(props.from, props.to).map((month) => ({ ...month, x: x.value(month.at) })))
const weeks = computed(() => {
  const now = Date.parse(props.today)
  const ticks = []
  for (let week = -16; week <= 12; week++) {
    const at = x.value(now + week * 604_800_000)
    if (at >= 0 && at <= props.width) ticks.push(`M${at.toFixed(1)} 26v${week % 4 === 0 ? 6 : 3}`)
  }
  return ticks.join('')
})
</script>

<template>
  <svg :width="width" height="34" :viewBox="`0 0 ${width} 34`" class="axis" aria-hidden="true">
    <path :d="weeks" class="weeks" />
    <g v-for="month in months" :key="month.at">
      <path :d="`M${month.x} 8V32`" class="month" />
      <text v-if="Math.abs(month.x + 18 - x(today)) > 42" :x="month.x + 5" y="18">{{ month.name }}</text>
    </g>
    <text :x="x(today)" y="18" class="today" text-anchor="middle">{{ $t('time-axis.today') }}</text>
  </svg>
</template>

<style scoped>
.axis {
  display: block;
}

.weeks {
  stroke: var(--line-strong);
}

.month {
  stroke: var(--line-strong);
}

text {
  font: 500 13px var(--text);
  fill: var(--ink-3);
}

.today {
  fill: var(--ink);
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 6px;
}
</style>
