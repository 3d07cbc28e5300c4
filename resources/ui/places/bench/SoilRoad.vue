<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SoilDrawing from '@/film/SoilDrawing.vue'

// The road the dirt takes before anything touches the paint.
const props = defineProps<{ match: Schemas['Match']; soil: number }>()
const road = computed(() => [
  { name: 'As it came', left: props.soil },
  ...props.match.method.stages.map((stage) => ({ name: stage.says, left: stage.soil_left })),
])
const figure = (value: number) => value.toLocaleString(locale(), { maximumFractionDigits: 2 })
</script>

<template>
  <ol class="road" aria-label="Soil before contact">
    <li v-for="(stop, i) in road" :key="i">
      <SoilDrawing :level="stop.left" />
      <span class="small"
        ><strong>{{ figure(stop.left) }}</strong> {{ stop.name.toLowerCase() }}</span
      >
    </li>
  </ol>
</template>

<style scoped>
.road {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: var(--s4);
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 104px);
  justify-content: start;
}

li {
  position: relative;
  display: grid;
  gap: 2px;
  align-content: start;
  line-height: 1.3;
}

li + li::before {
  content: '→';
  position: absolute;
  left: -15px;
  top: 14px;
  color: var(--ink-3);
}
</style>
