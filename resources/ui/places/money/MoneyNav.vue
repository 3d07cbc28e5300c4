<script setup lang="ts">
import { useRoute } from 'vue-router'

// What turns cost and what is asked for them.
const route = useRoute()
const ways = [
  { to: '/book/money', name: 'What it costs' },
  { to: '/book/prices', name: 'Prices and rates' },
  { to: '/book/quotes', name: 'A year offered' },
]
</script>

<template>
  <p class="quiet small"><RouterLink to="/book">Book</RouterLink></p>
  <header class="ways-of">
    <h1>Money</h1>
    <nav class="row" aria-label="Money">
      <RouterLink
        v-for="way in ways"
        :key="way.to"
        :to="way.to"
        :aria-current="route.path === way.to ? 'page' : undefined"
        >{{ way.name }}</RouterLink
      >
    </nav>
  </header>
</template>
