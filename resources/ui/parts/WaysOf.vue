<script setup lang="ts">
import { useRoute } from 'vue-router'

// The title of a place that has several pages, and the ways to them.
defineProps<{ title: string; label: string; ways: { to: string; name: string }[] }>()
const route = useRoute()
</script>

<template>
  <header class="ways-of">
    <h1>{{ title }}</h1>
    <nav class="row" :aria-label="label">
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
