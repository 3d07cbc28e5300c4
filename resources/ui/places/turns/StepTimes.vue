<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

// How long each step took, beside what the rules had said: a bar over a mark.
const props = defineProps<{ steps: Schemas['StepTaken'][] }>()
const rows = computed(() =>
  props.steps
    .filter((step) => !step.skipped && step.took_s !== null)
    .map((step) => ({ ...step, took: (step.took_s ?? 0) / 60, planned: step.estimate_min ?? 0 })),
)
const most = computed(() => Math.max(1, ...rows.value.map((row) => Math.max(row.took, row.planned))))
const skipped = computed(() => props.steps.filter((step) => step.skipped).map((step) => step.name))
const minutes = (value: number) => (value < 10 ? value.toFixed(1) : Math.round(value).toString())
</script>

<template>
  <details v-if="rows.length" class="section">
    <summary>How long each step took</summary>
    <table class="listed">
      <thead>
        <tr>
          <th scope="col">Step</th>
          <th scope="col">Took</th>
          <th scope="col">By the rules</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">{{ row.name }}</th>
          <td class="number">{{ minutes(row.took) }} min</td>
          <td class="number quiet">{{ minutes(row.planned) }}</td>
          <td class="draw">
            <svg viewBox="0 0 200 12" preserveAspectRatio="none" aria-hidden="true">
              <rect y="2" height="8" :width="(200 * row.took) / most" />
              <path :d="`M${(200 * row.planned) / most} 0v12`" />
            </svg>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="skipped.length" class="small quiet">Left out: {{ skipped.join(', ') }}.</p>
  </details>
</template>

<style scoped>
th,
td {
  padding-block: 3px;
}

.draw {
  width: 35%;
}

svg {
  display: block;
  width: 100%;
  height: 12px;
}

rect {
  fill: var(--film);
}

path {
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
