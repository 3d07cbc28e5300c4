<script setup lang="ts">
import WaysOf from '@/parts/WaysOf.vue'

// What one does on the bench.
const ways = [
  { to: '/bench', name: 'Match' },
  { to: '/bench/mix', name: 'Mix' },
  { to: '/bench/water', name: 'Water' },
  { to: '/bench/gauge', name: 'Gauge' },
  { to: '/bench/drill', name: 'Practice' },
]
</script>

<template>
  <WaysOf title="Bench" label="On the bench" :ways="ways"><slot /></WaysOf>
</template>
