<script setup lang="ts">
import { computed } from 'vue'

// A piece of panel with the marks a method would leave: the more lines, the more contact risk. Relative, never a count.
const props = defineProps<{ risk: number; most: number; refused?: boolean }>()
const lines = computed(() => {
  // By the square root, so that small differences between gentle methods still show.
  const n = props.risk <= 0 ? 0 : Math.max(1, Math.round(20 * Math.sqrt(props.risk / Math.max(props.most, 0.001))))
  return Array.from({ length: n }, (_, i) => {
    // Spread by the golden ratio: every number of lines covers the panel evenly.
    const x = 4 + ((i * 0.618034) % 1) * 80
    const y = 9 + ((i * 0.754877) % 1) * 22
    const bend = ((i * 13) % 9) - 4
    return `M${x.toFixed(1)} ${y.toFixed(1)}q8 ${bend} 17 ${bend / 2}`
  })
})
</script>

<template>
  <svg viewBox="0 0 106 36" class="panel" :class="{ refused }" aria-hidden="true">
    <rect width="106" height="36" fill="var(--base)" :opacity="refused ? 0.14 : 0.42" />
    <path d="M4 8Q50 1 102 6" stroke="var(--sheet)" stroke-width="1.6" fill="none" opacity=".7" />
    <path
      v-for="(line, i) in lines"
      :key="i"
      :d="line"
      stroke="var(--ink)"
      stroke-width=".9"
      fill="none"
      :opacity="refused ? 0.35 : 0.75"
    />
  </svg>
</template>

<style scoped>
.panel {
  width: 100%;
  display: block;
  border-radius: 2px;
}

.refused {
  outline: 1.5px dashed var(--refused);
  outline-offset: -1px;
}
</style>
