<script setup lang="ts">
// The icons of the house, drawn for this job on a 20-unit grid.
defineProps<{ name: keyof typeof paths; size?: number }>()
</script>

<script lang="ts">
export const paths = {
  film: 'M2 6c4-3 6 2 9 0s4-2 7-1M2 11c4-2 6 2 9 0s4-1 7 0M2 16h16',
  book: 'M4 3h9a3 3 0 0 1 3 3v11H7a3 3 0 0 1-3-3zM4 14a3 3 0 0 1 3-3h9',
  weeks: 'M3 16V9h3v7M8.5 16V5h3v11M14 16v-5h3v5M2 16h16M3 5h2M14 7h3',
  bench: 'M2 9h16M4 9v8M16 9v8M4 13h12M6 9V6l4-3 4 3v3',
  round: 'M4 15a3 3 0 1 0 0-.1M16 5a2.4 2.4 0 1 0 0-.1M7 15h6a3 3 0 0 0 0-6H8a3 3 0 0 1 0-6h5',
  shelf: 'M2 17h16M4 17V9l2-2V4h2v3l2 2v8M12 17V8h4v9M12 11h4',
  proof: 'M3 3v14h14M3 5h4v3h3v4h4v3h3',
  house: 'M3 17V8l7-5 7 5v9zM8 17v-5h4v5',
  plus: 'M10 3v14M3 10h14',
  find: 'M9 3a6 6 0 1 0 0 12A6 6 0 0 0 9 3zM13.5 13.5L18 18',
  light:
    'M10 2v3M10 15v3M2 10h3M15 10h3M4.5 4.5l2 2M13.5 13.5l2 2M15.5 4.5l-2 2M6.5 13.5l-2 2M10 7a3 3 0 1 0 0 6 3 3 0 0 0 0-6z',
  dark: 'M16 12.5A7 7 0 1 1 8 3a5.5 5.5 0 0 0 8 9.5z',
  out: 'M8 3H4v14h4M12 6l4 4-4 4M16 10H7',
  table: 'M3 4h14v12H3zM3 8h14M3 12h14M9 4v12',
  no: 'M4 4l12 12M10 2a8 8 0 1 0 0 16 8 8 0 0 0 0-16z',
  care: 'M10 3l8 14H2zM10 8v4M10 14.5v.5',
  wash: 'M3 8h14l-2 9H5zM6 8c0-4 2-5 4-5s4 1 4 5',
} as const
</script>

<template>
  <svg
    :width="size ?? 20"
    :height="size ?? 20"
    viewBox="0 0 20 20"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    stroke-width="1.6"
    stroke-linejoin="round"
    stroke-linecap="round"
  >
    <path :d="paths[name]" />
  </svg>
</template>
