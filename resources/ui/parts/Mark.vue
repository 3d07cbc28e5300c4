<script setup lang="ts">
// A bead on a wet line: the sign of the house.
defineProps<{ size?: number }>()
</script>

<template>
  <svg :width="size ?? 22" :height="size ?? 22" viewBox="0 0 32 32" aria-hidden="true">
    <path d="M3 25h26" stroke="var(--film)" stroke-width="3.5" />
    <path d="M8 24.5A10 10 0 1 1 24 24.5z" fill="none" stroke="currentColor" stroke-width="2.6" />
  </svg>
</template>
