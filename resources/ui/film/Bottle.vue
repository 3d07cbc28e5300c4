<script setup lang="ts">
import { computed } from 'vue'

// A bottle with what is left in it.
const props = defineProps<{ left: number }>()
const level = computed(() => 66 - 44 * Math.min(1, Math.max(0, props.left)))
</script>

<template>
  <svg viewBox="0 0 40 70" width="40" height="70" aria-hidden="true">
    <clipPath :id="`b${level}`"><path d="M15 2h10v9l9 10v45a3 3 0 0 1-3 3H9a3 3 0 0 1-3-3V21l9-10z" /></clipPath>
    <rect x="0" :y="level" width="40" height="70" fill="var(--film)" opacity=".8" :clip-path="`url(#b${level})`" />
    <path
      d="M15 2h10v9l9 10v45a3 3 0 0 1-3 3H9a3 3 0 0 1-3-3V21l9-10z"
      fill="none"
      stroke="var(--ink-2)"
      stroke-width="1.6"
    />
    <path d="M14 6h12" stroke="var(--ink-2)" stroke-width="1.6" />
  </svg>
</template>
