<script setup lang="ts">
// Fits, fits with care, or is ruled out: three shapes, so that colour is never needed.
defineProps<{ allowed: boolean; warnings: number }>()
</script>

<template>
  <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
    <path v-if="allowed && !warnings" d="M3 15q8-13 16 0z" fill="var(--film)" />
    <g v-else-if="allowed" fill="none" stroke="var(--film-deep)" stroke-width="1.8">
      <path d="M3 15q8-13 16 0z" />
      <path d="M11 9.5v2.6M11 13.4v.4" />
    </g>
    <g v-else fill="none" stroke="var(--refused)" stroke-width="1.8" stroke-linecap="round">
      <path d="M4 15h14M6 6l10 8M16 6L6 14" />
    </g>
  </svg>
</template>
