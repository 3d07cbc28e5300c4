<script setup lang="ts">
import { computed } from 'vue'
import { dropPath } from './geometry'

// A drop from the side, with its true contact angle.
const props = defineProps<{ angle: number; width?: number }>()
const width = computed(() => props.width ?? 64)
const height = computed(() => width.value * 0.56)
const path = computed(() => dropPath(width.value / 2, height.value - 4, props.angle, width.value * 0.2))
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" aria-hidden="true">
    <path :d="`M0 ${height - 3}H${width}`" stroke="var(--film)" stroke-width="3" />
    <path :d="path" fill="var(--film-wash)" stroke="var(--ink)" stroke-width="1.6" />
  </svg>
</template>
