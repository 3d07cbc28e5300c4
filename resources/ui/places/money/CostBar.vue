<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

// A cost as a strip, cut into what it is for. Names stand beside it; here it shows only the shares.
const props = defineProps<{ cost: Schemas['CostParts']; most: number }>()
const parts = computed(() => {
  let at = 0
  return (['time', 'travel', 'products', 'towels', 'water', 'resin'] as const).map((name) => {
    const from = at
    at += props.cost[name]
    return { name, x: (100 * from) / Math.max(1, props.most), w: (100 * props.cost[name]) / Math.max(1, props.most) }
  })
})
</script>

<template>
  <svg class="bar" viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
    <rect v-for="part in parts" :key="part.name" :x="part.x" y="1" :width="part.w" height="8" :class="part.name" />
  </svg>
</template>

<style scoped>
.bar {
  display: block;
  width: 100%;
  height: 14px;
}

.time {
  fill: var(--ink-2);
}

.travel {
  fill: var(--ink-3);
  opacity: 0.6;
}

.products {
  fill: var(--film);
}

.towels {
  fill: var(--film-deep);
}

.water,
.resin {
  fill: var(--base);
}
</style>
