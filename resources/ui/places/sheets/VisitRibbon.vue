<script setup lang="ts">
import { computed } from 'vue'
import { isDone, stepOf, type State, type Step } from './fold'

// The whole visit as a band, a lane for each person: what is done is filled, what is going on is framed.
const props = defineProps<{ steps: Step[]; state: State; finish: number | null; crew: number }>()
const width = computed(() => Math.max(1, props.finish ?? 1))
const bars = computed(() =>
  props.steps.flatMap((step) =>
    step.start === null || step.end === null
      ? []
      : step.who.map((person) => ({
          id: step.id,
          x: (300 * (step.start ?? 0)) / width.value,
          w: Math.max(1.5, (300 * ((step.end ?? 0) - (step.start ?? 0))) / width.value - 1),
          y: (person - 1) * 12,
          done: isDone(step, props.state),
          now: stepOf(props.state, step.id).startedAt !== null && !isDone(step, props.state),
        })),
  ),
)
</script>

<template>
  <svg class="visit" :viewBox="`0 0 300 ${crew * 12}`" preserveAspectRatio="none" aria-hidden="true">
    <rect
      v-for="bar in bars"
      :key="`${bar.id} ${bar.y}`"
      :x="bar.x"
      :y="bar.y + 1"
      :width="bar.w"
      height="9"
      :class="{ done: bar.done, now: bar.now }"
    />
  </svg>
</template>

<style scoped>
.visit {
  display: block;
  width: 100%;
  height: auto;
  min-height: 10px;
}

rect {
  fill: var(--film-wash);
}

.done {
  fill: var(--film);
}

.now {
  fill: var(--ink);
}
</style>
