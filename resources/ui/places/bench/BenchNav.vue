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
  <header class="row bench-head">
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

<style scoped>
.bench-head {
  gap: var(--s5);
  margin-bottom: var(--s4);
  align-items: baseline;
}

nav a {
  display: inline-flex;
  align-items: center;
  min-height: 36px;
  padding: 0 2px;
  text-decoration: none;
  color: var(--ink-2);
  border-bottom: 3px solid transparent;
}

nav a:hover {
  color: var(--ink);
}

nav [aria-current] {
  color: var(--ink);
  font-weight: 650;
  border-bottom-color: var(--film);
}
</style>
