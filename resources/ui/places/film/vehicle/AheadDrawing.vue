<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { monthStarts, timeScale } from '@/film/geometry'
import { momentOf, outline } from './tryAhead'

// The weeks to come: the band of what may be left, its middle, the day it is due; dashed, how it would go by its rhythm alone.
const props = defineProps<{ tried: Schemas['TriedAhead']; today: string; last: string; width: number }>()
const H = 150
const floor = 112
const x = computed(() => timeScale(props.today, `${props.last}T12:00:00Z`, Math.max(1, props.width)))
const y = (left: number) => floor - left * 84
const drawn = computed(() =>
  props.tried.tried.layers.map((layer) => ({ ...layer, ...outline(layer.points, x.value, y) })),
)
const before = computed(() =>
  props.tried.stands.layers.map((layer) => outline(layer.points, x.value, y).middle).join(''),
)
const px = (date: string) => x.value(momentOf(date))
const months = computed(() => monthStarts(props.today, `${props.last}T12:00:00Z`))
</script>

<template>
  <svg class="drawing" :width="width" :height="H" aria-hidden="true">
    <g v-for="month in months" :key="month.at">
      <path :d="`M${x(month.at)} 0V${floor}`" class="month" />
      <text :x="x(month.at) + 4" y="12">{{ month.name }}</text>
    </g>
    <path class="base" :d="`M0 ${floor + 2}H${width}`" />
    <template v-for="layer in drawn" :key="String(layer.fresh)">
      <path class="spread" :class="layer.family" :d="layer.spread" />
      <path class="middle" :class="layer.family" :d="layer.middle" />
      <path
        v-if="layer.due_on && px(layer.due_on) >= 0 && px(layer.due_on) <= width"
        class="tick"
        :d="`M${px(layer.due_on)} ${floor - 2}l-5 -9h10z`"
      />
    </template>
    <path class="before" :d="before" />
  </svg>
</template>

<style scoped>
.month {
  stroke: var(--line-strong);
}

text {
  font-size: 13px;
}

.base {
  stroke: var(--base);
  stroke-width: 4;
}

.spread {
  fill: var(--film);
  opacity: 0.3;
}

.middle {
  fill: none;
  stroke: var(--film-deep);
  stroke-width: 2.5;
}

.spread.ceramic,
.spread.film,
.spread.wrap {
  fill: var(--base);
}

.before {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
  stroke-dasharray: 3 4;
}

.tick {
  fill: var(--due);
}
</style>
