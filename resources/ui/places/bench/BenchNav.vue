<script setup lang="ts">
import { useRoute } from 'vue-router'

// What one does on the bench.
const route = useRoute()
const ways = [
  { to: '/bench', name: 'Match' },
  { to: '/bench/mix', name: 'Mix' },
  { to: '/bench/water', name: 'Water' },
  { to: '/bench/gauge', name: 'Gauge' },
  { to: '/bench/drill', name: 'Practice' },
]
</script>

<template>
  <header class="ways-of">
    <h1>Bench</h1>
    <nav class="row" aria-label="On the bench">
      <RouterLink
        v-for="way in ways"
        :key="way.to"
        :to="way.to"
        :aria-current="route.path === way.to ? 'page' : undefined"
        >{{ way.name }}</RouterLink
      >
    </nav>
    <slot />
  </header>
</template>
